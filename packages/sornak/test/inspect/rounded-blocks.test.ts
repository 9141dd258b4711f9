// Rows that were rounded to however many digits: that all of them end in a zero is all that shows it, and it is enough.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { columnRuns, fit, joinedEvidence, judge, settled, type Definition } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import { zeroEndings } from '../../src/inspect/evidence/zero-endings.js'
import {
  bare,
  convertedRun,
  digits,
  evidenceOf,
  isListed,
  next,
  of,
  partOf,
  toDigits,
  withCheckDigit,
} from './converted-column.js'

const roundedTo = (zeros: number) => (text: string) =>
  `${toDigits(BigInt(text), bare(text).length - zeros)}`
const cutTo = (zeros: number) => (text: string) =>
  `${bare(text).slice(0, -zeros)}${'0'.repeat(zeros)}`

describe.each([
  [8, 1, 'rounded', roundedTo(1)],
  [9, 2, 'cut', cutTo(2)],
  [12, 2, 'rounded', roundedTo(2)],
  [15, 1, 'cut', cutTo(1)],
  [17, 1, 'rounded', roundedTo(1)],
  [19, 1, 'cut', cutTo(1)],
])('numbers of %i digits of which the last %i are zeros', (width, _zeros, how, convert) => {
  test.each([20, 60])(`${how} in %i rows: all are suspect, and the original is listed`, (count) => {
    const draw = () => `${1 + next(9)}${digits(width - 1)}`
    for (const row of convertedRun(of(`{${width}}`), draw, convert, count))
      if (row.seen !== row.original)
        expect([row.seen, row.told.verdict, isListed(row)]).toEqual([row.seen, 'suspect', true])
  })

  test(`${how}, and zeros at the front lost: no number is mended to one that was not`, () => {
    const rows = convertedRun(of(`{${width}}`), () => digits(width), convert, 80)
    const short = rows.filter(({ seen }) => seen.length < width)
    expect(short.length).toBeGreaterThan(2)
    for (const row of short) expect([row.told.mend, isListed(row)]).toEqual([undefined, true])
  })
})

test('at the beginning and at the end of a list two zeros say it', () => {
  const made = of('{12}')
  const originals = Array.from({ length: 500 }, () => `${1 + next(9)}${digits(11)}`)
  const convert = roundedTo(2)
  const seen = originals.map((text, row) => (row < 60 || row >= 460 ? convert(text) : text))
  const runs = columnRuns(made, evidenceOf(made, seen))
  seen.forEach((text, row) => {
    if (row === 60 || row === 459) return
    const { verdict } = judge(made, text, 3, runs.around(row))
    expect([row, verdict]).toEqual([
      row,
      text === originals[row] && row >= 60 && row < 460 ? 'intact' : 'suspect',
    ])
  })
})

describe('nobody is accused', () => {
  const made = of('{12}')
  const some = (count: number, draw: () => string) => Array.from({ length: count }, draw)
  const number = () => `${1 + next(9)}${digits(11)}`
  const round = () => `${1 + next(9)}${digits(10)}0`
  const lists: Record<string, () => string[]> = {
    'as they come': () => some(3000, number),
    'where all are round': () => some(600, round),
    'where many are': () => some(1000, () => (next(3) ? round() : number())),
    'where one list stands behind another': () => [...some(400, number), ...some(100, round)],
    'where a list is made of many parts': () =>
      Array.from({ length: 12 }, () => [...some(30, number), ...some(30, round)]).flat(),
    'where some were issued by tens': () => [
      ...some(300, number),
      ...Array.from({ length: 80 }, (_, i) => `${447_730_445_360 + 10 * i}`),
      ...some(300, number),
    ],
    'where a few come again and again': () => {
      const few = some(5, round)
      return [...some(300, number), ...some(80, () => few[next(5)]!), ...some(300, number)]
    },
    'where round ones start with a zero': () => [
      ...some(300, () => digits(12)),
      ...some(30, () => `0${digits(10)}0`),
      ...some(300, () => digits(12)),
    ],
  }
  test.each(Object.entries(lists))('%s', (_, list) => {
    for (let i = 0; i < 5; i++) {
      const values = list()
      const runs = columnRuns(made, evidenceOf(made, values))
      expect(runs.suspects).toEqual([])
      for (const text of values.slice(300, 330))
        expect(judge(made, text, 3, runs.around(values.indexOf(text))).verdict).toBe('intact')
    }
  })
})

