// Slips in typing: what somebody typed wrongly is not mended as if a conversion had left it, and what a conversion left
// is mended although somebody typed other values wrongly.

import { describe, expect, test } from 'vitest'
import { columnRuns, fit, judge, type Definition, type Judgement } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import { bare, digits, evidenceOf, next, of, toDigits, withCheckDigit } from './converted-column.js'

const card = definition({ stored: '{16}', check: 'luhn' })
const other = (digit: string) => `${(Number.parseInt(digit, 10) + 1 + next(9)) % 10}`
const at = (text: string, place: number, put: string, instead = 0) =>
  text.slice(0, place) + put + text.slice(place + instead)

type Way = (text: string) => string
const wrong: Way = (text) => {
  const place = next(text.length)
  return at(text, place, other(text[place]!), 1)
}
const swapped: Way = (text) => {
  const place = next(text.length - 1)
  return at(text, place, text[place + 1]! + text[place]!, 2)
}
const added: Way = (text) => at(text, next(text.length + 1), `${next(10)}`)
const doubled: Way = (text) => {
  const place = next(text.length)
  return at(text, place, text[place]!)
}
const leftOut: Way = (text) => at(text, next(text.length), '', 1)

interface Row {
  readonly original: string
  readonly seen: string
  readonly told: Judgement
}

/** A column of values, each of which one of the ways may have changed. */
function column(made: Definition, draw: () => string, ways: (row: number) => Way, rows = 2000) {
  const typed = Array.from({ length: rows }, (_, row) => {
    const original = draw()
    return { original, seen: ways(row)(original) }
  })
  const runs = columnRuns(
    made,
    evidenceOf(
      made,
      typed.map(({ seen }) => seen),
    ),
  )
  return typed.map((row, i): Row => ({ ...row, told: judge(made, row.seen, 1000, runs.around(i)) }))
}
const asItIs: Way = (text) => text
const oneIn =
  (many: number, way: Way): ((row: number) => Way) =>
  () =>
    next(many) === 0 ? way : asItIs
const changed = (rows: readonly Row[]) => rows.filter(({ original, seen }) => original !== seen)
const misled = (rows: readonly Row[]) =>
  rows.flatMap(({ original, seen, told }) =>
    told.mend === undefined || told.mend === original ? [] : [[original, seen, told.mend]],
  )

/** With a check digit by Luhn's formula. */
const CHECKED: [string, number][] = [
  ['{8}', 8],
  ['{10}', 10],
  ['{15}', 15],
  ['{16}', 16],
]
const PLAIN: [string, () => string][] = [
  ['{5}', () => digits(5)],
  ['{8}', () => digits(8)],
  ['{12}', () => digits(12)],
  ['{18}', () => digits(18)],
  ['0{10}', () => `0${digits(10)}`],
]

describe.each([20, 100, 1000])('one value in %i', (many) => {
  test.each(CHECKED)(
    'a digit of %s is wrong, or two changed places: no other is put there',
    (stored, width) => {
      const made = definition({ stored, check: 'luhn' })
      const draw = () => withCheckDigit(digits(width - 1))
      for (const way of [wrong, swapped]) {
        const rows = column(made, draw, oneIn(many, way))
        expect(misled(rows)).toEqual([])
        for (const { seen, told } of changed(rows).filter(({ seen }) => !fit(made, seen).ok)) {
          expect(['misfit', 'ambiguous']).toContain(told.verdict)
          if (told.verdict === 'misfit')
            expect([seen, told.findings]).toEqual([seen, ['check-digit']])
        }
      }
    },
  )

  test.each(PLAIN)(
    'there is a digit too many for %s: no zero is taken away for it',
    (stored, draw) => {
      for (const way of [added, doubled])
        expect(misled(column(of(stored), draw, oneIn(many, way)))).toEqual([])
    },
  )
})

