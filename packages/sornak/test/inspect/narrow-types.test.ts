// Numbers that a type cannot hold, or not to the last digit, among others that it can: each value is judged by what
// the type does to it, and not by what it does to its neighbours.

import { expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import {
  bare,
  convertedRun,
  digits,
  evidenceOf,
  isListed,
  next,
  of,
  toBits,
  withCheckDigit,
} from './converted-column.js'

const UINT32 = (1n << 32n) - 1n
const held = (text: string) => `${BigInt(text) > UINT32 ? UINT32 : BigInt(text)}`

test('numbers held at a limit are lost among others that lost their zeros, which come back', () => {
  const account = () => `00${[1, 2, 5][next(3)]!}${digits(9)}`
  const rows = convertedRun(of('{12}'), account, held)
  const limits = rows.filter(({ seen }) => seen === `${UINT32}`)
  expect(limits.length).toBeGreaterThan(20)
  for (const { told } of limits) expect(told).toMatchObject({ verdict: 'lost' })
  for (const { original, seen, told } of rows)
    if (seen !== `${UINT32}`) expect([seen, told.mend]).toEqual([seen, original])
})

// 9223372036854775807 is 0777777777777777777777 as well, read as octal.
test.each([
  ['{20}', 19, UINT32],
  ['{22}', 21, (1n << 63n) - 1n],
])('twenty rows that are all one limit did not wrap round to it: %s', (stored, width, limit) => {
  const draw = () => `${1 + next(9)}${digits(width)}`
  const rows = convertedRun(of(stored), draw, () => `${limit}`, 20)
  for (const { seen, told } of rows)
    expect([seen, told.verdict, told.findings]).toEqual([`${limit}`, 'lost', ['clamped']])
})

// IEEE 754 binary64 prints every second integer from 2^53 on, halves to the multiple of four.
function double(text: string): string {
  const value = BigInt(text)
  if (value < 1n << 53n) return `${value}`
  return `${value % 4n === 3n ? value + 1n : value % 4n === 1n ? value - 1n : value}`
}

test('sixteen digits printed from binary numbers: those that were rounded stay open', () => {
  const rows = convertedRun(
    of('{16}'),
    () => digits(16),
    (text) => `${double(text)}.00`,
  )
  const moved = rows.filter(({ original, seen }) => `${bare(original)}.00` !== seen)
  expect(moved.length).toBeGreaterThan(2)
  for (const row of moved)
    expect([row.seen, row.told.mend, isListed(row)]).toEqual([row.seen, undefined, true])
})

test('fifteen digits of sixteen: that they were rounded is no likelier than that they were cut', () => {
  const cut = convertedRun(
    of('{16}'),
    () => `${1 + next(9)}${digits(15)}`,
    (text) => `${text.slice(0, 15)}0`,
  )
  for (const row of cut.filter(({ original, seen }) => original !== seen))
    expect([row.seen, row.told.verdict, isListed(row)]).toEqual([row.seen, 'suspect', true])
})

// 1.0004204e+09: the nearest multiple of 64, halves to the even one, to eight digits.
function single(text: string): string {
  const value = BigInt(text)
  const below = value / 64n
  const up = value % 64n > 32n || (value % 64n === 32n && below % 2n === 1n)
  const near = `${(below + (up ? 1n : 0n)) * 64n}`
  const eight = `${BigInt(near.slice(0, 8)) + (near[8]! >= '5' ? 1n : 0n)}`
  return `${eight[0]}.${eight.slice(1).replace(/0+$/, '')}e+09`
}

test('eight digits name several binary32 numbers: originals of all of them are listed', () => {
  const rows = convertedRun(of('{10}'), () => `1000${digits(6)}`, single)
  // Where zeros at the end were dropped there are too many to list.
  const open = rows.filter(({ told }) => told.verdict !== 'lost')
  expect(open.length).toBeGreaterThan(100)
  for (const row of open)
    expect([row.seen, row.original, isListed(row)]).toEqual([row.seen, row.original, true])
})

test('the same cut number in all rows says no more than in one', () => {
  const made = of('{18}')
  const rows = Array.from({ length: 120 }, () => '80420000')
  const runs = columnRuns(made, evidenceOf(made, rows))
  expect(judge(made, '80420000', 10, runs.around(60))).toMatchObject({ verdict: 'lost' })
})

// What is no number becomes zero, and a power of ten is one.
function evaluated(text: string): string {
  const [, digits, power] = /^(\d+)(?:E(\d+))?$/.exec(text) ?? []
  if (digits === undefined) return '0'
  return bare(digits + (power ? '0'.repeat(Number.parseInt(power, 10) % 20) : ''))
}

test('codes that look like numbers are read with the numbers around them', () => {
  const made = definition({ stored: '{6 of "0..9A..F"}' })
  const draw = () => Array.from({ length: 6 }, () => '0123456789ABCDEF'[next(16)]!).join('')
  const struck = (row: number) => row % 4 === 3
  const seen = Array.from({ length: 480 }, (_, row) => (struck(row) ? evaluated(draw()) : draw()))
  seen[203] = evaluated('698E02')
  const runs = columnRuns(made, evidenceOf(made, seen))
  const told = judge(made, '69800', 10, runs.around(203))
  expect(told).toMatchObject({ verdict: 'ambiguous' })
  expect(told.candidates.map(({ text }) => text)).toEqual(
    expect.arrayContaining(['069800', '698E02']),
  )
})

test('a wrong check digit is a slip sooner than a seldom conversion', () => {
  const cards = definition({ stored: '{13..19}', check: 'luhn' })
  // 0124143252772733039 read as octal up to the 9 gives this number, too.
  expect(judge(cards, '370289179195075')).toMatchObject({
    verdict: 'misfit',
    findings: ['check-digit'],
    mend: undefined,
  })
  // Fifteen digits and a zero are what spreadsheets leave.
  expect(judge(definition({ stored: '{16}', check: 'luhn' }), '4300222233334440')).toMatchObject({
    verdict: 'mendable',
    mend: '4300222233334449',
  })
})

test('card numbers of several widths that were rounded were not cut', () => {
  const cards = definition({ stored: '{13..19}', check: 'luhn' })
  const draw = () => withCheckDigit(`4${digits(14)}`)
  const rows = convertedRun(cards, draw, (text) => `${((BigInt(text) + 5n) / 10n) * 10n}`)
  for (const row of rows.filter(({ original, seen }) => original !== seen)) {
    expect(row.told.findings).not.toContain('cut-short')
    expect([row.seen, row.told.mend ?? row.original]).toEqual([row.seen, row.original])
  }
  const cut = convertedRun(cards, draw, (text) => text.slice(0, 15))
  for (const { original, told } of cut) expect(told.mend ?? original).toBe(original)
})

test('codes of five digits that all went through 16 bits: more come to small numbers than to large ones', () => {
  const made = of('{5}')
  for (let column = 0; column < 20; column++) {
    const originals = Array.from({ length: 240 }, () => digits(5))
    const seen = originals.map((text) => BigInt.asUintN(16, BigInt(text)).toString())
    const runs = columnRuns(made, evidenceOf(made, seen))
    const short = originals.flatMap((_, row) => (seen[row]!.length < 5 ? [row] : []))
    expect(short.length).toBeGreaterThan(25)
    for (const row of short) {
      const told = judge(made, seen[row]!, 10, runs.around(row))
      const one = { original: originals[row]!, seen: seen[row]!, told }
      expect([one.seen, told.verdict, isListed(one)]).toEqual([one.seen, 'ambiguous', true])
    }
  }
})

// Two's complement of 8 bits.
const signedByte = (text: string) => `${BigInt.asIntN(8, BigInt(text))}`

test('numbers of six digits that wrapped round in 8 bits with a sign: what a wider type left is not what is listed', () => {
  const rows = convertedRun(of('{6}'), () => digits(6), signedByte)
  expect(rows.filter(({ seen }) => seen.startsWith('-')).length).toBeGreaterThan(50)
  for (const { seen, told } of rows) {
    if (seen === '0' || seen === '-1') continue
    expect([seen, told.findings, told.mend]).toEqual([seen, ['wrapped'], undefined])
    // Of a million values each 256th is left: 3,906 or one more.
    expect(told).toMatchObject({ verdict: 'lost' })
    expect([3906n, 3907n]).toContain(told.possible)
  }
})

test('numbers issued one after the other and read as octal are small, and none is below zero: no 8 bits are told of', () => {
  const originals = Array.from({ length: 60 }, (_, row) => `${1 + 14 * row}`.padStart(5, '0'))
  // As far as its digits go: 00091 is 0.
  const octal = (text: string) => `${BigInt(`0o${/^[0-7]+/.exec(text)![0]}`)}`
  const made = of('{5}')
  const seen = originals.map(octal)
  const runs = columnRuns(made, evidenceOf(made, seen))
  seen.forEach((text, row) => {
    if (text === '0') return
    const told = judge(made, text, 1000, runs.around(row))
    expect([text, told.verdict]).toEqual([text, 'ambiguous'])
    expect(told.candidates.map((one) => one.text)).toContain(originals[row])
  })
})

test('what a type of 32 bits leaves of numbers that were rounded before is rounded, and nothing else of it is known', () => {
  const draw = () => `48${digits(17)}`
  const rounded = (text: string) => BigInt.asUintN(32, toBits(BigInt(text), 53))
  const rows = Array.from({ length: 200 }, draw).map((text) => `${rounded(text)}`)
  const made = of('{19}')
  const { around } = columnRuns(made, evidenceOf(made, rows))
  rows.forEach((seen, i) => {
    const { verdict } = judge(made, seen, 10, around(i))
    expect([seen, verdict]).toEqual([seen, 'lost'])
  })
})
