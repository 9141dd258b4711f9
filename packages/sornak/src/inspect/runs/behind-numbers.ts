// Values that go on behind a number, where others are digits only: a reader that stops at the first character that is no
// digit leaves none of them, nor does one that works out what hyphens join; and what they leave may fit.

import type { Sums } from '../evidence/sums.js'
import { MOST_OFTEN } from '../short/story.js'
import { RUN_BITS } from '../ways/weights.js'
import { against } from './left-alone.js'

/**
 * Bits that the rows of a run say for such a reader, where a check digit makes of so many a letter that none is.
 * @param share of all values that go on behind a number: 0 to 1
 */
export function noneSpelt(
  share: number,
  stops: number,
  read: number,
  from: Sums,
  to: Sums,
): number {
  const rows = to.fits - from.fits + to.hits[read]! - from.hits[read]!
  if (share > MOST_SPELT || against(stops, from, to) > against(read, from, to)) return 0
  return -rows * Math.log2(1 - share)
}

/** More than these are not the doing of a check digit, and how often each shape is used is not known. */
const MOST_SPELT = 0.1

/**
 * Bits that the rows of a run say for such a reader, in which no value goes on behind a number and elsewhere many do.
 * @param stops the process that stops there, or takes all of it for a sum
 * @param read the one that reads numbers only, where there is one
 */
export function noneBehind(
  stops: number,
  read: number | undefined,
  all: Sums,
  from: Sums,
  to: Sums,
): number {
  const zeros = (a: Sums | undefined, b: Sums) => (read === undefined ? 0 : against(read, a, b))
  const goOn = (a: Sums | undefined, b: Sums) => Math.max(0, against(stops, a, b) - zeros(a, b))
  const i = read ?? stops
  const within = to.fits - from.fits + to.hits[i]! - from.hits[i]!
  const elsewhere = all.fits + all.hits[i]! - within
  const share = (goOn(undefined, all) - goOn(from, to)) / elsewhere
  if (within === 0 || elsewhere <= 0 || goOn(from, to) > 0 || share <= 0) return 0
  const bits = -within * Math.log2(1 - Math.min(share, MOST_OFTEN))
  // A stretch without them is found between any two: it has to be worth as much as a run.
  return bits > RUN_BITS ? bits : 0
}
