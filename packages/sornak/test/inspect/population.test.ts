// Populations held against counting: every share is what one gets by going through all values one by one.

import { describe, expect, test } from 'vitest'
import { spaceOf } from 'sornak'
import {
  apart,
  around,
  block,
  flat,
  ofAnyLength,
  rangeOf,
  type Clean,
  type Population,
} from '../../src/inspect/short/population.js'
import { amongHeads, fewBlocks } from '../../src/inspect/short/few-blocks.js'
import { learned } from '../../src/inspect/short/learned.js'
import { together } from '../../src/inspect/short/places.js'
import { definition } from '../identifier/definition-for.js'

const four = spaceOf(definition({ stored: '{4}' }))
const checked = spaceOf(definition({ stored: '{4}', check: 'luhn' }))
const texts = Array.from({ length: 10_000 }, (_, i) => `${i}`.padStart(4, '0'))
const isOctal = (text: string) => /^0[0-7]*$/.test(text)

const shares = (population: Population, list: readonly string[]) =>
  list.map((text) => population.share(BigInt(text), BigInt(text)))
const sum = (list: readonly number[]) => list.reduce((total, one) => total + one, 0)

/** What clean values of four digits say, counted from the values. */
function clean(values: readonly string[]): Clean {
  const fronts = Array<number>(40).fill(0)
  for (const text of values) {
    const zeros = /^0{0,3}/.exec(text)![0].length
    fronts[zeros * 10 + (text.charCodeAt(zeros) - 48)]!++
  }
  const sorted = [...values].sort()
  return { fronts, least: sorted[0] ?? '', most: sorted.at(-1) ?? '', heads: [] }
}

const even = learned(four, clean(texts.filter((_, i) => i % 7 === 0)))
const small = learned(four, clean(texts.slice(0, 650)))

/** Ten numbers of each of two blocks. */
const twenty = texts.filter((text) => /^(03.0|71.0)/.test(text)).map(BigInt)
const [inBlocks] = fewBlocks(four, () => ({ originals: twenty, cost: 0 })) as [Population]

describe('a population', () => {
  test.each([
    ['of all values', flat(four)],
    ['of a block', block(four, 120n, 1700n, 3)],
    ['of numbers of any length', ofAnyLength(four)],
    ['of clean values', even[0]!],
    ['of clean values that are small', small[0]!],
    ['of clean values that are small, and nothing between them', small[1]!],
    ['of two blocks', inBlocks],
  ])('%s has shares that are one together, and says what of them is octal', (_, population) => {
    const each = shares(population, texts)
    expect(sum(each)).toBeCloseTo(1, 6)
    expect(population.share(0n, 9999n)).toBeCloseTo(1, 6)
    expect(population.share(300n, 777n)).toBeCloseTo(sum(each.slice(300, 778)), 6)
    expect(population.octal).toBeCloseTo(sum(each.filter((_, i) => isOctal(texts[i]!))), 2)
  })

  test('counts values of the definition only', () => {
    const valid = texts.filter((text) => checked.count(BigInt(text), BigInt(text)).count > 0n)
    expect(valid).toHaveLength(1000)
    const population = block(checked, 0n, 4999n, 0)
    const inside = valid.filter((text) => Number(text) < 5000)
    expect(population.share(BigInt(inside[3]!), BigInt(inside[3]!))).toBeCloseTo(1 / inside.length)
    expect(sum(shares(population, texts))).toBeCloseTo(1, 6)
  })
})

describe('narrow populations around originals', () => {
  const originals = [417n, 419n, 441n]
  const found = around(four, originals)
  test('hold all of them', () => {
    for (const population of found)
      for (const one of originals) expect(population.share(one, one)).toBeGreaterThan(0)
  })
  test('cost more the narrower they are', () => {
    const bits = (one: Population) => -Math.log2(one.share(417n, 417n))
    const narrow = found.reduce((a, b) => (bits(a) < bits(b) ? a : b))
    const wide = found.reduce((a, b) => (bits(a) > bits(b) ? a : b))
    expect(bits(narrow)).toBeCloseTo(Math.log2(25))
    expect(narrow.cost).toBeGreaterThan(wide.cost)
  })
})

describe('a few blocks', () => {
  test('hold as many as were there, each as likely as any other of its block', () => {
    expect(twenty).toHaveLength(20)
    for (const start of [300n, 7100n]) {
      const share = inBlocks.share(start, start + 99n)
      expect(share).toBeGreaterThan(0.45)
      expect(share).toBeLessThan(0.5)
      expect(inBlocks.share(start + 7n, start + 7n)).toBeCloseTo(share / 100, 9)
    }
    // What none of them starts with is possible all the same.
    expect(inBlocks.share(5000n, 5999n)).toBeGreaterThan(0)
  })

  test('which they are is said in four digits, and that there are no more', () => {
    expect(inBlocks.which).toBeCloseTo(4 * Math.log2(10), 9)
    expect(inBlocks.cost).toBeGreaterThan(inBlocks.which!)
    const dearer = fewBlocks(four, () => ({ originals: twenty, cost: 5 }))
    expect(dearer[0]!.cost).toBeCloseTo(inBlocks.cost + 5, 9)
  })

  test('where clean values start so, that needs not be said', () => {
    const heads = [300, 310, 7150].map((digits) => ({ digits, count: 30, more: '' }))
    expect(amongHeads(four, inBlocks, heads)).toBeCloseTo(inBlocks.cost - inBlocks.which!, 9)
    expect(amongHeads(four, inBlocks, heads.slice(0, 2))).toBeUndefined()
    expect(amongHeads(four, inBlocks, [])).toBeUndefined()
    // Most clean values start in other ways.
    const others = [...heads, { digits: 5000, count: 100, more: '' }]
    expect(amongHeads(four, inBlocks, others)).toBeUndefined()
  })

  test('many, or blocks of hardly a value each, are none', () => {
    const spread = texts.filter((_, i) => i % 97 === 0).map(BigInt)
    expect(fewBlocks(four, () => ({ originals: spread, cost: 0 }))).toEqual([])
    expect(fewBlocks(four, () => ({ originals: twenty.slice(0, 3), cost: 0 }))).toEqual([])
  })

  test('a block that the definition has nothing of is none', () => {
    const never = spaceOf(definition({ stored: '{first: 2}{2}', never: { first: '03' } }))
    const [left] = fewBlocks(never, () => ({ originals: twenty, cost: 0 })) as [Population]
    expect(left.share(300n, 399n)).toBe(0)
    expect(left.share(7100n, 7199n)).toBeGreaterThan(0.45)
  })
})

