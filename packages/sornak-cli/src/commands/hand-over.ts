// sornak hand-over: a copy of each table in which identifiers are text and said to be, with a description and
// a manifest that proves its arrival.

import { createHash } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { basename, join } from 'node:path'
import {
  csvwTable,
  fit,
  tableSchema,
  type Binding,
  type Definition,
  type DescribedColumn,
} from 'sornak'
import { copyTable, WRITERS, type FileRule } from 'sornak-files'
import { bindRun, isConnection, type BindFlags } from '../binding.js'
import { eachBoundInput } from '../bound-inputs.js'
import type { OpenedInput } from '../inputs.js'
import { columnMark, type Manifest, type SentTable } from '../manifest.js'
import { keepInputs, openOutput, tell } from '../output.js'
import { progress } from '../progress.js'
import type { ReadFlags } from '../read-flags.js'
import { desk } from '../source.js'
import { STATUS, systemReason, unreadable, usage } from '../stop.js'

export interface HandOverFlags extends BindFlags, ReadFlags {
  readonly to: string
  readonly in?: string
}

export async function handOver(files: readonly string[], flags: HandOverFlags): Promise<number> {
  if (files.length === 0) throw usage('No file is named.', 'Name one or more files.')
  const format = flags.in ?? 'csv'
  if (!WRITERS.has(format))
    throw usage(
      `There is no format "${format}".`,
      `Write one of: ${[...WRITERS.keys()].join(', ')}.`,
    )
  const bound = bindRun(flags)
  try {
    mkdirSync(flags.to, { recursive: true })
  } catch (error) {
    throw unreadable(`${flags.to} cannot be written: ${systemReason(error)}.`)
  }
  const tables: Handed[] = []
  for (const path of files) {
    const name = path === '-' ? 'standard input' : path
    await eachBoundInput(path, name, bound, flags, tell, async (input, rule) => {
      tables.push(await handTable(input, rule, format, files, flags))
    })
  }
  const manifest: Manifest = {
    kind: 'hand-over',
    version: 1,
    tables: tables.map(({ sent }) => sent),
  }
  const output = openOutput(join(flags.to, 'manifest.json'))
  output.write(`${JSON.stringify(manifest, null, 2)}\n`)
  output.finish()
  const said = openOutput(undefined)
  said.write(report(tables, flags))
  said.finish()
  return tables.some(({ unfit }) => unfit > 0) ? STATUS.findings : STATUS.fine
}

interface Handed {
  readonly from: string
  readonly sent: SentTable
  readonly descriptions: readonly string[]
  readonly unfit: number
  readonly harmless: number
}

interface Column {
  readonly header: string
  readonly definitionFor: (texts: readonly string[]) => Definition | undefined
  readonly definitions: readonly Definition[]
  readonly mark: ReturnType<typeof columnMark>
  unfit: number
}

async function handTable(
  { name, sheet, source }: OpenedInput,
  rule: FileRule,
  format: string,
  inputs: readonly string[],
  { to, quiet }: HandOverFlags,
): Promise<Handed> {
  const file = fileName(name, sheet, format)
  const out = join(to, file)
  keepInputs(inputs, [out])
  const output = openOutput(out)
  const hash = createHash('sha256')
  const files = desk()
  let columns: Column[] | undefined
  try {
    const copied = await copyTable(
      source,
      {
        format,
        sheet: sheet ?? basename(file, `.${format}`),
        headerRow: rule.headerRow,
        skipLast: rule.skipLast,
        identifiers: headersOf(rule),
        keep: files.keep,
        seen(headers, texts) {
          columns ??= columnsOf(rule, headers)
          for (const column of columns) {
            const text = texts[headers.indexOf(column.header)] ?? ''
            column.mark.add(text)
            const definition = column.definitionFor(texts)
            if (definition && text.trim() && !fit(definition, text).ok) column.unfit++
          }
        },
      },
      (bytes) => {
        hash.update(bytes)
        output.write(bytes)
      },
      progress(out, quiet === true),
    )
    columns ??= columnsOf(rule, copied.headers)
    const known = columns
    const described = copied.headers.map((header): DescribedColumn => {
      const column = known.find((one) => one.header === header)
      const [definition, other] = column?.definitions ?? []
      return { header, definition: other ? undefined : definition, fits: column?.unfit === 0 }
    })
    const descriptions = describe(to, file, format, described)
    output.finish()
    const sent: SentTable = {
      file,
      format,
      sha256: hash.digest('hex'),
      records: copied.records,
      columns: known.map(({ header, definitions, mark }) => ({
        column: header,
        identifier: definitions.map(({ key }) => key).join(' '),
        ...mark.mark(),
      })),
    }
    const unfit = known.reduce((sum, column) => sum + column.unfit, 0)
    return { from: name, sent, descriptions, unfit, harmless: copied.harmless }
  } finally {
    files.close()
  }
}

