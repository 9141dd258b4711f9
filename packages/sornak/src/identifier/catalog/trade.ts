// Codes of goods, freight and trade.

import type { PlainMap } from '../plain.js'

export const TRADE: Readonly<Record<string, PlainMap>> = {
  'container/freight': {
    title: 'Freight container code',
    note: 'Owner code, category (U, J or Z), six digits and a check digit.',
    cites: 'ISO 6346',
    stored: '{owner: 3 of "A..Z"}{category: 1 of "UJZ"}{serial: 6}{check: 1}',
    display: '{owner: 3 of "A..Z"}{category: 1 of "UJZ"} {serial: 6} {check: 1}',
    check: 'container',
    sensitivity: 'open',
    samples: { fits: ['CSQU3054383'], 'does-not-fit': ['CSQU3054384', 'CSQX3054383'] },
    headers: ['container'],
  },
}
