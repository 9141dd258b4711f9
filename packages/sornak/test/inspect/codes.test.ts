// Codes with separators or names of months that were taken for dates, times and sums: what programs printed for them, as
// they printed it (test/fixtures/make-code-conversions.py), and what else they may have been.

import { describe, expect, test } from 'vitest'
import { identifier, judge } from 'sornak'

const KINDS = {
  team: identifier({ stored: '{3 upper}{2}' }, 'team'),
  hyphen: identifier({ stored: '{3 upper}-{2}' }, 'hyphen'),
  pair: identifier({ stored: '{2}-{2}' }, 'pair'),
  short: identifier({ stored: '{1}-{1..2}' }, 'short'),
  year: identifier({ stored: '{4}-{2}' }, 'year'),
  ratio: identifier({ stored: '{1}/{2}' }, 'ratio'),
  hour: identifier({ stored: '{2}:{2}' }, 'hour'),
  lap: identifier({ stored: '{2}:{2}:{2}' }, 'lap'),
  expiry: identifier({ stored: '{date MM/yy}' }, 'expiry'),
} as const

const texts = (kind: keyof typeof KINDS, seen: string) =>
  judge(KINDS[kind], seen, 1000).candidates.map(({ text }) => text)

describe('a date, however it was printed, is the code of that day', () => {
  test.each([
    'Sat Mar 07 2026 00:00:00 GMT+0000 (Coordinated Universal Time)',
    'Sat Mar 07 2026',
    'Sat, 07 Mar 2026 00:00:00 GMT',
    'Sat, 07 Mar 2026 00:00:00 +0000',
    'Sat Mar  7 00:00:00 UTC 2026',
    'Sat Mar  7 00:00:00 2026',
    'Sat Mar 07 00:00:00 GMT 2026',
    'Saturday, March 7, 2026',
    'March 7, 2026',
    'Mar 7, 2026',
    '07 Mar 2026',
    '7 March 2026',
    '07-MAR-26',
    '2026-03-07T00:00:00.000Z',
    '2026-03-07 00:00:00+00:00',
    '2026/03/07',
    '20260307',
    '1772841600',
    '1772841600000',
    '7. März 2026',
    '7 mars 2026',
    '7 de marzo de 2026',
  ])('%s', (seen) => {
    expect(judge(KINDS.team, seen)).toMatchObject({
      verdict: 'mendable',
      findings: ['date-made'],
      mend: 'MAR07',
      proof: 'odds',
    })
  })

  test('or of what the month is called there', () => {
    expect(texts('team', '7 mrt 2026').sort()).toEqual(['MAR07', 'MRT07'])
  })

  test('in figures it is a day and a month in either order', () => {
    for (const seen of ['3/4/2026', '4.3.2026', '3/4/2026 0:00', '3/4/2026, 12:00:00 AM'])
      expect(texts('pair', seen).sort()).toEqual(['03-04', '04-03'])
  })
})

describe('what a date does not say is left open', () => {
  test('the first of a month may be that of a year, which is not shown', () => {
    expect(judge(KINDS.hyphen, '1 sept').verdict).toBe('ambiguous')
    expect(texts('hyphen', '1 sept')).toEqual(expect.arrayContaining(['SEP-01', 'SEP-69']))
  })
  test('a month and a year may be those of a day that is not shown', () => {
    expect(texts('short', 'Aug-26')).toEqual(expect.arrayContaining(['8-26', '8-3', '8-23']))
    // No code is read in a year to come, and an expiry is a month and a year.
    expect(judge(KINDS.team, 'Mar-85').mend).toBe('MAR85')
    expect(judge(KINDS.expiry, 'May-27').mend).toBe('05/27')
  })
  test('a year in which no code was read is a part of it', () => {
    expect(texts('hyphen', '2059-10-02')).toEqual(expect.arrayContaining(['OCT-59', 'OCT-02']))
    expect(judge(KINDS.hyphen, '2026-10-02').mend).toBe('OCT-02')
  })
  test('some readers take any word for none, and the number for a year or a month', () => {
    expect(judge(KINDS.hyphen, '1983-01-01T00:00:00.000Z').verdict).toBe('lost')
    expect(judge(KINDS.hyphen, '2001-11-01T00:00:00.000Z').verdict).toBe('lost')
    expect(judge(KINDS.hyphen, '1983-11-01T00:00:00.000Z').mend).toBe('NOV-83')
  })
  test('a day that a month does not have is counted on into the next', () => {
    expect(texts('team', '2001-12-01T00:00:00.000Z')).toEqual(
      expect.arrayContaining(['DEC01', 'NOV31']),
    )
  })
  test('two numbers of a code are hardly a day and a month in another order', () => {
    expect(judge(KINDS.pair, '12/05')).toMatchObject({ mend: '12-05', proof: 'odds' })
    expect(judge(KINDS.pair, '12/45')).toMatchObject({ mend: '12-45', proof: 'exact' })
  })
})