describe('a digit too many', () => {
  const staff = of('{8}')

  test('all that may have been meant is listed where a zero is in front', () => {
    const told = judge(staff, '096056006')
    expect(told.verdict).toBe('ambiguous')
    expect(told.candidates.map(({ text }) => text).sort()).toEqual(
      [
        '06056006',
        '09056006',
        '09605006',
        '09605600',
        '09605606',
        '09606006',
        '09656006',
        '96056006',
      ].sort(),
    )
  })

  test('zeros in front of a whole block are taken away, with slips elsewhere and without', () => {
    for (const many of [50, 1_000_000]) {
      const block = (row: number) => row >= 500 && row < 600
      const ways = oneIn(many, added)
      const rows = column(
        staff,
        () => digits(8),
        (row) => (block(row) ? (text) => `0${text}` : ways(row)),
      )
      expect(misled(rows)).toEqual([])
      const inside = rows.slice(500, 600)
      expect(inside.filter(({ original, told }) => told.mend !== original)).toEqual([])
    }
  })

  test('however many zeros stand in front', () => {
    // Each of eight digits that are left when one of these is taken away.
    const meant = (text: string) =>
      [...text].map((_, at) => text.slice(0, at) + text.slice(at + 1)).sort()
    for (const text of ['009605606', '000062161']) {
      const told = judge(staff, text)
      expect(told.verdict).toBe('ambiguous')
      expect(told.candidates.map((one) => one.text).sort()).toEqual([...new Set(meant(text))])
    }
  })

  test('two digits too many were not typed by a slip', () => {
    expect(judge(staff, '0096056006')).toMatchObject({ verdict: 'mendable', mend: '96056006' })
  })
})

describe('a digit too few', () => {
  const staff = of('{8}')
  const lost: Way = bare

  test('a zero is put back where no slip is known, unless octal digits leave the same', () => {
    const rows = column(staff, () => digits(8), oneIn(10, lost))
    const lacking = changed(rows).filter(({ seen }) => seen.length === 7)
    expect(lacking.length).toBeGreaterThan(4)
    for (const { original, seen, told } of lacking) {
      expect(told.slip).toBeUndefined()
      if (BigInt(seen) >= 8n ** 7n) expect(told.mend).toBe(original)
    }
  })

  test('where others have one too many, so may one be left out: all is listed', () => {
    const rows = column(
      staff,
      () => digits(8),
      () => [lost, lost, lost, lost, lost, added, leftOut][next(200)] ?? asItIs,
      8000,
    )
    expect(misled(rows)).toEqual([])
    for (const { original, told } of changed(rows).filter(({ seen }) => seen.length === 7)) {
      expect(told.verdict).toBe('ambiguous')
      expect(told.candidates.map(({ text }) => text)).toContain(original)
    }
  })

  test('values of another kind, one wider, are no slips', () => {
    const rows = column(
      staff,
      () => digits(8),
      () => [lost, lost, lost, () => `1${digits(8)}`][next(10)] ?? asItIs,
    )
    for (const { original, told } of rows.filter(({ seen }) => seen.length === 7))
      expect(told.mend).toBe(original)
  })
})

test('cards that were cut to fifteen digits are mended among mistyped ones; those elsewhere that end in a zero are not', () => {
  const cut: Way = (text) => `${text.slice(0, 15)}0`
  const block = (row: number) => row >= 2000 && row < 3000
  const ways = oneIn(200, wrong)
  const rows = column(
    card,
    () => withCheckDigit(`4${digits(14)}`),
    (row) => (block(row) ? cut : ways(row)),
    4000,
  )
  expect(misled(rows)).toEqual([])
  const struck = changed(rows.slice(2000, 3000))
  expect(struck.filter(({ original, told }) => told.mend === original).length).toBeGreaterThan(
    0.99 * struck.length,
  )
  for (const { told } of changed([...rows.slice(0, 1990), ...rows.slice(3010)]))
    expect(told.mend).toBeUndefined()
})

test('a value that no single slip explains, nor anything that is likelier than one, is a misfit', () => {
  // 020001 read as octal digits.
  const made = definition({ stored: '{4..6}', only: { value: '020000..020007' } })
  expect(judge(made, '8193')).toMatchObject({ verdict: 'misfit', findings: ['reserved'] })
})

