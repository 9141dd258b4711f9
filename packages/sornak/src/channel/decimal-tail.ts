// A fraction of nothing: 417 becomes 417.0 because the column was read as decimal numbers.

import type { Channel, Preimage } from './channel.js'
import { bareDigits, integerOf, isDigits, numberTexts } from './number-text.js'

const TAILS = ['.0', '.00', '.', ',0', ',00', '.000000']

export const decimalTail: Channel = {
  id: 'decimal-tail',
  finding: 'decimal-tail',
  title: 'Decimal tail',
  describe: 'A decimal mark and zeros are written behind the digits.',
  met: 'columns with a gap in them that a data program read as decimal numbers, amounts formats',
  prevent: 'Declare the column as text, so that a blank cell does not turn it into decimals.',
  example: { before: '20417', after: '20417.0', form: '.0' },
  forms: TAILS,
  forward: (text, form) => (isDigits(text) ? bareDigits(text) + form : text),
  inverse: (seen) =>
    numberTexts(seen).flatMap((number): Preimage[] => {
      const value = integerOf(number)
      const tail = number.decimals !== undefined && !number.exponent && !number.negative
      return tail && value !== undefined ? [{ kind: 'integers', low: value, high: value }] : []
    }),
}
