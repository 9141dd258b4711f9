// Numbers printed with digits of base sixteen: 0x1a1. All that they were is still there.

import { ofBaseSixteen } from './base-sixteen.js'
import type { Channel, Preimage } from './channel.js'
import { bareDigits, isDigits } from './number-text.js'

export const baseForm: Channel = {
  id: 'base-form',
  finding: 'base-changed',
  title: 'Printed in base sixteen',
  describe: 'A number is printed with hexadecimal digits behind 0x.',
  met: 'programs that show the contents of memory, pointers or identifiers of devices',
  prevent: 'Write identifiers as text, never through a number format.',
  example: { before: '00417', after: '0x1a1', form: 'small letters' },
  forms: ['small letters', 'capital letters', 'binary form'],
  forward(text, form) {
    if (!isDigits(text)) return text
    const value = BigInt(bareDigits(text))
    if (form === 'binary form') return binaryForm(value)
    const digits = value.toString(16)
    return `0x${form === 'capital letters' ? digits.toUpperCase() : digits}`
  },
  inverse(seen) {
    const value = ofBaseSixteen(seen)
    return value === undefined
      ? []
      : [{ kind: 'integers', low: value, high: value } satisfies Preimage]
  },
}

// One bit before the point, and all others behind it, four to a digit.
function binaryForm(value: bigint): string {
  if (value === 0n) return '0x0p+0'
  const bits = value.toString(2)
  const rest = bits.slice(1).replace(/0+$/, '')
  const count = Math.ceil(rest.length / 4)
  const digits = BigInt(`0b0${rest.padEnd(count * 4, '0')}`).toString(16)
  return `0x1${rest && `.${digits.padStart(count, '0')}`}p+${bits.length - 1}`
}
