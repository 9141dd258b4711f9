// Rows between others that all became far too short, where no other value starts with so many zeros: a reader of numbers
// took those, maybe, or something that nobody knows took other digits.

import type { Space } from '../../identifier/space.js'
import type { ShortGroup } from './group.js'
import { totalOf } from './population.js'
import { FEW_ROWS_ALIKE, rowsOf } from './throughout.js'

/** One zero is what the numbers of one office start with, and no others. */
const FEW_ZEROS = 2
/** Where a run begins and ends is not known to the row. */
const NEARLY_ALL = 2 / 3
/** Of fewer other values it is chance how they start; and one in so many may start as these do. */
const FEW_OTHERS = 100

/** Each of these rows would have lost so many zeros, at the least; 0 where that is as it should be. */
export function strange(space: Space, group: ShortGroup): number {
  const { values, share, clean, between } = group
  if (space.widths.length > 1 || !between || !clean || share < NEARLY_ALL) return 0
  const zeros = space.widest - Math.max(...values.map(({ digits }) => digits.length))
  const others = totalOf(clean.fronts)
  if (zeros < FEW_ZEROS || rowsOf(group) < FEW_ROWS_ALIKE || others < FEW_OTHERS) return 0
  return totalOf(clean.fronts.slice(10 * zeros)) * FEW_OTHERS < others ? zeros : 0
}
