// Numbers of half precision (IEEE 754 binary16), which hold eleven bits: staff numbers move to a neighbour.

import { expect, test } from 'vitest'
import { CHANNELS } from 'sornak'
import { convertedRun, digits, isListed, of, toBits } from './converted-column.js'

const half = CHANNELS.get('binary16')!

test.each([
  // Python: struct.unpack('e', struct.pack('e', n)), and numpy.float16(n) where fewer digits name it.
  ['2049', 'all digits', '2048'],
  ['2051', 'all digits', '2052'],
  ['20417', 'all digits', '20416'],
  ['20417', 'shortest', '20420'],
  ['65504', 'all digits', '65504'],
  ['65519', 'all digits', '65504'],
  ['65520', 'all digits', 'inf'],
])('%s, %s: %s', (before, form, after) => {
  expect(half.forward(before, form)).toBe(after)
})

const isHalfway = (text: string) => {
  const value = BigInt(text)
  const [down, up] = [toBits(value - 1n, 11), toBits(value + 1n, 11)]
  return down !== up && up - value === value - down
}
const staff = () => {
  for (;;) {
    const text = `0${digits(4)}`
    if (!isHalfway(text)) return text
  }
}

test('where rows say so, nothing is mended by a digit that moved, and originals are listed', () => {
  const rows = convertedRun(of('{5}'), staff, (text) => `${toBits(BigInt(text), 11)}.0`)
  const moved = rows.filter(({ original, seen }) => `0${seen.slice(0, -2)}` !== original)
  expect(moved.length).toBeGreaterThan(40)
  for (const row of moved) {
    expect([row.seen, row.told.mend ?? row.original]).toEqual([row.seen, row.original])
    if (row.told.mend === undefined) expect([row.seen, isListed(row)]).toEqual([row.seen, true])
  }
})
