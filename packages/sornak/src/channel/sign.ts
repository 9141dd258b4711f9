// A hyphen or brackets around digits that become a minus: (417) and 417- become -417.

import type { Channel } from './channel.js'

const LONGEST = 24

export const sign: Channel = {
  id: 'sign',
  finding: 'sign-gained',
  title: 'Sign gained',
  describe: 'Brackets or a hyphen beside the digits are taken for a minus.',
  met: 'bracketed or hyphenated codes opened in a spreadsheet or read with guessed types',
  prevent: 'Declare the column as text, and keep separators out of stored values.',
  example: { before: '(0417)', after: '-417', form: 'minus' },
  forms: ['minus', 'brackets'],
  forward(text, form) {
    const digits = /^(?:\((\d+)\)|(\d+)-|-(\d+))$/.exec(text)
    const found = digits && (digits[1] ?? digits[2] ?? digits[3])
    if (!found) return text
    const bare = found.replace(/^0+(?=\d)/, '')
    if (bare === '0') return '0'
    return form === 'brackets' ? `(${bare})` : `-${bare}`
  },
  inverse(seen) {
    const found = /^(?:[-−]([1-9]\d*)|\(([1-9]\d*)\))$/.exec(seen)
    const digits = found ? (found[1] ?? found[2])! : seen === '0' ? '0' : undefined
    if (digits === undefined) return []
    const texts = Array.from({ length: LONGEST - digits.length }, (_, zeros) => {
      const padded = '0'.repeat(zeros) + digits
      return [`(${padded})`, `${padded}-`, `-${padded}`]
    }).flat()
    return [{ kind: 'texts', texts: texts.filter((text) => text !== seen) }]
  },
}
