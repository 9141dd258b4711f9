// Values that fit in a run of rows that were converted: what others of the run show casts doubt on them.

import { expect, test } from 'vitest'
import { columnRuns, fromCatalog, judge } from 'sornak'
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
  toDigits,
  withCheckDigit,
  type Row,
} from './converted-column.js'
import { restart } from './draws.js'

const intoUint = (bits: number) => (text: string) => `${BigInt.asUintN(bits, BigInt(text))}`
const intoInt = (bits: number) => (text: string) => `${BigInt.asIntN(bits, BigInt(text))}`

const fits = ({ told }: Row) => told.fit === undefined

/** Values that were changed and fit, between the first and the last that do not. */
function changedAmong(rows: readonly Row[]): Row[] {
  const unfit = rows.flatMap((row, i) => (fits(row) ? [] : [i]))
  return rows.slice(unfit[0], unfit.at(-1)).filter((row) => row.seen !== row.original && fits(row))
}

function expectDoubt(rows: readonly Row[], least: number): void {
  expect(rows.length).toBeGreaterThanOrEqual(least)
  for (const row of rows)
    expect([row.seen, row.told.verdict, isListed(row)]).toEqual([row.seen, 'suspect', true])
}

const cards = definition({ stored: '{13..19}', check: 'luhn' })
const card = () => withCheckDigit(`${4 + next(3)}${digits(12 + next(6))}`)
const phone = () => `${2 + next(8)}${digits(9)}`

test('telephone numbers that wrapped round in thirty rows', () => {
  const fitting = Array.from({ length: 4 }, () =>
    changedAmong(convertedRun(of('{10}'), phone, intoUint(32), 30)),
  )
  expectDoubt(fitting.flat(), 40)
})

test('and not where all others lie below the limit of the type as they are', () => {
  const draw = () => `${next(4)}${digits(9)}`
  const rows = convertedRun(of('{10}'), draw, bare, 40)
  const whole = rows.filter(({ seen }) => seen.length === 10)
  expect(whole.length).toBeGreaterThan(20)
  for (const { seen, told } of whole) expect([seen, told.verdict]).toEqual([seen, 'intact'])
})

test('numbers below zero stand in no display form, though they have as many digits', () => {
  const made = definition({ stored: '{10}', display: '({3}) {3}-{4}' })
  const draw = () => `${'22356'[next(5)]!}${digits(9)}`
  const rows = convertedRun(made, draw, intoInt(32), 60)
  const below = rows.filter(({ seen }) => /^-\d{10}$/.test(seen))
  expect(below.length * 2).toBeGreaterThan(rows.filter((row) => !fits(row)).length)
  expectDoubt(changedAmong(rows), 10)
})

test('padded numbers of a type of sixteen bits, whose digits all fit', () => {
  const made = definition({ stored: '{8}', zeros: 'padding' })
  const draw = () => `${1 + next(9)}${digits(7)}`
  const rows = convertedRun(made, draw, intoInt(16), 40)
  const fitting = changedAmong(rows)
  expect(fitting.length).toBeGreaterThan(10)
  for (const { seen, told } of fitting) expect([seen, told.verdict]).toEqual([seen, 'suspect'])
})

// The nearest number of so many bits, halves to the even one (IEEE 754): its bits, and what the last of them counts.
function nearest(text: string, bits: number): { mantissa: bigint; step: bigint } {
  const value = BigInt(text)
  const step = 1n << BigInt(Math.max(0, value.toString(2).length - bits))
  const below = value / step
  const rest = (value % step) * 2n
  const up = rest > step || (rest === step && below % 2n === 1n)
  return { mantissa: below + (up ? 1n : 0n), step }
}

// binary32, printed with all its digits.
function single(text: string): string {
  const { mantissa, step } = nearest(text, 24)
  return `${mantissa * step}`
}

test('twenty numbers of eight digits that were rounded to 24 bits', () => {
  const rows = Array.from({ length: 8 }, () =>
    convertedRun(of('{8}'), () => `${4 + next(3)}${digits(7)}`, single, 20).slice(2, -2),
  ).flat()
  expectDoubt(
    rows.filter(({ seen, original }) => seen !== original),
    80,
  )
})

