// What tells of a conversion by what it would not have left.

import { expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { convertedRun, digits, evidenceOf, isListed, next, of, padded } from './converted-column.js'

test('a number that kept the plus which all start with was cut, and not read as a number', () => {
  const abroad = of('+{8..15}')
  expect(judge(abroad, '+4420857').findings).toEqual(['cut-short'])
  expect(judge(abroad, '+4420857').verdict).toBe('lost')
  // Without it the plus went, and maybe zeros with it.
  expect(judge(abroad, '442085743555').candidates.map(({ text }) => text)).toContain(
    '+442085743555',
  )
})

test('-1 stands for numbers that a type could not hold: others below zero are no numbers with a minus', () => {
  const made = of('{20}')
  // As a 32-bit integer of a 64-bit one that is held at its limit.
  const held = (text: string) => {
    const number = BigInt(text) > 2n ** 63n - 1n ? 2n ** 63n - 1n : BigInt(text)
    return `${BigInt.asIntN(32, number)}`
  }
  const rows = Array.from({ length: 480 }, (_, row) => {
    const original = digits(20)
    return { original, seen: row % 4 === 0 ? held(original) : original }
  })
  expect(rows.filter(({ seen }) => seen === '-1').length).toBeGreaterThan(80)
  const seen = rows.map((row) => row.seen)
  const runs = columnRuns(made, evidenceOf(made, seen))
  rows.forEach(({ original, seen }, row) => {
    const { mend } = judge(made, seen, 10, runs.around(row))
    expect([seen, mend ?? original]).toEqual([seen, original])
  })
})

test('a sequence of fifteen digits, printed again from binary numbers, lists its originals', () => {
  let row = 0
  const draw = () => `1000000000${padded(row++ * 1000 + next(1000), 8)}`
  // To the nearest thousand, and then to the nearest sixteen, halves to the even one.
  const to = (value: bigint, unit: bigint) => ((value + unit / 2n) / unit) * unit
  const convert = (text: string) => {
    const thousands = to(BigInt(text), 1000n)
    const below = (thousands / 16n) * 16n
    const odd = (below / 16n) % 2n
    return `${thousands - below === 8n ? below + odd * 16n : to(thousands, 16n)}`
  }
  const rows = convertedRun(of('{18}'), draw, convert, 60).filter(
    ({ original, seen }) => original !== seen,
  )
  expect(rows.filter(({ told }) => told.verdict === 'suspect').length).toBeGreaterThan(
    0.95 * rows.length,
  )
  for (const { told, ...row } of rows.filter(
    ({ told }) => told.candidates.length > 0 && told.verdict === 'suspect',
  ))
    expect([row.seen, isListed({ ...row, told })]).toEqual([row.seen, true])
})
