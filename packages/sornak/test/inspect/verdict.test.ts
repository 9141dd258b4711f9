// Verdicts on single values. What is expected is worked out by hand or by trying every original.

import { describe, expect, test } from 'vitest'
import { fit, fromCatalog, judge, mask, why } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import { toBits } from './converted-column.js'

const crew = definition({ stored: '{5}', display: 'HS-{5}' })
const mobile = definition({
  stored: '0{9}',
  display: '0{2} {3} {4}',
  'also-read': ['+27 {2} {3} {4}', '{9}'],
})
const card = definition({
  stored: ['{16}', '{15}'],
  display: ['{4} {4} {4} {4}', '{4} {6} {5}'],
  check: 'luhn',
})
const serial = definition({ stored: '{18}' })
const berth = definition({ stored: '{1}{1 of "A..F"}{1}' })

const cases = [
  { name: 'fits', of: crew, seen: '00417', verdict: 'intact' },
  {
    name: 'zeros lost',
    of: crew,
    seen: '417',
    verdict: 'mendable',
    finding: 'zeros-lost',
    mend: '00417',
  },
  {
    name: 'zeros lost down to one',
    of: crew,
    seen: '7',
    verdict: 'mendable',
    finding: 'zeros-lost',
    mend: '00007',
  },
  {
    name: 'zero, which stands for any value that is not known',
    of: crew,
    seen: '0',
    verdict: 'lost',
    finding: 'zeros-lost',
  },
  {
    name: 'zero, where hardly a value is nothing but zeros',
    of: serial,
    seen: '0',
    verdict: 'lost',
    finding: 'missing-mark',
  },
  {
    name: 'zero, of few values',
    of: definition({ stored: '{2}' }),
    seen: '0',
    verdict: 'mendable',
    finding: 'zeros-lost',
    mend: '00',
  },
  {
    name: 'zeros added',
    of: crew,
    seen: '0000417',
    verdict: 'mendable',
    finding: 'zeros-added',
    mend: '00417',
  },
  {
    name: 'decimal tail',
    of: crew,
    seen: '20417.0',
    verdict: 'mendable',
    finding: 'decimal-tail',
    mend: '20417',
  },
  {
    name: 'decimal tail with a comma',
    of: crew,
    seen: '20417,00',
    verdict: 'mendable',
    finding: 'decimal-tail',
    mend: '20417',
  },
  {
    name: 'tail and zeros',
    of: crew,
    seen: '417.0',
    verdict: 'mendable',
    finding: 'decimal-tail',
    mend: '00417',
  },
  {
    name: 'apostrophe',
    of: crew,
    seen: "'00417",
    verdict: 'mendable',
    finding: 'stray-mark',
    mend: '00417',
  },
  {
    name: 'formula text',
    of: crew,
    seen: '="00417"',
    verdict: 'mendable',
    finding: 'stray-mark',
    mend: '00417',
  },
  {
    name: 'spaces around',
    of: crew,
    seen: ' 00417 ',
    verdict: 'mendable',
    finding: 'stray-mark',
    mend: '00417',
  },
  {
    name: 'zero-width inside',
    of: crew,
    seen: '00\u200b417',
    verdict: 'mendable',
    finding: 'hidden-character',
    mend: '00417',
  },
  {
    name: 'full-width digits',
    of: crew,
    seen: '００４１７',
    verdict: 'mendable',
    finding: 'foreign-digit',
    mend: '00417',
  },
  {
    name: 'Arabic-Indic digits',
    of: crew,
    seen: '٠٠٤١٧',
    verdict: 'mendable',
    finding: 'foreign-digit',
    mend: '00417',
  },
  {
    name: 'marks around a number',
    of: crew,
    seen: "'417.0",
    verdict: 'mendable',
    finding: 'stray-mark',
    mend: '00417',
  },
  {
    name: 'display form',
    of: crew,
    seen: 'HS-00417',
    verdict: 'mendable',
    finding: 'display-stored',
    mend: '00417',
  },
  {
    name: 'an exponent that holds all digits',
    of: crew,
    seen: '4.17E+02',
    verdict: 'mendable',
    finding: 'exponent',
    mend: '00417',
  },
  {
    name: 'an exponent with an engineer’s coefficient',
    of: crew,
    seen: '41.7e1',
    verdict: 'mendable',
    finding: 'exponent',
    mend: '00417',
  },
  {
    name: 'exponent in words of another kind',
    of: crew,
    seen: '2.0417×10^4',
    verdict: 'mendable',
    finding: 'exponent',
    mend: '20417',
  },
  { name: 'a letter', of: crew, seen: '00A17', verdict: 'misfit', finding: 'unexplained' },
  { name: 'a digit too many', of: crew, seen: '204175', verdict: 'misfit', finding: 'unexplained' },
  { name: 'nothing', of: crew, seen: '', verdict: 'blank' },
  { name: 'white space', of: crew, seen: ' \t', verdict: 'blank' },
  { name: 'a word for nothing', of: crew, seen: 'NULL', verdict: 'blank', finding: 'missing-mark' },
  { name: 'infinity', of: crew, seen: 'inf', verdict: 'lost', finding: 'overflow-mark' },
  { name: 'number signs', of: crew, seen: '#####', verdict: 'lost', finding: 'overflow-mark' },
  { name: 'trunk zero lost', of: mobile, seen: '0825550142', verdict: 'intact' },
  {
    name: 'international form',
    of: mobile,
    seen: '+27 82 555 0142',
    verdict: 'mendable',
    finding: 'display-stored',
    mend: '0825550142',
  },
  {
    name: 'international form read as a number',
    of: mobile,
    seen: '27825550142',
    verdict: 'mendable',
    mend: '0825550142',
  },
  {
    name: 'grouped',
    of: mobile,
    seen: '825,550,142',
    verdict: 'mendable',
    finding: 'grouped',
    mend: '0825550142',
  },
  {
    name: 'grouped the Indian way',
    of: mobile,
    seen: '82,55,50,142',
    verdict: 'mendable',
    finding: 'grouped',
    mend: '0825550142',
  },
  {
    name: 'all sixteen digits in an exponent',
    of: card,
    seen: '4.111111111111111E15',
    verdict: 'mendable',
    finding: 'exponent',
    mend: '4111111111111111',
  },
  {
    name: 'card in its display form',
    of: card,
    seen: '4111 1111 1111 1111',
    verdict: 'mendable',
    finding: 'display-stored',
    mend: '4111111111111111',
  },
  {
    name: 'wrong check digit',
    of: card,
    seen: '4111111111111112',
    verdict: 'misfit',
    finding: 'check-digit',
  },
  {
    name: 'six digits of a card',
    of: card,
    seen: '4.11111E+15',
    verdict: 'lost',
    finding: 'exponent',
  },
  {
    name: 'a code worked out',
    of: berth,
    seen: '30000000',
    verdict: 'mendable',
    finding: 'evaluated',
    mend: '3E7',
  },
  {
    name: 'a code worked out, with a tail',
    of: berth,
    seen: '30000000.0',
    verdict: 'mendable',
    finding: 'decimal-tail',
    mend: '3E7',
  },
  {
    name: 'printed in base sixteen',
    of: card,
    // Python: hex(4300222233334449)
    seen: '0xf470782ac52b1',
    verdict: 'mendable',
    finding: 'base-changed',
    mend: '4300222233334449',
  },
  {
    name: 'printed in base sixteen with a power of two',
    of: crew,
    // Python: float(417).hex()
    seen: '0x1.a100000000000p+8',
    verdict: 'mendable',
    finding: 'base-changed',
    mend: '00417',
  },
  {
    name: 'base sixteen, where values have letters of their own',
    of: definition({ stored: '{6 of "0..9A..F"}' }),
    seen: '0x00F423',
    verdict: 'misfit',
    finding: 'unexplained',
  },
  {
    name: 'printed with a plus',
    of: serial,
    seen: '+430022223333444417',
    verdict: 'mendable',
    finding: 'sign-gained',
    mend: '430022223333444417',
  },
] as const

