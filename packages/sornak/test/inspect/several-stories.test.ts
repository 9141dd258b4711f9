// Columns in which several conversions struck, some of them a run of rows and others rows here and there: what happened to
// the one says nothing of the other.

import { expect, test } from 'vitest'
import { columnRuns, fit, fromCatalog, judge, type Definition } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import {
  bare,
  digits,
  evidenceOf,
  isListed,
  next,
  of,
  withCheckDigit,
  type Row,
} from './converted-column.js'
import { restart } from './draws.js'

type Convert = (text: string) => string
/** Rows from one to another that a conversion struck; or every so many row. */
type Struck = readonly [Convert, from: number, to: number, every?: number]

function column(made: Definition, draw: () => string, ...each: readonly Struck[]) {
  const rows = Array.from({ length: 2000 }, (_, row) => {
    const original = draw()
    const how = each.findIndex(
      ([, from, to, every = 1]) => row >= from && row < to && (row - from) % every === 0,
    )
    return { original, seen: each[how]?.[0](original) ?? original, how }
  })
  const runs = columnRuns(
    made,
    evidenceOf(
      made,
      rows.map(({ seen }) => seen),
    ),
  )
  const told = rows.map((row, i) => ({ ...row, told: judge(made, row.seen, 1000, runs.around(i)) }))
  return { runs, by: (how: number) => told.filter((row) => row.how === how) }
}

function expectNoneWrong(rows: readonly Row[]): void {
  expect(rows.length).toBeGreaterThan(4)
  for (const { original, seen, told } of rows)
    expect([seen, told.mend ?? original]).toEqual([seen, original])
}

const serial = () => digits(18)
/** With so many significant digits and an exponent, as C prints it. */
const exponent =
  (count: number): Convert =>
  (text) => {
    const value = bare(text)
    const unit = 10n ** BigInt(Math.max(0, value.length - count))
    const rounded = `${(BigInt(value) + unit / 2n) / unit}`.padEnd(count, '0')
    const power = value.length - 1 + rounded.length - count
    return `${rounded[0]}.${rounded.slice(1, count)}e+${power}`
  }
/** The nearest binary64 number of eighteen digits, worked out in integers. */
const nearest: Convert = (text) => {
  const value = BigInt(text)
  const bits = BigInt(Math.max(0, value.toString(2).length - 53))
  const half = bits > 0n ? 1n << (bits - 1n) : 0n
  return `${((value + half) >> bits) << bits}`
}
const intoInt16: Convert = (text) => `${BigInt.asIntN(16, BigInt(text))}`
const marked: Convert = (text) => `${text}\u00a0`

test('a lone exponent in a column whose run has a mark behind its values', () => {
  const card = () => withCheckDigit(`${3 + next(3)}${digits(14)}`)
  const made = definition({ stored: '{16}', check: 'luhn' })
  const rows = column(made, card, [marked, 600, 700], [exponent(6), 0, 2000, 90]).by(1)
  expectNoneWrong(rows)
  expect(rows.filter(({ told }) => told.verdict === 'lost').length).toBe(rows.length)
})

test('binary numbers printed with decimals here and there, beside numbers that wrapped', () => {
  const decimals: Convert = (text) => `${nearest(text)}.00`
  const { by } = column(
    of('{18}'),
    serial,
    [marked, 300, 400],
    [decimals, 5, 2000, 200],
    [intoInt16, 1, 2000, 50],
  )
  expectNoneWrong(by(1))
  for (const row of by(1).filter(({ told }) => told.verdict === 'ambiguous'))
    expect([row.seen, isListed(row)]).toEqual([row.seen, true])
  expectNoneWrong(by(2))
})

