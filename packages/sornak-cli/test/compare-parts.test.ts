// Lists matched part by part give what they give when they are matched whole.

import fc from 'fast-check'
import { compareLists, identifier, judge, type Item, type Pair } from 'sornak'
import { expect, test } from 'vitest'
import { parts } from '../src/compare-parts.js'

const crew = identifier({ stored: '{4..5}' })
const seen = fc.oneof(
  fc.integer({ min: 0, max: 60 }).map((n) => `${n}`.padStart(5, '0')),
  fc.integer({ min: 0, max: 60 }).map((n) => `${n}`),
  fc.integer({ min: 0, max: 60 }).map((n) => `${n}.0`),
  fc.constantFrom('x', '6.0E+1'),
)

const itemsFrom = (values: readonly string[]): Item[] =>
  values.map((value, i) => {
    const { verdict, mend, findings } = judge(crew, value, 2)
    return { record: i + 1, value, verdict, mend, finding: findings[0] ?? null }
  })

// Which two of several others are named is open; how a pair is told is not.
const plain = ({ others, ...pair }: Pair) => JSON.stringify({ ...pair, others: others.length })

test('in one part and in many', () => {
  fc.assert(
    fc.property(
      fc.array(seen, { maxLength: 40 }),
      fc.array(seen, { maxLength: 40 }),
      fc.constantFrom(0, 20_000_000, 500_000_000),
      (left, right, bytes) => {
        const lists = parts(crew, bytes)
        itemsFrom(left).forEach(lists.left)
        itemsFrom(right).forEach(lists.right)
        const got: string[] = []
        lists.pairs((pair) => got.push(plain(pair)))
        lists.close()
        expect(got).toEqual(compareLists(crew, itemsFrom(left), itemsFrom(right)).map(plain))
      },
    ),
    { numRuns: 20 },
  )
})

test('more than fits into what is held at once', () => {
  const crewOf = identifier({ stored: '{9}' })
  const lists = parts(crewOf, 8_000_000)
  const value = (n: number) => `${n * 7919}`.padStart(9, '0')
  const item = (record: number, text: string): Item => ({ record, value: text, verdict: 'intact' })
  for (let n = 1; n <= 20_000; n++) lists.left(item(n, value(n)))
  for (let n = 1; n <= 20_000; n++)
    lists.right(item(n, value(20_001 - n + (n % 10 === 0 ? 50_000 : 0))))
  const counts = new Map<string, number>()
  let last = 0
  lists.pairs(({ match, left }) => {
    counts.set(match, (counts.get(match) ?? 0) + 1)
    if (!left) return
    expect(left.record).toBe(last + 1)
    last = left.record
  })
  lists.close()
  expect(Object.fromEntries(counts)).toEqual({
    same: 18_000,
    'only-left': 2000,
    'only-right': 2000,
  })
})
