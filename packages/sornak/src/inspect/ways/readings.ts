// The integers that a printed number may have stood for before digits of it were lost, each way with its weight.

import {
  BINARY16,
  BINARY32,
  BINARY64,
  BINARY80,
  decimalBehind,
  filledUp,
  isShortest,
  nearestFloat,
  roundedEitherWay,
  roundedInto,
  singlePrinted,
  throughFloat,
} from '../../channel/binary-float.js'
import { shortened } from '../../channel/exponent.js'
import { FIFTEEN } from '../../channel/fifteen-digits.js'
import {
  FEWEST_KEPT,
  ofThousands,
  plainDigits,
  type NumberText,
} from '../../channel/number-text.js'
import {
  fromSignificant,
  nearestTo,
  toSignificant,
  type Interval,
} from '../../channel/significant.js'
import { CARELESS, type Bare } from './hypothesis.js'
import { BY_PLACES, BY_ZEROS, FEW_GONE, toDigits, weightOf } from './shortening.js'
import { EACH, TOGETHER } from './weights.js'

export interface Reading extends Interval {
  readonly channel: string
  readonly process: string
  readonly weight: number
  /** For each original where it is left out. */
  readonly per?: Bare['per']
}

/** Digits that were filled up with zeros again. */
export const repadded = (value: bigint): Reading => ({
  low: value,
  high: value,
  channel: 'number-read',
  process: 'repadded',
  weight: EACH.repadded,
})

/** @param value the integer that it is */
export function readings(number: NumberText, value: bigint): Reading[] {
  const asItIs: Reading = {
    low: value,
    high: value,
    channel: number.exponent ? 'exponent-form' : 'number-read',
    process: 'number-read',
    weight: isShort(number) ? EACH.shortExact : EACH.exact,
  }
  // Of a number below half of what it was rounded to nothing is left.
  if (value === 0n)
    return [asItIs, ...BY_PLACES.flatMap((process, i) => shortenedTo(process, value, i + 1))]
  const digits = value.toString()
  return [
    asItIs,
    ...ofBinary64(number, value, digits),
    ...ofBinary32(number, value, digits),
    ...ofBinary16(value, digits),
    ...ofBinary80(value),
    ...ofFifteenPrinted(value, digits),
    ...(isShort(number)
      ? ofFewDigits(number, value)
      : [...ofFifteen(value, digits), ...ofRound(value, digits), ...ofShortening(value, digits)]),
  ]
}

/** Fewer digits are shown than the number has. */
export const isShort = ({ exponent, power }: NumberText): boolean => exponent && power > 0

// A way that leaves more than the number itself.
const rounding = (
  channel: string,
  process: string,
  weight: number,
  { low, high }: Interval,
  per: Bare['per'] = 'original',
): Reading[] => (low < high ? [{ low, high, channel, process, weight, per }] : [])

function ofBinary64(number: NumberText, value: bigint, digits: string): Reading[] {
  const { significant } = number
  const double = nearestFloat(value, BINARY64)
  const named =
    value === double ||
    isShortest(value, double, BINARY64) ||
    isShortest(value, double, BINARY64, 'no-half')
  // Seventeen digits are printed by some where fewer would do; each names its number. Where no zeros stand for
  // others, all of its digits are there. More of them are its own.
  const filled = number.exponent || significant < digits.length
  const own = significant <= 17 || isRoundedTo(value, double, significant)
  const found =
    named || (filled && significant >= 16 && own)
      ? rounding('binary64', 'binary64', EACH.binary64, roundedEitherWay(double, BINARY64))
      : []
  if (found.length === 0 && value === filledUp(double)) {
    const interval = roundedEitherWay(double, BINARY64)
    found.push(...rounding('binary64', 'binary64', TOGETHER.carelessly, interval, 'all'))
  }
  // Where its digits are worked out carelessly the last one is right, at the least: a number beyond 2^53 is even.
  const inForm = number.grouped || number.decimals !== undefined
  if (inForm && value % 2n === 0n && value > BINARY64.exactTo)
    found.push({
      ...around(double),
      channel: 'binary64',
      process: CARELESS,
      weight: TOGETHER.carelessly,
      per: 'all',
    })
  return found
}

/** Digits that a program works out in binary64 go wrong by so many of its numbers, at the most. */
const MOST_CARELESS = 4n

// The originals of the numbers around one of binary64.
function around(double: bigint): Interval {
  const { low, high } = roundedEitherWay(double, BINARY64)
  const more = (high - low) * MOST_CARELESS
  return { low: low - more, high: high + more }
}

function ofBinary32(number: NumberText, value: bigint, digits: string): Reading[] {
  const { significant } = number
  const found: Reading[] = []
  if (digits.length < FEWEST_ROUNDED) return found
  const add = (weight: number, interval: Interval) =>
    found.push(...rounding('binary32', 'binary32', weight, interval))
  const single = singlePrinted(value)
  if (single !== undefined)
    add(number.exponent ? EACH.shortRounded : EACH.binary32, roundedEitherWay(single, BINARY32))
  if (!isShort(number)) return found
  // More of its digits than it takes to name it.
  const near = nearestFloat(value, BINARY32)
  if (significant > 9 && single === undefined && isRoundedTo(value, near, significant))
    add(EACH.binary32, roundedEitherWay(near, BINARY32))
  // Some print a fixed number of digits, which several numbers may share, or a digit more than it takes to name one; zeros
  // at the end may be left out.
  if (significant <= 9) {
    const behind = Math.max(0, digits.length - Math.max(7, significant))
    const shown = fromSignificant(value, 10n ** BigInt(behind), 'rounded')
    add(single === undefined ? EACH.shortRounded : EACH.shortCut, roundedInto(shown, BINARY32))
  }
  return found
}

