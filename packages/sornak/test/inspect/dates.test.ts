// Dates and expiries that programs wrote in their own way: one original where day and month cannot be taken for each
// other, both where they can.

import { describe, expect, test } from 'vitest'
import { fromCatalog, judge } from 'sornak'
import { definition } from '../identifier/definition-for.js'

const born = definition({ stored: '{date yyyy-MM-dd}', display: '{date dd/MM/yyyy}' })
const expiry = fromCatalog('card/expiry')!

describe('one original', () => {
  test.each([
    ['25/11/2026', '2026-11-25', 'display-stored'],
    ['2026-11-25 00:00:00', '2026-11-25', 'date-made'],
    ['25-Nov-26', '2026-11-25', 'date-made'],
    ['11/25/2026', '2026-11-25', 'date-made'],
    ['25.11.2026', '2026-11-25', 'date-made'],
  ])('%s was %s', (seen, mend, finding) => {
    expect(judge(born, seen)).toMatchObject({ verdict: 'mendable', mend, findings: [finding] })
  })
  test.each([
    ['May-27', 'date-made'],
    ['27-May', 'date-made'],
    ['2026-05-27', 'date-made'],
    ['May 2027', 'date-made'],
    ['05-27', 'display-stored'],
  ])('an expiry: %s was 05/27', (seen, finding) => {
    expect(judge(expiry, seen)).toMatchObject({
      verdict: 'mendable',
      mend: '05/27',
      findings: [finding],
    })
  })
})

describe('several', () => {
  test.each([
    ['05/06/2026', ['2026-05-06', '2026-06-05']],
    ['5/6/2026', ['2026-05-06', '2026-06-05']],
    // Days are counted from 1900 by some programs, from 1904 by others.
    ['46351', ['2026-11-25', '2030-11-26']],
  ])('%s', (seen, originals) => {
    const { verdict, candidates } = judge(born, seen)
    expect(verdict).toBe('ambiguous')
    expect(candidates.map(({ text }) => text).sort()).toEqual(originals)
  })
  test('the first of a month may be a day or a year', () => {
    const { verdict, candidates } = judge(expiry, '2027-05-01')
    expect(verdict).toBe('ambiguous')
    expect(candidates.map(({ text }) => text)).toContain('05/27')
  })
})

describe('a sort code, shown with hyphens and stored without', () => {
  const sortCode = fromCatalog('bank/sort-code-gb')!

  // 18,746 days after 1899-12-30 is 1951-04-28, which 28-04-51 may be taken for.
  test('five digits lost a zero, as a rule, and are no number of a day', () => {
    expect(judge(sortCode, '18746')).toMatchObject({
      verdict: 'mendable',
      mend: '018746',
      proof: 'odds',
      findings: ['zeros-lost'],
    })
  })
  test('where it stands as a date, it was taken for one', () => {
    const { verdict, candidates } = judge(sortCode, '28-Apr-51')
    expect(verdict).toBe('ambiguous')
    expect(candidates.map(({ text }) => text)).toContain('280451')
  })
  test('a code that is stored with its hyphens may be either', () => {
    const { verdict, candidates } = judge(definition({ stored: '{2}-{2}-{2}' }), '18746')
    expect(verdict).toBe('ambiguous')
    expect(candidates.map(({ text }) => text)).toContain('28-04-51')
  })
})

test.each(['31/02/2026', '2026-13-01', '99999999', 'yesterday'])('%s is no date at all', (seen) => {
  expect(judge(born, seen).mend).toBeUndefined()
  expect(judge(born, seen).verdict).toBe('misfit')
})
