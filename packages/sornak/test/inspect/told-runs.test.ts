// What is told of a long column: the rows that were converted, by what, and nothing besides.

import { expect, test } from 'vitest'
import { columnRuns, judge, type Definition } from 'sornak'
import { bare, digits, evidenceOf, next, of } from './converted-column.js'

type Convert = (text: string) => string

/** Stretches of rows that went through conversions, among clean ones. */
function toldOf(
  made: Definition,
  draw: () => string,
  rows: number,
  stretches: readonly (readonly [from: number, to: number, convert: Convert])[],
): string[] {
  const seen = Array.from({ length: rows }, (_, row) => {
    const struck = stretches.find(([from, to]) => row >= from && row < to)
    return struck ? struck[2](draw()) : draw()
  })
  return columnRuns(made, evidenceOf(made, seen)).told.map(
    ({ process, from, to }) => `${process} ${from.index}-${to.index}`,
  )
}

/** To the nearest binary number of 53 bits, ties to the even one. */
const binary64: Convert = (text) => {
  const value = BigInt(text)
  const step = 1n << BigInt(Math.max(0, value.toString(2).length - 53))
  const [down, rest] = [value / step, value % step]
  return `${(rest * 2n > step || (rest * 2n === step && down % 2n === 1n) ? down + 1n : down) * step}`
}
const exponent: Convert = (text) => {
  const number = bare(text)
  const rest = number.slice(1).replace(/0+$/, '')
  return `${number[0]}${rest && '.'}${rest}E${number.length - 1}`
}
const withTail: Convert = (text) => `${bare(text)}.0`
const grouped: Convert = (text) => bare(text).replace(/\B(?=(\d{3})+$)/g, ',')
const lettersForZeros: Convert = (text) => text.replaceAll('0', 'O')

test('a long run of binary numbers is one line, though some look like fifteen digits', () => {
  const serial = () => `${1 + next(9)}${digits(17)}`
  for (let again = 0; again < 2; again++) {
    const [only = '', ...others] = toldOf(of('{18}'), serial, 16_000, [[2_000, 14_000, binary64]])
    expect(others).toEqual([])
    const [, from, to] = /^binary64 (\d+)-(\d+)$/.exec(only)!.map(Number)
    expect(Math.abs(from! - 2_000)).toBeLessThan(6)
    expect(Math.abs(to! - 13_999)).toBeLessThan(6)
  }
})

test('letters for zeros in numbers of which half hold none', () => {
  const told = toldOf(of('{5}'), () => digits(5), 4_000, [[1_000, 3_000, lettersForZeros]])
  expect(told).toHaveLength(1)
  const [, from, to] = /^look-alike (\d+)-(\d+)$/.exec(told[0]!)!.map(Number)
  expect(from! - 1_000).toBeLessThan(30)
  expect(2_999 - to!).toBeLessThan(30)
})

test('three letters for zeros are no currency', () => {
  const draw = () => `000${1 + next(9)}${digits(4)}`
  const told = toldOf(of('{8}'), draw, 3_000, [[500, 2_500, lettersForZeros]])
  expect(told).toEqual(['look-alike 500-2499'])
})

test('two stretches with rows between that no reader of numbers would change', () => {
  const draw = () => `${1 + next(9)}${digits(9)}`
  const cut: Convert = (text) => text.slice(0, -1)
  for (let again = 0; again < 2; again++) {
    const told = toldOf(of('{10}'), draw, 3_000, [
      [500, 1_000, (text) => `${BigInt.asUintN(16, BigInt(text))}`],
      [1_700, 2_300, cut],
    ])
    expect(told).toEqual(['wrapped uint16 500-999', 'cut-short by 1 1700-2299'])
  }
})

test('numbers of which one in a thousand is round were not shortened', () => {
  const draw = () => `07700900${digits(3)}`
  for (const convert of [withTail, grouped, (text: string) => `${bare(text)}%`]) {
    const told = toldOf(of('{11}'), draw, 4_000, [[500, 3_500, convert]])
    expect(told).toContain('number-read 500-3499')
    expect(told.filter((line) => line.startsWith('short-display'))).toEqual([])
  }
})

test('exponents with all digits tell of numbers that were read, and in which form they stand', () => {
  const draw = () => `17${digits(11)}`
  const told = toldOf(of('{13}'), draw, 4_000, [[500, 3_500, exponent]])
  expect(told).toContain('form exponent 500-3499')
  expect(told.filter((line) => /^(?!form exponent|number-read)/.test(line))).toEqual([])
})

test('groups in numbers of which every third is below a thousand', () => {
  const draw = () => (next(3) ? `0${1 + next(9)}${digits(3)}` : `00${digits(3)}`)
  const told = toldOf(of('{5}'), draw, 4_000, [[500, 3_500, grouped]])
  const forms = told.filter((line) => line.startsWith('form '))
  expect(forms).toHaveLength(1)
  expect(told.filter((line) => line.startsWith('number-read'))).toHaveLength(1)
})

test('what was converted here and there lies in no run, however often it was', () => {
  const cases: readonly (readonly [Definition, () => string, Convert, every: number])[] = [
    [of('{5}'), () => `${1 + next(9)}${digits(4)}`, withTail, 4],
    [of('{6}'), () => `00${digits(4)}`, grouped, 4],
    [of('{9}'), () => digits(9), withTail, 4],
    [of('{16}'), () => `${4 + next(2)}${digits(15)}`, withTail, 4],
    [of('{19}'), () => `${1 + next(9)}${digits(18)}`, withTail, 4],
  ]
  for (const [made, draw, convert, every] of cases) {
    const seen = Array.from({ length: 3_000 }, () => (next(every) ? draw() : convert(draw())))
    const { told } = columnRuns(made, evidenceOf(made, seen))
    const short = told.filter(({ from, to }) => to.index - from.index < 2_500)
    expect(short.map(({ process, from, to }) => `${process} ${from.index}-${to.index}`)).toEqual([])
  }
})

test('that all lie below the limit of a type tells nothing where hardly any are left to hold them against', () => {
  const areas = ['206555', '253555', '360555', '425555']
  const made = of('{10}')
  const draw = () => `${areas[next(4)]}${digits(4)}`
  for (let again = 0; again < 6; again++) {
    const originals = Array.from({ length: 6_000 }, draw)
    const seen = originals.map((one) => (next(50) ? one : withTail(one)))
    const runs = columnRuns(made, evidenceOf(made, seen))
    expect(runs.told.map(({ process }) => process)).toEqual([])
    seen.forEach((value, row) => {
      if (value === originals[row]) return
      expect(judge(made, value, 10, runs.around(row)).mend).toBe(originals[row])
    })
  }
})

test('serials issued one after the other: one line for all that were rounded', () => {
  let serial = 430_022_223_333_444_417n
  const told = toldOf(of('{18}'), () => `${serial++}`, 4000, [[1000, 3000, binary64]])
  expect(told.length).toBe(1)
  const [, process, from, to] = /^(.*) (\d+)-(\d+)$/.exec(told[0]!) ?? []
  expect(process).toBe('binary64')
  // A serial that needs no rounding, and one beside it, may stand at either end.
  expect(Math.abs(Number(from) - 1000)).toBeLessThan(3)
  expect(Math.abs(Number(to) - 2999)).toBeLessThan(3)
})
