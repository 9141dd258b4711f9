// What is known of a column before its rows are held against each other.

import type { Definition } from '../../identifier/definition.js'
import type { Sums } from '../evidence/sums.js'

export interface Setting {
  readonly definition: Definition
  /** Many of its values go on behind a number, or a check digit may make them. */
  readonly goesOn: boolean
  /** All its rows. */
  readonly all: Sums
  /** The largest of its clean values; undefined where they are too few to say it. */
  readonly largest: bigint | undefined
}
