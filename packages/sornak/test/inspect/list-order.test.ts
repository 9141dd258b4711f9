// Lists that are sorted: what stands beside a short value tells how it starts.

import { describe, expect, test } from 'vitest'
import { columnRuns, fromCatalog, judge, type Judgement } from 'sornak'
import { bare, digits, evidenceOf, next, of, padded } from './converted-column.js'

function told(stored: string, rows: readonly string[]): Judgement[] {
  const made = of(stored)
  const runs = columnRuns(made, evidenceOf(made, rows))
  return rows.map((seen, i) => judge(made, seen, 1000, runs.around(i)))
}

const sorted = (count: number, width: number) =>
  Array.from({ length: count }, () => digits(width)).sort()

const withoutZerosBehind = (text: string) => text.replace(/0+$/, '')

describe.each([
  ['from below', sorted(1500, 5)],
  ['from above', sorted(1500, 5).reverse()],
])('a list that is sorted %s', (_, originals) => {
  test('lists each value that lost zeros behind, and doubts no other', () => {
    const cut = originals.map((text, i) =>
      (i > 350 && i < 500) || (i > 1150 && i < 1300) ? withoutZerosBehind(text) : text,
    )
    const verdicts = told('{5}', cut)
    const struck = originals.flatMap((original, i) => (cut[i] === original ? [] : [i]))
    expect(struck.length).toBeGreaterThan(15)
    originals.forEach((original, i) => {
      if (cut[i] === original) expect(verdicts[i]!.verdict).toBe('intact')
      else expect(verdicts[i]!.candidates.map(({ text }) => text)).toContain(original)
    })
  })

  test('lists each of twenty that were cut by two digits, where it lists any', () => {
    const short = originals.filter((_, i) => i % 10 === 0)
    const cut = short.map((text, i) => (i >= 90 && i < 110 ? text.slice(0, 3) : text))
    const verdicts = told('{5}', cut)
    for (const [i, { verdict, candidates }] of verdicts.entries()) {
      if (i < 90 || i >= 110) continue
      expect(['ambiguous', 'lost']).toContain(verdict)
      if (verdict === 'ambiguous') expect(candidates.map(({ text }) => text)).toContain(short[i])
    }
  })
})

test('what lost zeros at the front of such a list is mended', () => {
  const originals = sorted(1500, 5)
  const verdicts = told('{5}', originals.map(bare))
  originals.forEach((original, i) => {
    if (original.startsWith('0')) expect(verdicts[i]!.mend).toBe(original)
    else expect(verdicts[i]!.verdict).toBe('intact')
  })
})

test('numbers that wrapped round in a part of such a list are doubted all the same', () => {
  const originals = sorted(1500, 5)
  const wrapped = originals.map((text, i) =>
    i >= 700 && i < 900 ? `${BigInt.asUintN(16, BigInt(text) * 7919n)}` : text,
  )
  const verdicts = told('{5}', wrapped)
  // No other number of five digits comes to one that is larger.
  const several = (text: string) => text.length === 5 && BigInt(text) + 65_536n < 100_000n
  const fitting = verdicts.filter((_, i) => i >= 700 && i < 900 && several(wrapped[i]!))
  expect(fitting.length).toBeGreaterThan(50)
  const doubted = fitting.filter(({ verdict }) => verdict === 'suspect')
  expect(doubted.length).toBeGreaterThan(0.95 * fitting.length)
})

test('what took one zero from behind some numbers took two from others, maybe', () => {
  const made = fromCatalog('health-number/gb')!
  const originals = Array.from({ length: 600 }, () => healthNumber())
  const cut = originals.map((text, i) => (i % 3 === 0 ? withoutZerosBehind(text) : text))
  const runs = columnRuns(made, evidenceOf(made, cut))
  const struck = originals.flatMap((_, i) => (cut[i] === originals[i] ? [] : [i]))
  expect(struck.filter((i) => cut[i]!.length < 9).length).toBeGreaterThan(2)
  for (const i of struck) {
    const { mend, verdict, candidates } = judge(made, cut[i]!, 1000, runs.around(i))
    expect([undefined, originals[i]]).toContain(mend)
    if (verdict === 'ambiguous') expect(candidates.map(({ text }) => text)).toContain(originals[i])
  }
})

test('numbers in order that lost a zero are told as such, though those at the end are in no order', () => {
  const made = of('{6}')
  const inOrder = Array.from({ length: 3000 }, (_, i) => padded(98_000 + i, 6))
  const others = Array.from({ length: 300 }, (_, i) => padded(1 + ((i * 131) % 300), 6))
  const originals = [...inOrder, ...others]
  const runs = columnRuns(made, evidenceOf(made, originals.map(bare)))
  expect(runs.told.map(({ process }) => process)).not.toContain('cut-short by 1')
  originals.forEach((original, i) => {
    const { verdict, mend } = judge(made, bare(original), 10, runs.around(i))
    const expected = original.startsWith('0') ? ['mendable', original] : ['intact', undefined]
    expect([verdict, mend]).toEqual(expected)
  })
})

/** With its check digit: weights of 10 to 2, modulus 11; numbers that would need a tenth digit of 10 are not issued. */
function healthNumber(): string {
  for (;;) {
    const body = `${1 + next(9)}${digits(7)}${next(3) === 0 ? next(10) : 0}`
    const sum = [...body].reduce((all, digit, i) => all + (10 - i) * Number.parseInt(digit, 10), 0)
    const check = (11 - (sum % 11)) % 11
    if (check < 10) return `${body}${check}`
  }
}
