// Codes of digits with a point in them, such as the accounts of a ledger, that were read as numbers and printed again:
// the zeros in front and behind are gone. What was cut looks alike, and is told from it.

import { describe, expect, test } from 'vitest'
import { handedOver, HAND_OVERS, judge } from 'sornak'
import { convertedRun, digits, isListed, of } from './converted-column.js'
import { restart } from './draws.js'

// Done here in plain text: leading zeros go, and those behind the point, and a point that nothing stands behind.
const asNumber = (text: string) =>
  text
    .replace(/^0+(?=\d)/, '')
    .replace(/(?<=\..*?)0+$/, '')
    .replace(/\.$/, '')
// As languages print numbers that are no integers to them.
const withPoint = (text: string) => {
  const number = asNumber(text)
  return number.includes('.') ? number : `${number}.0`
}

const CODES: Record<string, readonly [stored: string, draw: () => string]> = {
  'accounts of six digits': ['{4}.{2}', () => `${digits(4)}.${digits(2)}`],
  'sections of four digits': ['{2}.{2}', () => `${digits(2)}.${digits(2)}`],
  'three and three': ['{3}.{3}', () => `${digits(3)}.${digits(3)}`],
}

describe.each(Object.entries(CODES))('%s', (_, [stored, draw]) => {
  test.each([
    ['read as numbers', asNumber],
    ['read as numbers, one digit behind the point at least', withPoint],
  ])('%s, all of them come back', (_, convert) => {
    restart(20_261_130)
    const rows = convertedRun(of(stored), draw, convert)
    const changed = rows.filter(({ original, seen }) => seen !== original)
    expect(changed.length).toBeGreaterThan(12)
    expect(changed.filter(({ told }) => told.verdict === 'intact')).toEqual([])
    const mended = changed.filter(({ told }) => told.mend !== undefined)
    expect(mended.filter(({ original, told }) => told.mend !== original)).toEqual([])
    // Of 14.0 a reader may have stopped at the point as well.
    const known = changed.filter(({ original }) => !/\.0+$/.test(original))
    expect(known.filter(({ told }) => told.findings[0] !== 'evaluated')).toEqual([])
    expect(known.filter(({ told }) => told.mend === undefined)).toEqual([])
    expect(
      rows.filter(({ told, original, seen }) => seen === original && told.verdict !== 'intact'),
    ).toEqual([])
  })

  test.each([1, 2])('cut by %i, none is mended', (lost) => {
    restart(20_261_130)
    const rows = convertedRun(of(stored), draw, (text) => text.slice(0, -lost))
    expect(rows.filter(({ told }) => told.mend !== undefined)).toEqual([])
    const open = rows.filter(({ told }) => told.verdict === 'ambiguous')
    expect(open.length).toBeGreaterThan(100)
    expect(open.filter((row) => !isListed(row))).toEqual([])
  })
})

test('a lone one, in front and behind', () => {
  expect(judge(of('{4}.{2}'), '17.5')).toMatchObject({ mend: '0017.50', findings: ['evaluated'] })
})

test('a hand-over that makes numbers of them says so beforehand', () => {
  for (const id of ['spreadsheet', 'json-numbers', 'double-column'])
    expect(handedOver(HAND_OVERS.get(id)!, '0400.10')).toBe('400.1')
})

// By whole numbers, halves up, as C prints one digit behind the point.
function toOneDecimal(text: string): string {
  const [whole = '', fraction = ''] = text.split('.')
  const unit = 10n ** BigInt(fraction.length - 1)
  const tenths = (BigInt(whole + fraction) + unit / 2n) / unit
  return `${tenths / 10n}.${tenths % 10n}`
}

describe('printed with one digit behind the point', () => {
  const [stored, draw] = CODES['accounts of six digits']!
  test.each([
    ['all of some rows that follow each other', () => false],
    ['one of eleven', (row: number) => row % 11 !== 5],
  ])('%s: none is mended wrongly, and the original is listed', (_, kept) => {
    restart(20_261_130)
    const rows = convertedRun(of(stored), draw, toOneDecimal, 240, kept)
    const changed = rows.filter(({ original, seen }) => seen !== original)
    expect(changed.length).toBeGreaterThan(15)
    expect(changed.filter(({ original, told }) => (told.mend ?? original) !== original)).toEqual([])
    const open = changed.filter(({ told }) => told.mend === undefined)
    expect(open.length).toBeGreaterThan(15)
    expect(open.filter((row) => !isListed(row))).toEqual([])
  })
})

test('marks around one are told with it', () => {
  const told = judge(of('{4}.{2}'), "'4000.1")
  expect(told).toMatchObject({ mend: '4000.10', findings: ['stray-mark', 'evaluated'] })
})
