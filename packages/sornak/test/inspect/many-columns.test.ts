// The commonest damage of all, over many columns: what one column proves, the next of its kind proves too. A story that
// suits the digits of some by chance must not keep their zeros from being put back.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Definition } from 'sornak'
import { bare, digits, evidenceOf, next, of } from './converted-column.js'

const COLUMNS = 12

interface Count {
  short: number
  mended: number
  wrong: number
}

function counted(made: Definition, column: () => { original: string; seen: string }[]): Count {
  const count = { short: 0, mended: 0, wrong: 0 }
  for (let i = 0; i < COLUMNS; i++) {
    const rows = column()
    const runs = columnRuns(
      made,
      evidenceOf(
        made,
        rows.map(({ seen }) => seen),
      ),
    )
    rows.forEach(({ original, seen }, row) => {
      if (original === seen) return
      const { mend } = judge(made, seen, 3, runs.around(row))
      count.short++
      if (mend === original) count.mended++
      else if (mend !== undefined) count.wrong++
    })
  }
  return count
}

const drawn = (rows: number, draw: () => string, convert: (text: string, row: number) => string) =>
  Array.from({ length: rows }, (_, row) => {
    const original = draw()
    return { original, seen: convert(original, row) }
  })

describe.each([5, 6, 8, 9, 10, 12])('values of %i digits, spread evenly', (width) => {
  const made = of(`{${width}}`)
  test.each([
    ['all of them', (text: string) => bare(text)],
    ['half of them', (text: string, row: number) => (row < 150 ? bare(text) : text)],
  ])('%s read as numbers: zeros are put back', (_, convert) => {
    const { short, mended, wrong } = counted(made, () => drawn(300, () => digits(width), convert))
    expect(short).toBeGreaterThan(100)
    expect(wrong).toBe(0)
    expect(mended / short).toBeGreaterThan(0.85)
  })
})

test('telephone numbers of any area, a quarter of them wrapped in 32 bits: no zeros are put in front', () => {
  const phone = () => `${2 + next(8)}${digits(9)}`
  const wrap = (text: string) => (next(4) ? text : BigInt.asUintN(32, BigInt(text)).toString())
  const { short, mended, wrong } = counted(of('{10}'), () => drawn(600, phone, wrap))
  expect(short).toBeGreaterThan(1000)
  expect([mended, wrong]).toEqual([0, 0])
})

test('numbers of which one in fifty starts with a zero, half of them read as numbers', () => {
  const draw = () => (next(50) ? `${1 + next(9)}${digits(9)}` : `0${digits(9)}`)
  const { short, mended, wrong } = counted(of('{10}'), () =>
    drawn(1200, draw, (text, row) => (row < 600 ? bare(text) : text)),
  )
  expect(short).toBeGreaterThan(80)
  expect(wrong).toBe(0)
  expect(mended / short).toBeGreaterThan(0.5)
})

test('serial numbers without their last digit are not what binary numbers print', () => {
  let last = 100_200_300_400_500_000n
  const serial = () => (last += BigInt(1 + next(9))).toString()
  const made = of('{18}')
  const rows = drawn(200, serial, (text) => text.slice(0, -1))
  const runs = columnRuns(
    made,
    evidenceOf(
      made,
      rows.map(({ seen }) => seen),
    ),
  )
  for (const [row, { original, seen }] of rows.entries()) {
    const { verdict, candidates } = judge(made, seen, 30, runs.around(row))
    expect(verdict).toBe('ambiguous')
    expect(candidates.map(({ text }) => text)).toContain(original)
  }
})
