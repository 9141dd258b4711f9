// Records of one delimited file: its shape found or given, then every record in order.

import {
  fieldText,
  findShape,
  markLength,
  rowReader,
  RowsError,
  type CsvShape,
  type RecordPlace,
  type RecordView,
} from 'sornak/rows'
import { unreadable } from '../problem.js'
import { breathe, bytesOf, type Progress, type Source } from '../source.js'
import type { Utf8Check } from './utf8.js'

const CHUNK = 1024 * 1024
const LEAST = 8 * 1024
const MOST_COLUMNS = 20_000
/** After so many milliseconds signals get their turn. */
const BREATHE = 100

/** Looks at the start of the file: what separates its fields, and where its first record stands. */
export function openRows(source: Source): {
  readonly shape: CsvShape
  readonly first: RecordPlace
} {
  const head = bytesOf(source, 0, 64 * 1024)
  if (head.length === 0)
    throw unreadable(`${source.name} is empty.`, 'A header and records are expected.')
  if (head.includes(0))
    throw unreadable(
      `${source.name} is not text: it holds zero bytes.`,
      'Save it as CSV, or name its encoding with --encoding.',
    )
  const { delimiter, quote } = source.shape ?? {}
  const shape = findShape(head, head.length === source.size, delimiter, quote)
  return { shape, first: { index: 0, line: 1, offset: markLength(head) } }
}

export async function readRecords(
  source: Source,
  shape: CsvShape,
  from: RecordPlace,
  visit: (view: RecordView, place: RecordPlace) => void,
  progress: Progress,
  check?: Utf8Check,
): Promise<void> {
  const reader = rowReader(shape, visit, from)
  try {
    let chunk = CHUNK
    let breathed = performance.now()
    for (let at = from.offset; ;) {
      const room = reader.room(chunk)
      const size = source.read(room.subarray(0, chunk), at)
      if (size === 0) break
      const began = performance.now()
      check?.feed(room.subarray(0, size))
      reader.filled(size)
      at += size
      progress.at(at, source.size)
      const now = performance.now()
      // Damaged records take longer; signals and progress still get their turn.
      if (now - began > BREATHE) chunk = Math.max(LEAST, chunk >> 1)
      else if (now - began < BREATHE / 4) chunk = Math.min(CHUNK, chunk << 1)
      if (now - breathed < BREATHE) continue
      await breathe()
      breathed = performance.now()
    }
    check?.end()
    reader.end()
  } catch (error) {
    throw placed(error, source)
  }
}

/** An error of the scanner with the name of the file; any other as it is. */
export const placed = (error: unknown, { name }: Source): unknown =>
  error instanceof RowsError
    ? unreadable(
        `${name}:${error.line}  ${error.message}`,
        'Close the quote, or choose the delimiter with --delimiter.',
      )
    : error

export function headersOf(view: RecordView, shape: CsvShape, name: string, line: number): string[] {
  if (view.fields > MOST_COLUMNS)
    throw unreadable(
      `${name}:${line}  The header has ${view.fields} columns; more than ${MOST_COLUMNS} are no table.`,
      'Choose the delimiter with --delimiter.',
    )
  try {
    return Array.from({ length: view.fields }, (_, i) => fieldText(view, i, shape.quote).trim())
  } catch {
    throw unreadable(
      `${name}:${line}  The header is not UTF-8.`,
      'Say how the file is encoded, for example --encoding windows-1252.',
    )
  }
}
