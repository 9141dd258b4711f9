// Which row holds the headers: sheets often have a title or notes above them.

import { fieldText, type RecordView } from 'sornak/rows'
import { bytesOf, memorySource, noProgress, type Source } from '../source.js'
import { openRows, readRecords } from './rows.js'

const LOOK = 64 * 1024
const ROWS = 30

/**
 * The row of headers, from 1: the first that is about as full as the rows usually are. A first row without
 * a header over its first column is one too; a title stands in the first.
 */
export async function headerRowOf(source: Source): Promise<number> {
  const head = bytesOf(source, 0, LOOK)
  if (head.length === 0) return 1
  const cut = head.length === source.size ? head.length : head.lastIndexOf(10) + 1
  const part = memorySource(source.name, head.subarray(0, cut || head.length))
  const shaped = source.shape ? { ...part, shape: source.shape } : part
  const { shape, first } = openRows(shaped)
  const rows: string[][] = []
  const visit = (view: RecordView) => {
    if (rows.length < ROWS)
      rows.push(Array.from({ length: view.fields }, (_, i) => textOf(view, i, shape.quote)))
  }
  await readRecords(shaped, shape, first, visit, noProgress)
  const filled = rows.map((row) => row.filter(Boolean).length)
  const usual = median(filled.filter((count) => count > 0))
  const at = rows.findIndex((row, i) => {
    const count = filled[i]!
    return count >= Math.max(2, usual * 0.6) || (count > 0 && row[0] === '' && count >= usual - 1)
  })
  return at < 0 ? 1 : at + 1
}

function median(counts: readonly number[]): number {
  const sorted = [...counts].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? 0
}

// What is no UTF-8 is told when the file is read.
function textOf(view: RecordView, field: number, quote: number): string {
  try {
    return fieldText(view, field, quote).trim()
  } catch {
    return ''
  }
}
