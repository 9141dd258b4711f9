// Runs of no more than twenty rows: what they say by themselves, in a column whose other rows are clean.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Definition, type Judgement } from 'sornak'
import { bare, digits, evidenceOf, next, of, padded } from './converted-column.js'

const FIRST = 240
const ROWS = 20

interface Row {
  readonly original: string
  readonly seen: string
  readonly judgement: Judgement
}

/** Twenty rows that were converted between clean ones; `kept` of them were not. */
function converted(
  definition: Definition,
  draw: () => string,
  convert: (text: string) => string,
  kept: (row: number) => boolean = () => false,
): Row[] {
  const rows = Array.from({ length: 2 * FIRST + ROWS }, (_, row) => {
    const original = draw()
    const inside = row >= FIRST && row < FIRST + ROWS && !kept(row - FIRST)
    return { original, seen: inside ? convert(original) : original }
  })
  const seen = rows.map((row) => row.seen)
  const runs = columnRuns(definition, evidenceOf(definition, seen))
  return rows
    .map((row, i) => ({ ...row, judgement: judge(definition, row.seen, 10, runs.around(i)) }))
    .slice(FIRST, FIRST + ROWS)
}

const wrapped = (text: string) => BigInt.asIntN(32, BigInt(text)).toString()
const phone = () => `${2 + next(8)}${digits(9)}`

describe('zeros come back', () => {
  test('of numbers issued so far', () => {
    const rows = converted(of('{5}'), () => padded(next(2300), 5), bare)
    for (const row of rows)
      if (row.seen !== row.original) expect(row.judgement.mend).toBe(row.original)
  })

  test('where a row was repaired since', () => {
    const draw = () => padded(next(2300), 5)
    const rows = converted(of('{5}'), draw, bare, (row) => row === 7)
    for (const row of rows)
      if (row.seen !== row.original) expect(row.judgement.mend).toBe(row.original)
  })

  test('where separators were put in, and a row was repaired since', () => {
    const draw = () => padded(1000 + next(1300), 5)
    const grouped = (text: string) => bare(text).replace(/\B(?=(?:\d{3})+$)/g, ',')
    const rows = converted(of('{5}'), draw, grouped, (row) => row === 7)
    for (const row of rows)
      if (row.seen !== row.original) expect(row.judgement.mend).toBe(row.original)
  })
})

describe('values that fit are doubted', () => {
  test('between numbers below zero, where a type of 32 bits was too small', () => {
    const fitting = Array.from({ length: 5 }, () => {
      const rows = converted(of('{10}'), phone, wrapped)
      const below = rows.flatMap(({ seen }, i) => (seen.startsWith('-') ? [i] : []))
      return rows
        .slice(below[0], below.at(-1))
        .filter(({ seen, original }) => /^\d{10}$/.test(seen) && seen !== original)
    }).flat()
    expect(fitting.length).toBeGreaterThan(10)
    for (const { original, judgement } of fitting) {
      expect(judgement.verdict).toBe('suspect')
      expect(judgement.candidates.map(({ text }) => text)).toContain(original)
    }
  })
})
