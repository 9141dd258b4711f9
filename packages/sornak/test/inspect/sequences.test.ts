// Sequences that were rounded repeat themselves: where no other value of the column does, that speaks for itself.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { evidenceOf, next, of, toBits, toDigits } from './converted-column.js'

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

/** Held in single precision, and printed with the fewest digits that name it. */
function singlePrecision(text: string): string {
  const held = toBits(BigInt(text), 24)
  for (let keep = 1; keep < text.length; keep++) {
    const short = toDigits(held, keep)
    if (toBits(short, 24) === held) return `${short}`
  }
  return `${held}`
}

describe('order numbers that were held in single precision', () => {
  const orders = (count: number, step: number, from = 450_000_028) => {
    let last = from
    return Array.from({ length: count }, () => `${(last += 1 + next(step))}`)
  }
  const numbers = of('{9}')
  const suspects = (seen: readonly string[]) => {
    const runs = columnRuns(numbers, evidenceOf(numbers, seen))
    return seen.map((text, row) => judge(numbers, text, 3, runs.around(row)).verdict === 'suspect')
  }

  test('all end in a zero, as numbers that are issued by tens do; but not every ten is there', () => {
    const seen = orders(600, 60).map((text, row) =>
      row >= 100 && row < 400 ? singlePrecision(text) : text,
    )
    const found = suspects(seen)
    expect(found.slice(100, 400).filter(Boolean).length).toBeGreaterThan(0.95 * 300)
    expect([...found.slice(0, 98), ...found.slice(402)]).not.toContain(true)
  })

  test('numbers that are issued by tens are no such', () => {
    for (const step of [10, 20, 30, 50, 100]) {
      const tens = Array.from({ length: 80 }, (_, i) => `${450_000_000 + step * (1 + i)}`)
      const found = suspects([...orders(200, 60), ...tens, ...orders(200, 60)])
      expect(found).not.toContain(true)
    }
  })
})

test('a sequence in which single precision leaves one number, again and again', () => {
  const same = `${toBits(804_200_000_000_000_837n, 24)}`
  const values = Array.from(
    { length: 400 },
    (_, i) => `${804_200_000_000_000_000n + BigInt(7 * i)}`,
  )
  const seen = values.map((text, row) => (row >= 150 && row < 210 ? same : text))
  const rows = Array.from({ length: 60 }, (_, i) => 150 + i)
  expect(doubted(seen)).toEqual(rows)
})
