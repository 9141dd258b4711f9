// Telephone numbers, stored as they are dialled within the country, trunk prefix included. Lengths
// and grouping follow each country's numbering plan under ITU-T E.164. Samples come from ranges kept
// for fiction where the country has one.

import type { PlainMap } from '../plain.js'

const HEADERS = ['phone', 'mobile', 'telephone', 'cell', 'tel']

interface Plan {
  readonly country: string
  readonly cites: string
  readonly stored: string | string[]
  readonly national: string | string[]
  readonly international: string | string[]
  readonly alsoRead?: string[]
  readonly fits: string[]
  readonly doesNotFit: string[]
}

function phone({
  country,
  cites,
  stored,
  national,
  international,
  alsoRead,
  fits,
  doesNotFit,
}: Plan): PlainMap {
  return {
    title: `Telephone number, ${country}`,
    cites: `ITU-T E.164; ${cites}`,
    stored,
    display: { national, international },
    ...(alsoRead && { 'also-read': alsoRead }),
    sensitivity: 'personal',
    samples: { fits, 'does-not-fit': doesNotFit },
    headers: HEADERS,
  }
}

export const PHONES: Readonly<Record<string, PlainMap>> = {
  'phone/za': phone({
    country: 'South Africa',
    cites: 'ICASA numbering plan: 0 and nine digits',
    stored: '0{9}',
    national: '0{2} {3} {4}',
    international: '+27 {2} {3} {4}',
    alsoRead: ['{9}'],
    fits: ['0215550123'],
    doesNotFit: ['02155501234', '1215550123'],
  }),
  'phone/us': phone({
    country: 'United States and Canada',
    cites: 'North American Numbering Plan: ten digits, area and exchange starting with 2 to 9',
    stored: '{1 of "2..9"}{2}{1 of "2..9"}{6}',
    national: '({1 of "2..9"}{2}) {1 of "2..9"}{2}-{4}',
    international: '+1 {1 of "2..9"}{2} {1 of "2..9"}{2} {4}',
    alsoRead: ['1{1 of "2..9"}{2}{1 of "2..9"}{6}'],
    fits: ['2065550142'],
    doesNotFit: ['0065550142', '2061550142'],
  }),
  'phone/gb': phone({
    country: 'United Kingdom',
    cites: 'Ofcom National Telephone Numbering Plan: 0 and nine or ten digits',
    stored: ['0{1 of "1..35..9"}{9}', '0{1 of "1..35..9"}{8}'],
    national: ['0{1 of "2"}{2} {3} {4}', '0{1 of "1..35..9"}{3} {6}', '0{1 of "1..35..9"}{3} {5}'],
    international: ['+44 {1 of "1..35..9"}{3} {6}', '+44 {1 of "1..35..9"}{3} {5}'],
    fits: ['02079460123', '07700900123'],
    doesNotFit: ['04079460123', '0207946'],
  }),
  'phone/de': phone({
    country: 'Germany',
    cites: 'Bundesnetzagentur numbering plan: 0, then up to eleven digits',
    stored: '0{1 of "1..9"}{5..10}',
    national: '0{1 of "1..9"}{2} {3..8}',
    international: '+49 {1 of "1..9"}{2} {3..8}',
    fits: ['03023125012', '01511234567'],
    doesNotFit: ['3023125012', '0030231250'],
  }),
  'phone/fr': phone({
    country: 'France',
    cites: 'ARCEP numbering plan: 0 and nine digits',
    stored: '0{1 of "1..9"}{8}',
    national: '0{1 of "1..9"} {2} {2} {2} {2}',
    international: '+33 {1 of "1..9"} {2} {2} {2} {2}',
    fits: ['0199001234'],
    doesNotFit: ['0099001234', '199001234'],
  }),
  'phone/au': phone({
    country: 'Australia',
    cites: 'ACMA numbering plan: 0 and nine digits',
    stored: '0{1 of "23478"}{8}',
    national: ['0{1 of "4"}{2} {3} {3}', '(0{1 of "2378"}) {4} {4}'],
    international: ['+61 {1 of "4"}{2} {3} {3}', '+61 {1 of "2378"} {4} {4}'],
    fits: ['0491570006', '0255501234'],
    doesNotFit: ['0591570006', '491570006'],
  }),
  'phone/nz': phone({
    country: 'New Zealand',
    cites: 'New Zealand numbering plan: 0 and eight to ten digits',
    stored: '0{1 of "234679"}{7..9}',
    national: '0{1 of "234679"} {3} {4..6}',
    international: '+64 {1 of "234679"} {3} {4..6}',
    fits: ['045550123'],
    doesNotFit: ['0155501234', '045'],
  }),
  'phone/in': phone({
    country: 'India',
    cites: 'TRAI national numbering plan: ten digits',
    stored: '{1 of "1..9"}{9}',
    national: '{1 of "1..9"}{4} {5}',
    international: '+91 {1 of "1..9"}{4} {5}',
    alsoRead: ['0{1 of "1..9"}{9}'],
    fits: ['9876500123'],
    doesNotFit: ['0987650012', '987650012'],
  }),
}
