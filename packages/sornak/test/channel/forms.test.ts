// The same damage as many programs print it: each text leads back to the original, whatever printed it.

import { describe, expect, test } from 'vitest'
import { CHANNELS, judge, type Preimage } from 'sornak'
import { definition } from '../identifier/definition-for.js'

const KINDS = {
  card: definition({ stored: '{16}', display: '{4} {4} {4} {4}' }),
  phone: definition({ stored: '{10}', display: '({3}) {3}-{4}' }),
  crew: definition({ stored: '{5}', display: 'HS-{5}' }),
  container: definition({ stored: '{4 of "A..Z"}{7}', display: '{4 of "A..Z"} {6} {1}' }),
  plain: definition({ stored: '{4 of "A..Z"}{7}' }),
  iban: definition({
    stored: '{2 of "A..Z"}{2}{4 of "A..Z"}{14}',
    display: '{2 of "A..Z"}{2} {4 of "A..Z"} {4} {4} {4} {2}',
  }),
  dated: definition({ stored: '{3 upper}{2}' }),
  joint: definition({ stored: '{3}-{4}' }),
  desk: definition({ stored: '{4}-{2}' }),
  area: definition({ stored: '{5}-{4}' }),
  staff: definition({ stored: '{6}' }),
  power: definition({ stored: '{3}E{2}' }),
  lane: definition({ stored: '{1}/{2}' }),
  time: definition({ stored: '{2}:{2}' }),
}

const inside = (text: string, preimages: readonly Preimage[]) =>
  preimages.some((one) =>
    one.kind === 'texts'
      ? one.texts.includes(text)
      : one.kind === 'integers' && one.low <= BigInt(text) && BigInt(text) <= one.high,
  )

describe('an exponent in every style', () => {
  test.each([
    '4.30022e+15',
    '4.3002222333344e+15',
    '4.300222233334444E15',
    '4.3002222E+15',
    '4,3E+15',
    '4.30022223333444e+015',
    '43.0e14',
    '4.3e15',
    '+4.3002E+15',
    '4.3D+15',
    '4.3d15',
    '4.3002q+15',
    '4.30022+015',
    '4.30022 × 10^15',
    '4.30022⋅10**15',
    '4.30022 × 10¹⁵',
    '4.30022*^15',
    '4.3P',
    '4300.2T',
    '4300 T',
  ])('%s', (seen) => {
    const [short, full] = ['short-display', 'exponent-form'].map((id) =>
      CHANNELS.get(id)!.inverse(seen),
    )
    expect(inside('4300222233334444', [...short!, ...full!])).toBe(true)
  })
})

