// A code with hyphens or a slash that is worked out as a sum: 555-0142 becomes 413, 1/2 becomes 0.5.

import type { Channel } from './channel.js'

const DIFFERENCE = /^\d+(?:-\d+){1,3}$/
const QUOTIENT = /^\d+\/\d+$/
/** Digits of a quotient that programs print. */
const PLACES = 15
const PLACES_OF: Readonly<Record<string, number>> = { 'four decimals': 4, 'two decimals': 2 }

export const arithmetic: Channel = {
  id: 'arithmetic',
  finding: 'evaluated',
  title: 'Worked out as a sum',
  describe:
    'Hyphens and slashes between digits are taken for minus and divided by; what starts with a zero may be octal.',
  met: 'values pasted into a cell or field that works out what looks like a formula',
  prevent: 'Enter such codes as text, or store them without separators.',
  example: { before: '555-0142', after: '413', form: 'decimal' },
  forms: ['decimal', 'comma', 'octal', 'four decimals', 'two decimals', 'whole'],
  forward(text, form) {
    if (form === 'whole') return wholePart(text) ?? text
    const value = workedOut(text, form === 'octal' ? 'octal' : 'decimal', PLACES_OF[form])
    if (value === undefined) return text
    return form === 'comma' ? value.replace('.', ',') : value
  },
  inverse(seen) {
    const value = seen.replace(',', '.').replace('−', '-').replace(/^\./, '0.')
    return /^-?(?:0|[1-9]\d*)(?:\.\d+)?$/.test(value) ? [{ kind: 'sums', value }] : []
  },
}

/** How a run of digits is read that starts with a zero. */
export type ZeroLed = 'decimal' | 'octal'

/** The value of digits joined by hyphens or one slash; undefined for anything else. */
export function workedOut(text: string, zeroLed: ZeroLed, decimals?: number): string | undefined {
  const value = (part: string) => valueOf(part, zeroLed)
  if (DIFFERENCE.test(text)) {
    const [first, ...rest] = text.split('-').map(value)
    return rest.reduce((sum, part) => sum - part, first!).toString()
  }
  if (!QUOTIENT.test(text)) return undefined
  const [above, below] = text.split('/').map(value)
  return below === 0n ? undefined : quotient(above!, below!, decimals)
}

/** What programs print that divide whole numbers. */
function wholePart(text: string): string | undefined {
  const [above, below] = QUOTIENT.test(text) ? text.split('/').map(BigInt) : []
  return above === undefined || !below ? undefined : `${above / below}`
}

/** Which divisors lead from the number above them to a quotient that is printed so: rounded to its decimals, or cut. */
export function divisors(above: bigint, printed: string): readonly [least: bigint, most: bigint] {
  const [whole = '0', fraction = ''] = printed.split('.')
  const unit = 10n ** BigInt(fraction.length)
  const seen = BigInt(whole + fraction)
  // From half a unit below it, where it is rounded, to the next one, where it is cut.
  const [low, high] =
    fraction === '' ? [2n * seen, 2n * seen + 2n] : [2n * seen - 1n, 2n * seen + 2n]
  const twice = 2n * above * unit
  return [twice / high + 1n, low <= 0n ? FAR : twice / low]
}

const FAR = 10n ** 30n

/** What a program takes a run of digits for; one with an 8 or 9 is never octal. */
export const valueOf = (part: string, zeroLed: ZeroLed): bigint =>
  BigInt(zeroLed === 'octal' && /^0[0-7]+$/.test(part) ? `0o${part}` : part)

// Rounded to so many significant digits, or to decimals; zeros at the end dropped.
function quotient(above: bigint, below: bigint, decimals?: number): string {
  const whole = above / below
  const places = decimals ?? Math.max(0, PLACES - (whole === 0n ? 0 : `${whole}`.length))
  const unit = 10n ** BigInt(places)
  const scaled = (above * unit * 2n + below) / (below * 2n)
  const fraction = `${scaled % unit}`.padStart(places, '0').replace(/0+$/, '')
  return `${scaled / unit}${fraction ? `.${fraction}` : ''}`
}
