// sornak compare: two lists held against each other under one definition, whatever damage each has met.

import {
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
import { eachItem, type TextVisitor } from 'sornak-files'
import { existsSync, statSync } from 'node:fs'
import { bindRun, definitionNamed, meansRule, ruleFor } from '../binding.js'
import { parts } from '../compare-parts.js'
import { headerRowGiven } from '../header-row.js'
import { eachText, oneInput } from '../inputs.js'
import type { ReadFlags } from '../read-flags.js'
import { keepInputs, openOutput } from '../output.js'
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
  const lists = parts(definition, sizeOf(a) + sizeOf(b))
  try {
    const left = await sideOf(a, flags.left ?? flags.right, definition, flags, lists.left)
    const right = await sideOf(b, flags.right ?? flags.left, definition, flags, lists.right)
    const output = openOutput(flags.out)
    const say = sayer(definition, flags.reveal === true)
    const told = new Map(MATCHES.map((match) => [match, { count: 0, first: [] as Pair[] }]))
    const joined: Joined[] = []
    if (flags.format === 'csv') output.write(TABLE_HEADER)
    lists.pairs((pair) => {
      const tally = told.get(pair.match)!
      if (tally.count++ < MOST_SHOWN) tally.first.push(pair)
      if (flags.format === 'jsonl') output.write(`${lineOf(pair, say)}\n`)
      if (flags.format === 'csv') output.write(tableLine(pair, say))
      if (flags.join !== undefined && pair.left && pair.right)
        joined.push({ left: pair.left.record, right: pair.right.record, value: pair.value! })
    })
    if (flags.format === 'text') {
      const paint = flags.out === undefined ? paintFor(process.stdout, flags.color) : PLAIN
      output.write(summary(left, right, definition, told, say, paint, flags))
    }
    if (flags.join !== undefined) await join(flags.join, left, right, joined, flags)
    output.finish()
    const other = MATCHES.some((match) => match !== 'same' && told.get(match)!.count > 0)
    return other ? STATUS.findings : STATUS.fine
  } finally {
    lists.close()
  }
}

// How much there may be; what is no file is taken for a long one.
const sizeOf = (path: string) => (existsSync(path) ? statSync(path).size : 1 << 30)

interface Joined {
  readonly left: number
  readonly right: number
  readonly value: string
}

type Told = ReadonlyMap<Match, { readonly count: number; readonly first: readonly Pair[] }>

interface Side {
  readonly path: string
  readonly column: string
  readonly values: number
  readonly blank: number
}

async function sideOf(
  path: string,
  column: string | undefined,
  definition: Definition,
  flags: CompareFlags,
  visit: (item: Item) => void,
): Promise<Side> {
  const header = column ?? boundColumn(path, definition, flags)
  return oneInput(path, path, flags, async ({ source }) => ({
    path,
    column: header,
    ...(await eachItem(
      source,
      header,
      definition,
      progress(path, flags.quiet === true),
      headerRowFor(path, flags),
      visit,
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

const TABLE_HEADER =
  'match,value,left record,left value,right record,right value,finding,could be\r\n'

function tableLine(
  { match, left, right, value, others }: Pair,
  say: (text: string) => string,
): string {
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
  return `${cells.map(tableCell).join(',')}\r\n`
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
  told: Told,
  say: (text: string) => string,
  paint: Paint,
  { reveal }: CompareFlags,
): string {
  const number = (n: number) => n.toLocaleString('en')
  const lines = [
    `${paint.strong(definition.title)}  ${paint.quiet(definition.key)}`,
    ...[left, right].map(
      ({ path, column, values, blank }) =>
        `  ${path} "${column}"  ${number(values)} values${blank ? `, ${number(blank)} blank` : ''}`,
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
  let any = false
  for (const match of MATCHES) {
    const { count, first } = told.get(match)!
    if (count === 0) continue
    any = true
    const mood = match === 'same' ? paint.good : match === 'same-mended' ? paint.warn : paint.bad
    lines.push(`  ${mood(number(count).padStart(7))}  ${WORDS[match]} (${match})`)
    if (match !== 'same') lines.push(...first.map(describe))
  }
  if (!any) lines.push('  There is nothing to compare.')
  const hidden = !reveal && definition.sensitivity !== 'open'
  if (hidden) lines.push('', paint.quiet('Values are hidden; --reveal shows them.'))
  return `${lines.join('\n')}\n`
}

// Records of both sides that are the same, side by side; the first column holds the value as stored.
async function join(
  out: string,
  left: Side,
  right: Side,
  joined: readonly Joined[],
  flags: CompareFlags,
): Promise<void> {
  const [a, b] = [
    await recordsOf(left, new Set(joined.map((pair) => pair.left)), flags),
    await recordsOf(right, new Set(joined.map((pair) => pair.right)), flags),
  ]
  const output = openOutput(out)
  const twice = new Set(a.headers.filter((name) => b.headers.includes(name)))
  const named = (headers: readonly string[], which: string) =>
    headers.map((name) => (twice.has(name) ? `${name} (${which})` : name))
  output.write(
    `${['stored', ...named(a.headers, 'left'), ...named(b.headers, 'right')].map(tableCell).join(',')}\r\n`,
  )
  for (const { left: one, right: other, value } of joined) {
    const cells = [value, ...a.rows.get(one)!, ...b.rows.get(other)!]
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