test('a sequence that was grouped in one run and shortened in another', () => {
  let count = 0n
  const counted = () => `${100200300400500000n + (count += 7n)}`
  const grouped: Convert = (text) => text.replace(/\B(?=(?:\d{3})+$)/g, '.')
  const { by } = column(of('{18}'), counted, [grouped, 300, 400], [exponent(4), 700, 760])
  expectNoneWrong(by(0))
  expect(by(0).filter(({ told }) => told.mend !== undefined).length).toBeGreaterThan(80)
  expect(by(1).length).toBe(60)
  for (const { told } of by(1)) expect(told.verdict).toBe('lost')
})

test('a run that wrapped round lies far from one that lost its zeros', () => {
  const uint32: Convert = (text) => `${BigInt.asUintN(32, BigInt(text))}`
  const rows = column(of('{18}'), serial, [bare, 200, 400], [uint32, 900, 920]).by(1)
  expectNoneWrong(rows)
  for (const { told } of rows) expect(['lost', 'suspect']).toContain(told.verdict)
})

test('one short value beside a run of others is no such value where it lacks many more', () => {
  const mobile = () => `0${'678'[next(3)]!}${digits(8)}`
  const { by } = column(of('0{9}'), mobile, [bare, 300, 350], [() => '17478', 299, 300])
  expect(by(0).every(({ told, original }) => told.mend === original)).toBe(true)
  const [row] = by(1)
  expect(row!.told.mend).toBe(undefined)
})

test('texts that lost their last character next to a run that was read as numbers', () => {
  const cut: Convert = (text) => text.slice(0, -1)
  const mobile = () => `15${next(10)}${digits(8)}`
  const six: Convert = (text) => text.slice(1)
  const { by } = column(of('1{10}'), mobile, [six, 600, 660], [cut, 550, 720, 15])
  expectNoneWrong(by(0))
  expectNoneWrong(by(1))
})

test('a run is told from its first row to its last, and not to rows far from it', () => {
  const pass = () => `6${digits(18)}`
  const cut: Convert = (text) => text.slice(0, -3)
  const { runs } = column(of('{19}'), pass, [cut, 700, 800], [intoInt16, 400, 1100, 90])
  const short = runs.told.filter(({ from, to }) => from.index < 800 && to.index >= 700)
  expect(short.map(({ from, to }) => [from.index, to.index])).toEqual([[700, 799]])
})

test('digits grouped by spaces are a number, and no value with spaces in it', () => {
  const spaced: Convert = (text) => nearest(text).replace(/\B(?=(?:\d{3})+$)/g, '\u202f')
  const rows = column(of('{18}'), () => `${1 + next(9)}${digits(17)}`, [spaced, 500, 660]).by(0)
  expectNoneWrong(rows)
  expect(rows.every(({ told }) => told.mend === undefined)).toBe(true)
})

test('lone values that wrapped round, far from the rows of a run that was cut', () => {
  const member = () => `202${1 + next(4)}${digits(13)}`
  const cut: Convert = (text) => text.slice(0, 12)
  // What does not come out below zero looks as if it had lost its zeros.
  const int32: Convert = (text) => `${BigInt.asIntN(31, BigInt(text)) & 0x7fffffffn}`
  const { by } = column(
    of('{17}'),
    member,
    [cut, 480, 580],
    [marked, 1380, 1480],
    [int32, 330, 1400, 150],
  )
  expectNoneWrong(by(2))
  expect(by(2).filter(({ told }) => told.mend !== undefined)).toEqual([])
})

test('values of several widths that lost their last character, in rows where too many are short', () => {
  const ticket = () => `${1 + next(9)}${digits(5 + next(3))}`
  const cut: Convert = (text) => text.slice(0, -1)
  const { by } = column(of('{6..8}'), ticket, [cut, 900, 940], [(text) => `${text}.0`, 0, 2000, 60])
  const rows = by(0)
  const short = rows.flatMap(({ seen }, i) => (seen.length < 6 ? [i] : []))
  const within = rows.slice(short[0], short.at(-1))
  expect(within.length).toBeGreaterThan(25)
  for (const row of within) {
    expect([row.seen, row.told.verdict]).toEqual([
      row.seen,
      row.seen.length < 6 ? 'ambiguous' : 'suspect',
    ])
    expect([row.seen, isListed(row)]).toEqual([row.seen, true])
  }
})