test('one wrong digit among many clean values was typed, maybe, though it looks as if fifteen were kept', () => {
  const wholly = () => withCheckDigit(`4${digits(14)}`)
  const endsInZero = () => {
    for (;;) {
      const drawn = wholly()
      if (drawn.endsWith('0')) return drawn
    }
  }
  const typed = (text: string) => at(text, 7, other(text[7]!), 1)
  const rows = column(
    card,
    wholly,
    (row) => (row === 500 ? () => typed(endsInZero()) : asItIs),
    1000,
  )
  const { told } = rows[500]!
  expect(told).toMatchObject({ verdict: 'ambiguous', mend: undefined, slip: 'digit-wrong' })
  // Where nothing else is known, fifteen digits are what it says.
  const alone = judge(card, rows[500]!.seen)
  expect([alone.findings, alone.slip]).toEqual([['digits-rounded'], undefined])
})

describe('a digit where a letter belongs', () => {
  const berth = of('{1}{1 of "A..F"}{1}')
  const draw = () => `${next(10)}${'ABCDEF'[next(6)]!}${next(10)}`
  const withEight: Way = (text) => at(text, 1, '8', 1)
  const inTheMiddle = (rows: readonly Row[]) => rows.filter(({ seen }) => /^\d8\d$/.test(seen))
  /** Another digit there, or the letter left out: nothing that looks like what was meant. */
  const typedOtherwise: Way = (text) =>
    next(2) === 0 ? at(text, 1, '3', 1) : at(text, 1, '', 1).replace(/\d$/, '7')

  test('is the letter that looks like it, where everything else is clean', () => {
    const rows = column(berth, draw, (row) => (row === 250 ? () => '682' : asItIs), 600)
    expect(rows[250]!.told).toMatchObject({ verdict: 'mendable', mend: '6B2', proof: 'exact' })
  })

  test('may be any letter, the one that looks like it first, where others are mistyped', () => {
    const rows = column(
      berth,
      draw,
      (row) => (row % 200 === 100 ? typedOtherwise : row === 250 ? () => '682' : asItIs),
      600,
    )
    const { told } = rows[250]!
    expect(told).toMatchObject({ verdict: 'ambiguous', slip: 'other-kind' })
    expect(told.candidates.map(({ text }) => text)).toEqual([
      '6B2',
      ...['6A2', '6C2', '6D2', '6E2', '6F2'],
    ])
  })

  test('is the letter all the same where it is many times', () => {
    const someB = () => `${next(10)}B${next(10)}`
    const rows = column(
      berth,
      () => (next(6) === 0 ? someB() : draw()),
      (row) => (text) =>
        row === 700 ? typedOtherwise(text) : text.includes('B') ? withEight(text) : text,
      1200,
    )
    const eights = inTheMiddle(rows)
    expect(eights.length).toBeGreaterThan(200)
    expect(eights.filter(({ original, told }) => told.mend !== original)).toEqual([])
  })
})

test('cards printed with fifteen digits in two runs were not mistyped in either', () => {
  const isStruck = (row: number) => (row >= 160 && row < 200) || (row >= 332 && row < 372)
  const shown = (text: string) => {
    const significant = `${toDigits(BigInt(text), 15)}`.replace(/0+$/, '')
    return `${significant[0]}.${significant.slice(1)}e+15`
  }
  // Which of two channels explains a run better is chance: several columns have them in any order.
  for (let column = 0; column < 12; column++) {
    const originals = Array.from({ length: 400 }, () => withCheckDigit(`4${digits(14)}`))
    const values = originals.map((text, row) => (isStruck(row) ? shown(text) : text))
    const { around } = columnRuns(card, evidenceOf(card, values))
    originals.forEach((original, row) => {
      if (!isStruck(row)) return
      const { verdict, candidates } = judge(card, values[row]!, 10, around(row))
      // One that ends in several zeros may have had more digits than its neighbours show.
      if (values[row]!.length < '4.1111111111111e+15'.length) return
      expect(['mendable', 'ambiguous']).toContain(verdict)
      expect(candidates.map(({ text }) => text)).toContain(original)
    })
  }
})
