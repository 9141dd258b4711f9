// sornak compare: two lists held against each other under one definition, whatever damage each has met.

import {
  compareLists,
  json,
  MATCHES,
  PLAIN,
  sayer,
  tableCell,
  type Definition,
  type Item,
  type Match,
  type Paint,
  type Pair,
} from 'sornak'
import { itemsOf, type TextVisitor } from 'sornak-files'
import { bindRun, definitionNamed, meansRule, ruleFor } from '../binding.js'
import { headerRowGiven } from '../header-row.js'
import { eachText, oneInput } from '../inputs.js'
import type { ReadFlags } from '../read-flags.js'
import { keepInputs, openOutput, type Output } from '../output.js'
import { paintFor } from '../paint.js'
import { progress } from '../progress.js'
import { loadRules } from '../rules-source.js'
import { STATUS, usage } from '../stop.js'

export interface CompareFlags extends ReadFlags {
  readonly as?: string
  readonly sent?: string
  readonly rules?: string
  readonly left?: string
  readonly right?: string
  readonly join?: string
  readonly format: string
  readonly out?: string
  readonly reveal?: boolean
  readonly color: boolean
}

const FORMATS = ['text', 'csv', 'jsonl']

export async function compare(
  a: string,
  b: string | undefined,
  flags: CompareFlags,
): Promise<number> {
  if (flags.sent !== undefined) {
    if (b !== undefined)
      throw usage('--sent holds one file against its manifest.', 'Leave out the second file.')
    return (await import('./compare-sent.js')).compareSent(a, { ...flags, sent: flags.sent })
  }
  if (b === undefined || flags.as === undefined)
    throw usage(
      b === undefined ? 'One file is not two lists.' : 'Nothing says what both lists hold.',
      'Write: sornak compare A B --as IDENTIFIER; or A --sent manifest.json.',
    )
  if (!FORMATS.includes(flags.format))
    throw usage(`There is no format "${flags.format}".`, `Write one of: ${FORMATS.join(', ')}.`)
  keepInputs([a, b, flags.rules], [flags.out, flags.join])
  if (a === '-' || b === '-')
    throw usage(
      'Lists that are compared are read twice.',
      'Name two files instead of standard input.',
    )
  const { rules } =
    flags.rules === undefined ? { rules: undefined } : { rules: loadRules(flags.rules) }
  const definition = definitionNamed(flags.as, rules)
  const [left, right] = [
    await sideOf(a, flags.left ?? flags.right, definition, flags),
    await sideOf(b, flags.right ?? flags.left, definition, flags),
  ]
  const pairs = compareLists(definition, left.items, right.items)
  const output = openOutput(flags.out)
  const say = sayer(definition, flags.reveal === true)
  if (flags.format === 'jsonl') for (const pair of pairs) output.write(`${lineOf(pair, say)}\n`)
  else if (flags.format === 'csv') writeTable(output, pairs, say)
  else {
    const paint = flags.out === undefined ? paintFor(process.stdout, flags.color) : PLAIN
    output.write(summary(left, right, definition, pairs, say, paint, flags))
  }
  if (flags.join !== undefined) await join(flags.join, left, right, pairs, flags)
  output.finish()
  return pairs.every(({ match }) => match === 'same') ? STATUS.fine : STATUS.findings
}

interface Side {
  readonly path: string
  readonly column: string
  readonly items: readonly Item[]
  readonly blank: number
}

async function sideOf(
  path: string,
  column: string | undefined,
  definition: Definition,
  flags: CompareFlags,
): Promise<Side> {
  const header = column ?? boundColumn(path, definition, flags)
  return oneInput(path, path, flags, async ({ source }) => ({
    path,
    column: header,
    ...(await itemsOf(
      source,
      header,
      definition,
      progress(path, flags.quiet === true),
      headerRowFor(path, flags),
    )),
  }))
}

// The rules file knows where the headers stand, for the files that it speaks of.
function headerRowFor(path: string, flags: CompareFlags): number {
  const given = headerRowGiven(flags.headerRow)
  if (given !== undefined || flags.rules === undefined) return given ?? 1
  const { rules, base } = bindRun({ rules: flags.rules })
  const rule = rules!.columns.find((one) => meansRule(one, path, path, base, flags.sheet))
  return rule?.headerRow ?? 1
}

function boundColumn(path: string, { key }: Definition, flags: CompareFlags): string {
  if (flags.rules !== undefined) {
    const { rules, base } = bindRun({ rules: flags.rules })
    for (const [header, binding] of ruleFor(rules!, path, path, base).bind)
      if (binding.kind === 'one' && binding.definition.key === key) return header
  }
  throw usage(
    `Nothing says which column of ${path} holds "${key}".`,
    'Name the columns: --left "Crew No" --right Number; one name serves for both.',
  )
}

