// Values that are rounder than a rounding leaves them, all of them: they were issued so, by thousands or by powers of two, as
// numbers are that hold a time in front of the number of a machine.

import { spacingOf, type BinaryFormat } from '../../channel/binary-float.js'
import { UNIT } from './process.js'
import type { Sums } from './sums.js'

/** Bits that a number can be divided by this one more often than there are by chance: as often as it ends in zeros. */
export function moreZeros(kept: bigint, base: 2 | 5 | 10): number {
  const of = BigInt(base)
  let zeros = 0
  for (let rest = kept; zeros < MOST_ZEROS && rest % of === 0n; rest /= of) zeros++
  return (zeros - 1 / (base - 1)) * Math.log2(base)
}
const MOST_ZEROS = 24

/** The same of a binary number, which may be round to people as well; one half way between two has become the even one. */
export function moreOfBinary(float: bigint, format: BinaryFormat): number {
  const spacing = spacingOf(float, format)
  const significand = float / spacing
  return moreZeros(significand, 2) + moreZeros(significand, 5) - 1 / Number(spacing)
}

/**
 * The same of what names a binary number: all its digits, or the fewest, with zeros behind them. Where it may be both, what
 * says less.
 */
export function moreThanNames(value: bigint, float: bigint, format: BinaryFormat): number {
  const spacing = Number(spacingOf(float, format))
  // One zero more than that names one number in so many.
  let unit = 10
  while (unit <= spacing) unit *= 10
  const isOwn = value === float
  if (isOwn && value % BigInt(unit / 10) !== 0n) return moreOfBinary(float, format)
  const share = spacing / unit
  const usual = share * (Math.log2(1 / share) + Math.log2(10) / 9)
  const zeros = () => Math.log2(1 / share) + moreZeros(value / BigInt(unit), 10) + Math.log2(10) / 9
  const more = (value % BigInt(unit) === 0n ? zeros() : 0) - usual
  return isOwn ? Math.min(more, moreOfBinary(float, format)) : more
}

export const areCoarser = (i: number, from: Sums, to: Sums): boolean =>
  isBeyondChance(to.coarser[i]! - from.coarser[i]!, to.fresh[i]! - from.fresh[i]!)

/**
 * One number in two has a bit more by chance, and one in ten a zero: so much more in sum do so many not have.
 *
 * @param more in 1/256 bit
 */
export const isBeyondChance = (more: number, values: number): boolean =>
  more > (FEW_BITS + FAR * Math.sqrt(2 * values)) * UNIT

const FEW_BITS = 16
/** So many times as far from the average as they lie as a rule. */
const FAR = 5
