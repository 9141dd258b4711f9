// The report that a steward reads: for each column how it stands, what was found where, an example or
// three, and what to do next.

import { FINDINGS } from '../channel/findings.js'
import type { FindingCode } from '../channel/channel.js'
import type { ValueFinding } from '../inspect/finding.js'
import { about } from '../inspect/messages.js'
import type { Profile, TypeLoss } from '../inspect/profile.js'
import { VERDICTS, type Verdict } from '../inspect/judgement.js'
import type { ErrorLine, Summary } from './jsonl.js'
import { nextStep } from './next-step.js'
import type { ColumnTally, FindingTally, RowRanges } from './tally.js'

/** Colours a piece of text; the plain one leaves it alone. */
export interface Paint {
  strong(text: string): string
  quiet(text: string): string
  good(text: string): string
  warn(text: string): string
  bad(text: string): string
}

export const PLAIN: Paint = { strong: same, quiet: same, good: same, warn: same, bad: same }

export interface FileReport {
  readonly file: string
  readonly records: number
  readonly columns: readonly ColumnTally[]
  readonly unbound: readonly string[]
  readonly ragged: { readonly count: number; readonly rows: RowRanges }
}

const BAR = 40
const WIDTH = 96
const MOST_RUNS = 6

export function fileText(report: FileReport, paint: Paint): string {
  const { file, records, columns, unbound, ragged } = report
  const lines = [
    `${paint.strong(file)}  ${paint.quiet(`${plural(records, 'record')}, ${plural(columns.length, 'column')} inspected`)}`,
  ]
  for (const column of columns) lines.push('', ...columnLines(column, paint))
  if (ragged.count) {
    lines.push(
      '',
      paint.warn(
        `${plural(ragged.count, 'record')} with more or fewer fields than the header: ${rowsText(ragged.rows, ragged.count)}.`,
      ),
      '  Values in records with fields too many were not judged, since they may stand in the wrong column.',
    )
  }
  if (unbound.length) lines.push('', paint.quiet(wrap(`Not inspected: ${unbound.join(', ')}.`, 0)))
  return `${lines.join('\n')}\n`
}

export function summaryText(summary: Summary, revealed: boolean, paint: Paint): string {
  const { columns, errors, notices } = summary
  const total = sumVerdicts(columns)
  const values = columns.reduce((sum, { values }) => sum + values, 0)
  const bad = values - total.intact - total.blank
  const lines: string[] = []
  const words = VERDICTS.filter((verdict) => total[verdict] > 0).map(
    (verdict) => `${number(total[verdict])} ${verdict}`,
  )
  lines.push(paint.strong('In all'), `  ${plural(values, 'value')}: ${words.join(', ') || 'none'}.`)
  const accepted = columns.reduce((sum, column) => sum + column.accepted, 0)
  if (accepted) lines.push(`  ${number(accepted)} accepted by the rules file and left out above.`)
  if (total.mendable)
    lines.push(
      `  ${paint.good(number(total.mendable))} can be turned back: only one original is left for each.`,
    )
  const fetch = total.ambiguous + total.lost + total.suspect
  if (fetch)
    lines.push(
      `  ${paint.bad(number(fetch))} must be fetched again at the source, or chosen from the candidates.`,
    )
  if (total.misfit)
    lines.push(
      `  ${paint.bad(number(total.misfit))} fit nothing that is known; ask where they were entered.`,
    )
  const quiet = columns.every(({ findings, runs }) => findings.size === 0 && runs.length === 0)
  if (bad === 0 && errors === 0 && quiet) lines.push(`  ${paint.good('Nothing to report.')}`)
  for (const notice of notices) lines.push(paint.warn(`  ${notice}`))
  if (bad && !revealed)
    lines.push(
      paint.quiet(
        '  Values are hidden as the rules file says; --reveal shows them, --format jsonl lists every row.',
      ),
    )
  return `${lines.join('\n')}\n`
}

export function errorText({ file, line, message, todo }: ErrorLine, paint: Paint): string {
  const place = line === null ? file : `${file}:${line}`
  return `${paint.bad(place)}  ${message}${todo ? `\n  ${todo}` : ''}\n`
}

