// A few short values among many that are as they should be: which of them are mended, and which are not.

import { describe, expect, test } from 'vitest'
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
  withCheckDigit,
  type Row,
} from './converted-column.js'

/** What is told of this value in the middle of so many others. */
function among(count: number, seen: string) {
  const values = Array.from({ length: count }, () => digits(5))
  values[count >> 1] = seen
  const made = of('{5}')
  return judge(made, seen, 10, columnRuns(made, evidenceOf(made, values)).around(count >> 1))
}
/** All that an octal reader, or one of decimal digits, makes of texts of five digits. */
const originalsOf = (seen: string) =>
  [seen, BigInt(seen).toString(8)]
    .filter((text) => text.length < 5)
    .map((text) => text.padStart(5, '0'))

/** What may have been meant where one digit was left out. */
const withOneMore = (seen: string) =>
  new Set(
    [...`${seen} `].flatMap((_, at) =>
      [...'0123456789'].map((digit) => seen.slice(0, at) + digit + seen.slice(at)),
    ),
  )

describe('one short value beside many that kept their zeros', () => {
  test.each(['3616', '1000', '4095', '512', '41'])('may be %s in octal digits', (seen) => {
    const told = among(500, seen)
    expect(told.verdict).toBe('ambiguous')
    const texts = told.candidates.map(({ text }) => text)
    expect(texts[0]).toBe(originalsOf(seen)[0])
    expect(texts).toContain(originalsOf(seen)[1])
  })

  test.each(['4096', '7777', '9123'])('may lack a digit that was left out of %s', (seen) => {
    expect(originalsOf(seen)).toHaveLength(1)
    for (const told of [among(500, seen), among(500, seen)]) {
      expect(told).toMatchObject({ verdict: 'ambiguous', slip: 'digit-left-out' })
      expect(told.candidates[0]!.text).toBe(originalsOf(seen)[0])
      expect(told.candidates[0]!.odds).toBeGreaterThan(0.98)
      expect(told.possible).toBe(BigInt(withOneMore(seen).size))
    }
  })

  test('is mended beside few, and alone', () => {
    expect(among(30, '417').mend).toBe('00417')
    expect(judge(of('{5}'), '417').mend).toBe('00417')
  })
})

test('four numbers that wrapped in 16 bits in twenty rows, all of them below the limit', () => {
  let row = 0
  const number = () => {
    row++
    if (row <= 240 || row > 260) return digits(5)
    return row % 4 ? `${1 + next(6)}${digits(4)}` : `7${next(5)}${digits(3)}`
  }
  const wrapped = (text: string) => `${BigInt.asUintN(16, BigInt(text))}`
  const rows = convertedRun(of('{5}'), number, wrapped, 20).filter(({ seen }) => seen.length < 5)
  expect(rows.length).toBeGreaterThan(3)
  for (const { told } of rows) expect(told.verdict).toBe('ambiguous')
  expect(rows.filter((one) => !isListed(one))).toEqual([])
})

const isWrong = ({ original, told }: Row) => told.mend !== undefined && told.mend !== original

describe('two or three short values in twenty rows, beside many that kept their zeros', () => {
  const octal = (text: string) => (/^0[0-7]+$/.test(text) ? `${BigInt(`0o${text}`)}` : bare(text))
  const wrapped = (text: string) => `${BigInt.asUintN(16, BigInt(text))}`
  const read = (convert: (text: string) => string) =>
    Array.from({ length: 40 }, () => convertedRun(of('{5}'), () => digits(5), convert, 20))
      .map((rows) => rows.filter(({ original, seen }) => seen !== original && seen.length < 5))
      .filter(({ length }) => length === 2 || length === 3)
      .flat()

  test.each([
    ['octal digits', octal],
    ['wrapped in 16 bits', wrapped],
  ])('are left open where they may be %s', (_, convert) => {
    const rows = read(convert)
    expect(rows.length).toBeGreaterThan(20)
    expect(rows.filter(isWrong)).toEqual([])
    expect(rows.filter((one) => !isListed(one))).toEqual([])
  })

  test('are left open where values of several widths were read as octal, and others left alone', () => {
    const phone = () => `0${digits(6 + next(5))}`
    const whole = (text: string) => (/^[0-7]+$/.test(text) ? `${octal(text)}.0` : text)
    const rows = Array.from({ length: 40 }, () => convertedRun(of('{7..11}'), phone, whole, 20))
      .map((run) => run.filter(({ original, seen }) => seen !== original))
      .filter(({ length }) => length === 2 || length === 3)
      .flat()
    expect(rows.length).toBeGreaterThan(20)
    expect(rows.filter(isWrong)).toEqual([])
  })

  test('are mended where they can be neither', () => {
    // Six digits wrap round in 16 bits to any number; nine in none that is so short, and an 8 or 9 is no octal digit.
    const rows = convertedRun(of('{9}'), () => digits(9), bare, 20).filter(
      ({ seen }) => seen.length < 9 && BigInt(seen) > 0o77777777n,
    )
    expect(rows.length).toBeGreaterThan(0)
    for (const { original, told } of rows) expect(told.mend).toBe(original)
  })
})

