// Numbers as programs print them that take less care: with digits that are not theirs, with more than name them, filled up with
// spaces, in 8 bits, or as the sum that a hyphen was taken for.

import { describe, expect, test } from 'vitest'
import { columnRuns, fit, fromCatalog, judge } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import {
  convertedRun,
  digits,
  evidenceOf,
  isListed,
  next,
  of,
  toBits,
  withCheckDigit,
} from './converted-column.js'

const listed = (stored: string, seen: string) =>
  judge(of(stored), seen, 1000).candidates.map(({ text }) => text)

describe('a number of binary64', () => {
  test('half way to another: some print no such number, but a digit more', () => {
    // By the show function of another program, of 491611194750621582.
    expect(listed('{20}', '491611194750621570.000')).toContain('00491611194750621582')
  })
  test('with more digits than name it', () => {
    // By the %.18e of another program, which has digits enough for the shorter one only.
    const { verdict, mend } = judge(of('{20}'), '3.058064808264269005e+19')
    expect([verdict, mend]).toEqual(['lost', undefined])
    expect(listed('{20}', '4.974190265619754880e+17')).toContain('00497419026561975472')
  })
  test('all of its digits in every row: none is mended by them', () => {
    const draw = () => `00${1 + next(9)}${digits(17)}`
    const all = (text: string) => {
      const value = BigInt(text)
      const unit = 1n << BigInt(value.toString(2).length - 53)
      const float = `${((value + unit / 2n) / unit) * unit}`
      return `${float[0]}.${float.slice(1)}0e+17`
    }
    const rows = convertedRun(of('{20}'), draw, all)
    for (const row of rows) {
      expect(row.told.mend ?? row.original).toBe(row.original)
      expect(isListed(row) || row.told.verdict === 'lost').toBe(true)
    }
  })
  test.each(['1,735,000,000,003,817,286', '1735000000003817286.00'])(
    '%s may have digits that are not its own: no mend of it is exact',
    (seen) => {
      // By the format-number function of another program, of 1735000000003817399.
      const { proof } = judge(of('{19}'), seen)
      expect(proof).not.toBe('exact')
    },
  )
  test('up to 2^53 all digits are its own', () => {
    expect(judge(of('{16}'), '4300222233334444.0').proof).toBe('exact')
  })
})

describe('digits that are worked out with numbers of binary64', () => {
  const float = (value: bigint) => {
    const unit = 1n << BigInt(Math.max(0, value.toString(2).length - 53))
    return ((value + unit / 2n) / unit) * unit
  }
  const workedOut = (text: string) => {
    let shown = ''
    for (let left = float(BigInt(text)); left > 0n; left = float(left / 10n))
      shown = `${left % 10n}${shown}`
    return shown
  }
  const grouped = (text: string) => text.replace(/\B(?=(?:\d{3})+$)/g, ',')
  const draw = () => `0${1 + next(9)}${digits(18)}`

  test.each([120, 20])('are all even: of %i rows none is mended by them', (count) => {
    const rows = convertedRun(of('{20}'), draw, (text) => grouped(workedOut(text)), count)
    const others = rows.filter(({ original, seen }) => seen !== grouped(original.slice(1)))
    expect(others.length).toBeGreaterThan(count * 0.9)
    for (const row of rows) {
      expect(row.told.mend).toBeUndefined()
      expect(isListed(row) || row.told.verdict === 'lost').toBe(true)
    }
  })
  test('are no one else’s: what is grouped with its own digits gets its zero', () => {
    for (const row of convertedRun(of('{20}'), draw, (text) => grouped(text.slice(1)), 20))
      expect(row.told.mend).toBe(row.original)
  })
})

describe('numbers that were divided by a hundred', () => {
  const hundredth = (text: string) => {
    const value = BigInt(text)
    const behind = `${value % 100n}`.padStart(2, '0').replace(/0$/, '')
    return `${value / 100n}.${behind}`
  }
  test('are turned back, but for those without a fraction', () => {
    for (const printed of [hundredth, (text: string) => hundredth(text).replace(/\.0$/, '')]) {
      const rows = convertedRun(of('{6}'), () => digits(6), printed, 300)
      const whole = rows.filter(({ seen }) => /^\d+(\.0)?$/.test(seen))
      expect(whole.length).toBeGreaterThan(0)
      for (const { told } of whole) expect(told.mend).toBeUndefined()
      for (const { original, seen, told } of rows)
        if (!/^\d+(\.0)?$/.test(seen)) expect([told.mend, told.proof]).toEqual([original, 'odds'])
    }
  })
  test('of seventeen digits are not all there', () => {
    const draw = () => `2026${digits(13)}`
    for (const { told } of convertedRun(of('{17}'), draw, hundredth))
      expect(told.mend).toBeUndefined()
  })
  test('in binary64, where a hundredth of seventeen digits is one of 32 parts, are among those listed', () => {
    const draw = () => `2026${digits(13)}`
    const divided = (text: string) => {
      const parts = (toBits(BigInt(text), 53) * 64n + 100n) / 200n
      const cents = (parts * 200n + 32n) / 64n
      return `${cents / 100n}.` + `${cents % 100n}`.padStart(2, '0')
    }
    const rows = convertedRun(of('{17}'), draw, divided).filter(({ seen }) => !/0$/.test(seen))
    expect(rows.length).toBeGreaterThan(60)
    for (const row of rows)
      expect([row.seen, row.told.mend, isListed(row)]).toEqual([row.seen, undefined, true])
  })
  test('are no amounts that stand here and there', () => {
    for (const amount of ['12.50', "'12.50", ' 12,50 ', '"12.5"'])
      expect([amount, judge(of('{4}'), amount).mend]).toEqual([amount, undefined])
    expect(judge(of('{4}'), '12.50').verdict).toBe('misfit')
    let row = 0
    const amount = (text: string) => (row++ % 20 === 7 ? '12.50' : text)
    const rows = convertedRun(of('{4}'), () => digits(4), amount)
    const amounts = rows.filter(({ seen }) => seen === '12.50')
    expect(amounts).toHaveLength(6)
    for (const { told } of amounts) expect(told.verdict).toBe('misfit')
  })
  test('one fraction among numbers with a decimal says nothing of them', () => {
    const draw = () => `0${digits(5)}`
    let row = 0
    const tail = (text: string) => `${BigInt(text)}.${row++ === 60 ? 5 : 0}`
    for (const { original, seen, told } of convertedRun(of('{6}'), draw, tail))
      if (seen.endsWith('.0')) expect(told.mend).toBe(original)
  })
})