/** Shorter numbers are binary32 numbers, and printed with all their digits. */
const FEWEST_ROUNDED = 8

// All of its digits, or the fewest that name it.
function ofBinary16(value: bigint, digits: string): Reading[] {
  if (digits.length > 5 || value <= BINARY16.exactTo || value >= BINARY16.infinite!) return []
  const float = nearestFloat(value, BINARY16)
  if (value !== float && !isShortest(value, float, BINARY16)) return []
  const interval = roundedEitherWay(float, BINARY16)
  return rounding('binary16', 'binary16', TOGETHER.binary16, interval, 'all')
}

// Its digits are printed with all of them.
const ofBinary80 = (value: bigint): Reading[] =>
  value > BINARY80.exactTo && nearestFloat(value, BINARY80) === value
    ? rounding('binary80', 'binary80', EACH.binary80, roundedEitherWay(value, BINARY80))
    : []

const isRoundedTo = (value: bigint, from: bigint, digits: number) =>
  toSignificant(from, digits, 'rounded') === value

// Fifteen digits that went through a binary number and were printed with all of its own.
function ofFifteenPrinted(value: bigint, digits: string): Reading[] {
  const behind = digits.length - FIFTEEN
  const decimal = behind > 0 ? decimalBehind(value, FIFTEEN) : undefined
  if (decimal === undefined) return []
  const interval = throughFloat(fromSignificant(decimal, 10n ** BigInt(behind), 'rounded'))
  return rounding('fifteen-digits', 'fifteen-binary64', EACH.fifteenBinary64, interval)
}

function ofFewDigits(number: NumberText, value: bigint): Reading[] {
  const cut = fromSignificant(value, 10n ** BigInt(number.power), 'cut')
  return [
    ...rounding(
      'short-display',
      'short-display',
      EACH.shortRounded,
      throughFloat(shortened(number)),
    ),
    ...rounding('short-display', 'short-display', EACH.shortCut, throughFloat(cut)),
  ]
}

function ofFifteen(value: bigint, digits: string): Reading[] {
  const behind = digits.length - FIFTEEN
  if (behind <= 0 || zerosOf(digits) < behind) return []
  const unit = 10n ** BigInt(behind)
  const by = (how: 'cut' | 'rounded') => throughFloat(fromSignificant(value, unit, how))
  return [
    ...rounding('fifteen-digits', 'fifteen-cut', EACH.fifteenCut, by('cut')),
    ...rounding('fifteen-digits', 'fifteen-rounded', EACH.fifteenRounded, by('rounded')),
  ]
}

// A number that ends in zeros, and stands without an exponent.
function ofRound(value: bigint, digits: string): Reading[] {
  const zeros = zerosOf(digits)
  const thousands = ofThousands(digits) ? shortenedTo('thousands', value, 3) : []
  // A long row of them, longer than fifteen digits leave, speaks for fewer digits.
  if (zeros >= 5 && digits.length - zeros <= 12 && digits.length > 7) {
    const interval = fromSignificant(value, 10n ** BigInt(zeros), 'rounded')
    return [...rounding('short-display', 'short-display', EACH.shortPlain, interval), ...thousands]
  }
  const kept = plainDigits(digits)
  const isShortened = kept > 0 && kept < digits.length
  return [...(isShortened ? shortenedTo('short-display', value, zeros) : []), ...thousands]
}

// Hardly any digits are gone: only the rows around it can tell.
function ofShortening(value: bigint, digits: string): Reading[] {
  const zeros = zerosOf(digits)
  const { length } = digits
  const by = BY_ZEROS.slice(0, zeros).flatMap((process, i) => shortenedTo(process, value, i + 1))
  const kept = FEW_GONE.filter((gone) => gone <= zeros && length - gone >= FEWEST_KEPT)
  return [...by, ...kept.flatMap((gone) => shortenedTo(toDigits(length - gone), value, gone))]
}

const zerosOf = (digits: string) => digits.length - digits.replace(/0+$/, '').length

const HOW = ['cut', 'rounded'] as const

// Zeros stand in place of so many digits.
const shortenedTo = (process: string, value: bigint, zeros: number): Reading[] =>
  HOW.map((how) => {
    const unit = 10n ** BigInt(zeros)
    // 10,000 may have been 9,500; of numbers below one unit hardly any would be left.
    const nearest = how === 'rounded' && value > unit && BY_PLACES.includes(process)
    const shown = nearest ? nearestTo(value, unit) : fromSignificant(value, unit, how)
    const { low, high } = throughFloat(shown)
    const weight = weightOf(process)
    return { low, high, channel: 'short-display', process, weight, per: 'all' }
  })
