// A neighbouring column damaged in the same rows: what it says of values that fit, and that it says nothing where
// the damage of the one has nothing to do with the other.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  besideEvidence,
  companions,
  fit,
  joinedBeside,
  type BesideState,
  type Companion,
  type Definition,
} from 'sornak'
import { bare, digits, evidenceOf, next, of, padded } from './converted-column.js'

const serial = of('{18}')
const account = of('{16}')
const voucher = of('{4..6}')

/** A value, and the other columns that are damaged in its record. */
type Row = readonly [value: string, ...damaged: number[]]

function besideOf(made: Definition, rows: readonly Row[]): BesideState {
  const beside = besideEvidence(made)
  for (const [value, ...damaged] of rows) {
    const bytes = new TextEncoder().encode(value)
    if (damaged.length && fit(made, value).ok) beside.fits(bytes, 0, bytes.length, damaged)
  }
  return beside.state()
}

function found(made: Definition, rows: readonly Row[]): Companion[] {
  const values = rows.map(([value]) => value)
  return companions(made, besideOf(made, rows), evidenceOf(made, values))
}

const rows = (count: number, row: (i: number) => Row): Row[] =>
  Array.from({ length: count }, (_, i) => row(i))
const full = (count: number) => `${1 + next(9)}${digits(count - 1)}`
/** Fifteen digits are kept, the rest becomes zeros. */
const cut = (text: string) => text.slice(0, 15).padEnd(text.length, '0')

describe('rows of another source, here and there in a list', () => {
  test('serials cut at fifteen digits where another column does not fit', () => {
    const list = rows(3000, () => (next(20) === 0 ? [cut(full(18)), 4] : [full(18)]))
    const [one, ...more] = found(serial, list)
    expect(more).toEqual([])
    const there = list.filter(([, damaged]) => damaged === 4).length
    expect(one).toMatchObject({ column: 4, alike: there, rows: there })
    expect(one!.process).toMatch(/^fifteen/)
    expect(one!.struck).toBeGreaterThan(0.99)
    // By chance one in a thousand ends in three zeros; elsewhere nearly that many do.
    expect(one!.elsewhere).toBeLessThan(0.01)
    expect(one!.bits).toBeGreaterThan(there * 6)
  })

  test('the column that goes with it is named, not one that is damaged in other rows', () => {
    const list = rows(3000, (i): Row =>
      i % 19 === 0 ? [cut(full(16)), 2] : i % 7 === 0 ? [full(16), 5] : [full(16)],
    )
    expect(found(account, list).map(({ column }) => column)).toEqual([2])
  })

  test('a part of the rows is enough, and how many there are is told', () => {
    const list = rows(4000, () =>
      next(10) === 0 ? [next(3) === 0 ? cut(full(18)) : full(18), 1] : [full(18)],
    )
    const [one] = found(serial, list)
    expect(one!.struck).toBeGreaterThan(0.25)
    expect(one!.struck).toBeLessThan(0.42)
  })

  test('numbers of several widths that have no zeros at the front there', () => {
    const list = rows(6000, (): Row => {
      const value = digits(4 + next(3))
      return next(10) === 0 ? [bare(value), 3] : [value]
    })
    const [one] = found(voucher, list)
    expect(one).toMatchObject({ column: 3, process: 'number-read' })
    expect(one!.alike).toBe(one!.rows)
    expect(1 - one!.elsewhere).toBeGreaterThan(0.08)
    expect(1 - one!.elsewhere).toBeLessThan(0.12)
    // Of one width, such values do not fit: they show the loss by themselves.
    expect(
      found(
        of('{5}'),
        rows(4000, () => [padded(next(100_000), 5), next(10)]),
      ),
    ).toEqual([])
  })
})

describe('damage that has nothing to do with the column', () => {
  test('says nothing, whatever share of the rows it takes', () => {
    const kinds: readonly (readonly [Definition, () => string])[] = [
      [serial, () => digits(18)],
      [account, () => digits(16)],
      [voucher, () => digits(4 + next(3))],
      [voucher, () => full(4 + next(3))],
      [of('{20}'), () => full(20)],
      [of('{12}'), () => digits(12)],
    ]
    for (const [made, value] of kinds)
      for (const every of [1, 2, 5, 50])
        for (let turn = 0; turn < 5; turn++) {
          const list = rows(800, () => (next(every) === 0 ? [value(), 1 + next(3)] : [value()]))
          expect(found(made, list)).toEqual([])
        }
    const long = rows(16_000, () => (next(2) ? [digits(18), 1] : [digits(18)]))
    expect(found(serial, long)).toEqual([])
    expect(
      found(
        serial,
        long.map(([value]): Row => [value, 1]),
      ),
    ).toEqual([])
  })

  test('nor where all values end in zeros, or one round value stands for many', () => {
    const tens = rows(2000, (i): Row => (i % 9 === 0 ? [`${full(15)}0`, 1] : [`${full(15)}0`]))
    expect(found(account, tens)).toEqual([])
    const unknown = rows(2000, (i): Row => (i % 9 === 0 ? ['900000000000000000', 1] : [full(18)]))
    expect(found(serial, unknown)).toEqual([])
  })
})

test('what two parts count adds up to what the whole counts', () => {
  const value = fc.oneof(
    fc.stringMatching(/^[1-9]\d{17}$/),
    fc.stringMatching(/^[1-9]\d{14}000$/),
    fc.stringMatching(/^0\d{17}$/),
  )
  const row = fc
    .tuple(value, fc.subarray([1, 2, 3]))
    .map(([text, damaged]): Row => [text, ...damaged])
  fc.assert(
    fc.property(fc.array(row, { maxLength: 40 }), fc.nat(40), (list, at) => {
      const [a, b] = [besideOf(serial, list.slice(0, at)), besideOf(serial, list.slice(at))]
      const sorted = (state: BesideState) => [...state].sort(([x], [y]) => x - y)
      expect(sorted(joinedBeside(a, b))).toEqual(sorted(besideOf(serial, list)))
    }),
  )
})

test('beside a column of which nearly all rows are damaged there is nothing to hold them against', () => {
  const midnight = () => `2026${padded(1 + next(12), 2)}${padded(1 + next(28), 2)}000000`
  const list = rows(400, (i): Row => (i % 40 === 0 ? [midnight()] : [midnight(), 2]))
  expect(found(of('{14}'), list)).toEqual([])
})
