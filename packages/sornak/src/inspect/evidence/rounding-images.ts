// What a rounding prints: whether a value that fits may be one, and of how many originals.

import {
  BINARY16,
  BINARY32,
  BINARY64,
  BINARY80,
  decimalBehind,
  filledUp,
  isShortest,
  nearestFloat,
  roundedTo,
  singlePrinted,
} from '../../channel/binary-float.js'
import { FIFTEEN } from '../../channel/fifteen-digits.js'
import { fewestZeros } from '../../channel/number-text.js'
import { fromSignificant } from '../../channel/significant.js'
import type { Numbers } from '../../identifier/space.js'
import { CARELESS } from '../ways/hypothesis.js'
import { moreOfBinary, moreThanNames, moreZeros } from './coarser.js'
import { bits, OUT, UNIT, type Process } from './process.js'
import { compare, leadingZero, lowBits, valueOf } from './value-bytes.js'

/** What a rounding prints. */
export interface Image {
  /** What the value is the rounding of: undefined where it changes nothing, `out` where it cannot be one. */
  readonly of: (bytes: Uint8Array, start: number, end: number) => Interval | 'out' | undefined
  readonly alike: NonNullable<Process['alike']>
  readonly turns?: readonly string[]
  /** Bits that a value which it could have printed is rounder than it leaves them on the average. */
  readonly coarser?: (value: bigint, digits: number) => number
}
interface Interval {
  readonly low: bigint
  readonly high: bigint
  /** Bits less that it says, where few programs print it so. */
  readonly less?: number
}

export function rounds(id: string, numbers: Numbers, image: Image): Process {
  const { alike, turns = [], coarser } = image
  return {
    id,
    usual: OUT,
    rounds: true,
    alike,
    turns,
    ...(coarser && {
      coarser: (bytes, start, end) =>
        Math.round(coarser(valueOf(bytes, start, end), end - start) * UNIT),
    }),
    fits(bytes, start, end) {
      if (leadingZero(bytes, start, end)) return OUT
      const preimage = image.of(bytes, start, end)
      if (preimage === undefined) return 0
      if (preimage === 'out') return OUT
      const { low, high, less = 0 } = preimage
      return Math.max(0, bits(numbers.count(low, high).count) - less * UNIT)
    },
  }
}

export function fifteen(how: 'cut' | 'rounded'): Image {
  return {
    coarser: (value, digits) => moreZeros(value / 10n ** BigInt(digits - FIFTEEN), 10),
    alike: (length) => (length <= FIFTEEN ? {} : { lastDigit: true }),
    of(bytes, start, end) {
      const lost = end - start - FIFTEEN
      if (lost <= 0) return undefined
      for (let at = end - lost; at < end; at++) if (bytes[at] !== 48) return 'out'
      return halfOpen(fromSignificant(valueOf(bytes, start, end), 10n ** BigInt(lost), how), how)
    },
  }
}

// Few digits of a number, and zeros behind them.
export const plain: Image = {
  alike: (length) => (fewestZeros(length) === 0 ? {} : { zeros: fewestZeros(length) }),
  of(bytes, start, end) {
    const least = fewestZeros(end - start)
    if (least === 0) return undefined
    const zeros = zerosAt(bytes, start, end)
    if (zeros < least) return 'out'
    return fromSignificant(valueOf(bytes, start, end), 10n ** BigInt(zeros), 'cut')
  },
}

// Cut or rounded to thousands, however many digits there are.
export const thousands: Image = {
  alike: (length) => (length < 4 ? {} : { zeros: 3 }),
  of(bytes, start, end) {
    if (end - start < 4) return undefined
    if (zerosAt(bytes, start, end) < 3) return 'out'
    return fromSignificant(valueOf(bytes, start, end), 1000n, 'cut')
  },
}

function zerosAt(bytes: Uint8Array, start: number, end: number): number {
  let last = end
  while (last > start && bytes[last - 1] === 48) last--
  return end - last
}

// Of the two halves between values that are rounded one goes to each.
const halfOpen = ({ low, high }: Interval, how: 'cut' | 'rounded'): Interval =>
  how === 'cut' ? { low, high } : { low, high: high - 1n }