test.each(cases)('$name: $seen', ({ of, seen, verdict, ...more }) => {
  const judgement = judge(of, seen)
  expect(judgement.verdict).toBe(verdict)
  expect(judgement.findings[0]).toBe('finding' in more ? more.finding : judgement.findings[0])
  expect(judgement.mend).toBe('mend' in more ? more.mend : undefined)
  expect(why(of, judgement, seen) === '').toBe(
    verdict === 'intact' || (verdict === 'blank' && judgement.findings.length === 0),
  )
})

// How languages and programs write a value that they print for other programs: Python 2 and R, JavaScript, Python, lists.
test.each([
  ['430022223333444417L', 'stray-mark'],
  ['430022223333444417n', 'stray-mark'],
  ["Decimal('430022223333444417')", 'stray-mark'],
  ['[430022223333444417]', 'stray-mark'],
  ['<430022223333444417>', 'stray-mark'],
  ['430022223333444417;', 'stray-mark'],
  ['"430022223333444417', 'stray-mark'],
  ["430022223333444417'", 'stray-mark'],
  ['430-022-223-333-444-417', 'display-stored'],
])('marks and hyphens take no digit away: %s', (seen, finding) => {
  const { verdict, findings, mend, proof } = judge(serial, seen)
  expect({ verdict, findings, mend }).toEqual({
    verdict: 'mendable',
    findings: [finding],
    mend: '430022223333444417',
  })
  expect(proof).toBeDefined()
})

