// Numbers that went through fields which other programs have: of so many decimal digits, of 24 bits, of single precision
// printed with more or fewer digits than name it, with a sign in front. What is left looks like numbers that lost zeros.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { runWhy } from '../../src/inspect/messages.js'
import { definition } from '../identifier/definition-for.js'
import {
  bare,
  convertedRun,
  digits,
  evidenceOf,
  isListed,
  next,
  of,
  outcome,
  withCheckDigit,
  type Row,
} from './converted-column.js'

const wrongIn = (rows: readonly Row[]) =>
  rows.filter(({ original, told }) => told.mend !== undefined && told.mend !== original)
/** Lists of candidates without the original. */
const missingIn = (rows: readonly Row[]) =>
  rows.filter((row) => row.told.verdict === 'ambiguous' && !isListed(row))

/** The last digits of a number, as many as a field holds. */
const lastOf = (width: number) => (text: string) => text.slice(-width)
const grouped = (text: string) => text.replace(/\B(?=(\d{3})+$)/g, ',')

describe('a field that keeps the last digits', () => {
  let order = 0
  const orders = () => `${450_000_000 + (order += 1 + next(30))}`
  test('order numbers that follow each other are not what lost a zero', () => {
    const rows = convertedRun(of('{9}'), orders, lastOf(8))
    expect(rows.every(({ seen }) => seen.startsWith('5'))).toBe(true)
    expect(wrongIn(rows)).toEqual([])
    expect(missingIn(rows)).toEqual([])
  })
  test('nor are they here and there', () => {
    const population = {
      of: of('{9}'),
      values: () => {
        let value = 450_000_000
        return () => `${(value += 1 + next(30))}`
      },
    }
    const { short, wrong } = outcome(population, lastOf(8), (row) => row % 4 === 3)
    expect(short).toBe(130)
    expect(wrong).toEqual([])
  })
  test('nor telephone numbers of a few exchanges', () => {
    const draw = () => `${[206, 425, 360][next(3)]!}555${digits(4)}`
    const rows = convertedRun(of('{10}'), draw, lastOf(5))
    expect(wrongIn(rows)).toEqual([])
  })
  test.each([
    ['read as numbers', bare],
    ['printed in groups', (text: string) => grouped(bare(text))],
  ])('twelve of eighteen digits, %s', (_, print) => {
    const rows = convertedRun(
      of('{18}'),
      () => `${1 + next(9)}${digits(17)}`,
      (text) => print(lastOf(12)(text)),
    )
    expect(wrongIn(rows)).toEqual([])
    expect(rows.filter(({ told }) => told.verdict === 'intact')).toEqual([])
  })
  test('of lost zeros nothing else is told', () => {
    const rows = convertedRun(of('{9}'), () => `000${digits(6)}`, bare)
    const short = rows.filter(({ seen }) => seen.length > 2)
    expect(short.map(({ told }) => told.mend)).toEqual(short.map(({ original }) => original))
  })
})

describe('an integer that is printed with its sign and all its digits', () => {
  const signed = (text: string) => {
    const value = BigInt.asIntN(32, BigInt(text))
    return `${value < 0n ? '-' : '+'}${`${value}`.replace('-', '').padStart(10, '0')}`
  }
  test.each(['{12}', '{17}', '{18}'])('%s', (stored) => {
    const width = Number.parseInt(stored.slice(1), 10)
    const rows = convertedRun(of(stored), () => `${1 + next(9)}${digits(width - 1)}`, signed)
    expect(rows.some(({ seen }) => seen.startsWith('+0'))).toBe(true)
    expect(wrongIn(rows)).toEqual([])
    for (const { told } of rows) expect(told.findings).toContain('wrapped')
  })
  test('without a sign it is no such number', () => {
    expect(judge(of('09{9}'), '0482360471').findings).not.toContain('wrapped')
  })
})

