// Numbers that were shown as dates, and codes of digits that were taken for them. What day a number is comes from Date.

import { describe, expect, test } from 'vitest'
import { judge } from 'sornak'
import { convertedRun, digits, next, of } from './converted-column.js'

const DAY = 86_400_000
const dayAfter = (first: number, days: string) =>
  new Date(first + Number.parseInt(days, 10) * DAY).toISOString().slice(0, 10)
const SINCE_1900 = Date.UTC(1899, 11, 30)
const SINCE_1904 = Date.UTC(1904, 0, 1)
const SINCE_1970 = 0

const staff = of('{5}')
const listed = (seen: string, definition = staff) =>
  judge(definition, seen, 1000).candidates.map(({ text }) => text)

describe('a lone date', () => {
  test('is the number of a day by each way of counting, the usual one first', () => {
    // 43623 days from 1899-12-30 are 18054 from 1970-01-01 and 42161 from 1904-01-01.
    const seen = dayAfter(SINCE_1900, '43623')
    expect(dayAfter(SINCE_1970, '18054')).toBe(seen)
    expect(dayAfter(SINCE_1904, '42161')).toBe(seen)
    expect(listed(seen)).toEqual(['43623', '18054', '42161'])
    expect(judge(staff, seen)).toMatchObject({ verdict: 'ambiguous', findings: ['date-made'] })
  })

  test.each([
    ['11/24/1955', '20417'],
    ['24/11/1955', '20417'],
    ['24.11.1955', '20417'],
    ['1955-11-24 00:00:00', '20417'],
    ['24-Nov-55', '20417'],
    ['Nov-55', '20417'],
  ])('%s, in whatever style it is printed', (seen, original) => {
    expect(dayAfter(SINCE_1900, original)).toBe('1955-11-24')
    expect(listed(seen)).toContain(original)
  })

  test('of the first year counts by one way only', () => {
    expect(dayAfter(SINCE_1900, '417')).toBe('1901-02-20')
    expect(judge(staff, '1901-02-20')).toMatchObject({ verdict: 'mendable', mend: '00417' })
  })

  test('is no card number: it was written where it does not belong', () => {
    expect(judge(of('{16}'), '2019-06-07').verdict).toBe('misfit')
  })

  test('may be the digits of a date, in a code of eight or six', () => {
    expect(listed('2019-06-07', of('{8}'))[0]).toBe('20190607')
    expect(listed('07.06.2019', of('{6}'))).toContain('190607')
  })
})

describe('rows of them', () => {
  const shown = (text: string) => dayAfter(SINCE_1900, text)

  test('tell how days are counted where some lie before 1904, and each is mended', () => {
    const rows = convertedRun(staff, () => (next(20) ? digits(5) : `01${digits(3)}`), shown)
    expect(rows.filter(({ original, told }) => told.mend !== original)).toEqual([])
  })

  test('that might all be days of people’s lives are left open, the original among the candidates', () => {
    const adults = () => `${25_600 + Number.parseInt(digits(4), 10)}`
    for (const { original, told } of convertedRun(staff, adults, shown)) {
      expect(told.verdict).toBe('ambiguous')
      expect(told.candidates.map(({ text }) => text)).toContain(original)
    }
  })
})
