// sornak compare --sent: whether the identifiers of a hand-over arrived as they were sent.

import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { hide, json, judge, type Definition } from 'sornak'
import { readTexts, noProgress, type Source } from 'sornak-files'
import { definitionNamed } from '../binding.js'
import { eachInput } from '../inputs.js'
import { columnMark, readManifest, type SentColumn, type SentTable } from '../manifest.js'
import { openOutput } from '../output.js'
import { progress } from '../progress.js'
import type { ReadFlags } from '../read-flags.js'
import { loadRules } from '../rules-source.js'
import { STATUS, usage } from '../stop.js'

export interface SentFlags extends ReadFlags {
  readonly sent: string
  readonly rules?: string
  readonly format: string
  readonly out?: string
  readonly reveal?: boolean
}

interface Arrived {
  readonly file: string
  readonly sent: SentTable
  readonly columns: readonly ArrivedColumn[]
  readonly records: number
}

interface ArrivedColumn {
  readonly column: string
  readonly identifier: string
  /** `order`: the same values in another order. */
  readonly arrival: 'same' | 'order' | 'changed' | 'missing'
  readonly values: number
  readonly sent: number
  readonly changes: readonly ArrivedChange[]
  /** Undefined where what was sent is not beside the manifest. */
  readonly changed: number | undefined
}

interface ArrivedChange {
  readonly record: number
  readonly sent: string
  readonly value: string
  readonly finding: string | null
}

const MOST_SHOWN = 3

export async function compareSent(path: string, flags: SentFlags): Promise<number> {
  const manifest = readManifest(flags.sent)
  const arrived: Arrived[] = []
  await eachInput(path, path, flags, async ({ name, source }) => {
    const found = await arrival(name, source, manifest.tables, flags)
    if (found) arrived.push(found)
  })
  if (arrived.length === 0)
    throw usage(
      `Nothing that the manifest speaks of is in ${path}.`,
      `It speaks of: ${manifest.tables.map(({ file }) => file).join(', ')}.`,
    )
  const output = openOutput(flags.out)
  for (const one of arrived)
    output.write(flags.format === 'jsonl' ? lines(one) : text(one, flags.reveal === true))
  output.finish()
  const same = arrived.every(({ columns }) => columns.every((one) => one.arrival === 'same'))
  return same ? STATUS.fine : STATUS.findings
}

async function arrival(
  name: string,
  source: Source,
  tables: readonly SentTable[],
  flags: SentFlags,
): Promise<Arrived | undefined> {
  const bar = progress(name, flags.quiet === true)
  let sent: SentTable | undefined
  let at: number[] = []
  let marks: ReturnType<typeof columnMark>[] = []
  let records = 0
  await readTexts(
    source,
    {
      header(headers) {
        const shared = ({ columns }: SentTable) =>
          columns.filter(({ column }) => headers.includes(column)).length
        sent = [...tables].sort((a, b) => shared(b) - shared(a))[0]
        if (!sent || shared(sent) === 0) return void (sent = undefined)
        at = sent.columns.map(({ column }) => headers.indexOf(column))
        marks = at.map(() => columnMark())
      },
      record(value, _record, _line, fields) {
        if (fields === 1 && at.length > 1) return
        records++
        at.forEach((index, i) => marks[i]!.add(value(index)))
      },
    },
    bar,
  )
  if (!sent) return undefined
  const columns: ArrivedColumn[] = []
  for (const [i, column] of sent.columns.entries()) {
    const { values, ordered, unordered } = marks[i]!.mark()
    const kind =
      at[i]! < 0
        ? 'missing'
        : ordered === column.ordered
          ? 'same'
          : unordered === column.unordered && values === column.values
            ? 'order'
            : 'changed'
    const found =
      kind === 'changed' ? await changesIn(source, sent, column, at[i]!, flags) : undefined
    columns.push({
      column: column.column,
      identifier: column.identifier,
      arrival: kind,
      values,
      sent: column.values,
      changes: found?.changes ?? [],
      changed: kind === 'changed' ? found?.count : 0,
    })
  }
  return { file: name, sent, columns, records }
}

// Row by row against what was sent, where that still lies beside the manifest.
async function changesIn(
  source: Source,
  { file }: SentTable,
  { column, identifier }: SentColumn,
  at: number,
  flags: SentFlags,
): Promise<{ changes: ArrivedChange[]; count: number } | undefined> {
  const path = join(dirname(flags.sent), file)
  if (!existsSync(path)) return undefined
  const before: string[] = []
  await eachInput(path, path, { quiet: true }, async (input) => {
    let index = -1
    await readTexts(
      input.source,
      {
        header: (headers) => void (index = headers.indexOf(column)),
        record: (value) => void before.push(value(index)),
      },
      noProgress,
    )
  })
  const rules = flags.rules === undefined ? undefined : loadRules(flags.rules)
  const definition = rules && definitionNamed(identifier.split(' ')[0]!, rules)
  const changes: ArrivedChange[] = []
  let count = 0
  await readTexts(
    source,
    {
      header: () => {},
      record(value, record) {
        const [sent, now] = [before[record - 1] ?? '', value(at)]
        if (sent === now) return
        count++
        if (changes.length < 1000)
          changes.push({ record, sent, value: now, finding: findingOf(definition, now) })
      },
    },
    noProgress,
  )
  return { changes, count }
}

const findingOf = (definition: Definition | undefined, value: string) =>
  definition ? (judge(definition, value, 1).findings[0] ?? null) : null

function text({ file, sent, columns, records }: Arrived, reveal: boolean): string {
  const number = (n: number) => n.toLocaleString('en')
  const out = [`${file}  ${number(records)} records, ${number(sent.records)} sent as ${sent.file}`]
  const say = (value: string) => (reveal ? value : hide(value))
  for (const { column, arrival: kind, values, sent: were, changes, changed } of columns) {
    const words = {
      same: `arrived as it was sent, ${number(values)} values`,
      order: `the same ${number(values)} values, in another order`,
      changed:
        changed === undefined
          ? `is not as it was sent: ${number(values)} values, ${number(were)} were sent`
          : `${number(changed)} values are not as they were sent`,
      missing: 'is not there',
    }[kind]
    out.push(`  ${column}: ${words}.`)
    for (const { record, sent: was, value, finding } of changes.slice(0, MOST_SHOWN))
      out.push(
        `      row ${number(record)}  ${say(was)}  came as  ${say(value)}${finding ? `  ${finding}` : ''}`,
      )
  }
  if (!reveal && columns.some(({ changes }) => changes.length))
    out.push('  Values are hidden; --reveal shows them.')
  return `${out.join('\n')}\n`
}

function lines({ file, columns }: Arrived): string {
  return columns
    .map(
      ({ changes, ...column }) =>
        `${json({ kind: 'arrival', file, ...column, rows: changes.map(({ record }) => record) })}\n`,
    )
    .join('')
}