// binary64, printed as the shortest number that reads back as it.
function double(text: string): string {
  const { mantissa, step } = nearest(text, 53)
  const near = mantissa * step
  for (let unit = 10_000n; unit > 1n; unit /= 10n) {
    const round = ((near + unit / 2n) / unit) * unit
    const apart = (round > near ? round - near : near - round) * 2n
    if (apart < step || (apart === step && mantissa % 2n === 0n)) return `${round}`
  }
  return `${near}`
}

test('a reader that leaves zeros at the front alone rounds the others, and few of them fit', () => {
  const made = definition({ stored: '{18}', check: 'luhn' })
  const draw = () => withCheckDigit(`${next(9) ? 1 + next(9) : 0}${digits(16)}`)
  const read = (text: string) => (text.startsWith('0') ? text : double(text))
  const fitting = Array.from({ length: 4 }, () =>
    changedAmong(convertedRun(made, draw, read, 60)),
  ).flat()
  expectDoubt(fitting, 10)
})

test('cards that were cut to fifteen digits, one in ten of which has its check digit still', () => {
  const cut = (text: string) => text.slice(0, 15)
  const fitting = Array.from({ length: 4 }, () =>
    changedAmong(convertedRun(cards, card, cut, 60)),
  ).flat()
  expect(fitting.length).toBeGreaterThan(5)
  for (const { seen, told } of fitting) expect([seen, told.verdict]).toEqual([seen, 'suspect'])
})

/** Values that the conversion leaves as they are stay intact. */
function expectNoDoubt(rows: readonly Row[], left: (text: string) => boolean, least: number): void {
  const same = rows.filter(({ seen, original }) => seen === original && left(seen))
  expect(same.length).toBeGreaterThanOrEqual(least)
  for (const { seen, told } of same) expect([seen, told.verdict]).toEqual([seen, 'intact'])
}

test.each([
  ['2^53 as binary numbers', double, (text: string) => BigInt(text) < 1n << 53n],
  [
    'fifteen digits',
    (text: string) => text.slice(0, 15).padEnd(text.length, '0'),
    (text: string) => text.length < 15,
  ],
])('cards that are too short for %s to change them are theirs still', (_, convert, left) => {
  expectNoDoubt(convertedRun(cards, card, convert, 60), left, 10)
})

test('numbers below a limit are theirs still, where others are held at it', () => {
  const held = (text: string) => (BigInt(text) > 4294967295n ? '4294967295' : text)
  const draw = () => `${1 + next(9)}${digits(7 + next(5))}`
  const rows = convertedRun(of('{8..12}'), draw, held, 60)
  expectNoDoubt(rows, (text) => text !== '4294967295', 10)
  for (const { seen, original, told } of rows)
    if (seen !== original) expect([seen, told.verdict]).toEqual([seen, 'suspect'])
})

test('what an octal reader refuses is left, and what it read is no number that wrapped', () => {
  const octal = (text: string) => (/[89]/.test(text) ? text : `${BigInt(`0o${text}`)}`)
  const stored = ['0{1 of "1..35..9"}{9}', '0{1 of "1..35..9"}{8}']
  const draw = () => `0${'12356789'[next(8)]!}${digits(8 + next(2))}`
  const rows = Array.from({ length: 12 }, () =>
    convertedRun(definition({ stored }), draw, octal, 60),
  ).flat()
  expectNoDoubt(rows, (text) => /[89]/.test(text), 400)
  const read = rows.filter(({ seen, original }) => seen !== original)
  expect(read.length).toBeGreaterThan(40)
  for (const { seen, original, told } of read)
    if (told.mend !== undefined) expect([seen, told.mend]).toEqual([seen, original])
})

test('numbers below a limit that those elsewhere never come to', () => {
  const made = fromCatalog('health-number/gb')!
  const valid = (body: string) => {
    const sum = [...body].reduce(
      (total, digit, i) => total + Number.parseInt(digit, 10) * (10 - i),
      0,
    )
    const last = (11 - (sum % 11)) % 11
    return last < 10 ? `${body}${last}` : undefined
  }
  const draw = (): string => valid(`${'679'[next(3)]!}${digits(8)}`) ?? draw()
  const rows = Array.from({ length: 4 }, () => convertedRun(made, draw, intoUint(32), 120)).flat()
  expectDoubt(changedAmong(rows), 10)
})