describe('streaks of numbers that end in a zero', () => {
  const value = fc.oneof(
    { weight: 6, arbitrary: fc.stringMatching(/^[1-9]\d{6}0$/) },
    { weight: 3, arbitrary: fc.constantFrom('20417000', '20417010') },
    fc.stringMatching(/^[1-9]\d{7}$/),
    fc.constant('x'),
  )
  const values = fc
    .array(fc.array(value, { minLength: 1, maxLength: 30 }), { maxLength: 6 })
    .map((parts) => parts.flat())

  // Found again by looking at what lies between two numbers that end in none.
  test('are those between two others, where they differ in more than their last digits or repeat themselves', () => {
    fc.assert(
      fc.property(values, (all) => {
        const counter = zeroEndings()
        const numbers = all.filter((text) => text !== 'x')
        numbers.forEach((text, index) => {
          const bytes = new TextEncoder().encode(text)
          counter.take(bytes, 0, bytes.length, true, { index, line: index, offset: index })
        })
        const marks = numbers.map((text) => (text.endsWith('0') ? '0' : '.')).join('')
        const inside = [...marks.matchAll(/(?<=\.)0+(?=\.)/g)].map(({ index, 0: streak }) => {
          const own = numbers.slice(index, index + streak.length)
          return {
            at: index,
            count: own.length,
            heads: new Set(own.map((text) => text.slice(0, 4))),
            again: own.filter((text, i) => text === own[i - 1]).length,
          }
        })
        const isSequence = ({ count, again }: { count: number; again: number }) =>
          again * 4 >= count && count - again >= 4
        const long = inside.filter((one) => one.heads.size >= 12 || isSequence(one))
        const found = counter.endings().long.map(({ from, count }) => [from.index, count])
        expect(found).toEqual(
          long.sort((a, b) => b.count - a.count || a.at - b.at).map(({ at, count }) => [at, count]),
        )
      }),
    )
  })

  test('of parts join into those of the whole, wherever the column is split', () => {
    const made = of('{8}')
    const part = partOf.bind(undefined, made)
    fc.assert(
      fc.property(values, fc.nat(180), fc.nat(180), (all, a, b) => {
        const [one, two] = [Math.min(a, b), Math.max(a, b)]
        const [first, second, third] = [part(all, 0, one), part(all, one, two), part(all, two)]
        const join = joinedEvidence.bind(undefined, made)
        const whole = settled(made, part(all, 0)).endings
        for (const joined of [join(join(first, second), third), join(first, join(second, third))])
          expect(settled(made, joined).endings).toEqual(whole)
      }),
    )
  })
})

