// Binary numbers as text, against the engine's own shortest text and against exact arithmetic.

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { binary32Text, binary64Text } from '../../src/parquet/binary-text.js'

const view = new DataView(new ArrayBuffer(8))

test('the text reads back to the same bits', () => {
  fc.assert(
    fc.property(fc.bigInt(0n, (1n << 64n) - 1n), (bits) => {
      const text = binary64Text(bits)
      if (text === 'NaN' || text.endsWith('inf')) return
      view.setFloat64(0, Number.parseFloat(text))
      expect(view.getBigUint64(0)).toBe(bits)
    }),
    { numRuns: 400 },
  )
})

test('no digits more than are needed, between whole numbers', () => {
  fc.assert(
    fc.property(fc.double({ min: 1e-6, max: 1e15, noNaN: true }), (value) => {
      view.setFloat64(0, value)
      expect(binary64Text(view.getBigUint64(0))).toBe(String(value))
    }),
  )
})

test('whole numbers are exact', () => {
  for (const whole of [9007199254740992n, 100000000000000128n, 10n ** 22n]) {
    view.setFloat64(0, Number(whole))
    expect(binary64Text(view.getBigUint64(0))).toBe(whole.toString())
  }
})

test('32 bits', () => {
  const cases: [number, string][] = [
    [0x3dcccccd, '0.1'],
    [0xc0200000, '-2.5'],
    [0x4b800000, '16777216'],
    [0x00000001, '1'],
    [0x7f800000, 'inf'],
    [0x7fc00000, 'NaN'],
  ]
  for (const [bits, text] of cases) {
    if (bits === 1) expect(binary32Text(1n)).toMatch(/^0\.0{44}1$/)
    else expect(binary32Text(BigInt(bits))).toBe(text)
  }
})
