// Sequences that were rounded repeat themselves: where no other value of the column does, that speaks for itself.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { evidenceOf, next, of } from './converted-column.js'

const made = of('{18}')

function doubted(values: readonly string[]): number[] {
  const runs = columnRuns(made, evidenceOf(made, values))
  return values.flatMap((text, row) =>
    judge(made, text, 3, runs.around(row)).verdict === 'suspect' ? [row] : [],
  )
}

function serials(count: number): string[] {
  let last = 100_200_300_400_512_345n
  return Array.from({ length: count }, () => (last += BigInt(1 + next(9))).toString())
}

const cut = (text: string) => `${text.slice(0, 15)}000`
const rounded = (text: string) => `${((BigInt(text) + 500n) / 1000n) * 1000n}`

test('the channel is named, and the rows', () => {
  const seen = serials(400).map((text, row) => (row >= 100 && row < 160 ? cut(text) : text))
  const { told } = columnRuns(made, evidenceOf(made, seen))
  expect(told.map(({ channel, from, to }) => [channel, from.index, to.index])).toEqual([
    ['fifteen-digits', 100, 159],
  ])
})

describe.each([
  ['cut', cut],
  ['rounded', rounded],
])('serial numbers %s to fifteen digits', (_, convert) => {
  test.each([
    [20, 400],
    [60, 400],
    [200, 2000],
  ])('%i rows of %i: all of them are suspect, and no other', (struck, rows) => {
    const [from, to] = [150, 150 + struck]
    const seen = serials(rows).map((text, row) => (row >= from && row < to ? convert(text) : text))
    const found = doubted(seen)
    // The value next to them may look as if it had been rounded, too.
    expect(found.filter((row) => row < from - 1 || row > to)).toEqual([])
    expect(found.length / struck).toBeGreaterThanOrEqual(0.95)
  })
})

describe('nobody is accused', () => {
  test('where all values repeat', () => {
    const seen = serials(100).flatMap((text, i) =>
      Array.from({ length: 20 }, () => (i % 10 === 5 ? cut(text) : text)),
    )
    expect(doubted(seen)).toEqual([])
  })

  test('where one value stands for all that are not known', () => {
    const seen = serials(400)
    seen.fill('100000000000000000', 100, 160)
    expect(doubted(seen)).toEqual([])
  })

  test('where a sequence comes by a round number', () => {
    expect(doubted(serials(4000))).toEqual([])
  })
})
