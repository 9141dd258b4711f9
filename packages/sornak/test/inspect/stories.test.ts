// What stories say of a population, held against sending every value of it through the conversion.

import { describe, expect, test } from 'vitest'
import { spaceOf } from 'sornak'
import { block, flat, type Population } from '../../src/inspect/short/population.js'
import { storiesOf, zerosLost } from '../../src/inspect/short/stories.js'
import type { Story } from '../../src/inspect/short/story.js'
import { definition } from '../identifier/definition-for.js'

const space = spaceOf(definition({ stored: '{5}' }))
const texts = Array.from({ length: 100_000 }, (_, i) => `${i}`.padStart(5, '0'))
const stories = storiesOf(space, new Set([4]))

const bare = (text: string) => text.replace(/^0+(?=\d)/, '')
const octal = (text: string) => BigInt(`0o${text}`).toString()
const isOctal = (text: string) => /^0[0-7]*$/.test(text)
const signed = (text: string) => {
  const rest = BigInt(text) % 65536n
  return (rest > 32767n ? rest - 65536n : rest).toString()
}

const CONVERSIONS: [string, Story, (text: string) => string][] = [
  ['zeros lost', zerosLost(space), bare],
  ['octal', stories.get('octal')![0]!, (text) => (isOctal(text) ? octal(text) : text)],
  [
    'octal or decimal',
    stories.get('octal or decimal')![0]!,
    (text) => (isOctal(text) ? octal(text) : bare(text)),
  ],
  [
    'octal as far as it goes',
    stories.get('octal as far as it goes')![0]!,
    (text) => (text.startsWith('0') ? octal(/^[0-7]*/.exec(text)![0]) : text),
  ],
  ['16 bits', stories.get('wrapped uint16')![0]!, (text) => (BigInt(text) % 65536n).toString()],
  ['16 bits with a sign', stories.get('wrapped int16')![0]!, signed],
]

const POPULATIONS: [string, Population, readonly string[]][] = [
  ['all values', flat(space), texts],
  ['those of a block', block(space, 1200n, 3899n, 4), texts.slice(1200, 3900)],
]

describe.each(POPULATIONS)('of %s', (_, population, list) => {
  test.each(CONVERSIONS)(
    '%s: as many come out as each short one as the story says',
    (_, story, to) => {
      const counts = new Map<string, number>()
      for (const text of list) counts.set(to(text), (counts.get(to(text)) ?? 0) + 1)
      let short = 0
      for (const [seen, count] of counts) {
        if (!/^(?:0|[1-9]\d{0,3})$/.test(seen)) continue
        short += count
        expect(story.back(BigInt(seen), population, seen), seen).toBeCloseTo(count / list.length, 9)
      }
      expect(story.short(population)).toBeCloseTo(short / list.length, 9)
      const never = ['0', '7', '64', '512', '4095', '9999'].filter((seen) => !counts.has(seen))
      for (const seen of never) expect(story.back(BigInt(seen), population, seen), seen).toBe(0)
    },
  )

  test('of those that wrap round, what only lost its zeros is told apart', () => {
    const story = stories.get('wrapped uint16')![0]!
    for (const seen of ['1300', '3899', '7']) {
      const own = list.includes(seen.padStart(5, '0')) ? 1 / list.length : 0
      expect(story.same!(BigInt(seen), population)).toBeCloseTo(own, 9)
    }
  })

  test('cut to four, at the end or at the front', () => {
    const [behind, before] = stories.get('cut-short by 1')!
    const share = (is: (text: string) => boolean) => list.filter(is).length / list.length
    for (const seen of ['0120', '1205', '9999', '3000']) {
      const back = (story: Story) => story.back(BigInt(seen), population, seen)
      expect(back(behind!), seen).toBeCloseTo(
        share((text) => text.startsWith(seen)),
        9,
      )
      expect(back(before!), seen).toBeCloseTo(
        share((text) => text.endsWith(seen)),
        9,
      )
    }
    // Read as a number, what is left may have lost a zero.
    expect(behind!.back(120n, population, '120')).toBeCloseTo(
      share((text) => text.startsWith('0120')),
      9,
    )
    expect(before!.back(120n, population, '120')).toBeCloseTo(
      share((text) => text.endsWith('0120')),
      9,
    )
  })
})

test('held at the limit: all that lies beyond comes out as the limit', () => {
  const wide = spaceOf(definition({ stored: '{6}' }))
  const story = storiesOf(wide, new Set<number>()).get('clamped 32767')![0]!
  const held = (value: number) => `${Math.min(value, 32_767)}`
  const counts = new Map<string, number>()
  for (let value = 0; value < 1_000_000; value++)
    counts.set(held(value), (counts.get(held(value)) ?? 0) + 1)
  for (const seen of ['0', '417', '9999', '32766', '32767'])
    expect(story.back(BigInt(seen), flat(wide), seen), seen).toBeCloseTo(
      counts.get(seen)! / 1_000_000,
      9,
    )
})

test('of blocks that wrap round in a type with a sign, as many come out below zero as the story says', () => {
  const story = stories.get('wrapped int16')![0]!
  // Half of them below the limit, some in the lower half of the type, some in the upper one.
  const parts = [
    { low: 25_000n, width: 20_000n, weight: 0.5 },
    { low: 60_000n, width: 10_000n, weight: 0.3 },
    { low: 98_000n, width: 2_000n, weight: 0.2 },
  ]
  const inAll = (is: (text: string) => boolean) =>
    parts.reduce((sum, { low, width, weight }) => {
      const list = texts.slice(Number(low), Number(low + width))
      return sum + (weight * list.filter(is).length) / list.length
    }, 0)
  const population: Population = {
    ...flat(space),
    parts,
    share: (low, high) => inAll((text) => BigInt(text) >= low && BigInt(text) <= high),
  }
  expect(story.negative!(population)).toBeCloseTo(
    inAll((text) => signed(text).startsWith('-')),
    9,
  )
})