test.each(['#####', '******', 'inf', '-Infinity', '#NUM!'])('%s stands for any value', (seen) => {
  expect(judge(serial, seen)).toMatchObject({ verdict: 'lost', findings: ['overflow-mark'] })
})

test('zero is told from a word for nothing', () => {
  const said = (seen: string) => {
    const three = definition({ stored: '{3}' })
    return why(three, judge(three, seen), seen)
  }
  expect(said('00')).toMatch(/^It may stand for no value, .* 1,000 possible originals\.$/)
  expect(said('NULL')).toBe('A program wrote a word for a missing value.')
})

test('which of two that look alike is the digit', () => {
  const said = (stored: string, seen: string) => {
    const one = definition({ stored })
    return why(one, judge(one, seen), seen).split('.')[0]
  }
  expect(said('{5}', '2O417')).toBe('A letter stands where a digit that looks like it belongs')
  expect(said('{1}{1 of "A..F"}{1}', '682')).toBe(
    'A digit stands where a letter that looks like it belongs',
  )
})

describe('originals are counted right', () => {
  test('variable width: every width is possible', () => {
    const one = definition({ stored: '{4..6}' })
    const judgement = judge(one, '417')
    expect(judgement.verdict).toBe('ambiguous')
    expect(judgement.possible).toBe(3n)
    expect(judgement.candidates.map(({ text }) => text).sort()).toEqual(['000417', '00417', '0417'])
  })

  test('fifteen digits: all cards that round or cut to what is seen, and no other', () => {
    const seen = '4111111111111110'
    const possible: string[] = []
    for (let n = 4111111111111000n; n < 4111111111111200n; n++) {
      const cut = (n / 10n) * 10n
      const rounded = ((n + 5n) / 10n) * 10n
      const even = ((n + 4n) / 10n) * 10n
      if ([cut, rounded, even].includes(BigInt(seen)) && fit(card, `${n}`).ok) possible.push(`${n}`)
    }
    const judgement = judge(card, seen, 50)
    expect(judgement.candidates.map(({ text }) => text).sort()).toEqual(possible.sort())
    expect(judgement.possible).toBe(BigInt(possible.length))
  })

  test('binary64: all serials that come out as the same number', () => {
    // Seventeen digits after the zero went: numbers lie 16 apart here, so 17 integers share one.
    const judgement = judge(serial, '12345678901234576', 50)
    expect(judgement.verdict).toBe('ambiguous')
    const values = judgement.candidates.map(({ text }) => BigInt(text))
    const numbers = new Set(values.map((value) => BigInt.asUintN(64, value) && Number(value)))
    expect(numbers).toEqual(new Set([Number('12345678901234576')]))
    expect(Number(values.reduce((a, b) => (a < b ? a : b)) - 1n)).not.toBe(
      Number('12345678901234576'),
    )
    expect(Number(values.reduce((a, b) => (a > b ? a : b)) + 1n)).not.toBe(
      Number('12345678901234576'),
    )
  })

  test('six digits of a card: one in ten of the interval passes the check', () => {
    const judgement = judge(card, '4.11111E+15')
    // From 4111105000000000 to 4111119999999999 when cut and rounded count, one in ten of them.
    expect(judgement.possible).toBe(1_500_000_000n)
  })
})

