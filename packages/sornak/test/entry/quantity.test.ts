// Typing numbers: groups that do not fight, decimals that end, marks of the locale.

import { describe, expect, test } from 'vitest'
import type { Edit } from 'sornak/entry'
import { fieldFor } from './field.js'

const AMOUNT = '{number, group, decimals 2}'
const select = (from: number, to = from): Edit => ({ kind: 'select', from, to })
const paste = (text: string): Edit => ({ kind: 'paste', text })

describe('groups come as digits do', () => {
  test.each<[string, string, (string | Edit)[], string, string]>([
    ['one by one', AMOUNT, ['1234567.5'], '1,234,567.5|', '1234567.50'],
    ['deleted again', AMOUNT, ['1234⌫'], '123|', '123.00'],
    ['in the middle', AMOUNT, ['1234567', select(3), '9'], '12,9|34,567', '12934567.00'],
    ['through a separator', AMOUNT, ['1234567', select(2), '⌫'], '|234,567', '234567.00'],
    ['a separator typed where it stands', AMOUNT, ['1234', select(1), ','], '1,|234', '1234.00'],
    ['German marks', '{number, group, decimals 2, locale de}', ['1234,5'], '1.234,5|', '1234.50'],
    ['Indian groups', '{number, group, locale en-IN}', ['1234567'], '12,34,567|', '1234567'],
    ['own separator', '{number, group " ", point ","}', ['1234,5'], '1 234,5|', '1234.5'],
    ['a minus in front', AMOUNT, ['-1234'], '-1,234|', '-1234.00'],
    ['brackets', '{number, negative brackets}', ['(12'], '(12|)', '-12'],
    ['percent', '{number, percent, decimals 1}', ['52.4'], '52.4|%', '0.524'],
    ['a point on the number pad', '{number, decimals 2, locale fr}', ['1.5'], '1,5|', '1.50'],
    ['hexadecimal', '{number, base 16}', ['ff'], 'FF|', '255'],
    ['scientific', '{number, scientific 2}', ['1.23e12'], '1.23E12|', '1230000000000'],
    [
      'long numbers stay exact',
      '{number}',
      ['12345678901234567890'],
      '12345678901234567890|',
      '12345678901234567890',
    ],
  ])('%s', (_, mask, edits, want, plain) => {
    const field = fieldFor(mask).do(...edits)
    expect(field.seen).toBe(want)
    expect(field.state.plain).toBe(plain)
    expect(field.state.refused).toBeUndefined()
  })
})

describe('refused with a reason', () => {
  test.each<[string, string, (string | Edit)[], RegExp]>([
    ['a third decimal', AMOUNT, ['1.234'], /No more than 2 decimals/],
    ['a comma that could be meant as a decimal mark', AMOUNT, ['1,'], /decimal mark is “\.”/],
    ['a point that groups', '{number, group, locale de}', ['1.'], /decimal mark is “,”/],
    ['a second point', AMOUNT, ['1.5.'], /does not belong/],
    ['a point in whole numbers', '{number, decimals 0}', ['1.'], /whole number/],
    ['a letter', AMOUNT, ['1x'], /letter x/],
    ['a minus in the middle', AMOUNT, ['12-'], /in front/],
    ['more digits than fit', '{number, whole 1..3}', ['1234'], /No more than 3 digits/],
    ['pasted decimals', AMOUNT, [paste('1.234')], /nothing was put in/],
  ])('%s', (_, mask, edits, why) => {
    const field = fieldFor(mask).do(...edits)
    expect(field.state.refused?.message).toMatch(why)
  })
})

test.each([
  ['1,234.5', '1,234.50', '1234.50'],
  ['$1,234', '1,234.00', undefined],
  ['-0.5', '-0.50', '-0.50'],
])('pasted %s stands as %s when the field is left', (text, want, plain) => {
  const field = fieldFor(AMOUNT).do(paste(text), { kind: 'leave' })
  if (plain === undefined) expect(field.state.status).toBe('empty')
  else expect(field.state).toMatchObject({ text: want, plain, status: 'complete' })
})

test('currency signs stand by themselves and may be typed', () => {
  const field = fieldFor('{number, currency USD, locale en}').do('$12.5')
  expect(field.seen).toBe('$12.5|')
  expect(field.do({ kind: 'leave' }).state.text).toBe('$12.50')
  expect(
    fieldFor('{number, group, currency USD, locale en}').do(paste('$1,234.5')).state.plain,
  ).toBe('1234.50')
})