test('single precision of several widths: what is too short to be rounded says as much as that it was read', () => {
  const draw = () => digits(4 + next(5))
  const single = (text: string) => {
    const value = BigInt(text)
    const unit = 1n << BigInt(Math.max(0, value.toString(2).length - 24))
    return `${((value + unit / 2n) / unit) * unit}.0`
  }
  const rows = convertedRun(of('{4..8}'), draw, single)
  const rounded = rows.filter(({ original, seen }) => `${BigInt(original)}.0` !== seen)
  expect(rounded.length).toBeGreaterThan(10)
  for (const { told } of rounded) expect(told.mend).toBeUndefined()
})

test('a number below zero of 8 bits', () => {
  expect(listed('{3}', '-77')).toEqual(expect.arrayContaining(['077', '179', '435', '691', '947']))
})

test.each(['54394.0', '5.4394e+04', '54,394'])('%s may be 54481-87, worked out', (seen) => {
  expect(judge(of('{5}-{2}'), seen).findings).toContain('evaluated')
})

test('numbers that stand below each other in a column may have lost a zero', () => {
  const rows = convertedRun(
    of('{5..7}'),
    () => digits(5 + next(3)),
    (text) => `${BigInt(text)}`.padStart(10),
  )
  for (const row of rows) {
    expect(row.told.mend ?? row.original).toBe(row.original)
    if (row.told.verdict === 'ambiguous') expect(isListed(row)).toBe(true)
  }
})

test('of a few without a fraction the others of the column tell that they were divided by a hundred', () => {
  const made = definition({ stored: '{15}', check: 'luhn' })
  const device = () => withCheckDigit(`37635086${digits(6)}`)
  // Two zeros at the end, and the check digit is right with two in front as well.
  const round = () => {
    for (;;) {
      const whole = `${device().slice(0, 13)}00`
      const padded = `00${whole.slice(0, -2)}`
      if (fit(made, whole).ok && fit(made, padded).ok) return whole
    }
  }
  const before = Array.from({ length: 500 }, device).flatMap((text) => [text, text, text])
  const first = 527
  before[first + 1] = before[first + 2] = before[first + 3] = round()
  const struck = (i: number) => (i >= first && i < first + 150) || (i >= 1100 && i < 1250)
  const seen = before.map((text, i) =>
    struck(i) ? `${text.slice(0, -2)}.${text.slice(-2)}` : text,
  )
  const runs = columnRuns(made, evidenceOf(made, seen))
  for (const i of [1, 2, 3].map((row) => first + row)) {
    const { verdict, mend } = judge(made, seen[i]!, 10, runs.around(i))
    expect([verdict, mend]).toEqual(['lost', undefined])
  }
})

test('one number that comes again and again is not known to be whole where the others have a fraction', () => {
  const made = of('{4}')
  const grouped = (text: string) => `${text.slice(0, 3)}.${text.slice(3)}`
  const numbers = ['7690', '6675', '1234', '8071', '5512', '9906']
  const seen = numbers.flatMap((text) => Array<string>(24).fill(grouped(text)))
  const runs = columnRuns(made, evidenceOf(made, seen))
  seen.forEach((text, i) => expect(judge(made, text, 10, runs.around(i)).mend).toBeUndefined())
})

test('long numbers of which a hundredth was worked out in binary64, and shown as a percentage, are not all there', () => {
  const made = fromCatalog('bank/account-mx')!
  const draw = (): string => {
    const text = `${2 + next(7)}${digits(17)}`
    return fit(made, text).ok ? text : draw()
  }
  // In quarters: a hundredth of these is beyond 2^50, and binary64 numbers lie a quarter apart there, at the least.
  const percent = (text: string) => {
    const quarters = (toBits(BigInt(text), 53) * 4n + 50n) / 100n
    const hundredth = toBits(quarters, 53)
    return `${(hundredth * 100n) / 4n}%`
  }
  const rows = convertedRun(made, draw, percent, 200)
  for (const row of rows) {
    expect([row.seen, [undefined, row.original].includes(row.told.mend)]).toEqual([row.seen, true])
    expect([row.seen, isListed(row)]).toEqual([row.seen, true])
  }
  const lone = rows.map(({ seen }) => judge(made, seen)).filter(({ mend }) => mend !== undefined)
  expect(lone.length).toBeGreaterThan(0)
  for (const { proof } of lone) expect(proof).toBe('odds')
})
