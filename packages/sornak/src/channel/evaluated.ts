// A code that looks like a number is worked out: 12E5 becomes 1200000, 0x1F becomes 31, 1_000 loses
// its underscore, 417D is a number with its type behind it, and 4000.10 is 4000.1.

import { BINARY64, nearestFloat, shortest } from './binary-float.js'
import type { Channel } from './channel.js'
import type { Interval } from './significant.js'

const POWER = /^(\d+)[eE](\d+)$/
const HEX = /^0[xX]([0-9a-fA-F]+)$/
/** D and F say which binary number it is. */
const TYPED = /^(\d+)[dDfF]$/
/** A point or comma between digits. */
const DECIMAL = /^(\d+)([.,])(\d+)$/
/** A number without zeros that say nothing; few programs leave one behind the point. */
const PRINTED = /^(0|[1-9]\d*)(?:([.,])(\d*[1-9]|0))?$/
const LOW_LINES = /^\d+(?:_\d+)+$/
/** Programs give up (infinity) beyond this exponent. */
const MOST_ZEROS = 308

export const evaluated: Channel = {
  id: 'evaluated',
  finding: 'evaluated',
  title: 'Worked out as a number',
  describe: 'A code that looks like a number is replaced by its value.',
  met: 'berth, batch and room codes with an E between digits, or accounts with a point, opened in a spreadsheet or read with guessed types',
  prevent:
    'Declare the column as text before the data is read, or keep codes from having the shape of a number.',
  example: { before: '12E5', after: '1200000', form: 'power of ten' },
  forms: [
    'power of ten',
    'power of ten in binary64',
    'type behind',
    'decimal',
    'decimal with its point',
  ],
  forward(text, form) {
    if (form.startsWith('decimal')) return asDecimal(text, form === 'decimal' ? '' : '0')
    const typed = form === 'type behind' && TYPED.exec(text)
    if (typed) return typed[1]!.replace(/^0+(?=\d)/, '')
    const power = POWER.exec(text)
    if (power && power[2]!.replace(/^0+/, '').length <= 3) {
      const zeros = Number.parseInt(power[2]!, 10)
      const digits = power[1]!.replace(/^0+(?=\d)/, '')
      if (zeros + digits.length > MOST_ZEROS) return text
      if (digits === '0') return '0'
      const whole = digits + '0'.repeat(zeros)
      return form.endsWith('binary64') ? `${nearestFloat(BigInt(whole), BINARY64)}` : whole
    }
    const hex = HEX.exec(text)
    if (hex) return BigInt(text).toString()
    return LOW_LINES.test(text) ? text.replaceAll('_', '').replace(/^0+(?=\d)/, '') : text
  },
  inverse(seen) {
    const decimals = decimalsFor(seen, LONGEST_DECIMAL)
    if (!/^(?:0|[1-9]\d*)$/.test(seen))
      return decimals.length ? [{ kind: 'texts', texts: decimals }] : []
    const texts = powersBehind(BigInt(seen)).flatMap((value) =>
      codesFor({ low: value, high: value }, 24, 4),
    )
    return [{ kind: 'texts', texts: [...texts, ...decimals] }]
  },
}

/** Codes with a point in them are no longer than this. */
const LONGEST_DECIMAL = 16

/** @param none what stands behind the point where nothing is left; empty where the point goes as well */
function asDecimal(text: string, none: string): string {
  const [, whole, mark, fraction] = DECIMAL.exec(text) ?? []
  if (whole === undefined) return text
  const rest = fraction!.replace(/0+$/, '') || none
  return whole.replace(/^0+(?=\d)/, '') + (rest && mark + rest)
}

/** Codes of digits with a point or comma between them, of so many characters at the most, that are this number. */
export function decimalsFor(seen: string, longest: number): string[] {
  const [, whole, mark, fraction = ''] = PRINTED.exec(seen) ?? []
  if (whole === undefined) return []
  const digits = fraction === '0' ? '' : fraction
  const room = Math.min(longest, LONGEST_DECIMAL) - 1
  const texts: string[] = []
  for (let before = whole.length; before < room; before++)
    for (let behind = Math.max(1, digits.length); before + behind <= room; behind++)
      for (const point of mark === undefined ? ['.', ','] : [mark])
        texts.push(whole.padStart(before, '0') + point + digits.padEnd(behind, '0'))
  return texts.filter((text) => text !== seen)
}

/** A number that was worked out, and the one with the fewest digits that binary64 makes it of: 1.59e+24 is printed with all its digits. */
export function powersBehind(value: bigint): bigint[] {
  if (value < BINARY64.exactTo || nearestFloat(value, BINARY64) !== value) return [value]
  const few = shortest(value, BINARY64)
  return few === value ? [value] : [value, few]
}

/**
 * Codes of the shape digits-E-digits, `0x…`, digits with low lines and digits with a type behind whose value lies in the
 * interval, with at most `mantissa` and `exponent` digits in each part, padded in every way.
 */
export function codesFor({ low, high }: Interval, mantissa: number, exponent: number): string[] {
  const texts: string[] = []
  // Nothing times any power of ten is nothing.
  const zeros = high === 0n ? 99 : Math.min(MOST_ZEROS, high.toString().length)
  for (let power = 0; power <= zeros; power++) {
    const unit = 10n ** BigInt(power)
    const from = (low + unit - 1n) / unit
    const to = high / unit
    if (to - from > 1000n) continue
    for (let digits = from; digits <= to; digits++) {
      for (let m = digits.toString().length; m <= mantissa; m++) {
        for (let x = `${power}`.length; x <= exponent; x++) {
          const code = digits.toString().padStart(m, '0')
          const tail = `${power}`.padStart(x, '0')
          texts.push(`${code}E${tail}`, `${code}e${tail}`)
        }
      }
    }
  }
  if (low === high) {
    const hex = low.toString(16)
    for (let width = hex.length; width <= Math.min(mantissa, 16); width++) {
      texts.push(`0x${hex.padStart(width, '0').toUpperCase()}`, `0x${hex.padStart(width, '0')}`)
    }
    const digits = low.toString()
    for (let width = digits.length; width <= mantissa; width++)
      for (const type of 'DFdf') texts.push(digits.padStart(width, '0') + type)
    for (let at = 1; at < digits.length; at++)
      texts.push(`${digits.slice(0, at)}_${digits.slice(at)}`)
    const thousands = digits.replace(/\B(?=(\d{3})+$)/g, '_')
    if (thousands !== digits) texts.push(thousands)
  }
  return [...new Set(texts)]
}
