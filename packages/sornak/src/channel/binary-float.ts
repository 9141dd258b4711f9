// Binary floating point (IEEE 754) on integers, exactly: which number an integer is rounded to, which
// integers are rounded to the same, and the shortest text of a number. All in bigint.

import { toSignificant, type Interval } from './significant.js'

export interface BinaryFormat {
  /** Bits of the significand, the leading one included. */
  readonly bits: number
  /** Up to here it holds every integer exactly. */
  readonly exactTo: bigint
  /** Integers from here on are infinity, where numbers of identifiers get so far. */
  readonly infinite?: bigint
}

const format = (bits: number): BinaryFormat => ({ bits, exactTo: 1n << BigInt(bits) })

export const BINARY64: BinaryFormat = format(53)
export const BINARY32: BinaryFormat = format(24)
/** The largest number is 65504. */
export const BINARY16: BinaryFormat = { ...format(11), infinite: 65520n }
/** Extended precision: 80 bits, of which 64 are digits. */
export const BINARY80: BinaryFormat = format(64)

/** The nearest number to a non-negative integer; halves go to the even one. */
export function nearestFloat(value: bigint, { bits, exactTo }: BinaryFormat): bigint {
  if (value < exactTo) return value
  const drop = BigInt(bitLength(value) - bits)
  const cut = value >> drop
  const rest = value - (cut << drop)
  const half = 1n << (drop - 1n)
  const up = rest > half || (rest === half && (cut & 1n) === 1n) ? 1n : 0n
  return (cut + up) << drop
}

/** All integers that are rounded to this number. */
export function roundedTo(float: bigint, format: BinaryFormat): Interval {
  if (float < format.exactTo) return { low: float, high: float }
  const spacing = 1n << BigInt(bitLength(float) - format.bits)
  // Below a power of two the numbers lie twice as close.
  const power = (float & (float - 1n)) === 0n
  const below = power ? spacing / 2n : spacing
  const at = (n: bigint) => nearestFloat(n, format) === float
  const low = float - below / 2n
  const high = float + spacing / 2n
  return { low: at(low) ? low : low + 1n, high: at(high) ? high : high - 1n }
}

/** The same, where a half may have gone to either side: not every program knows that it goes to the even number. */
export function roundedEitherWay(float: bigint, format: BinaryFormat): Interval {
  if (float < format.exactTo) return { low: float, high: float }
  const half = 1n << BigInt(bitLength(float) - format.bits - 1)
  const power = (float & (float - 1n)) === 0n
  return { low: float - (power ? half / 2n : half), high: float + half }
}

/**
 * Most programs round to a binary number before they print few digits of it, which widens the interval a little where
 * numbers lie far apart.
 */
export function throughFloat(interval: Interval): Interval {
  if (interval.high < BINARY64.exactTo) return interval
  const { low, high } = roundedInto(interval, BINARY64)
  return low > high
    ? interval
    : {
        low: low < interval.low ? low : interval.low,
        high: high > interval.high ? high : interval.high,
      }
}

/** The integers whose number lies in the interval; an empty interval where no number does. */
export function roundedInto({ low, high }: Interval, format: BinaryFormat): Interval {
  let first = nearestFloat(low < 0n ? 0n : low, format)
  if (first < low) first = next(first, format)
  let last = nearestFloat(high, format)
  if (last > high) last = previous(last, format)
  if (first > last) return { low: 1n, high: 0n }
  return { low: roundedTo(first, format).low, high: roundedTo(last, format).high }
}

/**
 * The number with the fewest digits that is read back as `float`, zeros behind them.
 *
 * @param halves some programs print no number that lies half way to another, though it is read back so
 */
export function shortest(
  float: bigint,
  format: BinaryFormat,
  halves: 'any' | 'no-half' = 'any',
): bigint {
  const digits = float.toString().length
  const { low, high } = roundedEitherWay(float, format)
  for (let keep = 1; keep < digits; keep++) {
    const short = toSignificant(float, keep, 'rounded')
    const half = short === low || short === high
    if (nearestFloat(short, format) === float && (halves === 'any' || !half)) return short
  }
  return float
}

/**
 * Whether `value`, which is read back as `float`, is what `shortest` gives, found out in two steps: with fewer digits it is
 * another number.
 */
export function isShortest(
  value: bigint,
  float: bigint,
  format: BinaryFormat,
  halves: 'any' | 'no-half' = 'any',
): boolean {
  const digits = value.toString()
  const keep = digits.length - trailingZeros(digits)
  if (toSignificant(float, keep, 'rounded') !== value) return false
  const isHalf = (short: bigint) => {
    const { low, high } = roundedEitherWay(float, format)
    return short === low || short === high
  }
  if (halves === 'no-half' && isHalf(value)) return false
  if (keep <= 1) return true
  const shorter = toSignificant(float, keep - 1, 'rounded')
  return nearestFloat(shorter, format) !== float || (halves === 'no-half' && isHalf(shorter))
}

/** What a program prints that gives a binary64 number seventeen digits, and zeros behind them. */
export const filledUp = (float: bigint): bigint => toSignificant(float, SEVENTEEN, 'rounded')

/** So many digits name any binary64 number. */
const SEVENTEEN = 17

function trailingZeros(digits: string): number {
  let count = 0
  while (count < digits.length - 1 && digits.charCodeAt(digits.length - 1 - count) === 48) count++
  return count
}

/**
 * The binary32 number that a printed integer stands for: printed exactly, with the fewest digits that name
 * it, or as the binary64 number that it also is.
 */
export function singlePrinted(value: bigint): bigint | undefined {
  const single = nearestFloat(value, BINARY32)
  if (value === single || isShortest(value, single, BINARY32)) return single
  const double = nearestFloat(value, BINARY64)
  if (nearestFloat(double, BINARY32) !== double) return undefined
  return value === double || isShortest(value, double, BINARY64) ? double : undefined
}

/** The integer of few digits that a binary64 number was made from, where that number is printed; it may be the number. */
export function decimalBehind(value: bigint, keep: number): bigint | undefined {
  const decimal = toSignificant(value, keep, 'rounded')
  return nearestFloat(decimal, BINARY64) === value ? decimal : undefined
}

function next(float: bigint, { bits }: BinaryFormat): bigint {
  const drop = bitLength(float) - bits
  return float + (drop <= 0 ? 1n : 1n << BigInt(drop))
}

function previous(float: bigint, { bits }: BinaryFormat): bigint {
  const drop = bitLength(float - 1n) - bits
  return float - (drop <= 0 ? 1n : 1n << BigInt(drop))
}

/** How far a number of this size lies from the next. */
export const spacingOf = (float: bigint, { bits }: BinaryFormat): bigint =>
  1n << BigInt(Math.max(0, bitLength(float) - bits))

function bitLength(value: bigint): number {
  // Numbers of up to 28 digits are what there mostly is: their upper half is enough to know.
  if (value < TWO_32 || value >= TWO_96) return value.toString(2).length
  const upper = value >> 32n
  return upper < TWO_32 ? 64 - Math.clz32(Number(upper)) : 96 - Math.clz32(Number(upper >> 32n))
}

const TWO_32 = 1n << 32n
const TWO_96 = 1n << 96n
