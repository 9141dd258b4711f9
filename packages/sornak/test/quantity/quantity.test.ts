import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { mask, tryMask } from 'sornak'
import { LOCALES } from './locales.js'

const shown = (text: string, value: string | bigint, reader?: string): string => {
  const result = mask(text, reader === undefined ? {} : { reader }).show(value)
  return result.ok ? result.text : result.misfit.code
}
const read = (text: string, value: string): string => {
  const result = mask(text).read(value)
  return result.ok ? result.plain : result.misfit.code
}

test.each([
  ['{number, decimals 2}', '102.12', '102.12'],
  ['{number, decimals 2}', '102.125', '102.13'],
  ['{number, decimals 2}', '-102.125', '-102.13'],
  ['{number, decimals 0..2}', '3', '3'],
  ['{number, decimals 0..2}', '3.10', '3.1'],
  ['{number, decimals 0}', '2.5', '3'],
  ['{number, whole 6}', '102', '000102'],
  ['{number, whole 6}', '1234567', '1234567'],
  ['{number, whole 1..6 spaced, decimals 0..2 spaced}', '3.1', '     3.1 '],
  ['{number, whole 1..6 spaced, decimals 0..2 spaced}', '1042', '  1042   '],
  ['{number, whole 1..6 spaced, decimals 0..2 spaced}', '12.25', '    12.25'],
  ['{number, group, decimals 2}', '1234567', '1,234,567.00'],
  ['{number, group " ", point ","}', '1234567.5', '1 234 567,5'],
  ['{number, group, locale en-IN}', '12345678', '1,23,45,678'],
  ['{number, percent, decimals 1}', '0.524', '52.4%'],
  ['{number, scientific 2}', '1234567890123', '1.23E+12'],
  ['{number, scientific 2}', '0.00012345', '1.23E-4'],
  ['{number, base 16}', '65535', 'FFFF'],
  ['{number, base 8}', '8', '10'],
  ['{number, base 2}', '5', '101'],
  ['{number, sign always}', '7', '+7'],
  ['{number, negative brackets}', '-7', '(7)'],
  ['{number, currency ZAR, decimals 0, locale en-ZA}', '1234', 'R\u00a01234'],
  ['{number, currency ZAR, decimals 0, group, locale en-ZA}', '1234', 'R\u00a01\u00a0234'],
  ['{number, decimals 2, round half-even}', '1.005', '1.00'],
  ['{number, decimals 2, round half-down}', '1.005', '1.00'],
  ['{number, decimals 2, round down}', '-1.009', '-1.00'],
  ['{number, decimals 2, round up}', '-1.001', '-1.01'],
  ['{number, decimals 2, round ceiling}', '-1.009', '-1.00'],
  ['{number, decimals 2, round floor}', '-1.001', '-1.01'],
  [
    '{number}',
    '123456789012345678901234567890.123456789',
    '123456789012345678901234567890.123456789',
  ],
])('%s shows %s as %j', (text, value, want) => {
  expect(shown(text, value)).toBe(want)
})

test.each([
  ['{number, group " ", point ",", decimals 2}', '1 234,50', '1234.50'],
  ['{number, percent, decimals 1}', '52.4%', '0.524'],
  ['{number, base 16}', 'ffff', '65535'],
  ['{number, scientific 2}', '1.23E+12', '1230000000000'],
  ['{number, negative brackets}', '(7)', '-7'],
  ['{number, currency ZAR, decimals 0, group, locale en-ZA}', 'R\u00a01\u00a0234', '1234'],
  ['{number, decimals 2}', '12.345', 'decimals'],
  ['{number, decimals 2}', 'twelve', 'wrong-character'],
  ['{number, decimals 2}', '', 'empty'],
  ['{number}', '1.2.3', 'wrong-character'],
])('%s reads %j as %s', (text, value, want) => {
  expect(read(text, value)).toBe(want)
})

test('a binary number is taken by its shortest decimal form', () => {
  expect(mask('{number, decimals 2}').show(0.1 + 0.2)).toMatchObject({ ok: true, text: '0.30' })
  expect(mask('{number}').show(2 ** 63)).toMatchObject({ ok: true, text: '9223372036854776000' })
  expect(mask('{number}').show(Infinity).ok).toBe(false)
})

