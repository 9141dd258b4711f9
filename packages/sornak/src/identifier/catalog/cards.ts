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
  'card/expiry': {
    title: 'Card expiry',
    note: 'Month and year; the card runs out on the last day of the month.',
    cites: 'ISO/IEC 7813, as embossed on cards',
    stored: '{date MM/yy}',
    'also-read': ['{date MM/yyyy}', '{date yyyy-MM}'],
    sensitivity: 'secret',
    samples: { fits: ['02/28'], 'does-not-fit': ['13/28', '2/28'] },
    headers: ['expiry', 'expires', 'valid thru'],
  },
  'card/visa': brand(
    'Visa',
    ['{prefix: 1}{15}'],
    ['{prefix: 1}{3} {4} {4} {4}'],
    ['4'],
    ['4111111111111111'],
  ),
  'card/mastercard': brand(
    'Mastercard',
    ['{prefix: 4}{12}'],
    ['{prefix: 4} {4} {4} {4}'],
    ['5100..5599', '2221..2720'],
    ['5555555555554444', '2223003122003222'],
  ),
  'card/american-express': brand(
    'American Express',
    ['{prefix: 2}{13}'],
    ['{prefix: 2}{2} {6} {5}'],
    ['34', '37'],
    ['378282246310005'],
  ),
  'card/diners': brand(
    'Diners Club',
    ['{prefix: 3}{11}'],
    ['{prefix: 3}{1} {6} {4}'],
    ['300..305', '309', '360..369', '380..399'],
    ['30569309025904', '38520000023237'],
  ),
  'card/jcb': brand(
    'JCB',
    ['{prefix: 4}{12}'],
    ['{prefix: 4} {4} {4} {4}'],
    ['3528..3589'],
    ['3530111333300000'],
  ),
}

// Issuers by the first digits of their cards; the published test numbers of each fit.
function brand(
  title: string,
  stored: string[],
  display: string[],
  prefixes: string[],
  fits: string[],
): PlainMap {
  return {
    title: `Payment card number, ${title}`,
    cites: 'ISO/IEC 7812-1 and the issuer’s published ranges',
    stored,
    display,
    only: { prefix: prefixes },
    check: 'luhn',
    sensitivity: 'secret',
    reveal: 'last 4',
    samples: { fits, 'does-not-fit': [`9${fits[0]!.slice(1)}`, fits[0]!.slice(0, -1)] },
    headers: ['card', 'pan', 'card number'],
  }
}
