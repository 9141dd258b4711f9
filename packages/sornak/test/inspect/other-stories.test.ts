// Columns in which short values are not what they look like: what the clean values, the order of the rows and values
// that come again say against lost zeros.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import {
  bare,
  digits,
  evidenceOf,
  next,
  of,
  outcome,
  padded,
  type Population,
} from './converted-column.js'

const wrap = (text: string, bits: bigint) => (BigInt(text) % (1n << bits)).toString()

const PHONES: Population = { of: of('{10}'), values: () => () => `${2 + next(8)}${digits(9)}` }
const CREW: Population = { of: of('{5}'), values: () => () => digits(5) }
const MOBILES: Population = { of: of('{11}'), values: () => () => `07700900${digits(3)}` }
const GROWING: Population = {
  of: of('{9}'),
  values: () => () => digits(1 + next(8)).padStart(9, '0'),
}
const SEQUENCE: Population = {
  of: of('{8}'),
  values: () => {
    let value = 419_000
    return () => padded(value++, 8)
  },
}

const here = (every: number) => (row: number) => (row * 7919) % every === 0
const block = (row: number) => row >= 240 && row < 400

test('printed with a decimal, but for what starts with a zero and has an 8 or 9: others were octal', () => {
  const made = definition({ stored: '{5}', only: { value: '01001..52999' } })
  const digitsOf = (many: number, count: number) =>
    Array.from({ length: count }, () => next(many)).join('')
  const short = (row: number) => row % 7 === 3
  const originals = Array.from({ length: 60 }, (_, row) => {
    if (short(row)) return `0${1 + next(3)}${digitsOf(8, 3)}`
    return row % 15 === 9 ? `0${1 + next(9)}9${digits(2)}` : `${1 + next(4)}${digits(4)}`
  })
  const seen = originals.map((text, row) => {
    if (short(row)) return `${BigInt(`0o${text}`)}.0`
    return text.startsWith('0') ? text : `${text}.0`
  })
  const runs = columnRuns(made, evidenceOf(made, seen))
  originals.forEach((original, row) => {
    if (short(row)) expect(judge(made, seen[row]!, 10, runs.around(row)).mend).toBe(original)
  })
})

describe('no mend is wrong', () => {
  test.each<
    [string, Population, (text: string) => string, (row: number) => boolean, number | undefined]
  >([
    ['phones cut by one, here and there', PHONES, (text) => text.slice(0, -1), here(4), undefined],
    ['phones cut by one, seldom', PHONES, (text) => text.slice(0, -1), here(33), 1600],
    ['phones cut at the front, seldom', PHONES, (text) => text.slice(1), here(33), 1600],
    ['phones cut by one, a block', PHONES, (text) => text.slice(0, -1), block, undefined],
    [
      'phones wrapped in 32 bits, here and there',
      PHONES,
      (text) => wrap(text, 32n),
      here(4),
      undefined,
    ],
    [
      'crew numbers wrapped in 16 bits, here and there',
      CREW,
      (text) => wrap(text, 16n),
      here(4),
      640,
    ],
    [
      'a sequence wrapped in 16 bits, a block',
      SEQUENCE,
      (text) => wrap(text, 16n),
      block,
      undefined,
    ],
    [
      'mobiles held at the limit of 32 bits',
      MOBILES,
      (text) => (BigInt(text) > 2147483647n ? '2147483647' : text),
      here(4),
      40,
    ],
    [
      'numbers of any length, printed with six digits',
      GROWING,
      (text) => {
        const number = bare(text)
        const exponent = `0${number.length - 1}`.slice(-2)
        return number.length <= 6 ? number : `${number[0]!}.${number.slice(1, 6)}E+${exponent}`
      },
      here(4),
      undefined,
    ],
  ])('%s', (_, population, convert, struck, count) => {
    const { short, wrong } = outcome(population, convert, struck, count)
    expect(short).toBeGreaterThan(5)
    expect(wrong).toEqual([])
  })
})

describe('what lost its zeros comes back', () => {
  test.each<[string, Population, (row: number) => boolean, number | undefined]>([
    [
      'phones of a block that starts with zero',
      { ...PHONES, values: () => () => `06${digits(8)}` },
      here(4),
      undefined,
    ],
    [
      'three digits of six, one after the other',
      {
        of: of('{6}'),
        values: () => {
          let value = 872
          return () => padded(value++, 6)
        },
      },
      () => true,
      100,
    ],
    ['a sequence, seldom', SEQUENCE, here(33), 1600],
    ['a sequence, a block', SEQUENCE, block, undefined],
    ['crew numbers, all of them', CREW, () => true, undefined],
    ['crew numbers, seldom', CREW, here(13), 1600],
    [
      'phones with a zero in front that the mask has, all of them',
      { of: of('0{9}'), values: () => () => `0${1 + next(9)}${digits(8)}` },
      () => true,
      undefined,
    ],
  ])('%s', (_, population, struck, count) => {
    const { known, found, wrong } = outcome(population, bare, struck, count)
    expect(known).toBeGreaterThan(5)
    expect(wrong).toEqual([])
    expect(found).toBe(known)
  })
})

describe('where the clean values do not tell, nothing is made up', () => {
  // Nobody starts with a zero here, and a tenth of what would be needed is short: it may be either.
  test('phones that never start with a zero, and some are one digit short', () => {
    const { short, mended } = outcome(PHONES, (text) => text.slice(0, -1), here(33), 1600)
    expect(short).toBeGreaterThan(40)
    expect(mended).toBe(0)
  })

  test('numbers wrapped in 16 bits, none of them near the limit, wrapped in no wider type', () => {
    const far: Population = {
      of: of('{10}'),
      values: () => () => {
        for (;;) {
          const text = `${1 + next(9)}${digits(9)}`
          if (BigInt(wrap(text, 16n)) < 60_000n) return text
        }
      },
    }
    const rows = Array.from({ length: 240 }, far.values())
    const seen = rows.map((text, row) => (row % 4 ? text : wrap(text, 16n)))
    const runs = columnRuns(far.of, evidenceOf(far.of, seen))
    for (let row = 0; row < rows.length; row += 4)
      expect([row, judge(far.of, seen[row]!, 3, runs.around(row)).verdict]).toEqual([row, 'lost'])
  })

  test('a reader that stops at a letter reads powers of ten too', () => {
    const berths: Population = {
      of: of('{1}{1 of "A..F"}{1}'),
      values: () => () => `${next(10)}${'ABCDEF'[next(6)]!}${next(10)}`,
    }
    const read = (text: string) => {
      const [, first, exponent] = /^(\d)(?:E(\d))?/.exec(text)!
      return bare(
        `${first!}${'0'.repeat(exponent === undefined ? 0 : Number.parseInt(exponent, 10))}`,
      )
    }
    for (let rows = 300; rows < 1500; rows += 100) {
      const { wrong } = outcome(berths, read, here(4), rows)
      expect(wrong, `${rows} rows`).toEqual([])
    }
  })
})
