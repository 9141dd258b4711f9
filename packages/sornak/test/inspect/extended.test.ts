// Twenty digits that went through the widest numbers of an x86 processor, of which 64 bits are digits: printf of the
// command line does so.

import { spawnSync } from 'node:child_process'
import { expect, test } from 'vitest'
import { columnRuns } from 'sornak'
import { convertedRun, digits, evidenceOf, isListed, next, of } from './converted-column.js'

const account = () => `${2 + next(6)}${digits(19)}`

// To a multiple of what 64 bits leave, halves to the even one.
function rounded(text: string): string {
  const value = BigInt(text)
  const unit = 1n << BigInt(value.toString(2).length - 64)
  const [below, rest] = [value / unit, value % unit]
  const up = rest * 2n > unit || (rest * 2n === unit && below % 2n === 1n)
  return `${(up ? below + 1n : below) * unit}`
}

test.runIf(process.arch === 'x64')('printf does what these tests do', () => {
  const values = Array.from({ length: 200 }, account)
  const { stdout } = spawnSync('/usr/bin/printf', ['%.0f\\n', ...values])
  expect(stdout.toString().trim().split('\n')).toEqual(values.map(rounded))
})

test('what still fits is doubted, and its originals are listed', () => {
  const rows = convertedRun(of('{20}'), account, rounded)
  const moved = rows.filter(({ original, seen }) => original !== seen)
  expect(moved.length).toBeGreaterThan(60)
  for (const row of moved) {
    expect([row.seen, row.told.verdict, isListed(row)]).toEqual([row.seen, 'suspect', true])
  }
})

test('with decimals behind them they are open, and no mend is wrong', () => {
  const rows = convertedRun(of('{20}'), account, (text) => `${rounded(text)}.00`)
  for (const row of rows) {
    expect(['mendable', 'ambiguous']).toContain(row.told.verdict)
    if (row.told.mend === undefined) expect([row.seen, isListed(row)]).toEqual([row.seen, true])
    else expect(row.told.mend).toBe(row.original)
  }
  expect(rows.filter(({ told }) => told.mend === undefined).length).toBeGreaterThan(60)
})

test('decimals behind numbers of which every other one is odd took nothing', () => {
  const rows = convertedRun(of('{20}'), account, (text) => `${text}.00`)
  for (const { original, told } of rows) expect(told.mend).toBe(original)
})

test('the run is told, and named', () => {
  const values = Array.from({ length: 900 }, (_, i) =>
    i >= 300 && i < 600 ? rounded(account()) : account(),
  )
  const { told } = columnRuns(of('{20}'), evidenceOf(of('{20}'), values))
  expect(told.map(({ channel }) => channel)).toEqual(['binary80'])
  const [{ from, to } = { from: { index: -1 }, to: { index: -1 } }] = told
  expect(Math.abs(from.index - 300)).toBeLessThan(12)
  expect(Math.abs(to.index - 599)).toBeLessThan(12)
})

test('numbers that are even as often as others tell nothing', () => {
  const values = Array.from({ length: 2000 }, account)
  expect(columnRuns(of('{20}'), evidenceOf(of('{20}'), values)).told).toEqual([])
})
