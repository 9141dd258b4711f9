// Columns in which values were damaged in several ways at once: what the rows say together must not make a value
// worse than it is alone, nor touch values that nothing happened to.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Definition } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import { bare, digits, evidenceOf, next, of, withCheckDigit } from './converted-column.js'

const KINDS: Record<string, readonly [Definition, () => string]> = {
  'five digits': [of('{5}'), () => digits(5)],
  'numbers issued so far': [of('{6}'), () => `${1 + next(4200)}`.padStart(6, '0')],
  'one block of mobiles': [of('0{10}'), () => `07700900${digits(3)}`],
  'ten digits': [of('{10}'), () => digits(10)],
  'card numbers': [
    definition({ stored: '{16}', check: 'luhn' }),
    () => withCheckDigit(`4${digits(14)}`),
  ],
  'sixteen digits': [of('{16}'), () => digits(16)],
  'eighteen digits': [of('{18}'), () => digits(18)],
  'four to six digits': [of('{4..6}'), () => digits(4 + next(3))],
  codes: [of('{1}{1 of "A..F"}{1}'), () => `${digits(1)}${'ABCDF'[next(5)]!}${digits(1)}`],
}

/** Ways that leave all digits where they are; the last one does not. */
const WAYS: readonly ((text: string) => string)[] = [
  (text) => `${bare(text)}.0`,
  (text) => `'${text}`,
  (text) => `${text}\u00a0`,
  bare,
  (text) => bare(text).replace(/\B(?=(?:\d{3})+$)/g, ','),
  (text) => text.slice(0, -1),
]

const cases = Object.keys(KINDS).flatMap((kind) =>
  [4, 30, 300].map((every) => [kind, every] as const),
)

describe.each(cases)('%s, one value in %i', (kind, every) => {
  const [made, draw] = KINDS[kind]!
  const rows = Array.from({ length: 1200 }, () => {
    const original = draw()
    const way = next(every) === 0 ? next(WAYS.length) : -1
    const seen = WAYS[way]?.(original) ?? original
    return { original, seen, cut: way === WAYS.length - 1 }
  })
  const seen = rows.map((row) => row.seen)
  const runs = columnRuns(made, evidenceOf(made, seen))
  const judged = rows.map((row, i) => ({
    ...row,
    alone: judge(made, row.seen),
    here: judge(made, row.seen, 10, runs.around(i)),
  }))

  test('values that nothing happened to are intact', () => {
    const accused = judged.filter(
      ({ original, seen, here }) => seen === original && here.verdict !== 'intact',
    )
    expect(accused.map(({ seen, here }) => [seen, here.verdict])).toEqual([])
  })

  test('what is explained alone is explained among the others', () => {
    const worse = judged.filter(
      ({ alone, here }) => alone.verdict !== 'misfit' && here.verdict === 'misfit',
    )
    expect(worse.map(({ seen }) => seen)).toEqual([])
    for (const { here } of judged)
      for (const { odds } of here.candidates) {
        expect(odds).toBeGreaterThan(0)
        expect(odds).toBeLessThanOrEqual(1 + 1e-9)
      }
  })

  test('a value with all its digits comes back as it was, or stays open', () => {
    const wrong = judged.filter(
      ({ original, cut, here }) => !cut && here.mend !== undefined && here.mend !== original,
    )
    expect(wrong.map(({ original, seen, here }) => [original, seen, here.mend])).toEqual([])
  })
})

test('a code that came to zero stays open among others that were worked out', () => {
  const made = of('{1}{1 of "A..F"}{1}')
  // 3E2 is read as a power of ten, and 0E7 is zero.
  const rows = Array.from({ length: 6000 }, () => {
    const original = `${digits(1)}${'ABCDEF'[next(6)]!}${digits(1)}`
    const [digit = '', , power = ''] = original
    const read = digit === '0' ? '0' : `${digit}${'0'.repeat(Number.parseInt(power, 10))}`
    return { original, seen: original[1] === 'E' && next(5) === 0 ? read : original }
  })
  const seen = rows.map((row) => row.seen)
  const runs = columnRuns(made, evidenceOf(made, seen))
  const zeros = rows.flatMap(({ original, seen }, i) => (seen === '0' ? [{ original, i }] : []))
  expect(zeros.length).toBeGreaterThan(2)
  for (const { original, i } of zeros) {
    const { verdict, candidates } = judge(made, '0', 1000, runs.around(i))
    expect(verdict).toBe('ambiguous')
    expect(candidates.map(({ text }) => text)).toContain(original)
  }
})

test('a rounded number stays open that stands bare among those that another program printed with a tail', () => {
  const made = of('0{10}')
  // IEEE 754 binary32: of numbers of ten digits that begin with 7 each 512th.
  const rounded = (text: string) => `${((BigInt(text) + 256n) / 512n) * 512n}`
  const rows = Array.from({ length: 600 }, (_, row) => {
    const original = `07700900${digits(3)}`
    if (row === 149 || row === 200) return rounded(original)
    return row > 149 && row < 250 ? `${bare(original)}.00` : original
  })
  const runs = columnRuns(made, evidenceOf(made, rows))
  const told = rows.map((text, row) => judge(made, text, 1000, runs.around(row)))
  for (const row of [149, 200]) {
    expect([rows[row], told[row]!.mend]).toEqual([rows[row], undefined])
    expect(told[row]!.candidates.length).toBeGreaterThan(100)
  }
  for (const [row, text] of rows.entries())
    if (text.endsWith('.00')) expect(told[row]!.mend).toBe(`0${text.slice(0, 10)}`)
})
