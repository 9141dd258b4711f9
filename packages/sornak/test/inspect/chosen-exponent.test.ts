// Numbers that a program printed with an exponent where that is shorter: 100000 is 1e+05, and 100001 stands in full.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { bare, evidenceOf, next, of, padded } from './converted-column.js'

const withExponent = (text: string): string => {
  const [, digits = '', zeros = ''] = /^(\d+?)(0*)$/.exec(text) ?? []
  const coefficient = digits.length > 1 ? `${digits[0]}.${digits.slice(1)}` : digits
  return `${coefficient}e+${padded(digits.length + zeros.length - 1, 2)}`
}
/** Whichever is shorter; in full where both are as long. */
const shorter = (text: string): string => {
  const [whole, other] = [bare(text), withExponent(bare(text))]
  return other.length < whole.length ? other : whole
}

function judged(stored: string, rows: readonly (readonly [original: string, seen: string])[]) {
  const made = of(stored)
  const seen = rows.map(([, text]) => text)
  const runs = columnRuns(made, evidenceOf(made, seen))
  return rows.map(([original, text], i) => ({
    original,
    seen: text,
    run: runs.around(i),
    told: judge(made, text, 1000, runs.around(i)),
  }))
}

const has = ({ seen }: { readonly seen: string }) => seen.includes('e')
const issued = (from: number, count: number, width: number) =>
  Array.from({ length: count }, (_, i) => padded(from + i, width))

describe('of numbers that were issued one after the other', () => {
  test.each([
    [6, 99_001],
    [8, 99_001],
    [7, 199_001],
  ])('of %i digits those with an exponent are whole', (width, from) => {
    const numbers = [...issued(1, 200, width), ...issued(from, 1500, width)]
    const rows = judged(
      `{${width}}`,
      numbers.map((text) => [text, shorter(text)]),
    )
    const shown = rows.filter(has)
    expect(shown).toHaveLength(1)
    for (const { original, told } of shown) {
      expect(told).toMatchObject({ verdict: 'mendable', mend: original, proof: 'odds' })
    }
  })

  test('one of them changes nothing for the others', () => {
    const numbers = issued(1, 101_000, 6).filter((_, i) => i % 70 === 0 || i === 99_999)
    const told = (as: (text: string) => string) =>
      judged(
        '{6}',
        numbers.map((text) => [text, as(text)]),
      )
    const [rows, plain] = [told(shorter), told(bare)]
    expect(rows.filter(has)).toHaveLength(1)
    expect(rows[0]!.run?.conversion).toBe('number-read')
    const open = rows.filter((row, i) => !has(row) && row.told.mend !== plain[i]!.told.mend)
    expect(open).toEqual([])
  })
})

describe('digits were lost before an exponent', () => {
  const oneDigit = (text: string) => `${text[0]}e+05`
  const numbers = () => Array.from({ length: 3000 }, () => padded(next(1_000_000), 6))

  test('where more numbers have one than end in so many zeros', () => {
    const rows = judged(
      '{6}',
      numbers().map((text, i) => [text, i % 100 || text[0] === '0' ? bare(text) : oneDigit(text)]),
    )
    const shown = rows.filter(has)
    expect(shown.length).toBeGreaterThan(15)
    for (const { told } of shown) expect(told.mend).toBeUndefined()
  })

  test('maybe, where others have kept their zeros, or are few', () => {
    const among = (rest: readonly (readonly [string, string])[]) =>
      judged('{6}', [...rest, ['123456', '1e+05']]).at(-1)!.told.verdict
    const all = numbers()
    expect(among(all.map((text) => [text, text]))).toBe('lost')
    expect(among(all.map((text, i) => [text, i % 2 ? bare(text) : text]))).toBe('lost')
    expect(among(all.slice(0, 200).map((text) => [text, bare(text)]))).toBe('lost')
  })
})
