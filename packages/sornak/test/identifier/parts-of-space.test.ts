// Values that start or end with a text, and those that leave a rest, against trying every value.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fit, spaceOf } from 'sornak'
import { endingWith, leaving, mayHold, startingWith } from '../../src/identifier/parts-of-space.js'
import { definition } from './definition-for.js'

const kinds = [
  definition({ stored: '{4}' }),
  definition({ stored: '{4}', check: 'luhn' }),
  definition({ stored: ['{3}', '{4}'], never: { value: ['000', '9000..9999'] } }),
  definition({ stored: '{1}{1 of "AB"}{2}' }),
  definition({ stored: '{area: 1}-{serial: 2}', only: { area: ['1', '3..5'] } }),
  definition({ stored: '{3}{1 of "0..9X"}', check: 'mod-11-2' }),
]

// Every text of up to four characters that could be a value.
const texts: string[] = []
const chars = '0123456789ABX-'
const grow = (front: string) => {
  if (front) texts.push(front)
  if (front.length < 4) for (const char of chars) grow(front + char)
}
grow('')

describe.each(kinds.map((made, i) => [i, made] as const))('definition %i', (_, made) => {
  const space = spaceOf(made)
  const held = texts.filter((text) => fit(made, text).ok)
  const piece = fc.stringMatching(/^[0-9ABX-]{1,4}$/)

  test('all of them are counted', () => {
    expect(startingWith(space, '')).toMatchObject({ count: BigInt(held.length), exact: true })
  })
  test('those that start or end so', () => {
    fc.assert(
      fc.property(piece, (text) => {
        for (const [subset, is] of [
          [startingWith(space, text), (one: string) => one.startsWith(text)],
          [endingWith(space, text), (one: string) => one.endsWith(text)],
        ] as const) {
          const want = held.filter((one) => is(one) && one !== text)
          expect(subset.count).toBe(BigInt(want.length))
          expect(subset.list(10_000).sort()).toEqual(want.sort())
          expect(subset.list(3).length).toBe(Math.min(3, want.length))
        }
      }),
      { numRuns: 120 },
    )
  })
  test('those that leave a rest', () => {
    fc.assert(
      fc.property(
        fc.bigInt(2n, 400n),
        fc.bigInt(0n, 399n),
        fc.bigInt(0n, 5000n),
        (modulus, rest, from) => {
          const subset = leaving(space, { rest: rest % modulus, modulus, from }, undefined)
          const want = held.filter((text) => {
            // A reader that stops at what is no digit has read the number in front.
            const [digits] = /^\d+/.exec(text) ?? []
            if (digits === undefined) return false
            const value = BigInt(digits)
            return value >= from && value % modulus === rest % modulus
          })
          expect(subset.list(10_000).sort()).toEqual(want.sort())
          expect(subset.count).toBe(BigInt(want.length))
          expect(subset.list(3).length).toBe(Math.min(3, want.length))
          expect(subset.bound).toBeGreaterThanOrEqual(0n)
        },
      ),
      { numRuns: 80 },
    )
  })
  test('those that go on behind a number, by that number', () => {
    const numbers = held.flatMap((text) => {
      const [, digits] = /^(\d+)\D/.exec(text) ?? []
      return digits === undefined ? [] : [{ text, value: BigInt(digits) }]
    })
    const { fronts } = space
    expect(fronts === undefined).toBe(numbers.length === 0)
    const limit = fc.bigInt(-3n, 12_000n)
    fc.assert(
      fc.property(limit, limit, (low, high) => {
        const want = numbers.filter(({ value }) => low <= value && value <= high)
        if (!fronts || low > high || high < 0n) return
        const from = low < 0n ? 0n : low
        expect(fronts.count(from, high)).toEqual({ count: BigInt(want.length), exact: true })
        const listed = fronts.list(from, high, 20_000)
        expect([...listed].sort()).toEqual(want.map(({ text }) => text).sort())
        expect(fronts.list(from, high, 3)).toEqual(listed.slice(0, 3))
      }),
      { numRuns: 120 },
    )
  })
  test('a text is held or not', () => {
    for (const text of texts) if (mayHold(space, text) !== fit(made, text).ok) throw new Error(text)
  })
  test('where it is said that every number of an interval is a value, each is one', () => {
    const numbers = held.filter((text) => /^\d+$/.test(text)).map(BigInt)
    const limit = fc.bigInt(-3n, 12_000n)
    fc.assert(
      fc.property(limit, limit, (low, high) => {
        if (low > high || !space.holdsAll(low, high)) return
        const inside = numbers.filter((value) => low <= value && value <= high)
        expect(inside.length).toBe(Number(high - low) + 1)
        expect(new Set(inside).size).toBe(inside.length)
      }),
    )
  })
})
