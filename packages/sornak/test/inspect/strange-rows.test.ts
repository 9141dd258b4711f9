// Rows that became far too short: among others that are as they should be, and in a list that is sorted.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Definition } from 'sornak'
import { runWhy } from '../../src/inspect/messages.js'
import { definition } from '../identifier/definition-for.js'
import { bare, digits, evidenceOf, next, of, padded, withCheckDigit } from './converted-column.js'
import { restart } from './draws.js'

function judged(made: Definition, seen: readonly string[]) {
  const runs = columnRuns(made, evidenceOf(made, seen))
  const all = seen.map((text, row) => judge(made, text, 1000, runs.around(row)))
  return { all, told: runs.told.map((run) => runWhy(run, 1, seen.length, [])).join(' ') }
}

const column = (rows: number, draw: (row: number) => string) =>
  Array.from({ length: rows }, (_, row) => draw(row))

describe('the last 40 bits of long numbers, in rows between others', () => {
  const made = of('{16}')
  const originals = column(400, () => `4000${digits(12)}`)
  const isStruck = (row: number) => row >= 150 && row < 200
  const { all, told } = judged(
    made,
    originals.map((text, row) =>
      isStruck(row) ? BigInt.asUintN(40, BigInt(text)).toString() : text,
    ),
  )

  test('get no zeros: no other value starts with so many', () => {
    expect(all.map(({ mend }) => mend)).toEqual(originals.map(() => undefined))
    const struck = all.filter((_, row) => isStruck(row))
    expect(struck.map(({ verdict }) => verdict)).toEqual(struck.map(() => 'lost'))
    // All that the definition has.
    expect(struck[0]!.possible).toBeGreaterThanOrEqual(10n ** 16n)
  })

  test('the column says why', () => {
    expect(told).toContain('hardly any other value of the column starts with so many')
  })
})

test.each([
  ['throughout', () => true],
  ['here and there', () => next(4) === 0],
])('the last 40 bits %s are no numbers that zeros fill up', (_, isStruck) => {
  const originals = column(400, () => `40${digits(15)}`)
  const { all } = judged(
    of('{17}'),
    originals.map((text) => (isStruck() ? BigInt.asUintN(40, BigInt(text)).toString() : text)),
  )
  expect(all.filter(({ verdict }) => verdict !== 'intact').length).toBeGreaterThan(60)
  expect(all.filter(({ mend }) => mend !== undefined)).toEqual([])
})

test('numbers that start with a year, here and there cut to 8 bits, get no zeros', () => {
  const originals = column(400, () => `${2020 + next(5)}${digits(4)}`)
  const { all, told } = judged(
    of('{8}'),
    originals.map((text, row) =>
      row % 4 === 3 ? BigInt.asUintN(8, BigInt(text)).toString() : text,
    ),
  )
  expect(all.filter(({ verdict }) => verdict !== 'intact').length).toBeGreaterThan(80)
  expect(all.filter(({ mend }) => mend !== undefined)).toEqual([])
  expect(told).toContain('hardly any other value of the column starts with so many')
})

test('where a check digit is right with five zeros in front, they were there', () => {
  const first = column(12, () => withCheckDigit(`00000${1 + next(9)}${digits(5)}`))
  const originals = column(400, (row) =>
    row % 30 === 3 && row < 360 ? first[(row - 3) / 30]! : withCheckDigit(`4${digits(10)}`),
  )
  const seen = originals.map((text) => (first.includes(text) ? bare(text) : text))
  const { all } = judged(definition({ stored: '{12}', check: 'luhn' }), seen)
  for (const [row, text] of originals.entries())
    if (seen[row] !== text) expect(all[row]!.mend).toBe(text)
})

test('tickets of a few prefixes get no zeros that make a prefix of their own', () => {
  const PREFIXES = ['006', '016', '124', '220']
  const originals = column(400, () => `${PREFIXES[next(4)]!}${digits(10)}`)
  const seen = originals.map((text, row) =>
    row % 4 === 3 ? BigInt.asUintN(40, BigInt(text)).toString() : text,
  )
  const { all } = judged(of('{13}'), seen)
  const wrapped = originals.flatMap((text, row) =>
    row % 4 === 3 && !text.startsWith('0') ? [row] : [],
  )
  expect(wrapped.length).toBeGreaterThan(30)
  for (const row of wrapped) expect([seen[row], all[row]!.mend]).toEqual([seen[row], undefined])
  const lost = originals.flatMap((text, row) =>
    row % 4 === 3 && text.startsWith('0') ? [row] : [],
  )
  expect(lost.length).toBeGreaterThan(30)
  for (const row of lost) expect(all[row]!.candidates[0]!.text).toBe(originals[row])
})

test('nor are those of numbers in order, where none is complete', () => {
  const originals = column(400, (row) => `${4_000_123_400_000_000n + BigInt(row * 7)}`)
  const seen = originals.map((text) => BigInt.asUintN(40, BigInt(text)).toString())
  const { all, told } = judged(of('{16}'), seen)
  expect(all.filter(({ mend }) => mend !== undefined)).toEqual([])
  expect(told).toContain('something else may have taken digits from them')
})