describe('short ones among rounded numbers', () => {
  const toHundreds = (text: string) => `${((BigInt(text) + 50n) / 100n) * 100n}`
  const toTenDigits = (text: string) => `${toDigits(BigInt(text), 10)}`
  const cards = definition({ stored: '{16}', check: 'luhn' })
  const kinds: [string, Definition, () => string, (text: string) => string][] = [
    ['members of six digits, to hundreds', of('{6}'), () => digits(6), toHundreds],
    ['contracts of twelve, to hundreds', of('{12}'), () => digits(12), toHundreds],
    ['contracts of twelve, to ten digits', of('{12}'), () => digits(12), toTenDigits],
    ['cards, to hundreds', cards, () => withCheckDigit(`4${digits(14)}`), toHundreds],
  ]
  const scenes: Record<string, (row: number) => boolean> = {
    'all rows': () => true,
    half: (row) => row < 200,
    'a block': (row) => row >= 150 && row < 300,
    'one in four': (row) => row % 4 === 1,
  }
  describe.each(kinds)('%s', (_, made, draw, convert) => {
    test.each(Object.entries(scenes))('%s: none is mended to another', (_name, struck) => {
      const originals = Array.from({ length: 400 }, draw)
      const seen = originals.map((text, row) => (struck(row) ? convert(text) : text))
      const runs = columnRuns(made, evidenceOf(made, seen))
      const misfits = seen.flatMap((text, row) => (fit(made, text).ok ? [] : [row]))
      expect(misfits.length).toBeGreaterThan(5)
      for (const row of misfits) {
        const { mend, candidates } = judge(made, seen[row]!, 1000, runs.around(row))
        const texts = candidates.map(({ text }) => text)
        if (mend === undefined)
          expect([seen[row], texts]).toEqual([seen[row], expect.arrayContaining([originals[row]])])
        else expect(mend).toBe(originals[row])
      }
    })
  })

  test('and where one in ten ends in a zero, as numbers do, they are mended', () => {
    const made = of('{12}')
    const originals = Array.from({ length: 400 }, () => digits(12))
    const seen = originals.map((text, row) => (row % 3 ? text : bare(text)))
    const runs = columnRuns(made, evidenceOf(made, seen))
    seen.forEach((text, row) => {
      if (!fit(made, text).ok)
        expect(judge(made, text, 3, runs.around(row)).mend).toBe(originals[row])
    })
  })

  test('nor are they left open where five in a row do so by chance', () => {
    const made = of('{5}')
    const five = ['31330', '58810', '12620', '15780', '45610']
    for (let i = 0; i < 10; i++) {
      const originals = Array.from({ length: 640 }, () => digits(5))
      five.forEach((text, k) => (originals[480 + 4 * k] = text))
      const seen = originals.map((text, row) => (row % 4 ? text : `${bare(text)}.00`))
      const runs = columnRuns(made, evidenceOf(made, seen))
      const mends = five.map((_, k) => judge(made, seen[480 + 4 * k]!, 3, runs.around(480 + 4 * k)))
      expect(mends.map(({ mend }) => mend)).toEqual(five)
    }
  })
})

describe('numbers issued one after the other', () => {
  const made = of('{9}')
  const issued = (count: number, by = 37) =>
    Array.from({ length: count }, (_, i) => `${450_000_000 + i * by + next(by - 7)}`)
  const shuffled = () => issued(600).sort(() => next(3) - 1)
  const judgedIn = (values: readonly string[], from: number, to: number) => {
    const runs = columnRuns(made, evidenceOf(made, values))
    return values.slice(from, to).map((text, i) => judge(made, text, 1000, runs.around(from + i)))
  }

  test('of which several come out as one are doubted, and each is listed', () => {
    const originals = issued(60)
    const rounded = originals.map(roundedTo(2))
    const told = judgedIn([...shuffled(), ...rounded, ...shuffled()], 600, 660)
    told.forEach(({ verdict, candidates }, i) => {
      if (rounded[i] === originals[i]) return
      expect([rounded[i], verdict]).toEqual([rounded[i], 'suspect'])
      expect(candidates.map(({ text }) => text)).toContain(originals[i])
    })
  })

  test('of nineteen digits that all came out as one are doubted: it goes on from those before', () => {
    const serial = of('{19}')
    const originals = Array.from(
      { length: 520 },
      (_, i) => `${4_300_222_233_334_441_700n + BigInt(i)}`,
    )
    const to15 = roundedTo(4)
    const values = originals.map((text, i) => (i >= 250 && i < 270 ? to15(text) : text))
    expect(new Set(values.slice(250, 270)).size).toBe(1)
    const runs = columnRuns(serial, evidenceOf(serial, values))
    values.forEach((text, i) => {
      const { verdict } = judge(serial, text, 3, runs.around(i))
      expect([i, verdict]).toEqual([i, text === originals[i] ? 'intact' : 'suspect'])
    })
  })

  test('by hundreds, with several lines each, as all others have, are left alone', () => {
    const lines = (numbers: readonly string[]) => numbers.flatMap((text) => [text, text, text])
    const round = Array.from({ length: 20 }, (_, i) => `${450_000_000 + i * 100}`)
    const values = [...lines(issued(200)), ...lines(round), ...lines(issued(200))]
    for (const { verdict } of judgedIn(values, 600, 660)) expect(verdict).toBe('intact')
  })
})
