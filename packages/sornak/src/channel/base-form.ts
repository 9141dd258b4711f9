// Numbers printed with digits of base sixteen, eight or two: 0x1a1, or 1a1. All that they were is still there.

import type { Channel, Preimage } from './channel.js'
import { bareDigits, isDigits } from './number-text.js'
import { ofOtherDigits, ofUnmarkedDigits } from './other-digits.js'

const FORMS: ReadonlyMap<string, (value: bigint) => string> = new Map([
  ['small letters', (value) => `0x${value.toString(16)}`],
  ['capital letters', (value) => `0x${value.toString(16).toUpperCase()}`],
  ['binary form', binaryForm],
  ['between marks', (value) => `16#${value.toString(16).toUpperCase()}#`],
  ['base eight', (value) => `0o${value.toString(8)}`],
  ['base two', (value) => `0b${value.toString(2)}`],
  ['without a mark', (value) => value.toString(16)],
  ['capitals without a mark', (value) => value.toString(16).toUpperCase()],
])

export const baseForm: Channel = {
  id: 'base-form',
  finding: 'base-changed',
  title: 'Printed in another base',
  describe:
    'A number is printed with digits of base sixteen, eight or two, as a rule behind a mark that says so.',
  met: 'programs that show the contents of memory, pointers or identifiers of devices',
  prevent: 'Write identifiers as text, never through a number format.',
  example: { before: '00417', after: '0x1a1', form: 'small letters' },
  forms: [...FORMS.keys()],
  forward(text, form) {
    const print = FORMS.get(form)
    return print && isDigits(text) ? print(BigInt(bareDigits(text))) : text
  },
  inverse(seen) {
    const values = [ofOtherDigits(seen), ofUnmarkedDigits(seen)]
    return values.flatMap((value): Preimage[] =>
      value === undefined ? [] : [{ kind: 'integers', low: value, high: value }],
    )
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
