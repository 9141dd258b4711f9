// Hand-overs through the library, padding and precision, and trusted lists.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  CHANNELS,
  fromCatalog,
  HAND_OVERS,
  handedOver,
  profiler,
  rehearsal,
  trustedList,
} from 'sornak'
import { hypotheses } from '../../src/inspect/ways/originals.js'
import { definition } from '../identifier/definition-for.js'

const crew = definition({ stored: '{5}' })
const card = fromCatalog('card/payment')!

describe('hand-overs', () => {
  test('are made of channels and forms that exist', () => {
    for (const { passages } of HAND_OVERS.values())
      for (const { channel, form } of passages) expect(CHANNELS.get(channel)?.forms).toContain(form)
  })
  test.each([
    ['spreadsheet', '00417', '417'],
    ['spreadsheet', '4300222233334444', '4300222233334440'],
    ['spreadsheet', '3E7', '30000000'],
    ['spreadsheet-saved', '4300222233334444', '4.30022E+15'],
    ['spreadsheet-saved', '02065550142', '2065550142'],
    ['json-numbers', '123456789012345678', '123456789012345680'],
    ['import-guess', '00417', '417.0'],
    ['int32-column', '4300222233', '2147483647'],
    ['real-column', '2065550142', '2065550080'],
    ['octal-reader', '00641', '417'],
    ['numeric-column', 'HSFU6049843', 'HSFU6049843'],
  ])('%s: %s arrives as %s', (id, before, after) => {
    expect(handedOver(HAND_OVERS.get(id)!, before)).toBe(after)
  })
  test.each([
    ['6 and zeros', '2065550142', '2065550000'],
    ['6 and zeros', '46733385', '46733400'],
    ['7 and zeros', '46733385', '46733390'],
    ['6 and zeros', '467333', '467333'],
    ['thousands', '5467512', '5468000'],
    ['thousands', '417', '417'],
  ])('a program that shows %s without an exponent: %s arrives as %s', (form, before, after) => {
    const shown = { id: 'own', title: 'Own', passages: [{ channel: 'short-display', form }] }
    expect(handedOver(shown, before)).toBe(after)
  })
  test('what is damaged and what is lost are counted', () => {
    const [sheet] = HAND_OVERS.values()
    const rehearsed = rehearsal(crew, [sheet!])
    for (const value of ['20417', '00417', '417', '00001']) rehearsed.add(value)
    expect(rehearsed.results[0]).toMatchObject({ values: 3, damaged: 2, lost: 0 })
    expect(rehearsed.results[0]!.examples).toEqual([['00417', '417', false]])
  })
  test('where zeros are padding, losing them is no damage', () => {
    const voucher = definition({ stored: '{1..6}', zeros: 'padding' })
    const rehearsed = rehearsal(voucher, [HAND_OVERS.get('numeric-column')!])
    rehearsed.add('0042')
    expect(rehearsed.results[0]).toMatchObject({ values: 1, damaged: 0 })
  })
})

describe('padding and precision', () => {
  test('every value is short, right, over or wrong, and counted once', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[0-9]{1,8}$|^[A-Z]{2}$/), { maxLength: 40 }),
        (values) => {
          const made = profiler(crew)
          for (const value of values) made.add(value)
          const { padding, digits, widths, leadingZeros } = made.profile()
          expect(padding.short + padding.right + padding.over + padding.wrong).toBe(values.length)
          expect(padding.right).toBe(values.filter((value) => /^\d{5}$/.test(value)).length)
          expect(padding.short).toBe(values.filter((value) => /^\d{1,4}$/.test(value)).length)
          expect(digits).toBe(Object.values(widths).reduce((sum, count) => sum + count, 0))
          expect(leadingZeros).toBe(values.filter((value) => /^0\d+$/.test(value)).length)
        },
      ),
    )
  })
  test('what each number column would lose', () => {
    const made = profiler(card)
    // Below 2^53; its last digit is not zero, so sixteen digits count; no zero in front.
    made.add('4111111111111111')
    const lost = Object.fromEntries(made.profile().types.map(({ type, lost: n }) => [type, n]))
    expect(lost).toMatchObject({
      '16-bit integer': 1,
      '32-bit integer': 1,
      '64-bit integer': 0,
      '64-bit binary (double)': 0,
      '15 significant digits (spreadsheet)': 1,
      'decimal(18)': 0,
    })
  })
  test('a code is lost in each of them, and what is no code is not counted', () => {
    const made = profiler(definition({ stored: '{1}{1 of "A..F"}{1}' }))
    for (const value of ['3E7', '0A1', '30000000']) made.add(value)
    const lost = Object.fromEntries(made.profile().types.map(({ type, lost: n }) => [type, n]))
    expect(lost).toMatchObject({ '16-bit integer': 3, '32-bit integer': 2, 'decimal(38)': 2 })
  })
})

describe('a trusted list', () => {
  const list = trustedList(['00417', '20417', '4300222233334449', '4300222233334456'])
  test('finds the members in an interval and among texts, two at the most', () => {
    // Its zeros may be gone, or its front.
    expect(list.among(hypotheses(crew, '417')).sort()).toEqual(['00417', '20417'])
    expect(list.among(hypotheses(crew, '417.0'))).toEqual(['00417'])
    const sixteen = definition({ stored: '{16}' })
    expect(list.among(hypotheses(sixteen, '4.30022E+15')).length).toBe(2)
    expect(list.among(hypotheses(sixteen, '4300222233334440'))).toEqual(['4300222233334449'])
  })
  test('counts claims on its members only', () => {
    list.claim('00417')
    list.claim('00417')
    list.claim('99999')
    expect([list.claims('00417'), list.claims('99999'), list.size]).toEqual([2, 0, 4])
  })
})