test('a code that lost its last digit was not printed as a power of ten', () => {
  const code = () => `${digits(3)}E${digits(2)}`
  const cut: Convert = (text) => text.slice(0, -1)
  for (const struck of [[[cut, 700, 740]], [[cut, 0, 2000, 400]]] as const) {
    const rows = column(of('{3}E{2}'), code, ...struck).by(0)
    expect(rows.length).toBeGreaterThan(4)
    for (const row of rows)
      expect([row.seen, row.told.verdict, isListed(row)]).toEqual([row.seen, 'ambiguous', true])
  }
})

test('a value of several widths that lost a zero before marks came around it', () => {
  const made = of('{4..6}')
  const draw = () => digits(4 + next(3))
  const formula: Convert = (text) => `="${bare(text)}"`
  for (const to of [400, 2000]) {
    const rows = column(made, draw, [formula, 0, to]).by(0)
    expectNoneWrong(rows)
    const lost = rows.filter(({ seen, original }) => seen !== `="${original}"`)
    expect(lost.length).toBeGreaterThan(20)
    for (const row of lost) expect([row.seen, isListed(row)]).toEqual([row.seen, true])
  }
})

test('marks around values of which some start with a zero leave them what they are', () => {
  const draw = () => digits(4 + next(3))
  const rows = column(of('{4..6}'), draw, [(text) => `'${text}`, 0, 400]).by(0)
  for (const { seen, original, told } of rows) expect([seen, told.mend]).toEqual([seen, original])
})

test('what explains two runs together, and none of them best, happened to neither', () => {
  const accounts = ['0012', '0103', '1200']
  const account = () => `${accounts[next(3)]}${digits(6)}`
  const intoUint16: Convert = (text) => `${BigInt.asUintN(16, BigInt(text))}`
  const { by } = column(of('{10}'), account, [bare, 300, 400], [intoUint16, 1500, 1535])
  const changed = by(0).filter(({ original, seen }) => seen !== original)
  expectNoneWrong(changed)
  expect(changed.filter(({ told }) => told.verdict !== 'mendable')).toEqual([])
  expectNoneWrong(by(1))
})

test('many values that were cut here and there, far from a run of numbers', () => {
  const pass = () => `${['603571', '603599'][next(2)]!}${digits(13)}`
  const intoUint32: Convert = (text) => `${BigInt.asUintN(32, BigInt(text))}`
  const cut: Convert = (text) => text.slice(0, -3)
  const rows = column(of('{19}'), pass, [intoUint32, 500, 600], [cut, 20, 2000, 40]).by(1)
  expectNoneWrong(rows)
  expect(rows.filter(({ told }) => told.verdict === 'lost').length).toBe(rows.length)
})

test('short numbers that are all rounded lie among many that are not', () => {
  const number = () => `${['020', '030', '115', '204'][next(4)]!}${digits(6)}`
  // Of numbers between 2^24 and 2^25 binary32 has every other one; ties go to every fourth.
  const rounded: Convert = (text) => {
    const value = BigInt(text)
    return `${value % 2n === 0n ? value : ((value + 1n) / 4n) * 4n}`
  }
  const short: Convert = (text) => (text.startsWith('0') ? rounded(text) : text)
  const rows = column(of('{9}'), number, [short, 0, 2000, 15]).by(0)
  const changed = rows.filter(({ original, seen }) => seen !== original)
  expectNoneWrong(changed)
  expect(changed.filter((row) => !isListed(row))).toEqual([])
})