describe('verdicts', () => {
  test.each([
    // [kind, seen, verdict, first finding, mend or a candidate]
    ['card', '4300222233334444.0', 'mendable', 'decimal-tail', '4300222233334444'],
    ['card', '4,300,222,233,334,444', 'mendable', 'grouped', '4300222233334444'],
    ['card', '4.300.222.233.334.444', 'mendable', 'grouped', '4300222233334444'],
    [
      'card',
      '4\u202f300\u202f222\u202f233\u202f334\u202f444',
      'mendable',
      'grouped',
      '4300222233334444',
    ],
    ['card', '4.300222233334444E15', 'mendable', 'exponent', '4300222233334444'],
    ['card', '4300 2222 3333 4444', 'mendable', 'display-stored', '4300222233334444'],
    ['card', '4.30022E+15', 'lost', 'exponent', undefined],
    ['card', '2147483647', 'lost', 'clamped', undefined],
    ['phone', '-1189416062', 'ambiguous', 'wrapped', '3105551234'],
    ['phone', '$2,065,550,142.00', 'mendable', 'scaled', '2065550142'],
    ['phone', '2065550142%', 'mendable', 'scaled', '2065550142'],
    ['phone', '206555014200%', 'mendable', 'scaled', '2065550142'],
    ['phone', 'R 2065550142,00', 'mendable', 'scaled', '2065550142'],
    ['phone', '206-555-0142', 'mendable', 'display-stored', '2065550142'],
    ['phone', '2O6555O142', 'mendable', 'look-alike', '2065550142'],
    ['phone', '206555014Z', 'mendable', 'look-alike', '2065550142'],
    ['container', 'csqu3054383', 'mendable', 'case-changed', 'CSQU3054383'],
    ['container', 'csqu 305438 3', 'mendable', 'case-changed', 'CSQU3054383'],
    ['iban', 'gb82west12345698765432', 'mendable', 'case-changed', 'GB82WEST12345698765432'],
    ['iban', 'gb82 west 1234 5698 7654 32', 'mendable', 'case-changed', 'GB82WEST12345698765432'],
    ['phone', '２０６５５５０１４２', 'mendable', 'foreign-digit', '2065550142'],
    ['phone', '2065550142\u200b', 'mendable', 'hidden-character', '2065550142'],
    ['phone', '="2065550142"', 'mendable', 'stray-mark', '2065550142'],
    ['phone', 'tel:2065550142', 'mendable', 'stray-mark', '2065550142'],
    ['phone', 'Tel. 206-555-0142', 'mendable', 'stray-mark', '2065550142'],
    [
      'iban',
      'IBAN GB82 WEST 1234 5698 7654 32',
      'mendable',
      'stray-mark',
      'GB82WEST12345698765432',
    ],
    ['iban', 'IBAN: GB82WEST12345698765432', 'mendable', 'stray-mark', 'GB82WEST12345698765432'],
    ['crew', 'No. 00417', 'mendable', 'stray-mark', '00417'],
    ['crew', '# 00417', 'mendable', 'stray-mark', '00417'],
    // Python: hex(2065550142), oct(2065550142), bin(417). An o or a B is the digit that it looks like.
    ['phone', '0x7b1dcb3e', 'mendable', 'base-changed', '2065550142'],
    ['phone', '0o17307345476', 'mendable', 'base-changed', '2065550142'],
    ['phone', '&H7B1DCB3E', 'mendable', 'base-changed', '2065550142'],
    ['phone', '16#7B1DCB3E#', 'mendable', 'base-changed', '2065550142'],
    ['crew', '0o641', 'mendable', 'look-alike', '00641'],
    ['crew', '0B110', 'mendable', 'look-alike', '08110'],
    ['crew', '0b110100001', 'mendable', 'base-changed', '00417'],
    ['phone', '206.555.0142', 'mendable', 'display-stored', '2065550142'],
    ['phone', '206/555_0142', 'mendable', 'display-stored', '2065550142'],
    ['crew', '20 417', 'mendable', 'grouped', '20417'],
    ['crew', '204 17', 'mendable', 'display-stored', '20417'],
    // A number of single precision, as some languages show it.
    ['crew', '417.0f0', 'mendable', 'exponent', '00417'],
    ['phone', '2.07B', 'lost', 'exponent', undefined],
    ['crew', '20.4K', 'ambiguous', 'exponent', '20417'],
    // Python: '%.0f' % float('212E23').
    ['power', '21199999999999999429574656', 'mendable', 'evaluated', '212E23'],
    ['card', '4300.2222.3333.4444', 'mendable', 'display-stored', '4300222233334444'],
    ['container', 'CSQU 305438-3', 'mendable', 'display-stored', 'CSQU3054383'],
    ['plain', 'CSQU-305438.3', 'mendable', 'display-stored', 'CSQU3054383'],
    ['plain', 'ＣＳＱＵ３０５４３８３', 'mendable', 'foreign-digit', 'CSQU3054383'],
    ['plain', "b'CSQU3054383'", 'mendable', 'stray-mark', 'CSQU3054383'],
    ['phone', '２．０６５５５０１４２Ｅ９', 'mendable', 'foreign-digit', '2065550142'],
    ['phone', '٢٬٠٦٥٬٥٥٠٬١٤٢', 'mendable', 'foreign-digit', '2065550142'],
    ['phone', "('2065550142',)", 'mendable', 'stray-mark', '2065550142'],
    ['phone', 'np.float64(2065550142.0)', 'mendable', 'stray-mark', '2065550142'],
    ['crew', '2041l', 'mendable', 'look-alike', '20411'],
    ['crew', '2041|', 'mendable', 'look-alike', '20411'],
    ['phone', '2065550142UL', 'mendable', 'stray-mark', '2065550142'],
    ['phone', '2065550142?', 'mendable', 'stray-mark', '2065550142'],
    ['phone', '&nbsp;2065550142', 'mendable', 'stray-mark', '2065550142'],
    ['phone', '2.065.550.142,--', 'mendable', 'grouped', '2065550142'],
    ['phone', '2065550142,-', 'mendable', 'decimal-tail', '2065550142'],
    // 3105551234 less 2^32 is -1189416062.
    ['phone', '-1.18941606E+09', 'ambiguous', 'exponent', '3105551234'],
    ['phone', '-1.18942E+09', 'lost', 'exponent', undefined],
    ['phone', '-', 'blank', 'missing-mark', undefined],
    ['phone', 'unknown', 'blank', 'missing-mark', undefined],
    ['phone', '-nan(ind)', 'blank', 'missing-mark', undefined],
    ['phone', 'NaN%', 'blank', 'missing-mark', undefined],
    ['phone', '$NaN', 'blank', 'missing-mark', undefined],
    ['phone', 'NaN €', 'blank', 'missing-mark', undefined],
    ['phone', '∞%', 'lost', 'overflow-mark', undefined],
    ['phone', '(error)', 'lost', 'overflow-mark', undefined],
    ['phone', 'Err:502', 'lost', 'overflow-mark', undefined],
    ['phone', '1.7976931348623157e308', 'lost', 'overflow-mark', undefined],
    // What follows the word must fit as it stands: it may as well be another number.
    ['crew', 'No. 417', 'misfit', 'unexplained', undefined],
    ['crew', 'room 00417', 'misfit', 'unexplained', undefined],
    ['phone', '#####', 'lost', 'overflow-mark', undefined],
    ['phone', 'inf', 'lost', 'overflow-mark', undefined],
    ['crew', '417', 'mendable', 'zeros-lost', '00417'],
    ['crew', '417.0', 'mendable', 'decimal-tail', '00417'],
    ['crew', "'00417", 'mendable', 'stray-mark', '00417'],
    ['crew', 'HS-00417', 'mendable', 'display-stored', '00417'],
    ['crew', '-417', 'ambiguous', 'wrapped', '00417'],
    ['crew', '65535', 'intact', undefined, undefined],
    ['dated', '7-Mar', 'mendable', 'date-made', 'MAR07'],
    // The month of any day, where only that is shown; no code is read in 2037, as far as anybody knows.
    ['dated', 'Mar-07', 'ambiguous', 'date-made', 'MAR07'],
    ['dated', 'Mar-37', 'mendable', 'date-made', 'MAR37'],
    ['dated', '2026-03-07', 'mendable', 'date-made', 'MAR07'],
    // A thousand come to this, and some hundreds more where 0142 is octal.
    ['joint', '413', 'lost', 'evaluated', undefined],
    ['desk', '32', 'ambiguous', 'evaluated', '0047-15'],
    // 0047 is octal for 39, and 07 for 7.
    ['desk', '24', 'ambiguous', 'evaluated', '0047-15'],
    ['desk', '4712', 'ambiguous', 'evaluated', '4719-07'],
    ['joint', '-9413', 'ambiguous', 'evaluated', '555-9968'],
    // Ten thousand and more come to this: they are not listed.
    ['area', '-2634', 'lost', 'evaluated', undefined],
    ['lane', '0.05', 'ambiguous', 'evaluated', '1/20'],
    ['lane', '17-Jan', 'mendable', 'date-made', '1/17'],
    // Or 07:50, of which the colon was left out.
    ['time', '750', 'ambiguous', 'base-changed', '12:30'],
    ['time', '12:30:00', 'mendable', 'date-made', '12:30'],
    ['staff', '2540-12-24', 'ambiguous', 'date-made', '234115'],
    ['crew', 'twelve', 'misfit', 'unexplained', undefined],
  ] as const)('%s %s: %s', (kind, seen, verdict, finding, original) => {
    const judgement = judge(KINDS[kind], seen, 1000)
    expect([judgement.verdict, judgement.findings[0]]).toEqual([verdict, finding])
    if (verdict === 'mendable') expect(judgement.mend).toBe(original)
    else if (original !== undefined)
      expect(judgement.candidates.map(({ text }) => text)).toContain(original)
  })
})