describe('a few values that lack three digits, among others that lack one', () => {
  const column = (cutHere: (row: number) => boolean) =>
    Array.from({ length: 600 }, (_, row) => {
      const original = digits(6)
      const seen = row >= 150 && row < 250 ? bare(original) : original
      return { original, seen: cutHere(row) ? original.slice(0, 3) : seen }
    })
  const judged = (rows: ReturnType<typeof column>) => {
    const made = of('{6}')
    const runs = columnRuns(
      made,
      evidenceOf(
        made,
        rows.map(({ seen }) => seen),
      ),
    )
    return rows
      .map((row, i) => ({ ...row, told: judge(made, row.seen, 10, runs.around(i)) }))
      .filter(({ seen }) => seen.length < 6)
  }

  test('were cut, maybe', () => {
    const rows = judged(column((row) => [105, 143, 320, 557].includes(row)))
    expect(rows.filter(({ seen }) => seen.length === 3).length).toBeGreaterThanOrEqual(4)
    expect(rows.filter(isWrong)).toEqual([])
  })

  test('and where none was, zeros are put back', () => {
    const rows = judged(column(() => false))
    expect(rows.length).toBeGreaterThan(4)
    for (const { original, told } of rows) expect(told.candidates[0]?.text).toBe(original)
    expect(rows.filter(({ told }) => told.mend).length * 5).toBeGreaterThan(rows.length * 4)
  })
})

// That they lost a zero is no likelier than that they were mistyped, where one in ten of the others should start with a zero.
test.each([
  [12, 1],
  [16, 3],
  [19, 4],
])(
  'numbers of %i digits of which none starts with a zero: %i that lack one are left open',
  (width, short) => {
    const originals = Array.from({ length: 500 }, () => `${1 + next(9)}${digits(width - 1)}`)
    const struck = Array.from({ length: short }, (_, i) => 40 + 100 * i)
    const values = originals.map((text, i) =>
      struck.includes(i) ? text.slice(0, 5) + text.slice(6) : text,
    )
    const made = of(`{${width}}`)
    const runs = columnRuns(made, evidenceOf(made, values))
    for (const i of struck) {
      const told = judge(made, values[i]!, 1000, runs.around(i))
      expect(told).toMatchObject({ verdict: 'ambiguous', slip: 'digit-left-out' })
      expect(told.candidates.map(({ text }) => text)).toContain(originals[i])
    }
  },
)

describe('three values that lack a digit beside many that kept their zeros', () => {
  const column = (struck: readonly number[]) => {
    const originals = Array.from({ length: 500 }, () => digits(12))
    for (const row of struck) originals[row] = `0${1 + next(9)}${digits(10)}`
    const values = originals.map((text, row) => (struck.includes(row) ? text.slice(1) : text))
    const made = of('{12}')
    const runs = columnRuns(made, evidenceOf(made, values))
    return struck.map((row) => ({
      original: originals[row]!,
      told: judge(made, values[row]!, 1000, runs.around(row)),
    }))
  }

  test('far from each other were mistyped, maybe: the one with a zero is the first', () => {
    for (const { original, told } of column([60, 210, 430])) {
      expect(told).toMatchObject({ verdict: 'ambiguous', slip: 'digit-left-out' })
      expect(told.candidates[0]!.text).toBe(original)
    }
  })

  test('close together were converted together, and are mended', () => {
    for (const { original, told } of column([210, 214, 221])) expect(told.mend).toBe(original)
  })
})

