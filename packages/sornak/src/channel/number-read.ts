// A text of digits read as a number: leading zeros and a leading plus go.

import type { Channel } from './channel.js'
import { bareDigits, isDigits } from './number-text.js'

export const numberRead: Channel = {
  id: 'number-read',
  finding: 'zeros-lost',
  title: 'Read as a number',
  describe: 'Digits are taken for a quantity, so leading zeros and a leading plus are dropped.',
  met: 'opening a CSV file in a spreadsheet, importing with guessed types, a numeric column, JSON numbers',
  prevent: 'Declare the column as text before the data is read.',
  example: { before: '00417', after: '417', form: 'integer' },
  forms: ['integer'],
  forward: (text) => (isDigits(text) ? bareDigits(text) : text),
  inverse(seen) {
    if (!/^(?:0|[1-9]\d*)$/.test(seen)) return []
    const value = BigInt(seen)
    return [{ kind: 'integers', low: value, high: value }]
  },
}
