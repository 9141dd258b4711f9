// Percent and currency: a sign is added, and percent counts a hundred times as much. A number of hundredths counts a
// hundredth of what its digits do.

import type { Channel, Preimage } from './channel.js'
import { bareDigits, integerOf, isDigits, numberTexts, type NumberText } from './number-text.js'

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
    if (form === 'percent sign') return `${digits}%`
    if (form === 'percent, two decimals') return `${hundred}.00%`
    const grouped = digits.replace(/\B(?=(\d{3})+$)/g, ',')
    return form === 'currency before' ? `$${grouped}.00` : `${digits},00 €`
  },
  inverse: (seen) =>
    (PLAIN.test(seen) ? hundredths(seen) : unscaled(seen)).map(({ value }): Preimage => ({
      kind: 'integers',
      low: value,
      high: value,
    })),
}

/** What a percent sign did to a number: it counts a hundred times as much, or the sign was put to it. */
export type Percent = 'hundredfold' | 'as-it-is'

export interface Unscaled {
  readonly value: bigint
  readonly number: NumberText
  readonly percent?: Percent
  /** It was divided by a hundred. */
  readonly hundredths?: true
}

/** Beyond this a hundredth is less than what lies between binary numbers, and the last digits are not all there. */
const MOST_HUNDREDTHS = 1n << 52n

/** One decimal, or two. */
const PLAIN = /^\d+\.\d\d?$/
/** Decimals that are not zeros. */
const FRACTION = /[.,](?:\d?[1-9]|[1-9]0)$/

/** Digits, and what divides them. */
const UNSIGNED = /^[\d.,]*$/

/** The numbers that a text with a percent or currency sign, or one with a fraction, may have stood for. */
export function unscaled(seen: string): Unscaled[] {
  if (UNSIGNED.test(seen))
    return FRACTION.test(seen)
      ? hundredths(seen).filter(({ value }) => value <= MOST_HUNDREDTHS)
      : []
  const percent = /^(.*\d)\s?%$/su.exec(seen)
  if (percent) {
    return numberTexts(percent[1]!).flatMap((number) => {
      if (number.negative) return []
      const hundredth = integerOf({ ...number, power: number.power - 2 })
      const whole = integerOf(number)
      const found: Unscaled[] = []
      if (hundredth !== undefined) found.push({ value: hundredth, number, percent: 'hundredfold' })
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

// What the decimals of a number count, of which there are two at the most.
function hundredths(seen: string): Unscaled[] {
  return numberTexts(seen).flatMap((number) => {
    const { decimals = 0, power } = number
    if (decimals === 0 || decimals > 2) return []
    const value = integerOf({ ...number, power: power + 2 })
    return value === undefined ? [] : [{ value, number, hundredths: true }]
  })
}