describe('the limit of a column', () => {
  const card = definition({ stored: '{15}', check: 'luhn' })
  test.each([
    ['nines', card, () => withCheckDigit(`37${digits(12)}`), '999999999999'],
    ['nines and decimals', of('{10}'), () => `${2 + next(8)}${digits(9)}`, '99999999.99'],
    ['24 bits', of('{10}'), () => `${2 + next(8)}${digits(9)}`, '8388607'],
    ['24 bits without a sign', of('{10}'), () => `${2 + next(8)}${digits(9)}`, '16777215'],
  ])('%s', (_, made, draw, limit) => {
    const rows = convertedRun(made, draw, () => limit)
    for (const { told } of rows) {
      expect(told.verdict).toBe('lost')
      expect(told.findings).toContain('clamped')
    }
  })
  test('five nines are a number like any other', () => {
    expect(judge(of('{6}'), '99999').mend).toBe('099999')
  })
})

/** The nearest number of 24 bits; no half is met here. */
function single(text: string): bigint {
  const value = BigInt(text)
  const drop = BigInt(Math.max(0, value.toString(2).length - 24))
  const unit = 1n << drop
  return ((value + unit / 2n) / unit) * unit
}

/** With so many digits, the others zeros. */
function shortened(value: bigint, keep: number): bigint {
  const unit = 10n ** BigInt(Math.max(0, `${value}`.length - keep))
  return ((value + unit / 2n) / unit) * unit
}

describe('single precision', () => {
  const exponent = (value: bigint) => {
    const all = `${shortened(value, 10)}`
    return `${all[0]}.${all.slice(1).padEnd(9, '0').slice(0, 9)}E+${`${all.length - 1}`.padStart(2, '0')}`
  }
  test('as another program printed it', () => {
    // The second column by the %.9E of another program, of the nearest number of 24 bits.
    for (const [text, printed] of [
      ['23130011468', '2.313001165E+10'],
      ['2745403111', '2.745403136E+09'],
      ['4743284213081064', '4.743284035E+15'],
    ] as const)
      expect(exponent(single(text))).toBe(printed)
  })
  test('ten digits where eight would name it: no mend is wrong, and the original is listed', () => {
    const draw = () => `${['014', '027', '231'][next(3)]!}${digits(8)}`
    const rows = convertedRun(of('{11}'), draw, (text) => exponent(single(text)))
    expect(wrongIn(rows)).toEqual([])
    expect(missingIn(rows)).toEqual([])
  })
  test('six digits and zeros: what fits is doubted', () => {
    const draw = () => `${['206', '425', '360'][next(3)]!}${digits(7)}`
    const rows = convertedRun(of('{10}'), draw, (text) => `${shortened(single(text), 6)}`)
    const changed = rows.filter(({ original, seen }) => original !== seen)
    expect(changed.length).toBeGreaterThan(110)
    for (const { told } of changed) expect(told.verdict).toBe('suspect')
  })
  test('six digits and zeros: the column says so, and of no exponent', () => {
    const made = of('{10}')
    const values = Array.from({ length: 300 }, (_, i) => {
      const text = `${['206', '425', '360'][next(3)]!}${digits(7)}`
      return i >= 100 && i < 160 ? `${shortened(BigInt(text), 6)}` : text
    })
    const { told } = columnRuns(made, evidenceOf(made, values))
    expect(told.map(({ from, to }) => [from.index, to.index])).toEqual([[100, 159]])
    expect(runWhy(told[0]!, 101, 160, [])).toMatch(
      /^A few digits, and zeros behind them: rows 101 to 160/,
    )
  })
})

describe('six digits of seven or eight', () => {
  const six = (text: string) => `${shortened(BigInt(text), 6)}.0`
  test.each([
    ['{9}', () => `00${digits(7)}`],
    ['{8}', () => `202${1 + next(4)}${digits(4)}`],
  ])('of %s', (stored, draw) => {
    const rows = convertedRun(of(stored), draw, six)
    expect(wrongIn(rows)).toEqual([])
    expect(missingIn(rows)).toEqual([])
  })
  test('a few numbers that end in a zero, again and again, were not shortened', () => {
    const exchanges = ['2065550', '4255550', '9855550']
    const rows = Array.from({ length: 240 }, () => exchanges[next(3)]!)
    const made = of('{10}')
    const runs = columnRuns(made, evidenceOf(made, rows))
    for (const [i, text] of rows.entries())
      expect(judge(made, text, 10, runs.around(i)).findings).not.toContain('digits-rounded')
  })
})

