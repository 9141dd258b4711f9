// Powers of ten: a long number printed as 4.30022E+15, with all its digits or with a few; or with a few and zeros behind them.

import type { Channel, Preimage } from './channel.js'
import {
  bareDigits,
  integerOf,
  isDigits,
  numberTexts,
  ofThousands,
  type NumberText,
} from './number-text.js'
import { fromSignificant, nearestTo, toSignificant, type Interval } from './significant.js'

interface Style {
  readonly letter: 'e' | 'E'
  readonly plus: boolean
  /** Least digits of the exponent. */
  readonly width: number
  readonly mark: '.' | ','
  /** Zeros at the end of the coefficient are dropped. */
  readonly dropZeros: boolean
}

const STYLES: ReadonlyMap<string, Style> = new Map([
  ['e+15', { letter: 'e', plus: true, width: 2, mark: '.', dropZeros: true }],
  ['E+15', { letter: 'E', plus: true, width: 2, mark: '.', dropZeros: false }],
  ['E15', { letter: 'E', plus: false, width: 1, mark: '.', dropZeros: true }],
  ['e15', { letter: 'e', plus: false, width: 1, mark: '.', dropZeros: false }],
  ['e+015', { letter: 'e', plus: true, width: 3, mark: '.', dropZeros: false }],
  ['E+15 comma', { letter: 'E', plus: true, width: 2, mark: ',', dropZeros: false }],
])

const forms = (digits: readonly (number | 'all')[]) =>
  digits.flatMap((count) => [...STYLES.keys()].map((style) => `${count} ${style}`))

/** Digits that are kept where there is no exponent. */
const PLAIN: ReadonlyMap<string, number> = new Map(
  [6, 7].map((keep) => [`${keep} and zeros`, keep]),
)
const THOUSANDS = 'thousands'
/** So many decimals, and the letter of a multiple. */
const MULTIPLES: ReadonlyMap<string, number> = new Map(
  [0, 1, 2, 3].map((decimals) => [`a letter and ${decimals} decimals`, decimals]),
)
const LETTERS = ['', 'K', 'M', 'B', 'T', 'P']

/** All digits are still there: the exponent form can be turned back. */
export const exponentForm: Channel = {
  id: 'exponent-form',
  finding: 'exponent',
  title: 'Printed with an exponent',
  describe:
    'A number is printed as a coefficient and a power of ten that together hold all its digits.',
  met: 'programs that print large numbers in scientific notation without shortening them',
  prevent: 'Write identifiers as text, never through a number format.',
  example: { before: '4300222233334444', after: '4.300222233334444E15', form: 'all E15' },
  forms: forms(['all']),
  forward: (text, form) => print(text, form),
  inverse: (seen) =>
    numberTexts(seen).flatMap((number): Preimage[] => {
      const value = integerOf(number)
      return number.exponent && !number.negative && value !== undefined
        ? [{ kind: 'integers', low: value, high: value }]
        : []
    }),
}

/** Only some digits are left: everything in an interval prints the same. */
export const shortDisplay: Channel = {
  id: 'short-display',
  finding: 'exponent',
  title: 'Shortened to a few digits',
  describe:
    'A number is rounded to a few significant digits and printed with a power of ten, with the letter of a multiple, or with zeros behind them.',
  met: 'narrow spreadsheet columns saved as CSV, and programs that print 6, 7, 10 or 15 digits by default',
  prevent:
    'Write identifiers as text; once shortened, the digits must be fetched again at the source.',
  example: { before: '4300222233334444', after: '4.30022E+15', form: '6 E+15' },
  forms: [...forms([2, 3, 4, 6, 7, 10, 11, 15]), ...PLAIN.keys(), THOUSANDS, ...MULTIPLES.keys()],
  forward(text, form) {
    if (PLAIN.has(form) || form === THOUSANDS) return fill(text, form)
    const decimals = MULTIPLES.get(form)
    return decimals === undefined ? print(text, form) : multiple(text, decimals)
  },
  inverse: (seen) => [
    ...numberTexts(seen)
      .filter((number) => number.exponent && !number.negative)
      .map((number): Preimage => ({ kind: 'integers', ...shortened(number) })),
    ...filled(seen),
  ],
}

// Zeros in place of digits, where there are any to lose.
function fill(text: string, form: string): string {
  const digits = bareDigits(text)
  const keep = PLAIN.get(form) ?? digits.length - 3
  if (!isDigits(text) || keep < 1 || digits.length <= keep) return text
  return toSignificant(BigInt(digits), keep, 'rounded').toString()
}

function multiple(text: string, decimals: number): string {
  const digits = bareDigits(text)
  const thousands = (length: number) => Math.floor((length - 1) / 3)
  const small = thousands(digits.length)
  if (!isDigits(text) || small === 0 || small >= LETTERS.length - 1) return text
  const keep = digits.length - 3 * small + decimals
  const rounded = toSignificant(BigInt(digits), keep, 'rounded').toString()
  // 999,950 is a million.
  const step = thousands(rounded.length)
  const whole = rounded.length - 3 * step
  const behind = rounded.slice(whole, whole + decimals).replace(/0+$/, '')
  return `${rounded.slice(0, whole)}${behind && `.${behind}`}${LETTERS[step]}`
}

function filled(seen: string): Preimage[] {
  if (!/^[1-9]\d*0$/.test(seen)) return []
  const value = BigInt(seen)
  const found = [...PLAIN.values()].flatMap((keep): Interval[] => {
    const unit = 10n ** BigInt(Math.max(0, seen.length - keep))
    return unit > 1n && value % unit === 0n ? [fromSignificant(value, unit, 'rounded')] : []
  })
  if (ofThousands(seen)) found.push(nearestTo(value, 1000n))
  return found.map((interval) => ({ kind: 'integers', ...interval }))
}

/** The integers that a printed coefficient may be the rounding of. */
export function shortened(number: NumberText): Interval {
  const value = integerOf(number)
  if (number.power <= 0) {
    // Digits behind the point of the coefficient reach below one: the integer itself is printed.
    if (value !== undefined) return { low: value, high: value }
    return { low: 1n, high: 0n }
  }
  const unit = 10n ** BigInt(Math.min(number.power, 400))
  // 10K is rounded to thousands, and may be 9,500; 1E4 is rounded to one digit, which leaves 9E3 of it.
  return number.multiple || number.before > 1
    ? nearestTo(value ?? 0n, unit)
    : fromSignificant(value ?? 0n, unit, 'rounded')
}

function print(text: string, form: string): string {
  const space = form.indexOf(' ')
  const style = STYLES.get(form.slice(space + 1))
  if (!style || !isDigits(text)) return text
  const keep = form.startsWith('all') ? Infinity : Number.parseInt(form, 10)
  const digits = bareDigits(text)
  if (digits === '0') return text
  const whole = keep === Infinity ? BigInt(digits) : toSignificant(BigInt(digits), keep, 'rounded')
  const rounded = whole.toString()
  let coefficient = rounded
    .slice(0, Math.min(keep, rounded.length))
    .padEnd(keep === Infinity ? 1 : keep, '0')
  if (style.dropZeros) coefficient = coefficient.replace(/0+$/, '') || '0'
  const [first, ...rest] = coefficient
  const tail = rest.length ? style.mark + rest.join('') : ''
  const power = `${rounded.length - 1}`.padStart(style.width, '0')
  return `${first}${tail}${style.letter}${style.plus ? '+' : ''}${power}`
}
