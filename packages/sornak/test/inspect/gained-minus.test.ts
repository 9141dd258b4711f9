// Numbers with a minus in front: it was added, or they wrapped round in a signed type.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Judgement } from 'sornak'
import { digits, evidenceOf, next, of, padded } from './converted-column.js'

function told(stored: string, rows: readonly string[]): Judgement[] {
  const made = of(stored)
  const runs = columnRuns(made, evidenceOf(made, rows))
  return rows.map((seen, i) => judge(made, seen, 1000, runs.around(i)))
}

/** Numbers in ascending order, a few apart. */
function ascending(first: number, count: number): string[] {
  let last = first
  return Array.from({ length: count }, () => padded((last += 1 + next(30)), 5))
}

describe.each([
  ['which go on beyond a type of 16 bits', 15_600, 1500],
  ['which begin just before its limit', 32_600, 200],
  ['some of which start with a zero', 8_800, 2500],
])('a list in order, %s', (_, first, count) => {
  test('gained each minus', () => {
    const originals = ascending(first, count)
    const mends = told(
      '{5}',
      originals.map((text) => `-${text}`),
    ).map(({ mend }) => mend)
    expect(mends).toEqual(originals)
  })
})

test('where all lie within the type, nothing tells which of the two it was', () => {
  const originals = ascending(30_300, 100)
  const verdicts = told(
    '{5}',
    originals.map((text) => `-${text}`),
  )
  originals.forEach((original, i) => {
    expect(verdicts[i]!.verdict).toBe('ambiguous')
    expect(verdicts[i]!.candidates.map(({ text }) => text)).toContain(original)
  })
})

test('what wrapped round comes out on both sides of zero, and is turned back', () => {
  const originals = Array.from({ length: 200 }, () => `${3 + next(3)}${digits(4)}`)
  const wrapped = originals.map((text) => `${BigInt.asIntN(16, BigInt(text))}`)
  const verdicts = told('{5}', wrapped)
  const below = originals.flatMap((original, i) =>
    wrapped[i]!.startsWith('-') ? [{ original, ...verdicts[i]! }] : [],
  )
  expect(below.length).toBeGreaterThan(20)
  expect(below.length).toBeLessThan(originals.length)
  for (const { original, verdict, mend, candidates } of below)
    if (verdict === 'mendable') expect(mend).toBe(original)
    else expect(candidates.map(({ text }) => text)).toContain(original)
})

test.each(['{5}', '{10}', '{20}', '{1..6}'])('-1 is not mended: %s', (stored) => {
  const rows = Array.from({ length: 60 }, (_, i) => (i % 8 === 0 ? '-1849700002' : '-1'))
  const verdicts = told(stored, rows)
  rows.forEach((seen, i) => {
    if (seen === '-1') expect(verdicts[i]!.mend).toBeUndefined()
  })
})

test('a minus here and there among numbers that start alike was added, and none without one is doubted', () => {
  let last = 1_751_800_000n
  const originals = Array.from({ length: 300 }, () => `${(last += BigInt(1 + next(900)))}`)
  const rows = originals.map((text) => (next(3) === 0 ? `-${text}` : text))
  const verdicts = told('{10}', rows)
  rows.forEach((seen, i) => {
    if (seen.startsWith('-')) expect(verdicts[i]!.mend).toBe(originals[i])
    else expect(verdicts[i]!.verdict).toBe('intact')
  })
})

test('numbers far wider than the type gained none, though all of a sequence come out below zero', () => {
  const originals = Array.from({ length: 120 }, (_, i) => `${804200000000000000n + BigInt(i * 7)}`)
  const wrapped = originals.map((text) => `${BigInt.asIntN(16, BigInt(text))}`)
  const below = wrapped.filter((text) => text.startsWith('-'))
  expect(below).toHaveLength(120)
  for (const { verdict } of told('{18}', wrapped)) expect(verdict).toBe('lost')
})

// As COBOL shows a signed number of ten digits.
test('a number below zero that is filled up with zeros may have wrapped round', () => {
  const seen = `-${padded(89416062, 10)}`
  const texts = told('{10}', [seen])[0]!.candidates.map(({ text }) => text)
  expect(texts).toContain('0089416062')
  expect(texts).toContain(`${(1n << 32n) - 89416062n}`)
})

test('the first number of a list is one, and stands for no other, where it kept its zeros', () => {
  const texts = told('{5}', ['-00001'])[0]!.candidates.map(({ text }) => text)
  expect(texts.sort()).toEqual(['00001', '65535'])
})
