// A table as readers of all formats hand it on: row by row, each cell as the text that stands in the file.

import type { ColumnType, StoredAs } from 'sornak'
import type { Progress } from './source.js'

export interface Cell {
  /** Exactly as in the file. */
  readonly text: string
  /** Undefined for text. */
  readonly as?: StoredAs | undefined
  /** What the display format makes of it, where that is known. */
  readonly shown?: string | undefined
  /** The text is what a formula came to. */
  readonly formula?: boolean
}

/** @param index 0-based row of the file; rows that are left out are empty */
export type RowVisitor = (index: number, cells: readonly (Cell | undefined)[]) => void

export interface Table {
  /** Name of the sheet or table; undefined where the file holds one table without a name. */
  readonly name: string | undefined
  /** How a place in it is said: by sheet and cell, by line (the header has none), or not at all. */
  readonly placed: 'cell' | 'line' | 'record'
  /** The types that its columns declare, once the table was read. */
  types(): readonly (ColumnType | undefined)[]
  /** Visits all rows in order, the header first. */
  read(visit: RowVisitor, progress: Progress): Promise<void>
}
