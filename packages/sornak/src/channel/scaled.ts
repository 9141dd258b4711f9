// Percent and currency: a sign is added, and percent counts a hundred times as much. A number of hundredths counts a
// hundredth of what its digits do.

import {
  BINARY64,
  isShortest,
  nearestFloat,
  roundedTo,
  shortest,
  spacingOf,
} from './binary-float.js'
import type { Channel, Preimage } from './channel.js'
import { bareDigits, integerOf, isDigits, numberTexts, type NumberText } from './number-text.js'
import type { Interval } from './significant.js'

// Codes of three letters (ISO 4217), of which none looks like digits.
const CURRENCY =
  /^(?:(?:[A-Z]{1,3})?\p{Sc}|(?![OI]{3})[A-Z]{3}|R|kr|zł|Kč|Fr\.?)\s?|\s?(?:\p{Sc}|(?![OI]{3})[A-Z]{3}|kr\.?|zł|Kč|Fr\.?)$/gu

export const scaled: Channel = {
  id: 'scaled',
  finding: 'scaled',
  title: 'Percent, currency or hundredths',
  describe:
    'The number is shown as a percentage or as an amount of money, or was divided by a hundred.',
  met: 'cell formats for amounts and shares that were applied to a whole sheet and then exported, decimals that are put in as digits are typed, and amounts in cents',
  prevent: 'Format identifiers as text; percent and currency are for quantities.',
  example: { before: '20417', after: '2041700%', form: 'percent' },
  forms: [
    'percent',
    'percent sign',
    'percent, two decimals',
    'percent in binary64',
    'percent in binary64, two decimals',
    'percent in binary64, shortest',
    'percent in binary64, shortest, two decimals',
    'currency before',
    'currency after',
    'hundredths',
    'hundredths, two decimals',
  ],
  forward(text, form) {
    if (!isDigits(text)) return text
    const digits = bareDigits(text)
    const hundred = digits === '0' ? '0' : `${digits}00`
    if (form.startsWith('hundredths')) {
      const padded = digits.padStart(3, '0')
      const [whole, behind] = [padded.slice(0, -2), padded.slice(-2)]
      return `${whole}.${form === 'hundredths' ? behind.replace(/0$/, '') : behind}`
    }
    if (form === 'percent') return `${hundred}%`
    if (form.startsWith('percent in binary64')) {
      const float = nearestFloat(nearestFloat(BigInt(digits), BINARY64) * 100n, BINARY64)
      const shown = form.includes('shortest') ? shortest(float, BINARY64) : float
      return `${shown}${form.endsWith('decimals') ? '.00' : ''}%`
    }
    if (form === 'percent sign') return `${digits}%`
    if (form === 'percent, two decimals') return `${hundred}.00%`
    const grouped = digits.replace(/\B(?=(\d{3})+$)/g, ',')
    return form === 'currency before' ? `$${grouped}.00` : `${digits},00 €`
  },
  inverse: (seen) =>
    (PLAIN.test(seen) ? hundredths(seen) : unscaled(seen)).map(({ value, rounded }): Preimage => ({
      kind: 'integers',
      ...(rounded ? roundedTo(value, BINARY64) : { low: value, high: value }),
    })),
}

/** What a percent sign did to a number: it counts a hundred times as much, or the sign was put to it. */
export type Percent = 'hundredfold' | 'as-it-is'

export interface Unscaled {
  readonly value: bigint
  readonly number: NumberText
  readonly percent?: Percent
  /** A hundred times as much is a binary64 number, as it is itself: beyond 2^53 it stands for those around it. */
  readonly rounded?: true
  /** It was divided by a hundred. */
  readonly hundredths?: true
}

/** Beyond this a hundredth is less than what lies between binary numbers, and the last digits are not all there. */
const MOST_HUNDREDTHS = 1n << 52n

/**
 * The numbers of which a hundredth may be printed like that of `value`: they were rounded to a binary number, and what they
 * were divided into was rounded again, each time by one part in 2^53 at the most; and once more where it is printed with the
 * fewest digits that name it, as a percentage is.
 */
export function aroundHundredths(value: bigint, roundings = 2n): Interval {
  const most = value <= MOST_HUNDREDTHS ? 0n : ((roundings * value) >> 53n) + 1n
  return { low: value - most, high: value + most }
}

/** One decimal, or two. */
const PLAIN = /^\d+\.\d\d?$/
/** Decimals that are not zeros. */
const FRACTION = /[.,](?:\d?[1-9]|[1-9]0)$/

/** Digits, and what divides them. */
const UNSIGNED = /^[\d.,]*$/

/** The numbers that a text with a percent or currency sign, or one with a fraction, may have stood for. */
export function unscaled(seen: string): Unscaled[] {
  if (UNSIGNED.test(seen)) return FRACTION.test(seen) ? hundredths(seen) : []
  const percent = /^(.*\d)\s?%$/su.exec(seen)
  if (percent) {
    return numberTexts(percent[1]!).flatMap((number) => {
      if (number.negative) return []
      const hundredth = integerOf({ ...number, power: number.power - 2 })
      const whole = integerOf(number)
      const found: Unscaled[] = []
      const floats = whole === undefined ? [] : hundredthsOf(whole)
      for (const value of floats)
        found.push({ value, number, percent: 'hundredfold', rounded: true })
      if (hundredth !== undefined && !floats.includes(hundredth))
        found.push({ value: hundredth, number, percent: 'hundredfold' })
      if (whole !== undefined) found.push({ value: whole, number, percent: 'as-it-is' })
      return found
    })
  }
  const bare = seen.replace(CURRENCY, '')
  if (bare === seen || !/^[\d(+-]/.test(bare)) return []
  return numberTexts(bare).flatMap((number) => {
    const value = integerOf(number)
    return value === undefined || number.negative ? [] : [{ value, number }]
  })
}

// The binary64 numbers of which a hundred times as much is rounded to this one.
function hundredthsOf(whole: bigint): bigint[] {
  const float = nearestFloat(whole, BINARY64)
  if (whole < BINARY64.exactTo || (whole !== float && !isShortest(whole, float, BINARY64)))
    return []
  const about = nearestFloat(whole / 100n, BINARY64)
  const spacing = spacingOf(about, BINARY64)
  return [-2n, -1n, 0n, 1n, 2n]
    .map((steps) => about + steps * spacing)
    .filter((value) => nearestFloat(value * 100n, BINARY64) === float)
}

// What the decimals of a number count, of which there are two at the most.
function hundredths(seen: string): Unscaled[] {
  return numberTexts(seen).flatMap((number) => {
    const { decimals = 0, power } = number
    if (decimals === 0 || decimals > 2) return []
    const value = integerOf({ ...number, power: power + 2 })
    return value === undefined ? [] : [{ value, number, hundredths: true }]
  })
}