test('a lone value that lacks a digit is mended where few others have zeros to keep', () => {
  expect(among(30, '9123').mend).toBe('09123')
  expect(judge(of('{5}'), '9123').mend).toBe('09123')
})

test.each(['9123.0', '9,123', '9.123E+03'])('nor was %s typed so: it was printed', (seen) => {
  expect(among(500, seen).mend).toBe('09123')
})

describe('one short value beside three that kept their zeros', () => {
  function told(zeros: readonly string[], seen: string) {
    const values = [
      ...Array.from({ length: 30 }, () => `${1 + next(9)}${digits(4)}`),
      ...zeros,
      seen,
    ]
    const made = of('{5}')
    const { around } = columnRuns(made, evidenceOf(made, values))
    return judge(made, seen, 10, around(values.length - 1))
  }

  test('is mended where an octal reader would have changed one of them', () => {
    expect(told(['08123', '00917', '01777'], '417').mend).toBe('00417')
  })

  test('may have been read as octal where each holds an 8 or a 9', () => {
    const { verdict, candidates } = told(['08123', '00917', '01778'], '417')
    expect(verdict).toBe('ambiguous')
    const texts = candidates.map(({ text }) => text)
    expect(texts[0]).toBe('00417')
    expect(texts).toContain(originalsOf('417')[1])
    // A reader that stops at an 8 or 9 has read four octal digits, and what stands behind them is gone.
    expect(texts.slice(2).every((text) => /^0641[89]$/.test(text))).toBe(true)
  })

  test('is mended where no octal digits come to it', () => {
    expect(told(['08123', '00917', '01778'], '4170').mend).toBe('04170')
  })
})

describe('digits that come to a value only where they are read as octal', () => {
  const made = definition({ stored: '{10}', check: 'luhn' })
  const isRight = (text: string) => withCheckDigit(text.slice(0, -1)) === text
  const fromOctal = (text: string) => BigInt(`0o${text}`).toString()
  const drawn = (): string => {
    const text = withCheckDigit(`0${digits(8)}`)
    const seen = /^[0-7]+$/.test(text) ? fromOctal(text) : ''
    return seen && !isRight(seen.padStart(10, '0')) ? text : drawn()
  }
  // So many values that are as they should be, and one that was read so behind each of some of them.
  const struck = (originals: readonly string[]) => {
    const rows = originals.flatMap((original) => [
      ...Array.from({ length: 4 }, () => withCheckDigit(digits(9))),
      fromOctal(original),
    ])
    const { around } = columnRuns(made, evidenceOf(made, rows))
    return originals.map((original, i) => ({
      original,
      told: judge(made, fromOctal(original), 10, around(5 * i + 4)),
    }))
  }

  test('may be there by chance, however often', () => {
    const one = drawn()
    for (const { told } of struck(Array<string>(6).fill(one))) expect(told.mend).toBeUndefined()
  })

  test('were read so where there are many', () => {
    for (const { original, told } of struck(Array.from({ length: 30 }, drawn)))
      expect(told.mend).toBe(original)
  })
})

describe('octal digits behind a mark that looks like a digit', () => {
  const printed = (text: string) => `0o${BigInt(text).toString(8)}`
  const rowsOf = (every: number) =>
    Array.from({ length: 280 }, (_, i) => {
      const original = digits(5)
      return { original, seen: i % every === 0 ? printed(original) : original }
    })

  test.each([1, 7])('one in %i is turned back, or left open', (every) => {
    const rows = rowsOf(every)
    const made = of('{5}')
    const { around } = columnRuns(
      made,
      evidenceOf(
        made,
        rows.map(({ seen }) => seen),
      ),
    )
    const told = rows.map((row, i) => ({ ...row, told: judge(made, row.seen, 10, around(i)) }))
    const struck = told.filter(({ original, seen }) => original !== seen)
    for (const row of struck)
      if (row.told.mend === undefined) expect([row.seen, isListed(row)]).toEqual([row.seen, true])
      else expect([row.seen, row.told.mend]).toEqual([row.seen, row.original])
    const mended = struck.filter(({ told }) => told.mend !== undefined)
    expect(mended.length * 10).toBeGreaterThan(struck.length * 8)
  })
})
