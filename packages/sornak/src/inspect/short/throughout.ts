// A conversion that struck a whole column or a run is not as rare as one that struck a single value: the weights of
// values say how little a lone one speaks for it.

import type { Space } from '../../identifier/space.js'
import { MOST_AT_STAKE, THROUGHOUT } from '../ways/weights.js'
import type { ShortGroup } from './group.js'
import { rangeOf } from './population.js'
import { MOST_OFTEN } from './story.js'

/** Of fewer rows nothing is said about a column. */
export const FEW_ROWS_ALIKE = 8
/** Bits by which a conversion must explain values better than lost zeros, where complete ones stand beside them. */
const SUITS = 2

/** No value is complete: either way the same was taken from every one, and what the digits are tells nothing. */
export const isWhole = (space: Space, { share, clean }: ShortGroup): boolean =>
  share >= MOST_OFTEN && !(clean && rangeOf(space, clean))

/** By how many bits a conversion is likelier of a column than of one value that weighs so much. */
export const ofColumn = (weight: number): number => Math.log2(THROUGHOUT / weight)

/** Bits beside complete values: the conversion must suit the column better than lost zeros do. */
export const ofPart = (weight: number, told: number): number =>
  told > SUITS ? ofColumn(weight) : 0

export const rowsOf = ({ values }: ShortGroup): number =>
  values.reduce((sum, { count }) => sum + count, 0)

/** Bits by which so many values must suit lost zeros better than octal reading: each mend is as wrong as all of them. */
export const atStake = (rows: number): number =>
  Math.log2(Math.max(1, Math.min(MOST_AT_STAKE, rows * rows)))
