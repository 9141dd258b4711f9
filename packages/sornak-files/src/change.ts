// What was changed in a file, value by value: as JSON Lines for replaying and undoing, as CSV for reading. It
// is bound to its file by SHA-256 (FIPS 180-4).

import { json, tableCell } from 'sornak'

export interface Change {
  /** 1-based data record, the header not counted. */
  readonly record: number
  readonly line: number | null
  readonly key: string | null
  readonly column: string
  readonly identifier: string
  readonly before: string
  readonly after: string
  readonly finding: string | null
  /** In a workbook: the sheet and the cell. */
  readonly sheet?: string | undefined
  readonly cell?: string | undefined
  /** The cell held a number before. */
  readonly number?: boolean
  /** What comes after is put back as the number that it was. */
  readonly restore?: boolean
  readonly proof: 'exact' | 'odds' | 'answer'
}

export interface ChangeRecord {
  /** SHA-256 of the file before and after, in hexadecimal digits. */
  readonly from: string | null
  readonly to: string
  /** The sheet or table that was mended, where the file has several. */
  readonly sheet?: string | undefined
  /** The row of the file in which its header stands, from 1. */
  readonly headerRow: number
  readonly changes: readonly Change[]
}

export function* changeLines({
  from,
  to,
  headerRow,
  sheet,
  changes,
}: ChangeRecord): Iterable<string> {
  yield `${json({ kind: 'changes', from, to, headerRow, sheet, count: changes.length })}\n`
  for (const change of changes) yield `${json({ kind: 'change', ...change })}\n`
}

export function* changeTable({ changes }: Pick<ChangeRecord, 'changes'>): Iterable<string> {
  yield `${HEADERS.join(',')}\r\n`
  for (const change of changes)
    yield `${HEADERS.map((name) => tableCell(`${change[name] ?? ''}`)).join(',')}\r\n`
}

const HEADERS = [
  'record',
  'line',
  'sheet',
  'cell',
  'key',
  'column',
  'identifier',
  'before',
  'after',
  'finding',
  'proof',
] as const