// `crew.xlsx#Deck hands` as CSV is `crew-Deck hands.csv`.
function fileName(name: string, sheet: string | undefined, format: string): string {
  const whole = isConnection(name) ? (sheet ?? 'table') : basename(name.split('#')[0]!)
  const bare = whole.replace(
    /(\.(?:csv|tsv|txt|json|jsonl|ndjson|xlsx|ods|parquet|sqlite|db|gz|zip))+$/i,
    '',
  )
  const part =
    sheet === undefined || isConnection(name)
      ? ''
      : `-${sheet.replace(/[^\p{L}\p{N} ._-]+/gu, '_')}`
  return `${bare}${part}.${format}`
}

const headersOf = ({ bind, aliases }: FileRule) =>
  new Set([...bind.keys(), ...[...(aliases?.values() ?? [])].flat()])

function columnsOf(rule: FileRule, headers: readonly string[]): Column[] {
  return [...rule.bind].map(([wanted, binding]) => {
    const names = [wanted, ...(rule.aliases?.get(wanted) ?? [])]
    const header = names.find((one) => headers.includes(one))
    if (header === undefined)
      throw usage(`There is no column "${wanted}".`, `There are: ${headers.join(', ')}.`)
    return { header, ...chooser(binding, headers), mark: columnMark(), unfit: 0 }
  })
}

function chooser(binding: Binding, headers: readonly string[]) {
  if (binding.kind === 'one') {
    const { definition } = binding
    return { definitionFor: () => definition, definitions: [definition] }
  }
  const by = headers.indexOf(binding.column)
  return {
    definitionFor: (texts: readonly string[]) => binding.cases.get(texts[by] ?? ''),
    definitions: [...new Set(binding.cases.values())],
  }
}

function describe(
  to: string,
  file: string,
  format: string,
  columns: readonly DescribedColumn[],
): string[] {
  const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`
  const texts: [string, string][] = [[`${file}.schema.json`, json(tableSchema(columns))]]
  if (format === 'csv') texts.push([`${file}-metadata.json`, json(csvwTable(file, columns))])
  for (const [name, text] of texts) {
    const output = openOutput(join(to, name))
    output.write(text)
    output.finish()
  }
  return texts.map(([name]) => name)
}

function report(tables: readonly Handed[], { to }: HandOverFlags): string {
  const number = (n: number) => n.toLocaleString('en')
  const out: string[] = []
  for (const { from, sent, descriptions, unfit, harmless } of tables) {
    out.push(
      `${from}  ${number(sent.records)} records  → ${join(to, sent.file)}`,
      `  Text: ${sent.columns.map(({ column }) => column).join(', ')}`,
      `  Described in ${descriptions.join(' and ')}`,
    )
    if (harmless)
      out.push(
        `  ${number(harmless)} texts that a spreadsheet program would run as formulas have an apostrophe in front.`,
      )
    if (unfit)
      out.push(
        `  ${number(unfit)} values do not fit and are handed over as they are; "sornak mend" first.`,
      )
    out.push('')
  }
  const manifest = join(to, 'manifest.json')
  out.push(`Manifest: ${manifest}`, `  On arrival: sornak compare FILE --sent ${manifest}`)
  return `${out.join('\n')}\n`
}
