// What values of full width say of a type that wrapped some: every value of five digits is sent through once, and the
// clean ones are counted by their first digits.

import { describe, expect, test } from 'vitest'
import { INTEGER_TYPES } from '../../src/channel/integer-limits.js'
import { thinned } from '../../src/inspect/short/thinned.js'
import { spaceOf } from 'sornak'
import { definition } from '../identifier/definition-for.js'

const space = spaceOf(definition({ stored: '{5}' }))
const texts = Array.from({ length: 100_000 }, (_, i) => `${i}`.padStart(5, '0'))
const typeOf = (name: string) => INTEGER_TYPES.find((one) => one.name === name)!
const uint16 = typeOf('uint16')

const bare = (text: string) => text.replace(/^0+(?=\d)/, '')
const wrap = (text: string) => (BigInt(text) % 65536n).toString()
const wrapSigned = (text: string) => BigInt.asIntN(16, BigInt(text)).toString()

// Every so many value is struck, one in ten of all is in the column.
function counted(list: readonly string[], convert: (text: string) => string, struck: number) {
  const column = list
    .filter((_, i) => (i * 7919) % 10 === 0)
    .map((text, i) => ((i * 104_729) % 100 < struck ? convert(text) : text))
  const clean = column.filter((text) => /^\d{5}$/.test(text))
  const fronts = Array<number>(50).fill(0)
  for (const text of clean) {
    const zeros = Math.min(4, /^0*/.exec(text)![0].length)
    fronts[zeros * 10 + text.charCodeAt(zeros) - 48]!++
  }
  const sorted = [...clean].sort()
  return {
    clean: { fronts, least: sorted[0]!, most: sorted.at(-1)!, heads: [] },
    share: 1 - clean.length / column.filter((text) => !text.startsWith('-')).length,
  }
}

describe('values spread evenly', () => {
  test.each([10, 25, 50])('%i in a hundred wrapped: it is seen', (struck) => {
    const { clean, share } = counted(texts, wrap, struck)
    expect(thinned(space, uint16, clean, share)).toBeGreaterThan(10)
  })

  test.each([10, 25, 50, 100])('%i in a hundred lost their zeros: it speaks for them', (struck) => {
    const { clean, share } = counted(texts, bare, struck)
    for (const type of [uint16, typeOf('int16')])
      expect(thinned(space, type, clean, share), type.name).toBeLessThan(-10)
  })

  test.each([10, 25, 50])('%i in a hundred wrapped in a type with a sign: it is seen', (struck) => {
    const { clean, share } = counted(texts, wrapSigned, struck)
    expect(thinned(space, typeOf('int16'), clean, share)).toBeGreaterThan(10)
  })

  test('a type that holds all values says nothing', () => {
    const { clean, share } = counted(texts, wrap, 25)
    for (const name of ['int32', 'uint32', 'uint64'])
      expect(thinned(space, typeOf(name), clean, share), name).toBe(0)
  })
})

test('values that start with no digit below 2, a quarter wrapped: it is seen', () => {
  const list = texts.slice(20_000)
  const { clean, share } = counted(list, wrap, 25)
  expect(thinned(space, uint16, clean, share)).toBeGreaterThan(10)
})

test.each<[string, readonly string[]]>([
  ['small numbers', texts.slice(0, 4200)],
  ['those that start with 4', texts.slice(40_000, 50_000)],
  ['those below the limit', texts.slice(0, 65_536)],
])('where values are %s nothing is said', (_, list) => {
  for (const convert of [bare, wrap]) {
    const { clean, share } = counted(list, convert, 25)
    expect(thinned(space, uint16, clean, share)).toBe(0)
  }
})