describe('every locale of the platform', () => {
  const value = fc
    .tuple(fc.boolean(), fc.bigInt(0n, 10n ** 21n), fc.stringMatching(/^[0-9]{2}$/))
    .map(([minus, whole, cents]) => `${minus && whole > 0n ? '-' : ''}${whole}.${cents}`)

  test.each(LOCALES)(
    '%s: shows what Intl shows, and reads it back to the exact decimal',
    (locale) => {
      const grouped = mask(`{number, group, decimals 2, locale ${locale}}`)
      const peer = new Intl.NumberFormat(locale, {
        minimumFractionDigits: 2,
        maximumFractionDigits: 2,
        useGrouping: true,
      })
      fc.assert(
        fc.property(value, (decimal) => {
          const result = grouped.show(decimal)
          if (!result.ok) throw new Error(result.misfit.message)
          expect(result.text).toBe(peer.format(decimal as unknown as number))
          const back = grouped.read(result.text)
          if (!back.ok) throw new Error(`${result.text}: ${back.misfit.message}`)
          expect(back.plain).toBe(decimal)
        }),
        { numRuns: 25 },
      )
    },
  )

  test('the reader’s locale is used only where the mask asks for it', () => {
    expect(shown('{number, group, decimals 2}', '1234.5', 'de')).toBe('1,234.50')
    expect(shown('{number, group, decimals 2, locale reader}', '1234.5', 'de')).toBe('1.234,50')
  })
})

describe('rounding modes', () => {
  // The platform's modes under the names that it gives them (ECMA-402).
  const PEERS = {
    up: 'expand',
    down: 'trunc',
    ceiling: 'ceil',
    floor: 'floor',
    'half-up': 'halfExpand',
    'half-down': 'halfTrunc',
    'half-even': 'halfEven',
  }
  test.each(Object.entries(PEERS))('%s rounds as the platform does', (mode, peer) => {
    const format = new Intl.NumberFormat('en', {
      maximumFractionDigits: 1,
      minimumFractionDigits: 1,
      useGrouping: false,
      signDisplay: 'negative',
      roundingMode: peer,
    } as Intl.NumberFormatOptions)
    const decimal = fc
      .tuple(
        fc.constantFrom('', '-'),
        fc.bigInt(0n, 999n),
        fc.stringMatching(/^[0-9](5|[0-9]{1,3})?$/),
      )
      .map(([sign, whole, part]) => `${sign}${whole}.${part}`)
    fc.assert(
      fc.property(decimal, (value) => {
        expect(shown(`{number, decimals 1, round ${mode}}`, value)).toBe(
          format.format(value as unknown as number),
        )
      }),
      { numRuns: 300 },
    )
  })
})

test('what is shown reads back to what the mask keeps, whatever its settings', () => {
  const options = fc.record({
    decimals: fc.constantFrom('', ', decimals 2', ', decimals 0..3', ', decimals 0'),
    whole: fc.constantFrom('', ', whole 4', ', whole 1..30 spaced'),
    group: fc.constantFrom('', ', group', ', group "’"', ', group " "', ', group "_" 4'),
    sign: fc.constantFrom('', ', sign always', ', negative brackets'),
  })
  const value = fc
    .tuple(fc.constantFrom('', '-'), fc.bigInt(0n, 10n ** 24n), fc.stringMatching(/^[0-9]{0,5}$/))
    .map(([sign, whole, part]) => `${sign}${whole}${part ? `.${part}` : ''}`)
  fc.assert(
    fc.property(options, value, ({ decimals, whole, group, sign }, decimal) => {
      const made = tryMask(`{number${decimals}${whole}${group}${sign}}`)
      fc.pre(made.ok)
      const one = made.mask
      const result = one.show(decimal)
      fc.pre(result.ok)
      const back = one.read(result.text)
      if (!back.ok)
        throw new Error(`${one.text} ${JSON.stringify(result.text)}: ${back.misfit.message}`)
      const canon = one.canon(decimal)
      expect(canon.ok && canon.plain).toBe(back.plain)
      const again = one.show(back.plain)
      expect(again.ok && again.text).toBe(result.text)
    }),
    { numRuns: 1500 },
  )
})

test.each([
  ['{number, decimals}', 'option-argument'],
  ['{number, base 7}', 'option-argument'],
  ['{number, decimal 2}', 'option-unknown'],
  ['{3 number}', 'count-misplaced'],
  ['{number}{3}', 'kinds-mixed'],
])('%s is refused as %s', (text, code) => {
  const made = tryMask(text)
  expect(made.ok ? 'taken' : made.problem.code).toBe(code)
})
