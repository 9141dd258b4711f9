// Columns that went through many hands: rows that several programs printed, here and there or one after the other.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Definition } from 'sornak'
import { why } from '../../src/inspect/messages.js'
import { definition } from '../identifier/definition-for.js'
import {
  bare,
  digits,
  evidenceOf,
  isListed,
  next,
  of,
  padded,
  toBits,
  withCheckDigit,
} from './converted-column.js'

type Convert = (text: string) => string

/** Reads octal digits where a zero stands in front, and leaves what holds an 8 or 9. */
const octal: Convert = (text) => (/^0[0-7]+$/.test(text) ? BigInt(`0o${text}`).toString() : text)
const grouped: Convert = (text) => bare(text).replace(/\B(?=(?:\d{3})+$)/g, ',')
const wrapped: Convert = (text) => BigInt.asIntN(16, BigInt(text)).toString()
const each: readonly Convert[] = [
  bare,
  grouped,
  (text) => `${bare(text)}.00`,
  (text) => `${bare(text)}%`,
  wrapped,
  octal,
]

function judged(
  draw: () => string,
  how: (row: number) => Convert | undefined,
  width: string | Definition,
) {
  const made = typeof width === 'string' ? of(width) : width
  const rows = Array.from({ length: 1200 }, (_, row) => {
    const original = draw()
    const convert = how(row)
    return { original, seen: convert?.(original) ?? original, convert }
  })
  const runs = columnRuns(
    made,
    evidenceOf(
      made,
      rows.map(({ seen }) => seen),
    ),
  )
  return rows.map((row, i) => ({ ...row, told: judge(made, row.seen, 1000, runs.around(i)) }))
}

const short = (rows: ReturnType<typeof judged>) =>
  rows.filter(({ seen }) => /^\d+$/.test(seen) && seen.length < 5)

describe('numbers issued so far, that any of six programs printed', () => {
  const issued = () => padded(1 + next(2300), 5)

  test.each([
    ['here and there', () => next(4) === 0],
    ['throughout', () => true],
  ])('%s: what an octal reader would leave is mended nowhere', (_, isStruck) => {
    const rows = judged(issued, () => (isStruck() ? each[next(each.length)] : undefined), '{5}')
    const open = short(rows)
    expect(open.length).toBeGreaterThan(60)
    for (const { original, seen, told } of rows)
      expect([seen, told.mend ?? original]).toEqual([seen, original])
    const listed = open.filter(({ told }) => told.verdict === 'ambiguous')
    expect(listed.length * 3).toBeGreaterThan(open.length * 2)
    for (const row of listed) {
      expect(isListed(row)).toBe(true)
      expect(why(of('{5}'), row.told, row.seen)).toContain('Several programs printed numbers')
    }
  })

  test('part by part: none is wrong, and those of an octal reader are listed', () => {
    const rows = judged(
      issued,
      (row) => (row % 80 < 40 ? each[Math.floor(row / 80) % each.length] : undefined),
      '{5}',
    )
    for (const { original, seen, told } of rows)
      expect([seen, told.mend ?? original]).toEqual([seen, original])
    const read = rows.filter(
      ({ convert, seen, original }) => convert === octal && seen !== original,
    )
    expect(read.length).toBeGreaterThan(40)
    for (const row of read) expect(isListed(row)).toBe(true)
  })

  test('one program alone: zeros are put back', () => {
    const rows = short(judged(issued, () => (next(4) === 0 ? bare : undefined), '{5}'))
    expect(rows.length).toBeGreaterThan(200)
    for (const { original, told } of rows) expect(told.mend).toBe(original)
  })
})

