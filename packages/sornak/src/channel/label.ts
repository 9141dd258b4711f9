// A word that says what kind of number follows, written into the value itself.

import type { Channel } from './channel.js'

const LABELS = ['No. ', 'tel:', 'IBAN ', '#', 'ID: ']

/** Words in front of numbers, with what divides them from these; `tel:` as in RFC 3966. */
const LABELLED =
  /^(?:(?:tel|telephone|phone|mobile|mob|cell|fax|no|nr|num|number|id|ref|code|acct|account|card|iban|ssn|isbn|ean|gtin|serial)(?:\.:|[.:#]|(?=\s))|[#№])\s*(\S.*)$/iu

export const label: Channel = {
  id: 'label',
  finding: 'stray-mark',
  title: 'Label in front',
  describe: 'A word or mark that names the value was written in front of it.',
  met: 'lists copied from letters, forms and address books, where the label stands beside the number',
  prevent: 'Give the label a column header of its own, and keep it out of the value.',
  example: { before: '07700900123', after: 'tel:07700900123', form: 'tel:' },
  forms: LABELS,
  forward: (text, form) => form + text,
  inverse(seen) {
    const text = LABELLED.exec(seen)?.[1]
    return text === undefined ? [] : [{ kind: 'texts', texts: [text] }]
  },
}
