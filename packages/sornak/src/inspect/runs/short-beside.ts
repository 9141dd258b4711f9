// Rows that are short more often than others of their column, which stand on both sides of them.

import { UNIT } from '../evidence/process.js'
import type { Sums } from '../evidence/sums.js'

// More values are too short than can have lost a zero at the front: as many as start with one elsewhere, or are short there.
export function tooOften(all: Sums, from: Sums, to: Sums): number {
  const short = to.short - from.short
  const fits = to.fits - from.fits
  const others = all.fits - fits + all.short - short
  // A list that is sorted begins or ends with those that start with a zero, and most of the short ones are not here alone.
  const inside = isBetween(from, to, all) && 2 * short > all.short
  if (others < FEW_OTHERS || !inside) return 0
  const usual = (all.zeros - (to.zeros - from.zeros) + all.short - short + 1) / (others + 2)
  const here = short / (short + fits)
  if (here <= usual) return 0
  const left = fits > 0 ? fits * Math.log2((1 - here) / (1 - usual)) : 0
  return (short * Math.log2(here / usual) + left) * UNIT
}

/** Values that fit stand on both sides of some rows. */
export const isBetween = (from: Sums, to: Sums, all: Sums): boolean =>
  Math.min(from.fits, all.fits - to.fits) >= FEW_BESIDE

/** Fewer rows do not tell how many values are short, or lie below a limit. */
export const FEW_OTHERS = 100
/** So many lie on each side. */
const FEW_BESIDE = 20
