// What values start with, held against counting: shares are those of a mixture, and parts join into the whole.

import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { spaceOf } from 'sornak'
import { joinedHeads, startingAs, type Heads } from '../../src/inspect/short/heads.js'
import { learned } from '../../src/inspect/short/learned.js'
import { definition } from '../identifier/definition-for.js'
import { evidenceOf, of } from './converted-column.js'

const five = fc.integer({ min: 0, max: 99_999 }).map((value) => `${value}`.padStart(5, '0'))
const columns = fc.array(five, { minLength: 1, maxLength: 60 })
const even = (low: bigint, high: bigint) => Number(high - low + 1n) / 100_000

const nine = fc
  .tuple(fc.constantFrom('2065550', '2065551', '2065', '4255550'), fc.nat(99_999))
  .map(([start, rest]) => `${start}${`${rest}`.padStart(5, '0')}`.slice(0, 9).padEnd(9, '7'))
const blocks = fc.array(nine, { minLength: 1, maxLength: 30 })

/** What all have in common behind four digits; the last digit is left out. */
const sharedOf = (values: readonly string[]) => {
  const [first = ''] = values
  let end = 4
  while (end < 8 && values.every((value) => value.startsWith(first.slice(0, end + 1)))) end++
  return first.slice(4, end)
}

/** Counted from the values themselves. */
const countedOf = (values: readonly string[]): Heads => {
  const heads = [...new Set(values.map((value) => value.slice(0, 4)))].sort()
  return heads.map((head) => ({
    digits: Number.parseInt(head, 10),
    count: values.filter((value) => value.startsWith(head)).length,
    more: '',
  }))
}

describe('values that start alike', () => {
  test('are counted as they come in a column, wherever it is split', () => {
    fc.assert(
      fc.property(columns, columns, (a, b) => {
        const whole = countedOf([...a, ...b])
        expect(joinedHeads(countedOf(a), countedOf(b))).toEqual(whole)
        // The first value of a column is kept for itself.
        const { clean } = evidenceOf(of('{5}'), [a[0]!, ...a, ...b])
        expect(clean.heads).toEqual(whole)
      }),
    )
  })

  test('share digits behind their heads, wherever the column is split', () => {
    fc.assert(
      fc.property(blocks, blocks, (a, b) => {
        const of9 = of('{9}')
        const { heads } = evidenceOf(of9, [a[0]!, ...a, ...b]).clean
        const both = [...a, ...b]
        for (const { digits, count, more } of heads) {
          const own = both.filter((value) => value.startsWith(`${digits}`))
          expect([count, more]).toEqual([own.length, sharedOf(own)])
        }
        const [one, other] = [a, b].map((part) => evidenceOf(of9, [part[0]!, ...part]).clean.heads)
        expect(joinedHeads(one!, other!)).toEqual(heads)
      }),
    )
  })

  test('make what lies in their blocks likelier than the same head elsewhere', () => {
    const values = Array.from({ length: 60 }, (_, i) => `206555${100 + i}`)
    const { heads } = evidenceOf(of('{9}'), [values[0]!, ...values]).clean
    const { share, parts } = startingAs(heads, 9, (low, high) => Number(high - low + 1n) / 1e9)
    expect(share(206_555_777n, 206_555_777n)).toBeGreaterThan(
      1000 * share(206_455_777n, 206_455_777n),
    )
    expect(share(0n, 999_999_999n)).toBeCloseTo(1, 9)
    expect(parts.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(60 / 61, 9)
  })

  test('are as likely as they came again, and others as they are elsewhere', () => {
    fc.assert(
      fc.property(columns, five, (values, other) => {
        const heads = countedOf(values)
        const { share } = startingAs(heads, 5, even)
        const again = values.length / (values.length + heads.length)
        const same = values.filter((value) => value.startsWith(other.slice(0, 4))).length
        const value = BigInt(other)
        expect(share(value, value)).toBeCloseTo(
          (again * same) / values.length / 10 + (1 - again) / 100_000,
          12,
        )
      }),
    )
  })

  test('make an interval as likely as its numbers are together', () => {
    fc.assert(
      fc.property(columns, fc.nat(99_900), fc.integer({ min: 1, max: 99 }), (values, low, wide) => {
        const { share } = startingAs(countedOf(values), 5, even)
        let sum = 0
        for (let i = 0; i <= wide; i++) sum += share(BigInt(low + i), BigInt(low + i))
        expect(share(BigInt(low), BigInt(low + wide))).toBeCloseTo(sum, 9)
        expect(share(0n, 99_999n)).toBeCloseTo(1, 9)
      }),
    )
  })
})

test('a start that no clean value has is less likely than one that many have', () => {
  const made = definition({ stored: '{8}' })
  const values = Array.from({ length: 400 }, (_, i) => `${i % 2 ? '4215' : '0630'}${2500 + i * 11}`)
  const { clean } = evidenceOf(made, values)
  const best = (value: bigint) =>
    Math.max(...learned(spaceOf(made), clean).map(({ share }) => share(value, value)))
  expect(best(42_157_777n)).toBeGreaterThan(100 * best(47_157_777n))
  expect(best(6_307_777n)).toBeGreaterThan(100 * best(6_707_777n))
})