/** Up to 2^53 every integer is a binary64 number. */
const SAFE = `${BINARY64.exactTo}`
const SAFE_FRONT = Number.parseInt(SAFE.slice(0, 4), 10)
/** From each of these on they lie twice as far apart as below, in multiples of 2, of 4, of 8 and so on. */
const TURNS = [53n, 54n, 55n, 56n, 57n, 58n, 59n, 60n].map((bits) => `${1n << bits}`)
/** More bits are not asked for. */
const MOST_BITS = TURNS.length

// Numbers so large are multiples of this power of two, at the least.
function spacingBits(bytes: Uint8Array, start: number, end: number): number {
  if (end - start > TURNS.at(-1)!.length) return MOST_BITS
  let bits = MOST_BITS
  while (bits > 0 && compare(bytes, start, end, TURNS[bits - 1]!) < 0) bits--
  return bits
}

// The same of all that have this length and start with these digits, where these are not those of a turn.
function spacingBehind(length: number, front: number): number {
  const isBefore = (turn: string) =>
    turn.length < length ||
    (turn.length === length && Number.parseInt(turn.slice(0, 4), 10) <= front)
  return TURNS.filter(isBefore).length
}

/** In a form of its own what it prints does not fit: it left alone what is not beyond 2^53. */
export const carelessly: Process = {
  id: CARELESS,
  usual: OUT,
  rounds: true,
  turns: [SAFE],
  fits: (bytes, start, end) =>
    leadingZero(bytes, start, end) || compare(bytes, start, end, SAFE) > 0 ? OUT : 0,
}

// Most values are told from their last bits or digits; only what passes becomes an exact integer.
export const double: Image = {
  coarser: (value) => moreThanNames(value, nearestFloat(value, BINARY64), BINARY64),
  turns: TURNS,
  alike(length, front) {
    if (length < 16 || (length === 16 && front < SAFE_FRONT)) return {}
    return { lastDigit: true, bits: spacingBehind(length, front) }
  },
  of(bytes, start, end) {
    const digits = end - start
    if (digits < 16 || (digits === 16 && bytes[start] !== 57)) return undefined
    if (isNoDouble(bytes, start, end)) return 'out'
    const value = valueOf(bytes, start, end)
    if (value < BINARY64.exactTo) return undefined
    const float = nearestFloat(value, BINARY64)
    if (value === float || isShortest(value, float, BINARY64)) return roundedTo(float, BINARY64)
    return value === filledUp(float) ? { ...roundedTo(float, BINARY64), less: SELDOM_BITS } : 'out'
  },
}

// Neither one of them, nor one in seventeen digits and a zero: those lie within 5 of it.
function isNoDouble(bytes: Uint8Array, start: number, end: number): boolean {
  const bits = spacingBits(bytes, start, end)
  const rest = lowBits(bytes, start, end, bits)
  if (rest === 0) return false
  const zeros = bytes[end - 1] !== 48 ? 0 : bytes[end - 2] !== 48 ? 1 : 2
  const digits = end - start - zeros
  if (zeros === 1 && digits === 17) return rest > 5 && rest < (1 << bits) - 5
  return zeros === 0 || (zeros === 1 && digits > 17)
}

/** Some print seventeen digits, and zeros behind them. */
const SELDOM_BITS = 2

/** Up to 2^64 every integer is such a number. */
const EXTENDED = `${BINARY80.exactTo}`
const EXTENDED_FRONT = Number.parseInt(EXTENDED.slice(0, 4), 10)

export const extended: Image = {
  coarser: (value) => moreOfBinary(value, BINARY80),
  turns: [EXTENDED],
  alike(length, front) {
    if (length < 20 || (length === 20 && front < EXTENDED_FRONT)) return {}
    return { bits: length === 20 ? 1 : 3 }
  },
  of(bytes, start, end) {
    if (compare(bytes, start, end, EXTENDED) <= 0) return undefined
    if (lowBits(bytes, start, end, end - start === 20 ? 1 : 3) !== 0) return 'out'
    const value = valueOf(bytes, start, end)
    return nearestFloat(value, BINARY80) === value ? roundedTo(value, BINARY80) : 'out'
  },
}

