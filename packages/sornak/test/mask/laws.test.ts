// The laws of showing and reading, on generated masks and values.

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { mask, remedies, trace, tryMask, type Mask } from 'sornak'
import { aMask, aValueFor } from './arbitrary.js'

const runs = { numRuns: 400 }

test('every value a mask takes reads back from what is shown, and once shown stays the same', () => {
  fc.assert(
    fc.property(aMask(), fc.infiniteStream(fc.nat()), (text, picks) => {
      const made = tryMask(text)
      fc.pre(made.ok)
      const value = aValueFor(made.mask, picks)
      const shown = made.mask.show(value)
      if (!shown.ok) throw new Error(`${value}: ${shown.misfit.message}`)
      fc.pre(!text.includes('hide'))
      const back = made.mask.read(shown.text)
      if (!back.ok) throw new Error(`${shown.text}: ${back.misfit.message}`)
      const canon = made.mask.canon(value)
      expect(canon.ok && canon.plain).toBe(back.plain)
      expect(made.mask.show(back.plain)).toEqual(shown)
    }),
    runs,
  )
})

test('printing gives a mask that prints the same and shows the same', () => {
  fc.assert(
    fc.property(aMask(), fc.infiniteStream(fc.nat()), (text, picks) => {
      const made = tryMask(text)
      fc.pre(made.ok)
      const again = mask(made.mask.print())
      expect(again.print()).toBe(made.mask.print())
      expect(made.mask.print().length).toBeLessThanOrEqual(text.length)
      const value = aValueFor(made.mask, picks)
      expect(again.show(value)).toEqual(made.mask.show(value))
    }),
    runs,
  )
})

test('no text at all makes a mask throw, and loose reading agrees with strict reading', () => {
  const masks = [
    '({3}) {3}-{4}',
    '{2 upper}{5}',
    '{3} {3}[ ext {1..5}]',
    '{1..} x {2}',
    '{3 any}[/{2 letter}]',
    '{number, group, decimals 2}',
    '{number, scientific 2}',
    '{date d MMM yyyy}',
    '{1 upper, first, from region}-{3, pad, from number}',
    '{1..4 any width 6 fill "*"}',
  ].map((text) => mask(text))
  const strange = fc.oneof(
    fc.string({ unit: 'binary' }),
    fc.string({ unit: 'grapheme' }),
    fc.stringMatching(/^[()0-9 .x/-]{0,20}$/),
  )
  fc.assert(
    fc.property(fc.constantFrom(...masks), strange, (one: Mask, text) => {
      one.show(text)
      const strict = one.read(text, { strict: true })
      const loose = one.read(text)
      trace(one, text)
      remedies(one, text)
      if (strict.ok) expect(loose).toEqual(strict)
    }),
    { numRuns: 2000 },
  )
})

test('mask text of any kind is taken or refused, never thrown at', () => {
  const bits = fc.constantFrom(
    '{',
    '}',
    '[',
    ']',
    '3',
    '..',
    ' ',
    'pad',
    'hide',
    'of',
    '"A"',
    ',',
    'any',
    'a:',
    '\\',
    '-',
    'x',
  )
  fc.assert(
    fc.property(fc.array(bits, { maxLength: 12 }), (parts) => {
      const made = tryMask(parts.join(''))
      if (!made.ok) expect(tryMask(made.problem.example).ok).toBe(true)
    }),
    { numRuns: 3000 },
  )
})

test('a megabyte is read in one pass', () => {
  const long = '7'.repeat(1_000_000)
  const one = mask('{1..} end')
  const shown = one.show(long)
  expect(shown.ok && shown.text.length).toBe(1_000_004)
  expect(one.read(`${long} end`)).toMatchObject({ ok: true, strict: true })
  expect(one.read(`${long}x`).ok).toBe(false)
  const part = long.slice(0, 250_000)
  for (const text of ['{number}', '{number, scientific 2}', '{date d MMM yyyy}', '{1.. from a}'])
    for (const value of [part, `${part}.${part}`, `1e${part}`, ' '.repeat(part.length)]) {
      mask(text).read(value)
      mask(text).show(value)
    }
})
