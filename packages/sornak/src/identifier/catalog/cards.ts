// Payment cards: account numbers by the lengths that issuers use, ISO/IEC 7812.

import type { PlainMap } from '../plain.js'

export const CARDS: Readonly<Record<string, PlainMap>> = {
  'card/payment': {
    title: 'Payment card number',
    note: 'Fourteen to nineteen digits; the first tells the industry, the last is a check digit.',
    cites: 'ISO/IEC 7812-1',
    stored: [
      '{1 of "2..6"}{15}',
      '{1 of "3"}{1 of "47"}{13}',
      '{1 of "3"}{1 of "0689"}{12}',
      '{1 of "4..6"}{18}',
    ],
    display: [
      '{1 of "2..6"}{3} {4} {4} {4}',
      '{1 of "3"}{1 of "47"}{2} {6} {5}',
      '{1 of "3"}{1 of "0689"}{2} {6} {4}',
      '{1 of "4..6"}{3} {4} {4} {4} {3}',
    ],
    check: 'luhn',
    sensitivity: 'secret',
    reveal: 'last 4',
    samples: {
      fits: ['4111111111111111', '378282246310005', '30569309025904', '5555555555554444'],
      'does-not-fit': ['4111111111111112', '411111111111111', '0111111111111111'],
    },
    headers: ['card', 'pan', 'card number'],
  },
  'card/security-code': {
    title: 'Card security code',
    cites: 'printed beside the account number: three or four digits',
    stored: ['{3}', '{4}'],
    sensitivity: 'secret',
    samples: { fits: ['007', '0123'], 'does-not-fit': ['07', '12345'] },
    headers: ['cvc', 'security code'],
  },
}
