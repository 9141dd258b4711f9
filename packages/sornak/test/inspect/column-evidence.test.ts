// Columns as evidence: runs found where conversions were at work, nothing in clean columns, and states of
// parts that join into that of the whole.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  columnEvidence,
  columnRuns,
  fit,
  fromCatalog,
  joinedEvidence,
  judge,
  settled,
  type ColumnRuns,
  type Definition,
  type EvidenceState,
} from 'sornak'
import { definition } from '../identifier/definition-for.js'
import { withCheckDigit } from './converted-column.js'

// A small generator of its own, so that a column is the same every time.
function digitsFrom(seed: number): (count: number) => string {
  let state = seed
  const next = () => (state = (state * 48271) % 2147483647)
  return (count) => Array.from({ length: count }, () => `${next() % 10}`).join('')
}

function evidenceOf(made: Definition, values: readonly string[], first = 0): EvidenceState {
  const evidence = columnEvidence(made)
  values.forEach((value, i) => {
    const place = { index: first + i, line: first + i, offset: first + i }
    const bytes = new TextEncoder().encode(value)
    if (fit(made, value).ok) evidence.fits(bytes, 0, bytes.length, place)
    else evidence.misfit(value, place)
  })
  return evidence.state()
}

const runsIn = (made: Definition, values: readonly string[]): ColumnRuns =>
  columnRuns(made, evidenceOf(made, values))

// Rounds to 53 significant bits, halves to even: binary64 as IEEE 754 has it.
function throughBinary64(text: string): string {
  const value = BigInt(text)
  const drop = BigInt(Math.max(0, value.toString(2).length - 53))
  const unit = 1n << drop
  const rest = value % unit
  const even = (value / unit) % 2n === 0n
  const up = rest * 2n > unit || (rest * 2n === unit && !even)
  return (value - rest + (up ? unit : 0n)).toString()
}

test('blanks and words for a missing value say nothing: a run goes on behind them', () => {
  const draw = digitsFrom(417)
  const serial = definition({ stored: '{9}' })
  const printed = Array.from({ length: 60 }, () => `1${draw(8)}.0`)
  const words = ['NaN', 'None', '#N/A', 'inf', ' ']
  const [run, ...more] = runsIn(serial, printed).told
  expect(more).toEqual([])
  const between = printed.flatMap((text, i) => [text, words[i % words.length]!])
  const [among, ...others] = runsIn(serial, between).told
  expect(others).toEqual([])
  expect(among).toMatchObject({ process: run!.process, bits: run!.bits })
  expect([among!.from.index, among!.to.index]).toEqual([0, 118])
})

describe('an 18-digit serial, rounded through binary64 in rows 4,000 to 9,000 of 20,000', () => {
  const serial = definition({ stored: '{18}' })
  const draw = digitsFrom(20261)
  const originals = Array.from({ length: 20_000 }, () => `${1 + (Number(draw(1)) % 9)}${draw(17)}`)
  const values = originals.map((text, i) => (i >= 4000 && i < 9000 ? throughBinary64(text) : text))
  const found = runsIn(serial, values)

  test('the run is found to within a few rows, and the channel is named', () => {
    const [run, ...more] = found.told
    expect(more).toEqual([])
    expect(run?.channel).toBe('binary64')
    expect(Math.abs(run!.from.index - 4000)).toBeLessThanOrEqual(3)
    expect(Math.abs(run!.to.index - 8999)).toBeLessThanOrEqual(3)
  })
  test('values in it are suspect, with the original among the candidates, and no others are', () => {
    let doubted = 0
    for (const [i, value] of values.entries()) {
      if (i < 3990 && i % 50) continue
      const { verdict, candidates } = judge(serial, value, 1000, found.around(i))
      if (i >= 3995 && i < 9005) {
        if (verdict !== 'suspect') continue
        doubted++
        expect(candidates.map(({ text }) => text)).toContain(originals[i])
      } else expect(verdict, value).toBe('intact')
      if (i > 9100) break
    }
    expect(doubted).toBeGreaterThan(4900)
  })
})

test('a round number among others that only lost their zero lost it too', () => {
  const phone = fromCatalog('phone/gb')!
  const draw = digitsFrom(4)
  const originals = Array.from({ length: 3000 }, (_, i) =>
    i % 40 ? `07700900${draw(3)}` : '07700900000',
  )
  const values = originals.map((text, i) => (i >= 1000 && i < 2000 ? text.slice(1) : text))
  const found = runsIn(phone, values)
  expect(found.told.map(({ channel }) => channel)).toEqual(['number-read'])
  for (let i = 1000; i < 2000; i++)
    expect(judge(phone, values[i]!, 10, found.around(i)).mend).toBe(originals[i])
})

describe('clean columns give nothing', () => {
  const draw = digitsFrom(7)
  const serial = definition({ stored: '{18}' })
  test.each([
    ['random serials', serial, Array.from({ length: 30_000 }, () => draw(18))],
    [
      'serials in a sequence',
      serial,
      Array.from({ length: 5000 }, (_, i) => `${10n ** 17n + BigInt(i)}`),
    ],
    [
      'serials in steps of ten',
      serial,
      Array.from({ length: 5000 }, (_, i) => `${10n ** 17n + 10n * BigInt(i)}`),
    ],
    ['one value all the time', serial, Array<string>(5000).fill('123456789012345680')],
    [
      'values that repeat',
      serial,
      Array.from({ length: 200 }, () => draw(18)).flatMap((one) => Array<string>(25).fill(one)),
    ],
    [
      'phones of one area',
      fromCatalog('phone/us')!,
      Array.from({ length: 20_000 }, () => `2065550${draw(3)}`),
    ],
    [
      'numbers that were issued in order',
      definition({ stored: '{5}' }),
      Array.from({ length: 3000 }, (_, i) => `${i}`.padStart(5, '0')),
    ],
    ['ten digits', definition({ stored: '{10}' }), Array.from({ length: 20_000 }, () => draw(10))],
  ] as const)('%s', (_, made, values) => {
    const found = runsIn(made, values)
    expect(found.told).toEqual([])
    expect(found.suspects).toEqual([])
  })
})

