// Accounts and banks. Account numbers of ISO 13616 have a length and a shape for each country, taken
// from the registry; the four characters in front are country and check.

import type { PlainMap } from '../plain.js'

const HEADERS = ['iban', 'account', 'bank account']

/** What follows country and check: `18n` for digits, `4a` for capitals, `12c` for either. */
function account(country: string, title: string, shape: string, fits: string): PlainMap {
  const parts = [...shape.matchAll(/(\d+)([nac])/g)]
  const length = parts.reduce((sum, [, size]) => sum + Number.parseInt(size!, 10), 4)
  const kinds = { n: '', a: ' of "A..Z"', c: ' of "0..9A..Z"' }
  const body = parts.map(([, size, kind]) => `{${size}${kinds[kind as keyof typeof kinds]}}`)
  const fours = Array.from({ length: Math.ceil(length / 4) }, (_, i) => Math.min(4, length - i * 4))
  return {
    title: `Bank account, ${title}`,
    cites: 'ISO 13616-1 and the IBAN registry',
    stored: `{country: 2 of "A..Z"}{check: 2}${body.join('')}`,
    display: fours.map((size) => `{${size} of "0..9A..Z"}`).join(' '),
    check: 'iban',
    only: { country },
    never: { check: ['00', '01', '99'] },
    sensitivity: 'secret',
    reveal: 'first 4 last 2',
    samples: { fits: [fits], 'does-not-fit': [`XX${fits.slice(2)}`, fits.slice(0, -1)] },
    headers: HEADERS,
  }
}

export const BANKS: Readonly<Record<string, PlainMap>> = {
  'iban/at': account('AT', 'Austria', '16n', 'AT611904300234573201'),
  'iban/be': account('BE', 'Belgium', '12n', 'BE68539007547034'),
  'iban/ch': account('CH', 'Switzerland', '5n12c', 'CH9300762011623852957'),
  'iban/de': account('DE', 'Germany', '18n', 'DE89370400440532013000'),
  'iban/dk': account('DK', 'Denmark', '14n', 'DK5000400440116243'),
  'iban/es': account('ES', 'Spain', '20n', 'ES9121000418450200051332'),
  'iban/fi': account('FI', 'Finland', '14n', 'FI2112345600000785'),
  'iban/fr': account('FR', 'France', '10n11c2n', 'FR1420041010050500013M02606'),
  'iban/gb': account('GB', 'United Kingdom', '4a14n', 'GB29NWBK60161331926819'),
  'iban/ie': account('IE', 'Ireland', '4a14n', 'IE29AIBK93115212345678'),
  'iban/it': account('IT', 'Italy', '1a10n12c', 'IT60X0542811101000000123456'),
  'iban/nl': account('NL', 'Netherlands', '4a10n', 'NL91ABNA0417164300'),
  'iban/no': account('NO', 'Norway', '11n', 'NO9386011117947'),
  'iban/pl': account('PL', 'Poland', '24n', 'PL61109010140000071219812874'),
  'iban/pt': account('PT', 'Portugal', '21n', 'PT50000201231234567890154'),
  'iban/se': account('SE', 'Sweden', '20n', 'SE4550000000058398257466'),
  'bank/identifier': {
    title: 'Business identifier code',
    cites: 'ISO 9362',
    stored: [
      '{4 of "0..9A..Z"}{country: 2 of "A..Z"}{2 of "0..9A..Z"}',
      '{4 of "0..9A..Z"}{country: 2 of "A..Z"}{2 of "0..9A..Z"}{3 of "0..9A..Z"}',
    ],
    sensitivity: 'open',
    samples: { fits: ['DEUTDEFF', 'DEUTDEFF500'], 'does-not-fit': ['DEUT11FF', 'DEUTDEFF5'] },
    headers: ['bic', 'swift'],
  },
  'bank/routing-us': {
    title: 'Bank routing number, United States',
    note: 'First two digits 00 to 12, 21 to 32, 61 to 72 or 80.',
    cites: 'American Bankers Association, routing number policy',
    stored: '{district: 2}{7}',
    check: 'routing',
    only: { district: ['00..12', '21..32', '61..72', '80'] },
    sensitivity: 'open',
    samples: { fits: ['021000021', '111000025'], 'does-not-fit': ['021000022', '21000021'] },
    headers: ['routing', 'aba'],
  },
  'bank/sort-code-gb': {
    title: 'Sort code, United Kingdom',
    cites: 'Pay.UK: six digits',
    stored: '{6}',
    display: '{2}-{2}-{2}',
    sensitivity: 'open',
    samples: { fits: ['000000'], 'does-not-fit': ['00000', '0000000'] },
    headers: ['sort code'],
  },
  'bank/branch-au': {
    title: 'Bank, state and branch number, Australia',
    cites: 'Australian Payments Network, BSB: six digits',
    stored: '{6}',
    display: '{3}-{3}',
    sensitivity: 'open',
    samples: { fits: ['012002'], 'does-not-fit': ['12002', '0120020'] },
    headers: ['bsb'],
  },
  'bank/branch-in': {
    title: 'Financial system code, India',
    cites: 'Reserve Bank of India, IFSC: four letters, 0, six letters or digits',
    stored: '{4 of "A..Z"}{1 of "0"}{6 of "0..9A..Z"}',
    sensitivity: 'open',
    samples: { fits: ['HSFB0001234'], 'does-not-fit': ['HSFB1001234', 'HSFB000123'] },
    headers: ['ifsc'],
  },
  'bank/account-mx': {
    title: 'Standardised account number, Mexico',
    cites: 'Asociación de Bancos de México, CLABE: weights 3 7 1, modulus 10',
    stored: '{18}',
    display: '{3} {3} {11} {1}',
    check: {
      scheme: 'weighted',
      weights: [...'37137137137137137', '1'],
      modulus: '10',
    },
    sensitivity: 'secret',
    samples: {
      fits: ['032180000118359719'],
      'does-not-fit': ['032180000118359718', '32180000118359719'],
    },
    headers: ['clabe'],
  },
}