function lineOf(
  { match, left, right, value, others }: Pair,
  say: (text: string) => string,
): string {
  const side = (item: Item | undefined) =>
    item && {
      record: item.record,
      value: say(item.value),
      verdict: item.verdict,
      finding: item.finding ?? null,
    }
  return json({
    kind: 'pair',
    match,
    value: value === undefined ? null : say(value),
    left: side(left) ?? null,
    right: side(right) ?? null,
    ...(others.length && { others: others.map((item) => side(item)) }),
  })
}

function writeTable(output: Output, pairs: readonly Pair[], say: (text: string) => string): void {
  output.write('match,value,left record,left value,right record,right value,finding,could be\r\n')
  for (const { match, left, right, value, others } of pairs) {
    const cells = [
      match,
      value === undefined ? '' : say(value),
      left ? `${left.record}` : '',
      left ? say(left.value) : '',
      right ? `${right.record}` : '',
      right ? say(right.value) : '',
      [left?.finding, right?.finding].filter(Boolean).join(' '),
      others.map(({ record }) => `${record}`).join(' '),
    ]
    output.write(`${cells.map(tableCell).join(',')}\r\n`)
  }
}

const WORDS: Readonly<Record<Match, string>> = {
  same: 'the same on both sides',
  'same-mended': 'the same once mended',
  ambiguous: 'damaged, and could be one of the other side',
  'only-left': 'only in the first',
  'only-right': 'only in the second',
  duplicate: 'stand there twice',
}
const MOST_SHOWN = 3

function summary(
  left: Side,
  right: Side,
  definition: Definition,
  pairs: readonly Pair[],
  say: (text: string) => string,
  paint: Paint,
  { reveal }: CompareFlags,
): string {
  const number = (n: number) => n.toLocaleString('en')
  const lines = [
    `${paint.strong(definition.title)}  ${paint.quiet(definition.key)}`,
    ...[left, right].map(
      ({ path, column, items, blank }) =>
        `  ${path} "${column}"  ${number(items.length)} values${blank ? `, ${number(blank)} blank` : ''}`,
    ),
    '',
  ]
  const describe = ({ left: one, right: other, value, others }: Pair) => {
    const seen = (item: Item) => `row ${number(item.record)} ${say(item.value)}`
    const ends = [one, other]
      .filter((item) => item !== undefined)
      .map(seen)
      .join('  =  ')
    const mended = value !== undefined && [one, other].some((item) => item && item.value !== value)
    return `           ${ends}${mended ? paint.quiet(`  → ${say(value)}`) : ''}${others.length ? `  ~  ${others.map(seen).join(' or ')}` : ''}`
  }
  for (const match of MATCHES) {
    const found = pairs.filter((pair) => pair.match === match)
    if (found.length === 0) continue
    const mood = match === 'same' ? paint.good : match === 'same-mended' ? paint.warn : paint.bad
    lines.push(`  ${mood(number(found.length).padStart(7))}  ${WORDS[match]} (${match})`)
    if (match !== 'same') lines.push(...found.slice(0, MOST_SHOWN).map(describe))
  }
  if (pairs.length === 0) lines.push('  There is nothing to compare.')
  const hidden = !reveal && definition.sensitivity !== 'open'
  if (hidden) lines.push('', paint.quiet('Values are hidden; --reveal shows them.'))
  return `${lines.join('\n')}\n`
}

// Records of both sides that are the same, side by side; the first column holds the value as stored.
async function join(
  out: string,
  left: Side,
  right: Side,
  pairs: readonly Pair[],
  flags: CompareFlags,
): Promise<void> {
  const joined = pairs.filter(({ left: one, right: other }) => one && other)
  const [a, b] = [
    await recordsOf(left, new Set(joined.map((pair) => pair.left!.record)), flags),
    await recordsOf(right, new Set(joined.map((pair) => pair.right!.record)), flags),
  ]
  const output = openOutput(out)
  const twice = new Set(a.headers.filter((name) => b.headers.includes(name)))
  const named = (headers: readonly string[], which: string) =>
    headers.map((name) => (twice.has(name) ? `${name} (${which})` : name))
  output.write(
    `${['stored', ...named(a.headers, 'left'), ...named(b.headers, 'right')].map(tableCell).join(',')}\r\n`,
  )
  for (const { left: one, right: other, value } of joined) {
    const cells = [value!, ...a.rows.get(one!.record)!, ...b.rows.get(other!.record)!]
    output.write(`${cells.map(tableCell).join(',')}\r\n`)
  }
  output.finish()
}

async function recordsOf({ path }: Side, wanted: ReadonlySet<number>, flags: CompareFlags) {
  const rows = new Map<number, string[]>()
  let headers: readonly string[] = []
  const visitor: TextVisitor = {
    header: (found) => void (headers = found),
    record(text, record) {
      if (wanted.has(record))
        rows.set(
          record,
          headers.map((_, i) => text(i)),
        )
    },
  }
  await eachText(path, flags, visitor, headerRowFor(path, flags))
  return { headers, rows }
}