describe('the column decides between processes', () => {
  const crew = definition({ stored: '{5}' })
  const draw = digitsFrom(99)
  const originals = Array.from({ length: 600 }, () => draw(5))
  const judged = (values: readonly string[], made = crew) => {
    const found = runsIn(made, values)
    return values.map((value, i) => judge(made, value, 1000, found.around(i)))
  }
  test('zeros that a number reader took are put back', () => {
    judged(originals.map((text) => BigInt(text).toString())).forEach((one, i) =>
      expect(one.mend ?? originals[i]).toBe(originals[i]),
    )
  })
  test('zeros that an octal reader took are not', () => {
    const octal = originals.map((text) =>
      /^0[0-7]+$/.test(text) ? BigInt(`0o${text}`).toString() : text,
    )
    judged(octal).forEach((one, i) => expect(one.mend ?? originals[i]).toBe(originals[i]))
  })
  test('a column that was cut short is not filled with zeros', () => {
    const cut = originals.map((text) => text.slice(0, 4))
    for (const one of judged(cut)) expect(one.verdict).not.toBe('mendable')
  })
  const card = fromCatalog('card/payment')!
  const cardNumbers = (count: number, end = '') =>
    Array.from({ length: count }, () => withCheckDigit(`4${draw(14 - end.length)}${end}`))
  test('check digits that say "cut" turn fifteen digits back', () => {
    const cards = cardNumbers(200)
    const cut = cards.map((text) => `${text.slice(0, 15)}0`)
    const found = runsIn(card, cut)
    const mended = cut.map((value, i) => judge(card, value, 10, found.around(i)).mend)
    mended.forEach((mend, i) => expect(mend ?? cards[i]).toBe(cards[i]))
    expect(mended.filter((mend, i) => mend === cards[i]).length).toBeGreaterThan(150)
  })
  test('a half that went to the even digit below it was rounded, and does not say "cut"', () => {
    // No card of the ten below comes out as the same: only the half was rounded to it.
    const halves = cardNumbers(400, '00').filter((text) => {
      const below = (BigInt(text.slice(0, 15)) - 1n).toString()
      return text.endsWith('5') && withCheckDigit(below).slice(15) < '5'
    })
    expect(halves.length).toBeGreaterThan(2)
    const rest = cardNumbers(258)
    const originals = [...rest.slice(0, 18), ...halves.slice(0, 2)]
    const toEven = originals.map((text) => {
      const tens = BigInt(text.slice(0, 15))
      const up = text[15]! > '5' || (text[15] === '5' && tens % 2n === 1n)
      return `${tens + (up ? 1n : 0n)}0`
    })
    const around = rest.slice(18, 258)
    const column = [...around.slice(0, 120), ...toEven, ...around.slice(120)]
    const found = runsIn(card, column)
    toEven.forEach((value, i) => {
      const { mend, verdict, candidates } = judge(card, value, 10, found.around(120 + i))
      expect(mend ?? originals[i]).toBe(originals[i])
      if (verdict === 'ambiguous')
        expect(candidates.map(({ text }) => text)).toContain(originals[i])
    })
  })
})

describe('states of parts', () => {
  const made = definition({ stored: '{18}' })
  const draw = digitsFrom(3)
  const value = fc.oneof(
    fc.constant(0).map(() => draw(18)),
    fc.constant(0).map(() => throughBinary64(`7${draw(17)}`)),
    fc.constantFrom('417', '4.30022E+15', '-5', '123456789012345680', '7.0'),
  )
  test('join into that of the whole, wherever the column is split', () => {
    fc.assert(
      fc.property(
        fc.array(value, { minLength: 1, maxLength: 60 }),
        fc.nat(),
        fc.nat(),
        (values, a, b) => {
          const [one, two] = [a % (values.length + 1), b % (values.length + 1)].sort(
            (x, y) => x - y,
          )
          const part = (from: number, to: number) => evidenceOf(made, values.slice(from, to), from)
          const left = joinedEvidence(
            made,
            joinedEvidence(made, part(0, one!), part(one!, two!)),
            part(two!, values.length),
          )
          const right = joinedEvidence(
            made,
            part(0, one!),
            joinedEvidence(made, part(one!, two!), part(two!, values.length)),
          )
          const told = (state: EvidenceState) =>
            columnRuns(made, state).told.map(({ from, to, bits }) => [from.index, to.index, bits])
          const whole = evidenceOf(made, values)
          for (const joined of [left, right]) {
            expect(settled(made, joined).sums).toEqual(settled(made, whole).sums)
            expect(told(joined)).toEqual(told(whole))
          }
        },
      ),
      { numRuns: 80 },
    )
  })
})

test('long numbers of binary64 are doubted where a few among them stand with an exponent', () => {
  const serial = definition({ stored: '{19}' })
  const draw = digitsFrom(911)
  const values = Array.from({ length: 160 }, (_, i) => {
    const text = throughBinary64(`${1 + (Number(draw(1)) % 8)}${draw(18)}`)
    return i % 70 === 30 ? `${text[0]!}.${text.slice(1, 13)}e+18` : text
  })
  const found = runsIn(serial, values)
  expect(found.around(80)).toMatchObject({ process: 'binary64', suspect: true })
})
