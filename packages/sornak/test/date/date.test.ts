import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compareDates, lastDay, mask, tryMask } from 'sornak'
import { LOCALES } from '../quantity/locales.js'

const read = (text: string, value: string): string => {
  const result = mask(text).read(value)
  return result.ok ? result.plain : result.misfit.code
}
const day = fc
  .integer({ min: Date.UTC(1900, 0, 1) / 86_400_000, max: Date.UTC(2399, 11, 31) / 86_400_000 })
  .map((days) => new Date(days * 86_400_000))
const iso = (date: Date) => date.toISOString().slice(0, 10)

test.each([
  ['{date yyyy-MM-dd}', '2026-11-25', '2026-11-25'],
  ['{date dd.MM.yyyy}', '2026-11-25', '25.11.2026'],
  ['{date d MMM yyyy}', '2026-03-05', '5 Mar 2026'],
  ['{date EEE d MMMM}', '2026-11-25', 'year-missing'],
  ['{date MM/yy}', '2027-01', '01/27'],
  ['{date yyyyMMdd}', '2026-11-25', '20261125'],
])('%s shows %s as %s', (text, value, want) => {
  const made = tryMask(text)
  const result = made.ok ? made.mask.show(value) : undefined
  expect(result ? result.ok && result.text : 'year-missing').toBe(want)
})

test.each([
  ['{date MM/yy}', '01/27', '2027-01'],
  ['{date MM/yy}', '13/27', 'no-such-day'],
  ['{date yyyy-MM-dd}', '2023-02-29', 'no-such-day'],
  ['{date yyyy-MM-dd}', '2024-02-29', '2024-02-29'],
  ['{date yyyy-MM-dd}', '2024-2-9', 'wrong-character'],
  ['{date yyyy-MM-dd}', '2024-02-09x', 'too-long'],
  ['{date dd/MM/yy pivot 1950}', '01/02/49', 'not-date'],
])('%s reads %s as %s', (text, value, want) => {
  const made = tryMask(text)
  if (!made.ok) {
    // A setting inside the pattern is pattern text; it belongs behind a comma.
    expect(read('{date dd/MM/yy, pivot 1950}', value)).toBe('2049-02-01')
    expect(read('{date dd/MM/yy, pivot 1950}', '01/02/50')).toBe('1950-02-01')
    return
  }
  expect(read(text, value)).toBe(want)
})

test('every day is shown and read as the calendar of the platform has it', () => {
  const masks = ['yyyy-MM-dd', 'dd.MM.yyyy', 'd/M/yyyy', 'yyyyMMdd'].map((one) =>
    mask(`{date ${one}}`),
  )
  fc.assert(
    fc.property(day, fc.constantFrom(...masks), (date, one) => {
      const result = one.show(iso(date))
      if (!result.ok) throw new Error(result.misfit.message)
      const [y, m, d] = [date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate()]
      const two = (n: number) => `${n}`.padStart(2, '0')
      const want = {
        'yyyy-MM-dd': iso(date),
        'dd.MM.yyyy': `${two(d)}.${two(m)}.${y}`,
        'd/M/yyyy': `${d}/${m}/${y}`,
        yyyyMMdd: `${y}${two(m)}${two(d)}`,
      }
      expect(result.text).toBe(want[one.text.slice(6, -1) as keyof typeof want])
      expect(one.read(result.text)).toMatchObject({ ok: true, plain: iso(date), strict: true })
    }),
    { numRuns: 2000 },
  )
})

test('a day that does not exist is never read', () => {
  const one = mask('{date yyyy-MM-dd}')
  const field = (min: number, max: number, width: number) =>
    fc.integer({ min, max }).map((n) => `${n}`.padStart(width, '0'))
  fc.assert(
    fc.property(field(1900, 2100, 4), field(0, 14, 2), field(0, 33, 2), (y, m, d) => {
      const text = `${y}-${m}-${d}`
      const date = new Date(`${text}T00:00:00Z`)
      // The platform rolls 31 April over to May; a date that exists stays what it was.
      const exists = !Number.isNaN(date.getTime()) && iso(date) === text
      expect(one.read(text).ok).toBe(exists)
    }),
    { numRuns: 2000 },
  )
})

describe('names of months and days', () => {
  test.each(LOCALES)('%s: shown names read back to the same day', (locale) => {
    const made = tryMask(`{date d MMMM yyyy, locale ${locale}}`)
    if (!made.ok) throw new Error(made.problem.message)
    for (let month = 1; month <= 12; month++) {
      const text = `2026-${`${month}`.padStart(2, '0')}-17`
      const result = made.mask.show(text)
      if (!result.ok) throw new Error(result.misfit.message)
      expect(made.mask.read(result.text)).toMatchObject({ ok: true, plain: text })
    }
  })
  test('a weekday that does not belong to the day is refused', () => {
    expect(read('{date EEE d MMM yyyy}', 'Wed 25 Nov 2026')).toBe('2026-11-25')
    expect(read('{date EEE d MMM yyyy}', 'Mon 25 Nov 2026')).toBe('wrong-weekday')
  })
})

test('dates are compared as dates, and an expiry runs to the end of its month', () => {
  expect(lastDay('2028-02')).toBe('2028-02-29')
  expect(compareDates('2026-02', '2026-02-28')).toBe(0)
  expect(compareDates('2025-12', '2026-01-01')).toBeLessThan(0)
  expect(() => lastDay('2026-02-30')).toThrow(RangeError)
  fc.assert(
    fc.property(day, day, (a, b) => {
      expect(Math.sign(compareDates(iso(a), iso(b)))).toBe(Math.sign(a.getTime() - b.getTime()))
    }),
  )
})

test('minutes where months belong are refused, and the month is offered', () => {
  const made = tryMask('{date mm/yy}')
  if (made.ok) throw new Error('taken')
  expect(made.problem.example).toContain('MM/yy')
})
