// The formats that are written, by the end of a file's name.

import { csvWriter } from './csv.js'
import { jsonLinesWriter, jsonWriter } from './json.js'
import { odsWriter } from './ods.js'
import { parquetWriter } from './parquet.js'
import type { MakeWriter } from './writer.js'
import { xlsxWriter } from './xlsx.js'

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
