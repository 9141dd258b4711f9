// Any file as the tables that it holds. What kind it is shows in its first bytes, whatever its name says. The
// reader of a format is loaded when a file of it is met.

import { gunzip } from './archive/gunzip.js'
import { canonical } from './canonical.js'
import { unbound, unreadable } from './problem.js'
import { bytesOf, type Keeper, type Progress, type Source } from './source.js'
import type { Table } from './table.js'
import { decoded, encodingOf } from './text/encoding.js'
import { fixedWidthTable, parseLayout } from './text/fixed-width.js'

export type Format = 'text' | 'fixed' | 'json' | 'xlsx' | 'ods' | 'parquet'

export interface InputOptions {
  /** A name of the WHATWG Encoding standard; found where it is left out. */
  readonly encoding?: string | undefined
  /** What separates the fields of a text; found where it is left out. */
  readonly delimiter?: string | undefined
  readonly quote?: string | undefined
  /** Fields at fixed places, such as `Crew No: 1-5, Mobile: 6-15`. */
  readonly layout?: string | undefined
  /** Only the sheet, table or list of this name. */
  readonly sheet?: string | undefined
}

/** One table of a file. */
export interface Input<F extends string = Format> {
  /** Undefined where the file holds one table without a name. */
  readonly sheet: string | undefined
  readonly format: F
  /** Its records as delimited text, and how their values were stored. */
  open(progress: Progress): Promise<Source>
}

export interface Inputs {
  readonly inputs: readonly Input[]
  /** What the user should know of how the file was read. */
  readonly notices: readonly string[]
}

/** @throws {FileProblem} for a file that cannot be read, or a sheet that it does not have */
export async function inputsOf(
  given: Source,
  options: InputOptions,
  keep: Keeper,
): Promise<Inputs> {
  const { source, names } = await unpacked(given, keep)
  const { tables, format } = await tablesOf(source, names, options)
  if (tables) {
    const wanted = tables.filter(
      ({ name }) => options.sheet === undefined || name === options.sheet,
    )
    if (wanted.length === 0)
      throw unbound(
        `${source.name} has no sheet "${options.sheet}".`,
        `It has: ${tables.map(({ name }) => `"${name ?? ''}"`).join(', ')}.`,
      )
    const inputs = wanted.map((table) => tableInput(source.name, table, format, keep))
    return { inputs, notices: [] }
  }
  const { text, notices } = asUtf8(source, options, keep)
  if (options.layout !== undefined) {
    const table = fixedWidthTable(text, parseLayout(options.layout))
    return { inputs: [tableInput(source.name, table, 'fixed', keep)], notices }
  }
  const shape = { delimiter: options.delimiter, quote: options.quote }
  const shaped: Source = { ...text, name: given.name, shape }
  return { inputs: [{ sheet: undefined, format, open: async () => shaped }], notices }
}

/** A table of any origin as an input. */
export function tableInput<F extends string>(
  file: string,
  table: Table,
  format: F,
  keep: Keeper,
): Input<F> {
  return {
    sheet: table.name,
    format,
    async open(progress) {
      const name = table.name === undefined ? file : `${file}#${table.name}`
      const kept = keep(name)
      const storage = await canonical(table, kept.write, progress)
      const shape = { delimiter: ',', quote: '"' }
      return { ...kept.done(), name, file, sheet: table.name, shape, storage }
    },
  }
}

async function tablesOf(
  source: Source,
  names: readonly string[] | undefined,
  { layout }: InputOptions,
): Promise<{ tables?: Table[]; format: Format }> {
  const head = bytesOf(source, 0, 4096)
  if (names) {
    if (names.includes('content.xml'))
      return { tables: await (await import('./workbook/ods.js')).odsTables(source), format: 'ods' }
    return { tables: await (await import('./workbook/xlsx.js')).xlsxTables(source), format: 'xlsx' }
  }
  if (starts(head, 'PAR1')) {
    const { parquetTables } = await import('./parquet/parquet.js')
    return { tables: await parquetTables(source), format: 'parquet' }
  }
  const other = OTHERS.find(({ mark }) => mark.every((byte, i) => head[i] === byte))
  if (other) throw unreadable(`${source.name} is ${other.what}.`, other.todo)
  if (layout === undefined && looksLikeJson(source.name, head))
    return { tables: (await import('./json/json.js')).jsonTables(source), format: 'json' }
  return { format: 'text' }
}

// A single file in a container or under gzip takes the container's place.
async function unpacked(
  source: Source,
  keep: Keeper,
): Promise<{ source: Source; names: readonly string[] | undefined }> {
  const head = bytesOf(source, 0, 4)
  if (head[0] === 0x1f && head[1] === 0x8b) {
    const kept = keep(source.name)
    await gunzip(source, kept.write)
    return unpacked({ ...kept.done(), name: source.name }, keep)
  }
  if (!starts(head, 'PK')) return { source, names: undefined }
  const archive = await (await import('./archive/archive.js')).openArchive(source)
  const { names } = archive
  if (names.includes('content.xml') || names.some((name) => /^(_rels\/\.rels|xl\/)/.test(name)))
    return { source, names }
  const files = names.filter((name) => !/(^|\/)(__MACOSX\/|\.)/.test(name))
  if (files.length !== 1)
    throw unreadable(
      `${source.name} holds ${files.length} files.`,
      'Unpack it and name the ones that are meant.',
    )
  const kept = keep(source.name)
  await archive.stream(files[0]!, kept.write)
  return unpacked({ ...kept.done(), name: source.name }, keep)
}

function asUtf8(source: Source, { encoding }: InputOptions, keep: Keeper) {
  const { label, guessed } = encodingOf(source, encoding)
  if (label === undefined) return { text: source, notices: [] }
  const kept = keep(source.name)
  decoded(source, label, kept.write)
  const notices = guessed
    ? [`${source.name} is not UTF-8 and is read as ${label}; say --encoding if it is another.`]
    : []
  return { text: kept.done(), notices }
}

const starts = (head: Uint8Array, text: string) =>
  [...text].every((char, i) => head[i] === char.charCodeAt(0))

function looksLikeJson(name: string, head: Uint8Array): boolean {
  const text = new TextDecoder().decode(head.subarray(0, 256))
  if (/\.(json|jsonl|ndjson)(\.gz)?$/i.test(name)) return true
  return /^\s*(?:\{\s*(?:"(?:[^"\\]|\\.)*"\s*:|\})|\[\s*[[{])/.test(text)
}

const OTHERS: readonly { mark: readonly number[]; what: string; todo: string }[] = [
  {
    mark: [0xd0, 0xcf, 0x11, 0xe0],
    what: 'a workbook of the old binary format, or one with a password',
    todo: 'Save it as an Office Open XML workbook (.xlsx) or OpenDocument (.ods) without a password.',
  },
  {
    mark: [0x28, 0xb5, 0x2f, 0xfd],
    what: 'compressed with Zstandard',
    todo: 'Unpack it first.',
  },
  { mark: [0xfd, 0x37, 0x7a, 0x58], what: 'compressed with xz', todo: 'Unpack it first.' },
  { mark: [0x42, 0x5a, 0x68], what: 'compressed with bzip2', todo: 'Unpack it first.' },
]
