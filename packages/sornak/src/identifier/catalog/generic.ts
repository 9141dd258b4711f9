// Shapes that many organisations use; a rules file takes them over with `like` and sets the width.

import type { PlainMap } from '../plain.js'

export const GENERIC: Readonly<Record<string, PlainMap>> = {
  'staff/number': {
    title: 'Staff number of five digits',
    note: 'Leading zeros belong to it. For another width, write like: staff/number and your own stored mask.',
    cites: 'an organisation sets its own width',
    stored: '{5}',
    sensitivity: 'personal',
    samples: { fits: ['00417'], 'does-not-fit': ['417', '000417'] },
    headers: ['staff', 'employee', 'crew', 'personnel', 'payroll'],
  },
  'serial/long': {
    title: 'Serial number of eighteen digits',
    note: 'Longer than fifteen digits, so any program that takes it for a number changes it.',
    cites: 'an organisation sets its own width',
    stored: '{18}',
    display: '{6} {6} {6}',
    sensitivity: 'open',
    samples: { fits: ['004300222233334444'], 'does-not-fit': ['4300222233334444'] },
    headers: ['serial', 'consignment', 'tracking'],
  },
  'voucher/sequence': {
    title: 'Sequence number whose zeros are padding',
    note: '042 and 42 are the same value.',
    cites: 'an organisation sets its own width',
    stored: '{1..6}',
    display: '{6 pad}',
    zeros: 'padding',
    sensitivity: 'open',
    samples: { fits: ['42', '000042'], 'does-not-fit': ['1234567', '4a'] },
    headers: ['voucher', 'sequence'],
  },
  'sequence/prefixed': {
    title: 'Sequence number with a prefix',
    note: 'Two to four capitals, a hyphen, six digits with their zeros.',
    cites: 'an organisation sets its own prefix',
    stored: '{prefix: 2..4 of "A..Z"}-{6}',
    sensitivity: 'open',
    samples: { fits: ['REF-000042'], 'does-not-fit': ['REF-42', 'R-000042'] },
    headers: ['reference', 'ref', 'order', 'invoice', 'case'],
  },
}
