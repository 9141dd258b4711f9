// A copy of any input in which some values are replaced. Text and workbooks keep everything else as it was;
// other formats are written anew, as the kind of file that the copy's name stands for.

import type { Change } from './change.js'
import type { Format } from './inputs.js'
import { unbound } from './problem.js'
import type { Keeper, Progress, Source } from './source.js'
import { copyMended } from './text/mend.js'
import { headersOf, openRows, readRecords } from './text/rows.js'
import { cellChanges } from './workbook/cells.js'
import { mendOds } from './workbook/mend-ods.js'
import { mendXlsx } from './workbook/mend-xlsx.js'
import { copyTable } from './write/copy.js'
import { formatOfName, WRITERS } from './write/writers.js'

export interface MendedInput {
  readonly format: Format | 'database'
  readonly sheet: string | undefined
  /** Its records as delimited text. */
  readonly source: Source
  /** The file as it lies; undefined for what is no file. */
  readonly original: Source | undefined
  readonly headerRow: number
  /** Headers of the columns that hold identifiers. */
  readonly identifiers: ReadonlySet<string>
}

/** @param out the name of the copy */
export async function mended(
  { format, sheet, source, original, headerRow, identifiers }: MendedInput,
  changes: readonly Change[],
  out: string,
  keep: Keeper,
  write: (bytes: Uint8Array) => void,
  progress: Progress,
): Promise<void> {
  const wanted = formatOfName(out)
  if (format === 'text' && (wanted === undefined || wanted === 'csv'))
    return copyMended(source, headerRow, changes, write, progress)
  if ((format === 'xlsx' || format === 'ods') && (wanted === undefined || wanted === format)) {
    const headers = await headersIn(source, headerRow, progress)
    const cells = cellChanges(changes, headers, headerRow, source.name)
    const mend = format === 'xlsx' ? mendXlsx : mendOds
    return mend(original!, sheet!, cells, keep, write)
  }
  if (wanted === undefined)
    throw unbound(
      `Nothing says in which format ${out} is to be written.`,
      `End its name with one of: ${[...WRITERS.keys()].map((one) => `.${one}`).join(', ')}.`,
    )
  const after = new Map(changes.map((one) => [`${one.record} ${one.column}`, one.after]))
  await copyTable(
    source,
    {
      format: wanted,
      sheet: sheet ?? 'Sheet1',
      headerRow,
      identifiers,
      keep,
      replace: (record, column) => after.get(`${record} ${column}`),
    },
    write,
    progress,
  )
}

async function headersIn(
  source: Source,
  headerRow: number,
  progress: Progress,
): Promise<readonly string[]> {
  const { shape, first } = openRows(source)
  let headers: readonly string[] = []
  await readRecords(
    source,
    shape,
    first,
    (view, { index, line }) => {
      if (index === headerRow - 1) headers = headersOf(view, shape, source.name, line)
    },
    progress,
  )
  return headers
}