function columnLines(tally: ColumnTally, paint: Paint): string[] {
  const { column, identifiers, values, verdicts, runs } = tally
  const known = VERDICTS.filter((verdict) => verdicts[verdict] > 0)
  const lines = [
    `${paint.strong(column)}  ${paint.quiet(identifiers.join(', '))}`,
    `  ${bar(values, verdicts, paint)}  ${known.map((verdict) => `${number(verdicts[verdict])} ${verdict}`).join(', ')}`,
  ]
  const findings = [...tally.findings].sort(([, a], [, b]) => b.count - a.count)
  for (const [code, finding] of findings) lines.push(...findingLines(code, finding, paint))
  if (runs.length) lines.push(`  ${paint.warn('What the column says as a whole')}`)
  for (const { why } of runs.slice(0, MOST_RUNS)) lines.push(wrap(why, 6))
  if (runs.length > MOST_RUNS)
    lines.push(`      and ${plural(runs.length - MOST_RUNS, 'run')} more`)
  for (const [, profile] of tally.profiles) lines.push(...profileText(tally, profile, paint))
  return lines
}

function profileText(tally: ColumnTally, profile: Profile, paint: Paint): string[] {
  const { widths, padding, leadingZeros, beyond15, beyond53, types, store } = profile
  const list = Object.entries(widths).map(([width, count]) => `${width} (${number(count)})`)
  const safe = tally.findings.get('zeros-lost')?.verdicts.get('mendable') ?? 0
  const short = padding.short
    ? `${number(padding.short)} short, of which ${number(Math.min(safe, padding.short))} can be padded safely`
    : 'none short'
  const losses = types.filter(({ lost }) => lost > 0)
  return [
    `  ${paint.warn('Padding and precision')}`,
    wrap(`Widths in digits: ${list.join(', ') || 'no values of digits only'}.`, 6),
    wrap(
      `Padding: ${number(padding.right)} right, ${short}, ${number(padding.over)} with zeros too many, ${number(padding.wrong)} otherwise wrong.`,
      6,
    ),
    wrap(
      `Start with a zero: ${number(leadingZeros)}. More than 15 significant digits: ${number(beyond15)}; beyond 2^53: ${number(beyond53)}.`,
      6,
    ),
    ...(losses.length ? [wrap(lossesText(types, losses), 6)] : []),
    wrap(`Store it as ${store}.`, 6),
  ]
}

function lossesText(types: readonly TypeLoss[], losses: readonly TypeLoss[]): string {
  const [first] = losses
  const alike = losses.length === types.length && losses.every(({ lost }) => lost === first!.lost)
  if (alike) return `Any number column would lose ${plural(first!.lost, 'value')}.`
  const list = losses.map(({ type, lost }) => `${type} ${number(lost)}`)
  return `A number column would lose values: ${list.join(', ')}.`
}

function findingLines(code: FindingCode, finding: FindingTally, paint: Paint): string[] {
  const { title } = FINDINGS[code]
  const kinds = [...finding.verdicts].map(([verdict, count]) =>
    finding.verdicts.size === 1 ? verdict : `${number(count)} ${verdict}`,
  )
  const lines = [
    `  ${paint.warn(title)} ${paint.quiet(`(${code})`)}  ${number(finding.count)}${finding.verdicts.size === 1 ? ' ' : ': '}${kinds.join(', ')}; ${rowsText(finding.rows, finding.count)}`,
  ]
  const width = Math.min(
    24,
    finding.examples.reduce((most, { value }) => Math.max(most, [...value].length), 0),
  )
  for (const example of finding.examples)
    lines.push(
      `      row ${String(example.record).padEnd(6)} ${pad(example.value, width)}  ${outcome(example, paint)}`,
    )
  lines.push(wrap(`Next: ${nextStep(code, finding.verdicts.keys())}`, 6))
  return lines
}

/** What is left of a damaged value, in a few words. */
export function outcome(
  { verdict, mend, proof, candidates, possible, why }: ValueFinding,
  paint: Paint,
): string {
  if (mend !== null)
    return `${paint.good('→')} ${mend}  ${paint.quiet(proof === 'exact' ? 'no other original is possible' : 'all others: less than 1 in 1000')}`
  if (verdict === 'ambiguous') {
    const list = candidates.slice(0, 3).join(', ')
    return `one of ${about(possible ?? 0n)}${list && !/•/.test(list) ? `: ${list}${(possible ?? 0n) > 3n ? ', …' : ''}` : ''}`
  }
  if (verdict === 'suspect')
    return `one of ${about(possible ?? 0n)}: it fits, but others that came with it were converted`
  if (verdict === 'lost')
    return possible === null ? 'nothing of it is left' : `one of ${about(possible)}`
  return why
}

