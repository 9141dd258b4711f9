// What separates fields and lines, found in the first bytes of a file.

import { recordView, scanRecord, type CsvShape } from './record.js'

const CANDIDATES = [',', ';', '\t', '|', ':']
const LINES = 20

/** Length of a UTF-8 byte order mark at the start, in bytes: 3 or 0. */
export function markLength(bytes: Uint8Array): number {
  return bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf ? 3 : 0
}

/**
 * The separators of a file that starts with these bytes: the delimiter that cuts the first records into
 * the same number of fields, more than one; a comma where none does.
 */
export function findShape(
  bytes: Uint8Array,
  whole: boolean,
  delimiter?: string,
  quote = '"',
): CsvShape {
  const newline = bytes.includes(10) || !bytes.includes(13) ? 10 : 13
  const shapeWith = (char: string): CsvShape => ({
    delimiter: char.charCodeAt(0),
    quote: quote.charCodeAt(0),
    newline,
  })
  if (delimiter !== undefined) return shapeWith(delimiter)
  let best = { char: ',', score: 0 }
  for (const char of CANDIDATES) {
    const counts = fieldCounts(bytes, shapeWith(char), whole)
    const first = counts[0] ?? 1
    if (first < 2) continue
    const same = counts.filter((count) => count === first).length / counts.length
    const score = same * 1000 + Math.min(first, 100)
    if (score > best.score) best = { char, score }
  }
  return shapeWith(best.char)
}

function fieldCounts(bytes: Uint8Array, shape: CsvShape, whole: boolean): number[] {
  const view = recordView()
  const counts: number[] = []
  for (let at = markLength(bytes); at < bytes.length && counts.length < LINES; at = view.end) {
    if (!scanRecord(view, bytes, at, bytes.length, shape, whole)) break
    const empty = view.fields === 1 && view.starts[0] === view.ends[0]
    if (!empty) counts.push(view.fields)
  }
  return counts
}