test('numbers held at a limit say nothing of how evenly others lie below one', () => {
  const phone = () => `${2 + next(8)}${digits(9)}`
  const folded: Convert = (text) => `${BigInt.asUintN(32, BigInt(text))}`
  const held: Convert = (text) => (BigInt(text) > 2147483647n ? '2147483647' : text)
  const rows = column(of('{10}'), phone, [folded, 500, 600], [held, 1400, 1700]).by(0)
  const changed = rows.filter(({ original, seen }) => seen !== original)
  expectNoneWrong(changed)
  const fit = changed.filter(({ seen }) => seen.length === 10)
  expect(fit.length).toBeGreaterThan(20)
  // The run is known to begin and to end where a value does not fit.
  const doubted = fit.filter(({ told }) => told.verdict === 'suspect').length
  expect(doubted).toBeGreaterThan(0.9 * fit.length - 1)
})

const branches = (...starts: readonly string[]) => {
  return (rest: number) => () => `${starts[next(starts.length)]!}${digits(rest)}`
}
const uint = (bits: number) => (text: string) => `${BigInt.asUintN(bits, BigInt(text))}`

test('numbers of a few branches that lost their zeros, in all rows, come back', () => {
  const rows = column(of('{10}'), branches('0012', '0103', '1200')(6), [bare, 0, 2000]).by(0)
  const changed = rows.filter(({ original, seen }) => seen !== original)
  expect(changed.length).toBeGreaterThan(1000)
  for (const { original, told } of changed) expect(told.mend).toBe(original)
})

test.each([
  ['of two series in 16 bits', '{5}', 16, branches('67', '77')(3)],
  ['of two series in 16 bits, a digit more', '{6}', 16, branches('69', '17')(4)],
])('numbers %s wrapped here and there, and start as the others do', (_, stored, bits, draw) => {
  const rows = column(of(stored), draw, [uint(bits), 0, 2000, 4]).by(0)
  expectNoneWrong(rows.filter(({ original, seen }) => seen !== original))
})

test('a few that lost the first character, among others that kept their zeros, are no run', () => {
  const rows = column(of('{8}'), () => `${1 + next(9)}${digits(7)}`, [
    (text) => text.slice(1),
    0,
    2000,
    100,
  ])
  expectNoneWrong(rows.by(0).filter(({ seen }) => seen[0] !== '0'))
})

test('zeros at the end that an exponent drops are there where other rows show all digits', () => {
  const exponent: Convert = (text) => {
    const bare = text.replace(/^0+/, '')
    const front = bare.replace(/0+$/, '')
    return `${front[0]}.${front.slice(1) || '0'}E${bare.length - 1}`
  }
  const phone = branches('206555', '425555')(4)
  const rows = column(of('{10}'), phone, [exponent, 500, 700]).by(0)
  const dropped = rows.filter(({ original }) => original.endsWith('0'))
  expect(dropped.length).toBeGreaterThan(8)
  for (const { original, told } of rows) expect(told.mend).toBe(original)
})

test('a rounding to nine digits before an exponent stays one', () => {
  const nine: Convert = (text) => {
    const front = `${(BigInt(text) + 5n) / 10n}`.replace(/0+$/, '')
    return `${front[0]}.${front.slice(1)}E9`
  }
  const rows = column(of('{10}'), branches('206555', '425555')(4), [nine, 500, 700]).by(0)
  expectNoneWrong(rows)
  for (const row of rows) expect(isListed(row) || row.told.verdict === 'lost').toBe(true)
})

test('numbers in a formula have lost their zeros in all rows, where none has kept one', () => {
  const formula: Convert = (text) => `="${bare(text)}"`
  const rows = column(of('{10}'), () => digits(10), [formula, 0, 2000]).by(0)
  const short = rows.filter(({ original }) => original[0] === '0')
  expect(short.length).toBeGreaterThan(100)
  for (const { original, told } of short) expect(told.mend).toBe(original)
})

test('wrapped numbers far from any other lie here and there, and are not octal', () => {
  const card = () => withCheckDigit(`${['4000', '4276'][next(2)]!}${digits(11)}`)
  const rows = column(of('{16}'), card, [uint(32), 40, 2000, 150]).by(0)
  expect(rows.length).toBeGreaterThan(8)
  for (const { told } of rows) expect(told.verdict).toBe('lost')
})

