// A field that is too narrow, or a reader that stops at the first character it does not know: only the
// front or the end of the value is left.

import type { Channel } from './channel.js'

const LENGTHS = [2, 3, 4, 6, 8, 9, 10, 12, 15, 18]

export const cutShort: Channel = {
  id: 'cut-short',
  finding: 'cut-short',
  title: 'Cut short',
  describe: 'Characters beyond a width are dropped, at the end or at the front.',
  met: 'fixed-width fields and narrow text columns, and readers that stop at the first character they do not know',
  prevent: 'Make the field as wide as the widest value, and refuse values that do not fit.',
  example: { before: '4300222233334444', after: '430022223333444', form: 'first 15' },
  forms: LENGTHS.flatMap((length) => [`first ${length}`, `last ${length}`]),
  forward(text, form) {
    const [side, length] = form.split(' ')
    const keep = Number.parseInt(length ?? '', 10)
    const chars = [...text]
    if (!(keep < chars.length)) return text
    return (side === 'last' ? chars.slice(-keep) : chars.slice(0, keep)).join('')
  },
  inverse: (seen) =>
    seen === ''
      ? []
      : [
          { kind: 'starts', text: seen },
          { kind: 'ends', text: seen },
        ],
}
