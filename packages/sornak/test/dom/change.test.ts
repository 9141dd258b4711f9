// What a browser changed by itself, told from two texts and the caret.

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { changeBetween } from '../../src/dom/change.js'

test.each([
  ['one more of the same', '1223', '12223', 3, { from: 2, to: 2, text: '2' }],
  ['the same one a place on', '1223', '12223', 2, { from: 1, to: 1, text: '2' }],
  ['one gone', '(206) 5', '(206)5', 5, { from: 5, to: 6, text: '' }],
  ['replaced', '(206) 5', '(9) 5', 2, { from: 1, to: 4, text: '9' }],
  ['put in at the end', '20', '206', 3, { from: 2, to: 2, text: '6' }],
  ['all of it', '', '206', 3, { from: 0, to: 0, text: '206' }],
])('%s', (_, before, after, caret, want) => {
  expect(changeBetween(before, after, caret)).toEqual(want)
})

test('a change, made, gives the new text', () => {
  const text = fc.stringMatching(/^[012]{0,9}$/)
  fc.assert(
    fc.property(text, text, fc.option(fc.nat(9)), (before, after, caret) => {
      const { from, to, text: put } = changeBetween(before, after, caret)
      expect(from).toBeLessThanOrEqual(to)
      expect(before.slice(0, from) + put + before.slice(to)).toBe(after)
    }),
  )
})
