// Text that a program printed for a number, taken apart exactly. Nothing is assumed about which
// program did it: decimal point or comma, any grouping, any style of exponent, signs, padding.

import type { FindingCode } from './channel.js'
import { looksLikeDigits, ofOtherDigits } from './other-digits.js'
import { powerOfTen } from './power-of-ten.js'

export interface NumberText {
  readonly negative: boolean
  /** All digits as printed, without point or separators. */
  readonly coefficient: bigint
  /** The value is `coefficient` times ten to the power of this. */
  readonly power: number
  /** Significant digits printed, trailing zeros among them. */
  readonly significant: number
  /** Digits printed after the decimal mark, or undefined where there is no mark. */
  readonly decimals: number | undefined
  readonly exponent: boolean
  /** It is printed with the letter of a multiple in place of an exponent. */
  readonly multiple?: true
  readonly grouped: boolean
  readonly plus: boolean
  /** Zeros stand before the first digit that counts. */
  readonly padded: boolean
  /** Digits printed before the decimal mark, these zeros among them. */
  readonly before: number
  /** It is printed in another base; digits are counted as if it were not. */
  readonly otherBase?: true
  /** The mark of the base looks like a digit. */
  readonly likeDigits?: true
}

const GROUP = "[,.'’ \\u00a0\\u202f\\u2009_]"
const GROUPED = new RegExp(`^(\\d{1,3})((${GROUP})\\d{3}(?:\\3\\d{3})*)(?:([.,])(\\d*))?$`, 'u')
const INDIAN = /^(\d{1,2}(?:,\d{2})+,\d{3})(?:\.(\d*))?$/
const FOURS = /^(\d{1,4}(?:([ ,])\d{4})(?:\2\d{4})*)$/
const DECIMAL = /^(\d*)(?:([.,])(\d*))?$/
/** Longer texts are no printed number, and exponents beyond this no identifier. */
const LONGEST = 400

/** Every way to take the text for a printed number; none where it is not one. */
export function numberTexts(text: string): NumberText[] {
  if (text.length > LONGEST || !/\d/.test(text)) return []
  const signed = /^(?:([+\-−])\s?|(\())?(.+?)(\)|-)?$/u.exec(withTail(text))
  if (!signed) return []
  const [, sign, open, body, close] = signed
  if ((open === undefined) !== (close !== ')') || (sign && close) || body === undefined) return []
  const negative = sign === '-' || sign === '−' || close !== undefined
  const plus = sign === '+'
  const otherBase = ofOtherDigits(body)
  if (otherBase !== undefined)
    return [
      {
        ...inOtherBase(otherBase, negative, plus),
        ...(looksLikeDigits(body) && { likeDigits: true }),
      },
    ]
  const scientific = powerOfTen(body)
  const { coefficient = body, power: shift = 0, multiple } = scientific ?? {}
  // Nobody writes groups before an exponent.
  const inGroups = scientific === undefined || multiple === true
  return digitTexts(coefficient, inGroups).map(({ whole, decimals, grouped }) => {
    const digits = whole + (decimals ?? '')
    return {
      negative,
      plus,
      padded: /^0\d/.test(whole),
      before: whole.length,
      coefficient: BigInt(digits),
      power: shift - (decimals?.length ?? 0),
      significant: digits.replace(/^0+(?=\d)/, '').length,
      decimals: decimals?.length,
      exponent: scientific !== undefined,
      grouped,
      ...(multiple && { multiple }),
    }
  })
}

// Amounts without a fraction are written so in some countries: 417,- and 417.--
const withTail = (text: string) => text.replace(/([.,])(?:-{1,2}|–|—)$/u, '$1')

function inOtherBase(value: bigint, negative: boolean, plus: boolean): NumberText {
  const { length } = `${value}`
  return {
    negative,
    plus,
    padded: false,
    before: length,
    coefficient: value,
    power: 0,
    significant: length,
    decimals: undefined,
    exponent: false,
    grouped: false,
    otherBase: true,
  }
}

interface DigitText {
  readonly whole: string
  readonly decimals: string | undefined
  readonly grouped: boolean
}

// "1,234" is a grouped integer or a decimal: both are returned, the likelier first.
function digitTexts(text: string, inGroups: boolean): DigitText[] {
  if (/^\d+$/.test(text)) return [{ whole: text, decimals: undefined, grouped: false }]
  const found: DigitText[] = []
  const bare = (digits: string) => digits.replace(/\D/gu, '')
  const grouped = GROUPED.exec(text)
  if (grouped && grouped[4] !== grouped[3] && inGroups) {
    found.push({ whole: bare(grouped[1]! + grouped[2]!), decimals: grouped[5], grouped: true })
  }
  const indian = INDIAN.exec(text)
  if (indian && inGroups)
    found.push({ whole: bare(indian[1]!), decimals: indian[2], grouped: true })
  const fours = FOURS.exec(text)
  if (fours && inGroups) found.push({ whole: bare(fours[1]!), decimals: undefined, grouped: true })
  const decimal = DECIMAL.exec(text)
  if (decimal && /\d/.test(text)) {
    found.push({
      whole: decimal[1]! || '0',
      decimals: decimal[2] === undefined ? undefined : decimal[3]!,
      grouped: false,
    })
  }
  return found
}

/** The forms in which a number is printed that is no row of digits. */
export function formsIn({ exponent, grouped, decimals, otherBase }: NumberText): FindingCode[] {
  if (otherBase) return ['base-changed']
  if (exponent) return ['exponent']
  return [
    ...(grouped ? (['grouped'] as const) : []),
    ...(decimals === undefined ? [] : (['decimal-tail'] as const)),
  ]
}

/** The integer a printed number stands for, or undefined where it has a fraction. */
export function integerOf({ coefficient, power }: NumberText): bigint | undefined {
  if (power > LONGEST || power < -LONGEST) return undefined
  if (power >= 0) return coefficient * 10n ** BigInt(power)
  const unit = 10n ** BigInt(-power)
  return coefficient % unit === 0n ? coefficient / unit : undefined
}

/** Leading zeros and a plus sign taken off a text of digits. */
export const bareDigits = (text: string): string => text.replace(/^\+?0*(?=\d)/, '')
export const isDigits = (text: string): boolean => /^\+?\d+$/.test(text)

/** Digits of a number so long that it may have been shortened: all of them, or those before a row of zeros; 0 of others. */
export function plainDigits(seen: string): number {
  const least = /^\d+$/.test(seen) ? fewestZeros(seen.length) : 0
  if (least === 0) return 0
  const kept = seen.replace(/0+$/, '').length
  return seen.length - kept < least ? seen.length : kept
}

/** Programs that shorten numbers without saying it keep so many digits at least. */
export const FEWEST_KEPT = 6
/** More zeros at the end are not asked for. */
const THOUSANDS = 3

/** So many zeros stand at the end of a number of so many digits that was shortened; 0 where none is. */
export const fewestZeros = (digits: number): number =>
  Math.max(0, Math.min(THOUSANDS, digits - FEWEST_KEPT))

/** A number of thousands, or one that was cut or rounded to them. */
export const ofThousands = (digits: string): boolean => /^[1-9]\d*000$/.test(digits)
