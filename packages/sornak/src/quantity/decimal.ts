// Exact decimals as strings of digits: taking a text apart, moving the point, rounding. No digit ever
// passes through a binary number, and every step is linear in the number of digits.

/** Digits before and after the point; `whole` has no leading zero but for a lone one. */
export interface Decimal {
  readonly negative: boolean
  readonly whole: string
  readonly fraction: string
}

export const ROUNDING_MODES = [
  'half-up',
  'half-down',
  'half-even',
  'up',
  'down',
  'ceiling',
  'floor',
] as const
export type RoundingMode = (typeof ROUNDING_MODES)[number]

const DECIMAL = /^([+-]?)(\d*)(?:\.(\d*))?(?:[eE]([+-]?\d{1,6}))?$/
/** Points are moved this far and no further. */
const MOST_SHIFT = 9999

/** A decimal from `-1234.50` or `1.5e3`; undefined for any other text, or one of absurd size. */
export function decimalOf(text: string): Decimal | undefined {
  const found = DECIMAL.exec(text)
  if (!found || (found[2] === '' && !found[3])) return undefined
  const power = Number.parseInt(found[4] ?? '0', 10)
  if (Math.abs(power) > MOST_SHIFT) return undefined
  const decimal = tidy(found[1] === '-', found[2]!, found[3] ?? '')
  return power === 0 ? decimal : shift(decimal, power)
}

/** The decimal times ten to the power of `power`. */
export function shift({ negative, whole, fraction }: Decimal, power: number): Decimal {
  if (power >= 0) {
    const moved = fraction.padEnd(power, '0')
    return tidy(negative, whole + moved.slice(0, power), moved.slice(power))
  }
  const moved = whole.padStart(1 - power, '0')
  return tidy(negative, moved.slice(0, power), moved.slice(power) + fraction)
}

/** At most `places` digits after the point; negative places round before it. */
export function round(decimal: Decimal, places: number, mode: RoundingMode = 'half-up'): Decimal {
  const { negative, whole, fraction } = decimal
  if (fraction.length <= places) return decimal
  const digits = whole + fraction
  const keep = whole.length + places
  const kept = keep <= 0 ? '' : digits.slice(0, keep)
  const rest = keep < 0 ? '0'.repeat(-keep) + digits : digits.slice(keep)
  const rounded = awayFromZero(mode, negative, kept, rest) ? increment(kept) : kept
  const grown = rounded.length - kept.length
  const wholeLength = Math.max(0, whole.length + Math.min(places, 0)) + grown
  const zeros = places < 0 ? '0'.repeat(-places) : ''
  const result = tidy(negative, rounded.slice(0, wholeLength) + zeros, rounded.slice(wholeLength))
  return isZero(result) ? { ...result, negative: false } : result
}

/** At most so many significant digits; half goes away from zero. */
export function roundSignificant(decimal: Decimal, digits: number): Decimal {
  const { whole, fraction } = decimal
  if (whole !== '0') return round(decimal, digits - whole.length)
  const first = /[1-9]/.exec(fraction)?.index
  return first === undefined ? decimal : round(decimal, first + digits)
}

/** `-1234.50`: the decimal as text, its zeros after the point kept. */
export function decimalText({ negative, whole, fraction }: Decimal): string {
  return `${negative ? '-' : ''}${whole}${fraction ? `.${fraction}` : ''}`
}

export const isZero = ({ whole, fraction }: Decimal): boolean =>
  whole === '0' && !/[1-9]/.test(fraction)

function tidy(negative: boolean, whole: string, fraction: string): Decimal {
  const bare = whole.replace(/^0+/, '') || '0'
  return { negative: negative && !(bare === '0' && !/[1-9]/.test(fraction)), whole: bare, fraction }
}

function awayFromZero(mode: RoundingMode, negative: boolean, kept: string, rest: string): boolean {
  if (!/[1-9]/.test(rest)) return false
  switch (mode) {
    case 'up':
      return true
    case 'down':
      return false
    case 'ceiling':
      return !negative
    case 'floor':
      return negative
    default: {
      if (rest[0]! !== '5') return rest[0]! > '5'
      if (/[1-9]/.test(rest.slice(1))) return true
      if (mode === 'half-up') return true
      return mode === 'half-even' && /[13579]$/.test(kept)
    }
  }
}

function increment(digits: string): string {
  const nines = /9*$/.exec(digits)![0].length
  const head = digits.slice(0, digits.length - nines)
  const last = head.at(-1)
  const raised =
    last === undefined ? '1' : head.slice(0, -1) + String.fromCharCode(last.charCodeAt(0) + 1)
  return raised + '0'.repeat(nines)
}