describe('clean values', () => {
  test('say nothing while they are few', () => {
    expect(learned(four, clean(texts.slice(0, 12)))).toEqual([])
  })
  test('that are spread evenly leave all values as likely as they were', () => {
    // They may be as the definition has it: one more than those that are small.
    expect(even.length - small.length).toBe(1)
  })
  test('that are small make others unlikely, and none impossible', () => {
    const [population] = small
    const share = (value: bigint) => population!.share(value, value)
    expect(share(417n)).toBeGreaterThan(1 / 1000)
    expect(share(4170n)).toBeGreaterThan(0)
    expect(share(4170n)).toBeLessThan(share(417n) / 1000)
  })
})

describe('where clean values lie', () => {
  // A hundred values, every tenth from 4000 to 4990.
  const fronts = Array<number>(40).fill(0)
  fronts[4] = 100
  const clean: Clean = { fronts, least: '4000', most: '4990', heads: [] }
  const range = rangeOf(four, clean)!

  test('the smallest and the largest, and a few steps beyond', () => {
    expect(range.low).toBeLessThan(4000n)
    expect(range.high).toBeGreaterThan(4990n)
    // Four times the mean step, and one.
    expect(range.high - 4990n).toBeLessThanOrEqual(41n)
    expect(4000n - range.low).toBeLessThanOrEqual(41n)
  })

  test('it stays within the definition, and few values say nothing', () => {
    const all = rangeOf(four, { fronts, least: '0000', most: '9999', heads: [] })!
    expect([all.low, all.high]).toEqual([0n, 9999n])
    const few = fronts.map((count) => Math.min(count, 19))
    expect(rangeOf(four, { ...clean, fronts: few })).toBeUndefined()
  })

  test('a stretch among them takes fewer bits than another kind', () => {
    const among = block(four, 4200n, 4209n, 30)
    // To say one of its stretches: where it starts, and how long it is.
    const places = Math.log2(Number(range.high - range.low) + 1)
    expect(apart(among, 20, range)).toBeCloseTo(places + Math.log2(10) + 1, 9)
    expect(apart(among, 20, undefined)).toBe(50)
  })

  test('of what lies elsewhere, the nearer the fewer', () => {
    const at = (low: bigint) => apart(block(four, low, low + 9n, 30), 20, range)
    // How far, in as many bits again, and how long.
    expect(at(range.high + 1n)).toBeCloseTo(2 * 1 + Math.log2(10) + 2, 9)
    expect(at(range.high + 63n)).toBeCloseTo(2 * 6 + Math.log2(10) + 2, 9)
    expect(at(range.high + 1023n)).toBeGreaterThan(at(range.high + 63n))
    const far = block(four, 0n, 9n, 5)
    expect(apart(far, 2, range)).toBe(7)
    expect(apart(far, 20, undefined)).toBe(25)
  })
})

// The first block is the one that is told; how many hold a place says how little it takes to say that it is one of them.
describe.each([
  ['six digits', '{6}', undefined, 65_536n],
  ['six digits, few times around', '{6}', undefined, 300_000n],
  ['ten digits', '{10}', undefined, 65_536n],
  ['six digits with a check digit', '{6}', 'luhn', 65_536n],
] as const)('blocks that hold a place: %s', (_, stored, check, modulus) => {
  const space = spaceOf(definition(check ? { stored, check } : { stored }))
  test.each([
    [[417n]],
    [[4n, 9n]],
    [[65_530n, 65_535n]],
    [[120n, 417n, 903n]],
    [[12_000n, 20_417n]],
  ])('%s', (values) => {
    const [low, width] = [values[0]!, values.at(-1)! - values[0]!]
    const from = 32_768n
    const unit = 10n ** BigInt(`${width}`.length)
    const places: bigint[] = []
    const top = 10n ** BigInt(space.widest) - 1n
    for (let at = low; at + width <= top; at += modulus) if (at >= from) places.push(at)
    const looked = places.slice(0, 4096)
    const counts = looked
      .map((at) => (at / unit) * unit)
      .filter((start, i) => looked[i]! + width < start + unit)
      .map((start) => [start, Number(space.count(start, start + unit - 1n).count)] as const)
      .filter(([, count]) => count > 0)
    const [found] = together(space, values, modulus, from, undefined)
    if (counts.length === 0) return expect(found?.low).not.toBe((looked[0]! / unit) * unit)
    const [[start, count]] = counts as [readonly [bigint, number]]
    const of = (counts.length * places.length) / looked.length
    expect(found).toMatchObject({ low: start, high: start + unit - 1n })
    expect(found!.cost).toBeCloseTo(
      Math.log2(Number(space.integers.count) / count) + Math.log2(space.widest) - Math.log2(of),
      9,
    )
  })
})
