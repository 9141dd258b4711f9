// Digits that are too short, in a column or in a run of its rows.

import type { Clean } from './population.js'
import type { RowsBetween } from './story.js'

/** Values that became too short, and what stands beside them. */
export interface ShortGroup {
  readonly values: readonly { readonly digits: string; readonly count: number }[]
  /** The share of short values among all that are in question: 0 to 1. */
  readonly share: number
  /** Most of what does not fit stands in a printed form. */
  readonly printed: boolean
  /** Values that fit, of rows that are not in question; undefined where there are none. */
  readonly clean: Clean | undefined
  /** The rows between those of a run; undefined for all rows. */
  readonly between: RowsBetween | undefined
  /** Values with a minus in front stand beside them. */
  readonly negatives: boolean
  /** They are those of a small part of the rows, and hardly any stands outside it: the column has no other story. */
  readonly apart: boolean
  /** A reader of octal digits would have changed none of the column's values that kept their zeros. */
  readonly octalSpared: boolean
  /** They stand here and there, in no run. */
  readonly scattered: boolean
  /** They are in order, and so are the next ones beside them. */
  readonly inOrder: boolean
  /** They were picked out of others that are too short as well. */
  readonly picked: boolean
}

/** How many rows hold them. */
export const rowsIn = (values: ShortGroup['values']): number =>
  values.reduce((sum, { count }) => sum + count, 0)