test('the number of a day is its code, where others would fit that lost a digit', () => {
  const days = ['37012', '34486', '33848', '35004', '36892', '38108', '39264', '34213']
  for (const day of days) expect(judge(KINDS.year, day).findings).toEqual(['date-made'])
  expect(judge(KINDS.year, '37012').mend).toBe('2001-05')
})

describe('a time of day', () => {
  test.each([
    ['hour', '12:30:00', '12:30'],
    ['hour', '2:30 PM', '14:30'],
    ['hour', '2:30:00 PM', '14:30'],
    ['hour', '12:05 AM', '00:05'],
    ['hour', '0.61875', '14:51'],
    ['hour', '0.675', '16:12'],
    ['hour', '0.520833333', '12:30'],
    ['hour', '0.5208333333333334', '12:30'],
    ['hour', '2026-12-02 14:51:00', '14:51'],
    ['hour', 'Wed Dec  2 14:51:00 UTC 2026', '14:51'],
    ['lap', '7:16:01 PM', '19:16:01'],
  ] as const)('%s %s was %s', (kind, seen, original) => {
    expect(judge(KINDS[kind], seen)).toMatchObject({
      verdict: 'mendable',
      findings: ['date-made'],
      mend: original,
    })
  })
  test('seconds that are not shown may be any', () => {
    const found = texts('lap', '7:16 PM')
    expect(found).toHaveLength(60)
    expect(found).toContain('19:16:01')
  })
  test('digits may be those of a code without its colon, or in base sixty', () => {
    expect(texts('hour', '1230').sort()).toEqual(['12:30', '20:30'])
    expect(texts('hour', '45')).toEqual(expect.arrayContaining(['00:45', '45:00']))
    expect(texts('lap', '52116').sort()).toEqual(['05:21:16', '14:28:36'])
  })
})

describe('a quotient', () => {
  // Which fractions are printed so is worked out by going through all of them.
  const all = Array.from({ length: 10 }, (_, a) =>
    Array.from({ length: 99 }, (_, i) => [a, i + 1] as const),
  ).flat()
  const code = ([a, b]: readonly [number, number]) => `${a}/${`${b}`.padStart(2, '0')}`
  test.each([
    ['0.2308', 4],
    ['0.23', 2],
    ['0.23077', 5],
    ['.230769', 6],
  ])('%s is any that comes to it with so many decimals', (seen, decimals) => {
    const printed = all.filter(([a, b]) => (a / b).toFixed(decimals) === seen.replace(/^\./, '0.'))
    expect(texts('ratio', seen)).toEqual(expect.arrayContaining(printed.map(code)))
  })
  test('a whole number may be what whole numbers leave', () => {
    const whole = all.filter(([a, b]) => Math.floor(a / b) === 3).map(code)
    expect(texts('ratio', '3')).toEqual(expect.arrayContaining(whole))
  })
  test('0.059 is no fifty-nine', () => {
    const slash = identifier({ stored: '{2}/{2}' }, 'slash')
    expect(judge(slash, '0.059', 1000).verdict).toBe('ambiguous')
    expect(judge(slash, '0.059', 1000).candidates.map(({ text }) => text)).toContain('01/17')
  })
})

test('a difference is that of runs of any width that there is', () => {
  expect(texts('short', '5')).toEqual(expect.arrayContaining(['9-4', '9-04', '5-0']))
  expect(texts('short', '-15')).toEqual(expect.arrayContaining(['3-18', '9-24']))
})

describe('what was printed as a number once more', () => {
  test.each(['46088.0', '46,088', '4.6088E+04', '46088.00'])('%s is the day 46088', (seen) => {
    expect(texts('team', seen)).toEqual(['MAR07', 'MAR08'])
  })
  test.each(['750.0', '7.5E+02', '750,00'])('%s is 750, in base sixty', (seen) => {
    expect(texts('hour', seen).slice(0, 2)).toEqual(['12:30', '07:50'])
  })
  test('the seconds of a day', () => {
    expect(judge(KINDS.team, '1772841600.0').mend).toBe('MAR07')
    expect(judge(KINDS.hour, '45000.520833333').mend).toBe('12:30')
  })
})
