// Values that went through single precision here and there: those that lost their zeros may have lost digits as well.

import { expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { bare, digits, evidenceOf, next, of } from './converted-column.js'

const made = of('{9}')

// IEEE 754, binary32: 24 binary digits, ties to the even one.
function single(text: string): string {
  const value = BigInt(text)
  const more = BigInt(Math.max(0, value.toString(2).length - 24))
  const unit = 1n << more
  const rest = value % unit
  const front = value / unit
  const up = rest * 2n > unit || (rest * 2n === unit && front % 2n === 1n)
  return `${(front + (up ? 1n : 0n)) * unit}`
}

function judged(seen: readonly string[]) {
  const runs = columnRuns(made, evidenceOf(made, seen))
  return seen.map((text, row) => judge(made, text, 100, runs.around(row)))
}

test.each([1, 2, 3, 4, 5])('one in four of 400: no mend is another value (%i)', () => {
  const before = Array.from({ length: 400 }, () => digits(9))
  const seen = before.map((text) => (next(4) === 0 ? single(text) : text))
  const after = judged(seen)
  let open = 0
  before.forEach((original, row) => {
    if (seen[row]!.length === 9) return
    const { mend, candidates } = after[row]!
    if (mend === undefined) open++
    expect(candidates.map(({ text }) => text)).toContain(original)
  })
  expect(open).toBeGreaterThan(0)
})

test('where nothing was rounded, zeros are put back', () => {
  const before = Array.from({ length: 400 }, () => digits(9))
  const seen = before.map((text) => (next(4) === 0 ? bare(text) : text))
  const after = judged(seen)
  before.forEach((original, row) => {
    if (seen[row]!.length < 9) expect(after[row]!.mend).toBe(original)
  })
})
