// Postcodes.

import type { PlainMap } from '../plain.js'

const HEADERS = ['postcode', 'postal code', 'zip', 'post code']

export const PLACES: Readonly<Record<string, PlainMap>> = {
  'postcode/us': {
    title: 'ZIP code, United States',
    cites: 'United States Postal Service, Publication 28',
    stored: ['{5}', '{5}-{4}'],
    sensitivity: 'open',
    samples: { fits: ['02134', '02134-0001'], 'does-not-fit': ['2134', '021340001'] },
    headers: HEADERS,
  },
  'postcode/de': {
    title: 'Postcode, Germany',
    cites: 'Universal Postal Union addressing: five digits, 01001 to 99998',
    stored: '{5}',
    only: { value: '01001..99998' },
    sensitivity: 'open',
    samples: { fits: ['01067'], 'does-not-fit': ['1067', '00999'] },
    headers: HEADERS,
  },
  'postcode/gb': {
    title: 'Postcode, United Kingdom',
    cites: 'Royal Mail, Postcode Address File',
    stored: [
      '{1..2 of "A..Z"}{1} {1}{2 of "A..Z"}',
      '{1..2 of "A..Z"}{2} {1}{2 of "A..Z"}',
      '{1..2 of "A..Z"}{1}{1 of "A..Z"} {1}{2 of "A..Z"}',
    ],
    'also-read': [
      '{1..2 of "A..Z"}{1}{1}{2 of "A..Z"}',
      '{1..2 of "A..Z"}{2}{1}{2 of "A..Z"}',
      '{1..2 of "A..Z"}{1}{1 of "A..Z"}{1}{2 of "A..Z"}',
    ],
    sensitivity: 'open',
    samples: { fits: ['M1 1AA', 'EC1A 1BB'], 'does-not-fit': ['1M 1AA', 'M1 AAA'] },
    headers: HEADERS,
  },
  'postcode/ca': {
    title: 'Postcode, Canada',
    cites: 'Canada Post addressing guidelines',
    stored:
      '{1 of "ABCEGHJ..NPRSTVXY"}{1}{1 of "ABCEGHJ..NPRSTV..Z"} {1}{1 of "ABCEGHJ..NPRSTV..Z"}{1}',
    sensitivity: 'open',
    samples: { fits: ['K1A 0B1'], 'does-not-fit': ['D1A 0B1', 'K1A 0B'] },
    headers: HEADERS,
  },
  'postcode/za': {
    title: 'Postcode, South Africa',
    cites: 'South African Post Office: four digits',
    stored: '{4}',
    sensitivity: 'open',
    samples: { fits: ['0001'], 'does-not-fit': ['1', '00010'] },
    headers: HEADERS,
  },
}