test('among numbers that others printed, six digits and an exponent are no whole number', () => {
  const printed: Convert = (text) => {
    const value = bare(text)
    const unit = 10n ** BigInt(value.length - 6)
    const shown = ((BigInt(value) + unit / 2n) / unit).toString()
    return `${shown[0]}.${shown.slice(1, 6)}e+${value.length - 1}`
  }
  const all = [bare, grouped, wrapped, printed, (text: string) => `${bare(text)}%`]
  const serial = () => `${1 + next(9)}${digits(17)}`
  const rows = judged(serial, () => (next(3) === 0 ? all[next(all.length)] : undefined), '{18}')
  const shortened = rows.filter(({ convert }) => convert === printed)
  expect(shortened.length).toBeGreaterThan(40)
  for (const { told } of shortened) {
    expect(told.verdict).toBe('lost')
    // One unit of the last digit that is shown stands for as many originals.
    expect(told.possible).toBeGreaterThanOrEqual(10n ** 12n)
  }
})

describe('few rows of many, each of which one of two programs printed', () => {
  const oneOf =
    (...two: readonly [Convert, Convert]) =>
    (row: number) =>
      row % 17 === 3 ? two[next(2)] : undefined
  // So many digits, cut, before an exponent.
  const shown =
    (keep: number): Convert =>
    (text) => {
      const all = bare(text)
      return `${all[0]}.${all.slice(1, keep)}e+${padded(all.length - 1, 2)}`
    }
  const changed = (rows: ReturnType<typeof judged>) =>
    rows.filter(({ original, seen }) => original !== seen)
  const neverWrong = (rows: ReturnType<typeof judged>) => {
    for (const { original, seen, told } of rows)
      expect([seen, told.mend ?? original]).toEqual([seen, original])
    for (const row of rows)
      if (row.told.verdict === 'ambiguous')
        expect([row.seen, isListed(row)]).toEqual([row.seen, true])
  }

  test('what exponents say is not said of cards that lost their sixteenth digit', () => {
    const cut: Convert = (text) => `${text.slice(0, 15)}0`
    const card = definition({ stored: '{16}', check: 'luhn' })
    const rows = changed(
      judged(() => withCheckDigit(`400000${digits(9)}`), oneOf(cut, shown(6)), card),
    )
    const struck = rows.filter(({ convert }) => convert === cut)
    expect(struck.length).toBeGreaterThan(20)
    expect(struck.map(({ told }) => told.mend)).toEqual(struck.map(({ original }) => original))
    neverWrong(rows)
  })
  test('nor of octal digits that stand with a decimal', () => {
    const decimal: Convert = (text) => `${bare(octal(text))}.0`
    const rows = changed(judged(() => padded(1 + next(4200), 5), oneOf(decimal, shown(3)), '{5}'))
    neverWrong(rows)
    expect(rows.filter(isListed).length).toBeGreaterThan(20)
  })
  test('numbers with groups were rounded, some of them', () => {
    const rounded: Convert = (text) => grouped(`${toBits(BigInt(text), 53)}`)
    const rows = changed(judged(() => `4${digits(17)}`, oneOf(rounded, grouped), '{18}'))
    expect(rows.length).toBeGreaterThan(50)
    neverWrong(rows)
  })
  test('numbers that show fifteen digits are no binary numbers beside those that show all', () => {
    const full: Convert = (text) => shown(19)(`${toBits(BigInt(text), 53)}`)
    const rows = changed(judged(() => `4${digits(18)}`, oneOf(full, shown(15)), '{19}'))
    const few = rows.filter(({ seen }) => seen.length < 22)
    expect(few.length).toBeGreaterThan(20)
    // Ten thousand numbers have the same fifteen digits.
    for (const { seen, told } of few)
      expect([seen, told.verdict, told.possible >= 10_000n]).toEqual([seen, 'lost', true])
    neverWrong(rows)
  })
  test('numbers with a fraction say that those without went wrong as they were printed, too', () => {
    const draw = () => `${['2100', '0049', '0182', '3058'][next(4)]}${digits(16)}`
    const wrong = () => BigInt(next(2000)) - 1000n
    const printed: Convert = (text) => `${BigInt(text) + wrong()}.${next(5) ? 1 + next(9) : 0}`
    const rows = judged(draw, () => printed, '{20}')
    const whole = rows.filter(({ seen }) => seen.endsWith('.0'))
    expect(whole.length).toBeGreaterThan(20)
    for (const { seen, told } of whole) expect([seen, told.verdict]).toEqual([seen, 'lost'])
  })
})