/** Up to 2^24 every integer is a binary32 number. */
const WHOLE = `${BINARY32.exactTo}`
const WHOLE_FRONT = Number.parseInt(WHOLE.slice(0, 4), 10)

export const single: Image = {
  coarser: (value) => moreThanNames(value, singlePrinted(value) ?? value, BINARY32),
  turns: [WHOLE],
  alike(length, front) {
    if (length < 8 || (length === 8 && front < WHOLE_FRONT)) return {}
    if (length === 8) return { bits: 1 }
    return { lastDigit: length > 16, zeros: length - 8, bits: length === 9 ? 3 : 6 }
  },
  of(bytes, start, end) {
    const digits = end - start
    if (digits < 8 || compare(bytes, start, end, WHOLE) <= 0) return undefined
    const least = digits === 8 ? 1 : digits === 9 ? 3 : 6
    const zeros = digits - 8
    const ending = zerosAt(bytes, start, end)
    const round = digits > 8 && ending >= zeros
    // More zeros than it leaves are of round numbers: they say nothing where they alone put it among the binary ones.
    if (10 ** ending >= 2 ** least && ending > zeros) return undefined
    // A number so long may also be printed as the binary64 number that it is, whose last digits are zeros.
    // It lies as near to a binary32 number as binary64 numbers lie to each other, and those of binary32 lie far apart.
    const doubled = digits > 16 && bytes[end - 1] === 48 && nearMultiple(bytes, start, end)
    if (!round && !doubled && lowBits(bytes, start, end, least) !== 0) return 'out'
    const float = singlePrinted(valueOf(bytes, start, end))
    return float === undefined ? 'out' : roundedTo(float, BINARY32)
  },
}

/** Up to 2^11 every integer is a binary16 number, and none from here on. */
const HALVES = { whole: BINARY16.exactTo, infinite: BINARY16.infinite! }

export const half: Image = {
  turns: [`${HALVES.whole}`, `${HALVES.infinite - 1n}`],
  alike(length, front) {
    if (length < 4 || length > 5 || (length === 4 && front < Number(HALVES.whole))) return {}
    return { lastDigit: true, bits: length === 4 ? 1 : 3 }
  },
  of(bytes, start, end) {
    const digits = end - start
    if (digits < 4) return undefined
    if (digits > 5) return 'out'
    const value = valueOf(bytes, start, end)
    if (value <= HALVES.whole) return undefined
    if (value >= HALVES.infinite) return 'out'
    const float = nearestFloat(value, BINARY16)
    const named = value === float || isShortest(value, float, BINARY16)
    return named ? roundedTo(float, BINARY16) : 'out'
  },
}

// Fifteen digits that were printed again from a binary number, with digits of its own behind them.
export const behind: Image = {
  coarser: (value, digits) =>
    moreZeros((decimalBehind(value, FIFTEEN) ?? 1n) / 10n ** BigInt(digits - FIFTEEN), 10),
  turns: TURNS,
  alike(length, front) {
    if (length <= FIFTEEN) return {}
    if (length === 16 && front < SAFE_FRONT) return { lastDigit: true }
    return { bits: spacingBehind(length, front) }
  },
  of(bytes, start, end) {
    const lost = end - start - FIFTEEN
    if (lost <= 0) return undefined
    // Below 2^53 it ends in the zero that was the sixteenth digit.
    const bits = Math.max(1, spacingBits(bytes, start, end))
    if (lowBits(bytes, start, end, bits) !== 0) return 'out'
    const value = valueOf(bytes, start, end)
    const decimal = decimalBehind(value, FIFTEEN)
    if (decimal === undefined) return 'out'
    return halfOpen(fromSignificant(decimal, 10n ** BigInt(lost), 'rounded'), 'rounded')
  },
}

// Near a multiple of 2^24, by the spacing of binary64 numbers of 20 digits and fewer.
function nearMultiple(bytes: Uint8Array, start: number, end: number): boolean {
  const rest = lowBits(bytes, start, end, 24)
  return end - start > 20 || rest <= 8192 || rest >= (1 << 24) - 8192
}
