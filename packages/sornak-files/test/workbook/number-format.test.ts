// Number formats against what another program shows for the same numbers.

import { describe, expect, test } from 'vitest'
import { numberFormat } from '../../src/workbook/number-format.js'
import { fixture, rows } from '../tables.js'

describe('as another program shows them', async () => {
  const cases = (await rows('a.csv', fixture('number-formats.csv'))).map(
    ([number = '', code = '', shown = '']) => ({ number, code, shown }),
  )
  // That program shows all 17 digits, and fits general numbers into the width of the column.
  const alike = cases.filter(({ number, code }) => {
    const digits = number.replace(/\D/g, '').length
    return digits <= 15 && (code !== 'General' || (digits < 10 && !/^0\.0000/.test(number)))
  })
  test(`${alike.length} of ${cases.length} cases`, () => {
    expect(alike.length).toBeGreaterThan(180)
    for (const { number, code, shown } of alike)
      expect({ number, code, shown: numberFormat(code).show(number) }).toEqual({
        number,
        code,
        shown,
      })
  })
})

const dates: { code: string; days: string; shown: string }[] = [
  // ISO/IEC 29500-1, 18.17.4.1: day 1 is 1900-01-01, and 1900 has a 29 February.
  { code: 'yyyy-mm-dd', days: '1', shown: '1900-01-01' },
  { code: 'yyyy-mm-dd', days: '60', shown: '1900-02-29' },
  { code: 'yyyy-mm-dd', days: '61', shown: '1900-03-01' },
  { code: 'd/m/yy', days: '36526', shown: '1/1/00' },
  { code: 'd-mmm-yy', days: '42752', shown: '17-Jan-17' },
  { code: 'mmmm d, yyyy', days: '42752', shown: 'January 17, 2017' },
  { code: 'dddd', days: '42752', shown: 'Tuesday' },
  { code: 'h:mm', days: '0.5208333333333333', shown: '12:30' },
  { code: 'h:mm AM/PM', days: '42752.75', shown: '6:00 PM' },
  { code: '[h]:mm:ss', days: '1.5', shown: '36:00:00' },
]
test.each(dates)('$days as $code is $shown', ({ code, days, shown }) => {
  expect(numberFormat(code).show(days)).toBe(shown)
})
test('days from 1904', () => {
  expect(numberFormat('yyyy-mm-dd', true).show('0')).toBe('1904-01-01')
})

const general: [string, string][] = [
  ['4300222233334440', '4.30022E+15'],
  ['99999999999', '99999999999'],
  ['100000000000', '1E+11'],
  ['999999900000', '1E+12'],
  ['1.23456789012', '1.23456789'],
  ['0.00001', '1E-05'],
  ['-417', '-417'],
]
test.each(general)('%s without a format is shown as %s', (stored, shown) => {
  expect(numberFormat('General').show(stored)).toBe(shown)
})

test.each(['[<100]0;0.00', '# ?/?', '[DBNum1]0', '0"open'])('%s is not guessed at', (code) => {
  expect(numberFormat(code).show('417')).toBeUndefined()
})
