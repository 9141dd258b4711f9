// Digits of every script that Unicode has, and what comes with copied text and nobody sees.

import { expect, test } from 'vitest'
import { cleaned, plainer } from '../../src/entry/clean.js'

test('every decimal digit of the basic plane is read as its value', () => {
  // Decimal digits stand in runs of ten from zero to nine (Unicode Standard, 4.6).
  let seen = 0
  for (let code = 0; code < 0x10000; code++) {
    const char = String.fromCodePoint(code)
    if (!/^\p{Nd}$/u.test(char)) {
      seen = 0
      continue
    }
    if (code > 0x7f)
      expect([code.toString(16), plainer(char)]).toEqual([code.toString(16), `${seen % 10}`])
    seen++
  }
})

test.each([
  ['\u202a206\u200b-\ufeff5\u202c', '206-5'],
  ['206\n555\t', '206 555 '],
  ['4111\u00ad1111', '41111111'],
])('%j is %j', (text, want) => {
  expect(cleaned(text)).toBe(want)
})