describe('a number rounded to a fixed place may have had a digit less', () => {
  const numbers = Array.from({ length: 20_000 }, (_, i) => i)
  // To thousands, and to hundreds: 9,500 is 10K.
  test.each([
    ['10K', 1000, 10],
    ['9K', 1000, 9],
    ['1K', 1000, 1],
    ['10.0K', 100, 100],
    ['9.9K', 100, 99],
  ])('%s', (seen, unit, count) => {
    const preimages = CHANNELS.get('short-display')!.inverse(seen)
    const found = numbers.filter((number) => inside(`${number}`, preimages))
    // A half may have gone either way.
    const rounded = numbers.filter((number) => Math.abs(number - count * unit) <= unit / 2)
    const missing = rounded.filter((number) => !found.includes(number))
    expect(missing).toEqual([])
    expect(found.length - rounded.length).toBe(0)
  })
  test.each(['12,346K', '12.346 K', '12 346K', '12’345.7K'])('%s has groups', (seen) => {
    expect(inside('12345678', CHANNELS.get('short-display')!.inverse(seen))).toBe(true)
    expect(judge(definition({ stored: '{8}' }), seen).mend).toBeUndefined()
  })
  test('and is counted among the originals', () => {
    const all = numbers.filter((number) => Math.floor(number / 1000) === 10 || near(number))
    expect(judge(KINDS.crew, '10K').possible).toBe(BigInt(all.length))
  })
  const near = (number: number) => Math.abs(number - 10_000) <= 500
})