test('the front of an account, read as a number: what it lacks at the end is not what it lost in front', () => {
  const branches = ['040004', '089300', '200051', '309950']
  const rows = convertedRun(
    of('{14}'),
    () => `${branches[next(4)]!}${digits(8)}`,
    (text) => bare(text.slice(0, 12)),
  )
  expect(wrongIn(rows)).toEqual([])
  expect(missingIn(rows)).toEqual([])
})

describe('numbers cut to thousands', () => {
  const card = definition({ stored: '{16}', check: 'luhn' })
  const cut = (text: string) => `${text.slice(0, -3)}000`
  test('cards are not what lost their sixteenth digit', () => {
    const rows = convertedRun(card, () => withCheckDigit(`4${digits(14)}`), cut)
    expect(wrongIn(rows)).toEqual([])
    expect(missingIn(rows)).toEqual([])
    const wrong = rows.filter(({ original, seen }) => original !== seen)
    expect(wrong.filter(({ told }) => told.verdict === 'intact')).toEqual([])
  })
  test.each([
    ['{9}', () => `00${digits(7)}`],
    ['{6}', () => `${['04', '20', '60'][next(3)]!}${digits(4)}`],
  ])('so may shorter numbers be, of %s', (stored, draw) => {
    const rows = convertedRun(of(stored), draw, (text) => bare(cut(text)))
    expect(wrongIn(rows)).toEqual([])
    expect(missingIn(rows)).toEqual([])
  })
  test('rounded ones as well, with a decimal', () => {
    const rounded = (text: string) => `${((BigInt(text) + 500n) / 1000n) * 1000n}.0`
    const rows = convertedRun(of('{9}'), () => `00${digits(7)}`, rounded)
    expect(wrongIn(rows)).toEqual([])
    expect(missingIn(rows)).toEqual([])
  })
  test('a lone number of thousands lost its zeros', () => {
    expect(judge(of('{6}'), '47000').mend).toBe('047000')
  })
  test('a column of round numbers has nothing else', () => {
    const made = of('{10}')
    const values = Array.from({ length: 400 }, () => `4${digits(6)}000`)
    const runs = columnRuns(made, evidenceOf(made, values))
    expect(runs.told).toEqual([])
    const told = values.map((value, i) => judge(made, value, 10, runs.around(i)).verdict)
    expect(new Set(told)).toEqual(new Set(['intact']))
  })
})

test('a half may have gone to either number of binary64', () => {
  // 12997900312977147 lies between two of them, and the even one of these is …148.
  const { mend, candidates } = judge(of('{17}'), '12997900312977146.0')
  expect(mend).toBeUndefined()
  expect(candidates.map(({ text }) => text).sort()).toEqual([
    '12997900312977145',
    '12997900312977146',
    '12997900312977147',
  ])
})

// GS1 General Specifications, 7.9: weights of 3 and 1 from the right.
function carton(): string {
  const body = `0${digits(12)}`
  const sum = [...body]
    .reverse()
    .reduce((total, digit, i) => total + Number.parseInt(digit, 10) * (i % 2 ? 1 : 3), 0)
  return `${body}${(10 - (sum % 10)) % 10}`
}

test('cartons cut to twelve characters, and then read as numbers: zeros in front and digits behind are gone', () => {
  const made = definition({ stored: '{14}', check: 'gs1' })
  const rows = convertedRun(made, carton, (text) => bare(text.slice(0, 12)))
  expect(rows.filter(({ original, told }) => (told.mend ?? original) !== original)).toEqual([])
  const open = rows.filter(({ told }) => told.verdict === 'ambiguous')
  expect(open.length).toBeGreaterThan(100)
  const unlisted = open.filter((row) => !isListed(row))
  // Where the rows begin and end is not known to the row.
  expect(unlisted.length).toBeLessThanOrEqual(2)
})