const ofSeveral = () => digits(4 + next(5))

test('behind one space in front stands a number, maybe, that lost its zeros', () => {
  const made = of('{4..8}')
  const numbers = column(made, ofSeveral, [(text) => ` ${bare(text)}`, 0, 2000, 50]).by(0)
  expect(numbers.length).toBe(40)
  expectNoneWrong(numbers)
  // What kept its zeros there is text.
  for (const { original, told } of column(made, ofSeveral, [(text) => ` ${text}`, 0, 2000, 50]).by(
    0,
  ))
    expect(told.mend).toBe(original)
})

test.each([60, 80, 100])(
  '%i rows with six digits and a decimal, of several widths: wider ones were rounded',
  (count) => {
    const six: Convert = (text) => {
      const number = bare(text)
      const unit = 10n ** BigInt(Math.max(0, number.length - 6))
      return `${((BigInt(number) + unit / 2n) / unit) * unit}.0`
    }
    const rows = column(of('{4..8}'), ofSeveral, [six, 500, 500 + count]).by(0)
    const rounded = rows.filter(({ original, seen }) => `${bare(original)}.0` !== seen)
    expect(rounded.length).toBeGreaterThan(10)
    expectNoneWrong(rounded)
    for (const row of rounded) expect([row.seen, isListed(row)]).toEqual([row.seen, true])
  },
)

test.each([
  ['a field of twelve', (text: string) => bare(text).padStart(12)],
  ['as many characters as there were', (text: string) => bare(text).padStart(text.length)],
])('numbers to the right of %s may have lost zeros, where some have', (_, printed) => {
  const made = of('{8..12}')
  const originals = Array.from({ length: 1000 }, () => digits(8 + next(5)))
  const values = originals.map(printed)
  const { around } = columnRuns(made, evidenceOf(made, values))
  values.forEach((seen, i) => {
    if (!seen.startsWith(' ')) return
    const { mend, candidates } = judge(made, seen, 10, around(i))
    if (mend !== undefined) expect([seen, mend]).toEqual([seen, originals[i]])
    else expect(candidates.map(({ text }) => text)).toContain(originals[i])
  })
})

test('and have none where zeros stand in front of others there', () => {
  const made = of('{8..12}')
  const originals = Array.from({ length: 400 }, () => digits(8 + next(5)))
  const values = originals.map((text) => text.padStart(12))
  const { around } = columnRuns(made, evidenceOf(made, values))
  values.forEach((seen, i) => {
    if (seen.startsWith(' ')) expect(judge(made, seen, 10, around(i)).mend).toBe(originals[i])
  })
})

test('one number again and again may be of octal digits, and is listed as such', () => {
  restart()
  const made = fromCatalog('bank/routing-us')!
  const routing = (start: string): string => {
    for (;;) {
      const text = start + digits(9 - start.length)
      if (fit(made, text).ok) return text
    }
  }
  // Each in some rows one behind the other, of which a part was read.
  const originals = Array.from({ length: 300 }, () => routing(`${next(4)}`)).flatMap((text) =>
    Array<string>(12).fill(text),
  )
  const isRead = (row: number) => row % 12 < 8 && row % 8 !== 3
  const seen = originals.map((text, row) =>
    isRead(row) && /^0[0-7]+$/.test(text) ? `${BigInt(`0o${text}`)}` : text,
  )
  const runs = columnRuns(made, evidenceOf(made, seen))
  const struck = originals.flatMap((text, row) => (text === seen[row] ? [] : [row]))
  expect(struck.length).toBeGreaterThan(10)
  for (const row of struck) {
    const { verdict, mend, candidates } = judge(made, seen[row]!, 1000, runs.around(row))
    expect([undefined, originals[row]]).toContain(mend)
    if (verdict === 'ambiguous')
      expect(candidates.map(({ text }) => text)).toContain(originals[row])
  }
})
