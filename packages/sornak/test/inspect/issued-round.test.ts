// Numbers that are rounder than a rounding leaves them, all of them: they were issued so, and nothing happened to them.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Judgement } from 'sornak'
import { restart } from './draws.js'
import { convertedRun, digits, evidenceOf, next, of, padded } from './converted-column.js'

const moment = (row: number, step: number) => BigInt(row) * BigInt(step) + BigInt(next(step - 7))
/** A time, the number of a machine, and a count that starts again with each millisecond. */
const stamped = (row: number, machine: number, count: number) =>
  `${((330_000_000_000n + moment(row, 3000)) << 22n) | (BigInt(machine) << 12n) | BigInt(count)}`
const since = (row: number) => `${1_700_000_000n + moment(row, 37)}`

describe.each<[string, string, (row: number) => string]>([
  ['a time and one machine', '{18..19}', (row) => stamped(row, 0, 0)],
  ['a time and a few machines', '{18..19}', (row) => stamped(row, next(32), 0)],
  ['a time, a machine and a count', '{18..19}', (row) => stamped(row, 3, next(3))],
  ['milliseconds, in whole seconds', '{13}', (row) => `${since(row)}000`],
  ['microseconds, in whole milliseconds', '{16}', (row) => `${since(row)}${digits(3)}000`],
  ['nanoseconds, in whole microseconds', '{19}', (row) => `${since(row)}${digits(6)}000`],
  ['nanoseconds, in whole seconds', '{19}', (row) => `${since(row)}000000000`],
  [
    'districts',
    '{12}',
    () => `${11 + next(50)}${padded(1 + next(20), 2)}${padded(next(40), 2)}000000`,
  ],
  [
    'midnights',
    '{14}',
    () => `20${10 + next(16)}${padded(1 + next(12), 2)}${padded(1 + next(28), 2)}000000`,
  ],
  ['accounts with room for parts', '{8}', () => `${4000 + next(3000)}0000`],
  ['sixteen digits by hundreds', '{16}', () => `${1 + next(9)}${digits(13)}00`],
  ['days', '{8}', () => `20${10 + next(16)}${padded(1 + next(12), 2)}${padded(1 + next(28), 2)}`],
])('%s', (_, stored, draw) => {
  test.each([60, 1000])('%i of them are left alone', (count) => {
    restart()
    const made = of(stored)
    const values = Array.from({ length: count }, (_, row) => draw(row))
    const runs = columnRuns(made, evidenceOf(made, values))
    expect(runs.suspects.length + runs.told.length).toBe(0)
    const doubted = values.filter(
      (text, row) => judge(made, text, 1, runs.around(row)).verdict !== 'intact',
    )
    expect(doubted).toEqual([])
  })
})

test('where they were rounded they are as round as that leaves them, and doubted', () => {
  // A time, a machine and a count that are all used: to the next multiple of 256, as binary64 has them there.
  let row = 0
  const draw = () => stamped(row++, next(1024), next(4096))
  const convert = (text: string) => `${((BigInt(text) + 128n) / 256n) * 256n}`
  const rows = convertedRun(of('{19}'), draw, convert, 60)
  const moved = rows.filter(({ original, seen }) => original !== seen)
  expect(moved.length).toBeGreaterThan(50)
  expect(moved.filter(({ told }) => told.verdict !== 'suspect')).toEqual([])
})

test('running numbers of any width lack no zeros', () => {
  const values = Array.from({ length: 5000 }, (_, i) => `${3 * i + 1}`)
  expect(columnRuns(of('{1..6}'), evidenceOf(of('{1..6}'), values)).zerosAbsent).toBe(0)
})

describe.each([
  { stored: '{18}', narrowest: 18, shown: 3 },
  { stored: '{16}', narrowest: 16, shown: 7 },
  { stored: '{18}', narrowest: 18, shown: 12 },
  { stored: '{13..18}', narrowest: 13, shown: 7 },
])(
  'numbers $stored of which none shows more than $shown digits',
  ({ stored, narrowest, shown }) => {
    const widest = stored.endsWith('18}') ? 18 : narrowest
    const width = () => narrowest + next(widest - narrowest + 1)
    function told(values: readonly string[]): Judgement[] {
      const made = of(stored)
      const runs = columnRuns(made, evidenceOf(made, values))
      return values.map((text, row) => judge(made, text, 10, runs.around(row)))
    }
    test('are doubted, all of them', () => {
      restart()
      const draw = () => `${1 + next(9)}${digits(shown - 1)}`.padEnd(width(), '0')
      for (const { verdict, findings, possible } of told(Array.from({ length: 60 }, draw))) {
        expect([verdict, findings]).toEqual(['suspect', ['digits-rounded']])
        expect(possible).toBeGreaterThan(1000n)
      }
    })
    test('are not, where they are few that come again and again', () => {
      restart()
      const few = ['1', '42', '73', '5', '9'].map((text) => text.padEnd(widest, '0'))
      for (const { verdict } of told(Array.from({ length: 60 }, () => few[next(5)]!)))
        expect(verdict).toBe('intact')
    })
  },
)
