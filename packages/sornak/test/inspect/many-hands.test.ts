// Columns that went through many hands: rows that several programs printed, here and there or one after the other.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { why } from '../../src/inspect/messages.js'
import { bare, digits, evidenceOf, isListed, next, of, padded } from './converted-column.js'

type Convert = (text: string) => string

/** Reads octal digits where a zero stands in front, and leaves what holds an 8 or 9. */
const octal: Convert = (text) => (/^0[0-7]+$/.test(text) ? BigInt(`0o${text}`).toString() : text)
const grouped: Convert = (text) => bare(text).replace(/\B(?=(?:\d{3})+$)/g, ',')
const wrapped: Convert = (text) => BigInt.asIntN(16, BigInt(text)).toString()
const each: readonly Convert[] = [
  bare,
  grouped,
  (text) => `${bare(text)}.00`,
  (text) => `${bare(text)}%`,
  wrapped,
  octal,
]

function judged(draw: () => string, how: (row: number) => Convert | undefined, width: string) {
  const made = of(width)
  const rows = Array.from({ length: 1200 }, (_, row) => {
    const original = draw()
    const convert = how(row)
    return { original, seen: convert?.(original) ?? original, convert }
  })
  const runs = columnRuns(
    made,
    evidenceOf(
      made,
      rows.map(({ seen }) => seen),
    ),
  )
  return rows.map((row, i) => ({ ...row, told: judge(made, row.seen, 1000, runs.around(i)) }))
}

const short = (rows: ReturnType<typeof judged>) =>
  rows.filter(({ seen }) => /^\d+$/.test(seen) && seen.length < 5)

describe('numbers issued so far, that any of six programs printed', () => {
  const issued = () => padded(1 + next(2300), 5)

  test.each([
    ['here and there', () => next(4) === 0],
    ['throughout', () => true],
  ])('%s: what an octal reader would leave is mended nowhere', (_, isStruck) => {
    const rows = judged(issued, () => (isStruck() ? each[next(each.length)] : undefined), '{5}')
    const open = short(rows)
    expect(open.length).toBeGreaterThan(60)
    for (const { original, seen, told } of rows)
      expect([seen, told.mend ?? original]).toEqual([seen, original])
    const listed = open.filter(({ told }) => told.verdict === 'ambiguous')
    expect(listed.length * 3).toBeGreaterThan(open.length * 2)
    for (const row of listed) {
      expect(isListed(row)).toBe(true)
      expect(why(of('{5}'), row.told, row.seen)).toContain('Several programs printed numbers')
    }
  })

  test('part by part: none is wrong, and those of an octal reader are listed', () => {
    const rows = judged(
      issued,
      (row) => (row % 80 < 40 ? each[Math.floor(row / 80) % each.length] : undefined),
      '{5}',
    )
    for (const { original, seen, told } of rows)
      expect([seen, told.mend ?? original]).toEqual([seen, original])
    const read = rows.filter(
      ({ convert, seen, original }) => convert === octal && seen !== original,
    )
    expect(read.length).toBeGreaterThan(40)
    for (const row of read) expect(isListed(row)).toBe(true)
  })

  test('one program alone: zeros are put back', () => {
    const rows = short(judged(issued, () => (next(4) === 0 ? bare : undefined), '{5}'))
    expect(rows.length).toBeGreaterThan(200)
    for (const { original, told } of rows) expect(told.mend).toBe(original)
  })
})

test('among numbers that others printed, six digits and an exponent are no whole number', () => {
  const printed: Convert = (text) => {
    const value = bare(text)
    const unit = 10n ** BigInt(value.length - 6)
    const shown = ((BigInt(value) + unit / 2n) / unit).toString()
    return `${shown[0]}.${shown.slice(1, 6)}e+${value.length - 1}`
  }
  const all = [bare, grouped, wrapped, printed, (text: string) => `${bare(text)}%`]
  const serial = () => `${1 + next(9)}${digits(17)}`
  const rows = judged(serial, () => (next(3) === 0 ? all[next(all.length)] : undefined), '{18}')
  const shortened = rows.filter(({ convert }) => convert === printed)
  expect(shortened.length).toBeGreaterThan(40)
  for (const { told } of shortened) {
    expect(told.verdict).toBe('lost')
    // One unit of the last digit that is shown stands for as many originals.
    expect(told.possible).toBeGreaterThanOrEqual(10n ** 12n)
  }
})
