// A table written in one of the formats that are read. Cells are text unless they are said to be numbers: what
// names something is always text, in a cell that says so where the format has such cells.

import type { Keeper } from '../source.js'

export interface WrittenCell {
  readonly text: string
  /** It is a quantity, and its text a number. */
  readonly number?: boolean
}

export interface TableWriter {
  row(cells: readonly WrittenCell[]): void
  /** No more rows come. */
  end(): Promise<void>
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
