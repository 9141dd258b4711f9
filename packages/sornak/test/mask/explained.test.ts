// A value under a mask, explained: where each character went, or why not and what would make it fit.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { mask, remedies, trace, tryMask } from 'sornak'
import { aMask, aValueFor } from './arbitrary.js'

test('every character of a value that fits goes to one place, in order', () => {
  fc.assert(
    fc.property(aMask(), fc.infiniteStream(fc.nat()), (text, picks) => {
      const made = tryMask(text)
      fc.pre(made.ok)
      const value = aValueFor(made.mask, picks)
      const shown = made.mask.show(value)
      fc.pre(shown.ok)
      for (const one of text.includes('hide') ? [value] : [value, shown.text]) {
        const traced = trace(made.mask, one)
        if (!traced.ok) throw new Error(traced.misfit.message)
        expect(traced.places.map((place) => place.text).join('')).toBe(one)
      }
    }),
    { numRuns: 400 },
  )
})

test('characters are told apart by what they are for', () => {
  const traced = trace(mask('+27 {area: 2} {3} {4}'), '+27 21.555-0123')
  expect(traced.ok && traced.places.map(({ text, to }) => `${text}|${to}`)).toEqual([
    '+27|literal',
    ' |separator',
    '21|slot',
    '.|separator',
    '555|slot',
    '-|separator',
    '0123|slot',
  ])
})

describe('what would make it fit', () => {
  test.each([
    ['{5}', '417', 'zeros-back', '00417'],
    ['{5}', "'00417", 'marks-off', '00417'],
    ['{5}', '2O417', 'look-alikes', '20417'],
    ['{1}{1 of "A..F"}{1}', '682', 'look-alikes', '6B2'],
    ['{5}', '20417.0', 'tail-off', '20417'],
    ['{10}', '206-555-0142', 'separators-out', '2065550142'],
    ['{10}', '2,065,550,142', 'separators-out', '2065550142'],
    ['{4} {4} {4} {4}', '4.300222233334444E15', 'full-number', '4300222233334444'],
    ['{4} {4} {4} {4}', '4.30022E+15', 'digits-gone', undefined],
    ['{3}', '1234', 'one-too-many', '123'],
    ['{5}', '２０４１７', 'marks-off', '20417'],
  ])('%s %s: %s', (text, value, code, want) => {
    const found = remedies(mask(text), value)
    expect(found.map((one) => one.code)).toContain(code)
    expect(found.find((one) => one.code === code)?.value).toBe(want)
  })
  test('which of the two is the letter, and which the digit', () => {
    const said = (text: string, value: string) => remedies(mask(text), value)[0]!.message
    expect(said('{5}', '2O417')).toBe('A letter stands where a digit belongs: "20417".')
    expect(said('{1}{1 of "A..F"}{1}', '682')).toBe('A digit stands where a letter belongs: "6B2".')
  })
  test('each remedy does what it says, and a value that fits needs none', () => {
    const texts = fc.stringMatching(/^['0-9OlE.+ -]{1,18}$/)
    const masks = ['{5}', '({3}) {3}-{4}', '{2 upper}{5}', '{number, decimals 2}'].map((one) =>
      mask(one),
    )
    fc.assert(
      fc.property(fc.constantFrom(...masks), texts, (one, text) => {
        const found = remedies(one, text)
        if (trace(one, text).ok) expect(found).toEqual([])
        for (const { value, shown } of found)
          if (value !== undefined) expect(trace(one, value).ok && shown !== undefined).toBe(true)
      }),
      { numRuns: 1000 },
    )
  })
})
