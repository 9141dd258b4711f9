// A code that looks like a number is worked out: 12E5 becomes 1200000, 0x1F becomes 31, 1_000 loses
// its underscore, and 417D is a number with its type behind it.

import { BINARY64, nearestFloat, shortest } from './binary-float.js'
import type { Channel } from './channel.js'
import type { Interval } from './significant.js'

const POWER = /^(\d+)[eE](\d+)$/
const HEX = /^0[xX]([0-9a-fA-F]+)$/
/** D and F say which binary number it is. */
const TYPED = /^(\d+)[dDfF]$/
const LOW_LINES = /^\d+(?:_\d+)+$/
/** Programs give up (infinity) beyond this exponent. */
const MOST_ZEROS = 308

export const evaluated: Channel = {
  id: 'evaluated',
  finding: 'evaluated',
  title: 'Worked out as a number',
  describe: 'A code that looks like a number is replaced by its value.',
  met: 'berth, batch and room codes with an E between digits, opened in a spreadsheet or read with guessed types',
  prevent:
    'Declare the column as text before the data is read, or keep codes from having the shape of a number.',
  example: { before: '12E5', after: '1200000', form: 'power of ten' },
  forms: ['power of ten', 'power of ten in binary64', 'type behind'],
  forward(text, form) {
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
    if (!/^(?:0|[1-9]\d*)$/.test(seen)) return []
    const texts = powersBehind(BigInt(seen)).flatMap((value) =>
      codesFor({ low: value, high: value }, 24, 4),
    )
    return [{ kind: 'texts', texts }]
  },
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
