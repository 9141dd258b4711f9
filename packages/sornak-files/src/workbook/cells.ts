// Which cells of a sheet are to be replaced, by row and column from 0.

import { unreadable } from '../problem.js'
import type { Change } from '../change.js'

export interface CellChange {
  readonly row: number
  readonly column: number
  readonly after: string
  /** Written as this instead of text: a change that is undone. */
  readonly number: boolean
}

export interface CellChanges {
  at(row: number): ReadonlyMap<number, CellChange> | undefined
  /** Columns in which something changes. */
  readonly columns: readonly number[]
  readonly size: number
}

export function cellChanges(
  changes: readonly Pick<Change, 'record' | 'column' | 'after' | 'restore'>[],
  headers: readonly string[],
  headerRow: number,
  file: string,
): CellChanges {
  const rows = new Map<number, Map<number, CellChange>>()
  const columns = new Set<number>()
  for (const { record, column: header, after, restore = false } of changes) {
    const column = headers.indexOf(header)
    if (column < 0)
      throw unreadable(
        `${file} has no column "${header}".`,
        'The file is not the one that the changes were made for.',
      )
    const row = record + headerRow - 1
    columns.add(column)
    let cells = rows.get(row)
    if (!cells) rows.set(row, (cells = new Map()))
    cells.set(column, { row, column, after, number: restore })
  }
  return {
    at: (row) => rows.get(row),
    columns: [...columns].sort((a, b) => a - b),
    size: changes.length,
  }
}

export const escaped = (text: string): string =>
  text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')

/** Text as an element may hold it: characters that XML 1.0 does not have are written `_x0001_`. */
export const xmlText = (text: string): string =>
  escaped(text).replace(
    /[\x00-\x08\x0b\x0c\x0e-\x1f\ufffe\uffff]/g,
    (char) => `_x${char.charCodeAt(0).toString(16).toUpperCase().padStart(4, '0')}_`,
  )
