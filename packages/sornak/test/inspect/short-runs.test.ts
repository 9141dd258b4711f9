// Runs of no more than twenty rows: what they say by themselves, in a column whose other rows are clean.

import { describe, expect, test } from 'vitest'
import { bare, convertedRun, digits, isListed, next, of, padded } from './converted-column.js'

const ROWS = 20
const wrapped = (text: string) => BigInt.asIntN(32, BigInt(text)).toString()
const phone = () => `${2 + next(8)}${digits(9)}`

describe('zeros come back', () => {
  test('of numbers issued so far', () => {
    const rows = convertedRun(of('{5}'), () => padded(next(2300), 5), bare, ROWS)
    for (const row of rows) if (row.seen !== row.original) expect(row.told.mend).toBe(row.original)
  })

  test('where a row was repaired since', () => {
    const draw = () => padded(next(2300), 5)
    const rows = convertedRun(of('{5}'), draw, bare, ROWS, (row) => row === 7)
    for (const row of rows) if (row.seen !== row.original) expect(row.told.mend).toBe(row.original)
  })

  test('where separators were put in, and a row was repaired since', () => {
    const draw = () => padded(1000 + next(1300), 5)
    const grouped = (text: string) => bare(text).replace(/\B(?=(?:\d{3})+$)/g, ',')
    const rows = convertedRun(of('{5}'), draw, grouped, ROWS, (row) => row === 7)
    for (const row of rows) if (row.seen !== row.original) expect(row.told.mend).toBe(row.original)
  })
})

describe('values that fit are doubted', () => {
  test('between numbers below zero, where a type of 32 bits was too small', () => {
    const fitting = Array.from({ length: 5 }, () => {
      const rows = convertedRun(of('{10}'), phone, wrapped, ROWS)
      const below = rows.flatMap(({ seen }, i) => (seen.startsWith('-') ? [i] : []))
      return rows
        .slice(below[0], below.at(-1))
        .filter(({ seen, original }) => /^\d{10}$/.test(seen) && seen !== original)
    }).flat()
    expect(fitting.length).toBeGreaterThan(10)
    for (const row of fitting)
      expect([row.seen, row.told.verdict, isListed(row)]).toEqual([row.seen, 'suspect', true])
  })
})
