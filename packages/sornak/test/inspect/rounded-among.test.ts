// Values that went through single precision here and there: those that lost their zeros may have lost digits as well.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge } from 'sornak'
import { bare, digits, evidenceOf, next, of, toBits } from './converted-column.js'

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

describe.each([
  ['a space', ' ', ''],
  ['quotes', '"', '"'],
  ['an apostrophe', "'", ''],
])('numbers of nineteen digits behind %s here and there', (_, front, behind) => {
  const serials = of('{19}')
  const told = (convert: (text: string) => string) => {
    const before = Array.from({ length: 400 }, () => `${6 + next(3)}${digits(18)}`)
    const seen = before.map((text) => (next(4) === 0 ? `${front}${convert(text)}${behind}` : text))
    const runs = columnRuns(serials, evidenceOf(serials, seen))
    return before.flatMap((original, row) => {
      const text = seen[row]!
      return text === original
        ? []
        : [{ original, ...judge(serials, text, 1000, runs.around(row)) }]
    })
  }

  test('were rounded to 53 bits, and are open', () => {
    const after = told((text) => `${toBits(BigInt(text), 53)}`)
    expect(after.length).toBeGreaterThan(50)
    for (const { original, mend, possible, candidates } of after) {
      expect(mend).toBeUndefined()
      if (possible! <= 1000n) expect(candidates.map(({ text }) => text)).toContain(original)
    }
  })

  test('were not rounded, and are mended', () => {
    for (const { original, mend } of told((text) => text)) expect(mend).toBe(original)
  })
})
