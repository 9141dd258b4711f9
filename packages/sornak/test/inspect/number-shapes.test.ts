// Numbers are told by their shape: whatever comes first, the answer is that of reading each.

import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { fit } from 'sornak'
import { hasShapes, shapesOf } from '../../src/inspect/evidence/number-shapes.js'
import { of } from './converted-column.js'

const MASKS = [
  '{number, decimals 2}',
  '{number, decimals 0..2}',
  '{number}',
  '{number, whole 6}',
  '{number, whole 1..6 spaced, decimals 0..2 spaced}',
  '{number, group, decimals 2}',
  '{number, group " ", point ","}',
  '{number, percent, decimals 1}',
  '{number, decimals 2, negative brackets}',
  '{number, decimals 2, sign always}',
  '{number, decimals 2, width 9, fill "0"}',
  'EUR {number, decimals 2}',
]

const digit = fc.constantFrom(...'0123456789')
const near = fc.oneof(
  fc.string({ unit: fc.constantFrom(...'0123456789.,-+ ()%EURx\u00a0'), maxLength: 10 }),
  fc
    .tuple(
      fc.constantFrom('', '-', '+', ' ', '(', '0', '00', 'EUR ', 'EUR -'),
      fc.string({ unit: digit, minLength: 1, maxLength: 4 }),
      fc.constantFrom('', ',', ' ', ',000,'),
      fc.string({ unit: digit, maxLength: 3 }),
      fc.constantFrom('', '.', ',', '.0', '.00', '.5', '.50', '.05', ',25'),
      fc.constantFrom('', ')', '%', ' ', '  '),
    )
    .map((parts) => parts.join('')),
)

const decimal = fc
  .tuple(fc.constantFrom('', '-'), fc.nat(99_999), fc.constantFrom('', '.5', '.25', '.05', '.00'))
  .map(([sign, whole, rest]) => `${sign}${whole}${rest}`)

describe.each(MASKS)('%s', (mask) => {
  const made = of(mask)

  test('a shape says what each of its numbers says', () => {
    expect(hasShapes(made)).toBe(true)
    let fitting = 0
    fc.assert(
      fc.property(fc.array(near), fc.array(decimal), (texts, values) => {
        const fits = shapesOf(made)
        const shown = values.flatMap((value) => {
          const one = made.stored.show(value)
          return one.ok ? [one.text] : []
        })
        for (const text of [...texts, ...shown]) {
          const bytes = new TextEncoder().encode(text)
          const { ok } = fit(made, text)
          if (ok) fitting++
          // What is not ASCII is read as text.
          const ascii = bytes.every((byte) => byte < 128)
          if (ascii ? fits(bytes, 0, bytes.length) !== ok : fits(bytes, 0, bytes.length) && !ok)
            throw new Error(JSON.stringify(text))
        }
      }),
      { numRuns: 120 },
    )
    expect(fitting).toBeGreaterThan(50)
  })
})

test.each([['{5}'], ['{number, base 16}'], ['{number, scientific 3}'], ['{date yyyy-MM-dd}']])(
  '%s is not told by shape',
  (stored) => {
    expect(hasShapes(of(stored))).toBe(false)
  },
)
