// What the tables say of a text is what reading it says.

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { maskList, tryMask, type MaskList } from 'sornak'
import { mayReadAny } from '../../src/mask/recognize.js'
import { aMask, aValueFor } from './arbitrary.js'

/** The text with one character changed, put in or left out, at some place. */
const slipped = (text: string, at: number, char: string, how: number): string =>
  [
    text,
    text.slice(0, at) + char + text.slice(at),
    text.slice(0, at) + char + text.slice(at + 1),
    text.slice(0, at) + text.slice(at + 1),
  ][how]!

const agrees = (list: MaskList, text: string) => {
  const read = list.read(text)
  const readable = read.ok || read.misfit.code === 'two-readings'
  const filled = list.masks.some(({ kind, program }) => kind !== 'characters' || program.framed)
  // What is filled up to a width, and what is no row of characters, is left to those who read it.
  if (filled || /[^ -~]/.test(text)) return !readable || mayReadAny(list, text)
  return mayReadAny(list, text) === readable
}

test('of generated masks, and of texts that fit or nearly do', () => {
  const slip = fc.tuple(fc.nat(40), fc.constantFrom(...'07aZ -/.(+'), fc.nat(3))
  fc.assert(
    fc.property(aMask(), fc.infiniteStream(fc.nat()), slip, (text, picks, [at, char, how]) => {
      const made = tryMask(text)
      fc.pre(made.ok)
      const shown = made.mask.show(aValueFor(made.mask, picks))
      fc.pre(shown.ok)
      const list = maskList([text])
      expect(agrees(list, slipped(shown.text, at % (shown.text.length + 1), char, how))).toBe(true)
    }),
    { numRuns: 1500 },
  )
})

test('of lists, and of texts of any kind', () => {
  const lists = [
    ['+44 {4} {6}', '0{4} {6}', '0{3} {3} {4}'],
    ['{3}-{2}-{4}'],
    ['{1..} x {2}', '{2 upper}{5}'],
    ['{number, group}', '{date dd/MM/yy}'],
    ['{1..4 any width 6 fill "*"}'],
  ].map(maskList)
  const texts = fc.oneof(
    fc.string({ unit: 'binary', maxLength: 12 }),
    fc.stringMatching(/^[+0-9 ()./*x-]{0,16}$/),
  )
  fc.assert(
    fc.property(fc.constantFrom(...lists), texts, (list, text) => {
      expect(agrees(list, text)).toBe(true)
    }),
    { numRuns: 4000 },
  )
  const [phone] = lists
  expect(mayReadAny(phone!, '0207-946-0018')).toBe(true)
  expect(mayReadAny(phone!, '0207-946-001')).toBe(false)
})