const COLOURS: Record<Verdict, keyof Paint> = {
  intact: 'good',
  mendable: 'warn',
  ambiguous: 'warn',
  lost: 'bad',
  suspect: 'warn',
  misfit: 'bad',
  blank: 'quiet',
}
const MARKS: Record<Verdict, string> = {
  intact: '█',
  mendable: '▓',
  ambiguous: '▒',
  lost: '░',
  suspect: '▒',
  misfit: '×',
  blank: '·',
}

// Every verdict that occurs gets at least one mark; the largest gives way.
function bar(values: number, verdicts: Record<Verdict, number>, paint: Paint): string {
  if (values === 0) return ''
  const shares = VERDICTS.map((verdict) => ({
    verdict,
    marks:
      verdicts[verdict] === 0 ? 0 : Math.max(1, Math.round((verdicts[verdict] / values) * BAR)),
  }))
  const largest = shares.reduce((most, one) => (one.marks > most.marks ? one : most))
  largest.marks += BAR - shares.reduce((sum, { marks }) => sum + marks, 0)
  return shares
    .map(({ verdict, marks }) =>
      marks > 0 ? paint[COLOURS[verdict]](MARKS[verdict].repeat(marks)) : '',
    )
    .join('')
}

/** `row 5`, `rows 12 to 18, 25 and 40 to 90`, `scattered over rows 3 to 990`. */
export function rowsText({ ranges, more, last }: RowRanges, count: number): string {
  const text = (list: readonly (readonly [number, number])[]) =>
    list.map(([from, to]) => (from === to ? number(from) : `${number(from)} to ${number(to)}`))
  const [first] = ranges
  if (!first) return ''
  if (ranges.length === 1 && more === 0)
    return `${first[0] === first[1] ? 'row' : 'rows'} ${text(ranges)[0]}`
  if (ranges.length <= 4 && more === 0) {
    const all = text(ranges)
    return `rows ${all.slice(0, -1).join(', ')} and ${all.at(-1)}`
  }
  // Long runs tell where it happened; the rest is only said to be scattered.
  const long = ranges
    .filter(([from, to]) => to - from >= 9)
    .sort((a, b) => b[1] - b[0] - (a[1] - a[0]))
  const shown = long.slice(0, 3).sort((a, b) => a[0] - b[0])
  const rest = count - shown.reduce((sum, [from, to]) => sum + to - from + 1, 0)
  if (shown.length === 0) return `scattered over rows ${number(first[0])} to ${number(last)}`
  return `rows ${text(shown).join(', ')}${rest > 0 ? `; ${number(rest)} more from row ${number(first[0])} to ${number(last)}` : ''}`
}

function sumVerdicts(columns: readonly ColumnTally[]): Record<Verdict, number> {
  const total = Object.fromEntries(VERDICTS.map((verdict) => [verdict, 0])) as Record<
    Verdict,
    number
  >
  for (const { verdicts } of columns)
    for (const verdict of VERDICTS) total[verdict] += verdicts[verdict]
  return total
}

/** @param indent in characters, of every line */
export function wrap(text: string, indent: number): string {
  const lines: string[] = []
  let line = ' '.repeat(indent)
  for (const word of text.split(' ')) {
    if (line.trim() && line.length + word.length + 1 > WIDTH) {
      lines.push(line)
      line = ' '.repeat(indent)
    }
    line += line.trim() ? ` ${word}` : word
  }
  return [...lines, line].join('\n')
}

const pad = (text: string, width: number) =>
  text + ' '.repeat(Math.max(0, width - [...text].length))
const number = (n: number) => n.toString().replace(/\B(?=(\d{3})+$)/g, ',')
const plural = (n: number, word: string) => `${number(n)} ${word}${n === 1 ? '' : 's'}`

function same(text: string): string {
  return text
}