test('rows get their zeros where a list begins with small numbers', () => {
  const originals = column(1200, (row) => padded(row * 907 + next(907), 8))
  const { all, told } = judged(of('{8}'), originals.map(bare))
  const short = originals.flatMap((text, row) => (text.startsWith('0') ? [row] : []))
  expect(short.length).toBeGreaterThan(1000)
  for (const row of short) expect(all[row]!.mend).toBe(originals[row])
  expect(told).not.toContain('hardly any other value')
})

test('and where others start with as many', () => {
  const issued = () => padded(next(2300), 6)
  const originals = column(600, issued)
  const seen = originals.map((text, row) => (row >= 200 && row < 260 ? bare(text) : text))
  const { all } = judged(of('{6}'), seen)
  all.slice(200, 260).forEach(({ mend }, i) => expect(mend).toBe(originals[200 + i]))
})

test.each([
  ['{2}', 'mendable'],
  ['{3}', 'ambiguous'],
])('a single zero is one value of %s, or none at all: %s', (stored, verdict) => {
  const told = judge(of(stored), '0')
  expect(told.verdict).toBe(verdict)
  expect(told.candidates[0]!.text).toBe(bare(stored) === '{2}' ? '00' : '000')
})

test('a number may have had its type behind it', () => {
  const codes = of('{6 hex}')
  const { candidates } = judge(codes, '10814.0')
  expect(candidates.map(({ text }) => text)).toEqual(expect.arrayContaining(['10814D', '10814F']))
  // Where all are digits nothing of that kind was there.
  expect(judge(of('{6}'), '10814.0').mend).toBe('010814')
})

describe('a list in the order of its numbers', () => {
  const sorted = (rows: number, width: number) => {
    const step = Math.floor((6 * 10 ** (width - 1)) / rows)
    return column(rows, (row) => padded(row * step + next(step), width))
  }
  const CONVERSIONS: Record<string, (text: string) => string> = {
    'read as numbers': bare,
    'with a decimal tail': (text) => `${bare(text)}.0`,
  }
  const cases = [5, 6, 7, 8, 9, 10].flatMap((width) =>
    Object.keys(CONVERSIONS).flatMap((name) =>
      [60, 300, 1200].map((rows) => [width, name, rows] as const),
    ),
  )

  test.each(cases)('of %i digits, %s: %i rows get their zeros', (width, name, rows) => {
    const rising = sorted(rows, width)
    for (const originals of [rising, [...rising].reverse()]) {
      const { all } = judged(of(`{${width}}`), originals.map(CONVERSIONS[name]!))
      const struck = originals.flatMap((text, row) => (text.startsWith('0') ? [row] : []))
      const mended = struck.filter((row) => all[row]!.mend === originals[row])
      expect(struck.length).toBeGreaterThanOrEqual(rows / 10)
      // A few of few rows lack more zeros than so few are known to.
      expect(mended.length).toBeGreaterThanOrEqual(struck.length - (rows < 100 ? 3 : 0))
      for (const row of struck) expect(all[row]!.mend ?? originals[row]).toBe(originals[row])
    }
  })
})

describe('a list in order, one row in four of which was converted', () => {
  const phones = column(640, () => `${digits(10)}`).sort()
  const some = (convert: (text: string) => string) => {
    const seen = phones.map((text, row) => (row % 4 === 3 ? convert(text) : text))
    const { all } = judged(of('{10}'), seen)
    return phones.flatMap((original, row) => {
      if (seen[row] === original || seen[row]!.length === 10) return []
      return [{ original, seen: seen[row]!, told: all[row]! }]
    })
  }

  test.each([32n, 31n])(
    '%i bits: with zeros in front they would stand behind larger ones',
    (bits) => {
      const wrapped = some((text) => (BigInt(text) % (1n << bits)).toString())
      const others = wrapped.filter(({ original }) => !original.startsWith('0'))
      expect(others.length).toBeGreaterThan(20)
      expect(others.filter(({ told }) => told.mend !== undefined)).toEqual([])
      // Of 31 bits nothing is known.
      if (bits === 32n)
        for (const { original, told } of others)
          if (told.verdict === 'ambiguous')
            expect(told.candidates.map(({ text }) => text)).toContain(original)
    },
  )

  test('zeros that were lost are put back, in their place', () => {
    const short = some(bare)
    expect(short.length).toBeGreaterThan(10)
    for (const { original, told } of short)
      expect(told.candidates.map(({ text }) => text)[0]).toBe(original)
    expect(short.filter(({ told }) => told.mend !== undefined).length).toBeGreaterThan(10)
  })
})

describe('two numbers of five digits among those of fourteen', () => {
  const rows = (clean: () => string) => {
    const seen = column(200, clean)
    return {
      seen: seen.map((text, row) => ({ 60: '49272', 130: '45317' })[row] ?? text),
      made: of('{14}'),
    }
  }
  test('lack more zeros than any other starts with, also where one digit was left out elsewhere', () => {
    restart()
    const { seen, made } = rows(() => `${1 + next(9)}${digits(13)}`)
    for (const values of [seen, seen.map((text, row) => (row === 90 ? text.slice(1) : text))]) {
      const { all } = judged(made, values)
      for (const row of [60, 130])
        expect([all[row]!.verdict, all[row]!.mend]).toEqual(['lost', undefined])
    }
  })
  test('are mended where others start with as many', () => {
    restart()
    const { seen, made } = rows(() => padded(next(100_000), 14))
    const { all } = judged(made, seen)
    for (const row of [60, 130]) expect(all[row]!.mend).toBe(seen[row]!.padStart(14, '0'))
  })
})
