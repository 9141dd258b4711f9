// Keys that stand in an earlier record, found in memory or in heaps outside of it: the same either way.

import { expect, test } from 'vitest'
import fc from 'fast-check'
import type { Heap } from 'sornak'
import { repeats } from '../../src/inspect/repeats.js'
import { spool, type Spool } from '../../src/inspect/spool.js'

function shelf(): Heap {
  const held: string[] = []
  return { add: (line) => void held.push(line), lines: () => held }
}

const placeOf = (index: number) => ({ index, line: 2 * index, offset: 10 * index })
const places = (of: Spool) => Array.from({ length: of.size }, (_, i) => of.at(i))

const keys = fc.array(
  fc.oneof(
    fc.nat(40).map((value) => `${value}`),
    fc.constantFrom('"', 'a b', '1 2 3 "x"', '\n', ''),
  ),
  { maxLength: 120 },
)

test('of each key all records but the first are told, however many keys are held', () => {
  fc.assert(
    fc.property(keys, fc.nat(50), fc.boolean(), (list, held, outside) => {
      const known = outside ? repeats(shelf, held) : repeats()
      const atOnce = list.flatMap((key, index) => (known.add(key, placeOf(index)) ? [index] : []))
      const late = places(known.settle())
      expect(late).toEqual(late.map(({ index }) => placeOf(index)))
      const expected = list.map((key, index) => {
        const first = list.indexOf(key)
        return first < index ? first : undefined
      })
      expect(list.map((_, index) => known.firstOf(index))).toEqual(expected)
      expect([...atOnce, ...late.map(({ index }) => index)]).toEqual(
        expected.flatMap((first, index) => (first === undefined ? [] : [index])),
      )
      if (!outside) expect(late).toEqual([])
    }),
  )
})

test('places of two spools join in order, and what finds no room is read on from', () => {
  const sorted = fc
    .uniqueArray(fc.nat(60), { maxLength: 30 })
    .map((list) => list.sort((a, b) => a - b))
  fc.assert(
    fc.property(sorted, sorted, fc.integer({ min: 1, max: 40 }), (a, b, most) => {
      const [one, other] = [spool(most), spool(Infinity)]
      for (const index of a) one.add(placeOf(index))
      for (const index of b) other.add(placeOf(index))
      one.join(other)
      // From the first place that finds no room all records are looked at anyway.
      const all = [...new Set([...a, ...b])].sort((x, y) => x - y)
      const told = places(one).map(({ index }) => index)
      const on = one.readOn?.index ?? Infinity
      expect(told).toEqual(all.slice(0, told.length))
      expect(told.length).toBeLessThanOrEqual(most)
      expect(all.filter((index) => index < on)).toEqual(told.filter((index) => index < on))
    }),
  )
})
