// Thousands separators: 2065550142 becomes 2,065,550,142.

import type { Channel, Preimage } from './channel.js'
import { bareDigits, integerOf, isDigits, numberTexts } from './number-text.js'

const SEPARATORS: ReadonlyMap<string, string> = new Map([
  ['comma', ','],
  ['dot', '.'],
  ['space', ' '],
  ['no-break space', '\u00a0'],
  ['narrow space', '\u202f'],
  ['apostrophe', '’'],
])

export const grouping: Channel = {
  id: 'grouping',
  finding: 'grouped',
  title: 'Grouped digits',
  describe: 'Thousands separators are written between the digits.',
  met: 'amount formats applied to identifiers, and exports in the language of the reader',
  prevent: 'Format identifiers as text; grouping is for quantities.',
  example: { before: '2065550142', after: '2,065,550,142', form: 'comma' },
  forms: [...SEPARATORS.keys(), 'indian'],
  forward(text, form) {
    if (!isDigits(text)) return text
    const digits = bareDigits(text)
    if (digits.length < 4) return text
    if (form === 'indian') return digits.replace(/\B(?=(\d{2})*\d{3}$)/g, ',')
    return digits.replace(/\B(?=(\d{3})+$)/g, SEPARATORS.get(form) ?? ',')
  },
  inverse: (seen) =>
    numberTexts(seen).flatMap((number): Preimage[] => {
      const value = integerOf(number)
      return number.grouped && !number.exponent && !number.negative && value !== undefined
        ? [{ kind: 'integers', low: value, high: value }]
        : []
    }),
}
