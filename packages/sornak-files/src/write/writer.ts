// A table written in one of the formats that are read. Cells are text unless they are said to be numbers: what
// names something is always text, in a cell that says so where the format has such cells.

import type { Keeper } from '../inputs.js'
import { csvWriter } from './csv.js'
import { jsonLinesWriter, jsonWriter } from './json.js'
import { odsWriter } from './ods.js'
import { parquetWriter } from './parquet.js'
import { xlsxWriter } from './xlsx.js'

export interface WrittenCell {
  readonly text: string
  /** It is a quantity, and its text a number. */
  readonly number?: boolean
}

export interface TableWriter {
  row(cells: readonly WrittenCell[]): void
  /** No more rows come. */
  end(): Promise<void>
  /** How many texts were given an apostrophe, so that no program runs them as formulas. */
  harmless(): number
}

export interface WriterOptions {
  readonly headers: readonly string[]
  /** Name of the sheet, where the format has sheets. */
  readonly sheet: string
  /** Columns that hold identifiers. */
  readonly identifiers: ReadonlySet<number>
  readonly keep: Keeper
}

export type MakeWriter = (write: (bytes: Uint8Array) => void, options: WriterOptions) => TableWriter

export const WRITERS: ReadonlyMap<string, MakeWriter> = new Map<string, MakeWriter>([
  ['csv', csvWriter],
  ['json', jsonWriter],
  ['jsonl', jsonLinesWriter],
  ['xlsx', xlsxWriter],
  ['ods', odsWriter],
  ['parquet', parquetWriter],
])

/** The format that the end of a file name stands for. */
export function formatOfName(name: string): string | undefined {
  const end = /\.([^./\\]+)$/.exec(name)?.[1]?.toLowerCase()
  if (end === 'ndjson') return 'jsonl'
  return end !== undefined && WRITERS.has(end) ? end : undefined
}