test('a number beside a run that is one of binary64 by chance is left alone', () => {
  const serial = fromCatalog('serial/long')!
  for (const chance of ['206744516423172672', '725783539996294912', '112563252506169710'])
    for (const at of [23, 48]) {
      const seen = Array.from({ length: 72 }, (_, row) => {
        if (row === at) return chance
        const original = `${1 + next(9)}${digits(17)}`
        return row >= 24 && row < 48 ? intoUint(16)(original) : original
      })
      const runs = columnRuns(serial, evidenceOf(serial, seen))
      const { verdict } = judge(serial, chance, 10, runs.around(at))
      expect([chance, at, verdict]).toEqual([chance, at, 'intact'])
    }
})

test('numbers of binary64 that are printed with seventeen digits and zeros behind them', () => {
  const seventeen = (text: string) => `${toDigits(toBits(BigInt(text), 53), 17)}`
  for (const width of [18, 19, 20]) {
    const draw = () => `${1 + next(9)}${digits(width - 1)}`
    const rows = convertedRun(of(`{${width}}`), draw, seventeen, 24)
    expect(rows.slice(1, -1).map(({ told }) => told.verdict)).toEqual(Array(22).fill('suspect'))
    if (width === 18)
      expectDoubt(
        rows.slice(1, -1).filter(({ seen, original }) => seen !== original),
        15,
      )
  }
})

test('a few numbers that wrapped round do not carry what struck one block over the clean rows before it', () => {
  const made = of('{10}')
  const wrapped = [4, 61, 133, 255, 290, 332, 381, 541]
  const held = (text: string) => (BigInt(text) > 2_147_483_647n ? '2147483647' : text)
  for (const start of [1, 2, 3, 4]) {
    restart(start * 7919)
    const seen = Array.from({ length: 600 }, (_, row) => {
      const original = `${['206', '253', '360', '425'][next(4)]!}${digits(7)}`
      if (wrapped.includes(row)) return intoUint(16)(original)
      if (row >= 400 && row < 460) return original.slice(1)
      return row >= 150 && row < 250 ? held(original) : original
    })
    const runs = columnRuns(made, evidenceOf(made, seen))
    const verdicts = seen.map((text, row) => judge(made, text, 10, runs.around(row)).verdict)
    const clean = verdicts.filter((_, row) => {
      const struck = (row >= 150 && row < 250) || (row >= 400 && row < 460)
      return !struck && !wrapped.includes(row)
    })
    expect(clean.filter((verdict) => verdict !== 'intact')).toEqual([])
    // What was held in the other block is seen as before.
    expect(verdicts.slice(160, 240).filter((one) => one === 'suspect').length).toBeGreaterThan(30)
  }
})

test('zeros are gone from a column of several widths where one in ten of the narrowest became too short', () => {
  const made = of('{8..12}')
  // Most are as wide as they come.
  const draw = () => digits(next(5) === 0 ? 8 + next(5) : 12)
  const originals = Array.from({ length: 2000 }, draw)
  const seen = originals.map(bare)
  const { around } = columnRuns(made, evidenceOf(made, seen))
  const fitting = seen.flatMap((text, i) => (text.length >= 8 ? [{ text, i }] : []))
  const changed = fitting.filter(({ text, i }) => text !== originals[i] && text.length < 12)
  const isShort = (text: string) => text.length < 8
  const inside = changed.filter(
    ({ i }) => i > seen.findIndex(isShort) && i < seen.findLastIndex(isShort),
  )
  const doubted = inside.filter(
    ({ text, i }) => judge(made, text, 10, around(i)).verdict === 'suspect',
  )
  expect(inside.length).toBeGreaterThan(50)
  expect(doubted.length).toBeGreaterThan(inside.length * 0.95)
  // Twelve digits lost none.
  for (const { text, i } of fitting)
    if (text.length === 12) expect(judge(made, text, 10, around(i)).verdict).toBe('intact')
})

test('and are not where as many of the narrowest lack a digit as people leave one out', () => {
  const made = of('{8..12}')
  const draw = () => `${1 + next(9)}${digits(next(5) === 0 ? 7 + next(5) : 11)}`
  const seen = Array.from({ length: 2000 }, () => {
    const text = draw()
    return next(50) === 0 ? text.slice(0, 3) + text.slice(4) : text
  })
  const { around } = columnRuns(made, evidenceOf(made, seen))
  const verdicts = seen.flatMap((text, i) =>
    text.length >= 8 ? [judge(made, text, 10, around(i)).verdict] : [],
  )
  expect(verdicts.filter((verdict) => verdict !== 'intact')).toEqual([])
})