describe('what is required, reserved, or kept as it is', () => {
  test('a blank where a value is required', () => {
    const judgement = judge(definition({ stored: '{5}', required: 'true' }), ' ')
    expect([judgement.verdict, judgement.findings]).toEqual(['misfit', ['missing']])
  })
  test('a reserved part', () => {
    const judgement = judge(fromCatalog('social-security/us')!, '666123456')
    expect([judgement.verdict, judgement.findings]).toEqual(['misfit', ['reserved']])
  })
  test('a word for nothing that fits is a value', () => {
    expect(judge(definition({ stored: '{4 upper}' }), 'NULL').verdict).toBe('intact')
  })
  test('with zeros as padding a short value is intact', () => {
    const voucher = definition({ stored: '{1..6}', zeros: 'padding', display: 'V-{6 pad}' })
    expect(judge(voucher, '42').verdict).toBe('intact')
    expect(judge(voucher, '42.0').mend).toBe('42')
  })
})

test('no sentence shows a hidden value', () => {
  const secret = definition({ stored: '{16}', check: 'luhn', sensitivity: 'secret' })
  for (const seen of ['4.11111E+15', '411111111111111X', '4111111111111112', "'4111111111111111"]) {
    const sentence = why(secret, judge(secret, seen), seen)
    expect(sentence).not.toMatch(/4111|X/)
  }
})

test('long and strange texts are judged without trouble', () => {
  for (const seen of [
    '9'.repeat(500),
    '1e999',
    '1e-999',
    '-',
    '+',
    '.',
    ',',
    'E',
    '1'.repeat(100_000),
    '😀',
    '0x',
    '(',
    '=""',
  ]) {
    expect(judge(crew, seen).verdict).not.toBe('intact')
    expect(judge(card, seen).verdict).not.toBe('intact')
  }
  expect(mask('{5}').read('9'.repeat(100_000)).ok).toBe(false)
})

test('where zeros are padding a mend keeps those that are there', () => {
  const voucher = definition({ stored: '{1..6}', zeros: 'padding' })
  const mends = ['"015542"', '015,542', '015542.0', '15,542', '0,042', '000.042'].map(
    (seen) => judge(voucher, seen).mend,
  )
  expect(mends).toEqual(['015542', '015542', '015542', '15542', '0042', '000042'])
})

test.each(['(HS0061619)', '-HS0061619', '+HS0061619', '• HS0061619', '* HS0061619', '- HS0061619'])(
  'what stands around letters is a mark, and no sign: %s',
  (seen) => {
    const prefixed = definition({ stored: 'HS{7}' })
    expect(judge(prefixed, seen)).toMatchObject({
      findings: ['stray-mark'],
      mend: 'HS0061619',
      proof: 'exact',
    })
  },
)

test('a code that was filled up with zeros to a wider field is told by what is left without them', () => {
  const prefixed = definition({ stored: 'HS{7}' })
  const filled = { findings: ['zeros-added'], mend: 'HS0061619' }
  expect(judge(prefixed, '000HS0061619')).toMatchObject(filled)
  expect(judge(berth, '005A3').mend).toBe('5A3')
  expect(judge(prefixed, '000HS061619').verdict).toBe('misfit')
})

// 5333311425435839 * 100 in binary64, as programs print it that multiply before they put the sign.
test.each(['533331142543583872%', '533331142543583900%', '533331142543583872.00%'])(
  'a card shown as %s is the one card of which a hundred times as much is rounded to that',
  (seen) => {
    const cards = Array.from({ length: 40 }, (_, i) => 5333311425435820n + BigInt(i)).filter(
      (n) => toBits(n * 100n, 53) === 533331142543583872n && fit(card, `${n}`).ok,
    )
    expect(cards).toHaveLength(1)
    expect(judge(card, seen)).toMatchObject({ findings: ['scaled'], mend: `${cards[0]}` })
  },
)
