// Values of several widths that lost characters: those of the narrowest do not fit any more, what is left of the others does.

import { describe, expect, test } from 'vitest'
import {
  columnEvidence,
  columnRuns,
  fromCatalog,
  identifier,
  judge,
  spaceOf,
  type Definition,
  type Judgement,
} from 'sornak'
import { lengthsMissing, widestMissing } from '../../src/inspect/runs/cut-widths.js'

const tickets = identifier({ stored: '{4..6}' })

/** A source of digits (Lehmer's, modulus 2^31 - 1). */
function drawn(seed: number): (limit: number) => number {
  let state = seed
  return (limit) => (state = (state * 48_271) % 2_147_483_647) % limit
}

function originals(rows: number, seed = 417): string[] {
  const below = drawn(seed)
  return Array.from({ length: rows }, () =>
    Array.from({ length: 4 + below(3) }, () => `${below(10)}`).join(''),
  )
}

const judged = (texts: readonly string[]) => judgedBy(tickets, /^\d{4,6}$/, texts)

function judgedBy(made: Definition, whole: RegExp, texts: readonly string[]): Judgement[] {
  const evidence = columnEvidence(made)
  texts.forEach((text, index) => {
    const place = { index, line: index, offset: index }
    const bytes = new TextEncoder().encode(text)
    if (whole.test(text)) evidence.fits(bytes, 0, bytes.length, place)
    else evidence.misfit(text, place)
  })
  const runs = columnRuns(made, evidence.state())
  return texts.map((text, index) => judge(made, text, 1000, runs.around(index)))
}

const CUTS: [string, (text: string) => string][] = [
  ['the last character', (text) => text.slice(0, -1)],
  ['the first character', (text) => text.slice(1)],
]

describe.each(CUTS)('%s is gone', (_, cut) => {
  test('from all: what does not fit has its original in the list, and what fits is doubted', () => {
    const before = originals(240)
    const after = judged(before.map(cut))
    const fits = before.map((original) => cut(original).length >= 4)
    // The run begins and ends with a value that does not fit.
    const [first, last] = [fits.indexOf(false), fits.lastIndexOf(false)]
    expect(last - first).toBeGreaterThan(220)
    before.forEach((original, row) => {
      const { verdict, candidates } = after[row]!
      const within = first < row && row < last
      expect(verdict).toBe(!fits[row] ? 'ambiguous' : within ? 'suspect' : 'intact')
      if (fits[row]) return
      expect(candidates.map(({ text }) => text)).toContain(original)
      // Ten digits before it and ten behind, and what lost its zeros where that can be.
      expect(candidates.length).toBeLessThanOrEqual(23)
    })
  })
  test('from rows 100 to 199 of 400: the rows before and behind are as they were', () => {
    const before = originals(400)
    const after = judged(before.map((text, row) => (row >= 100 && row < 200 ? cut(text) : text)))
    const doubted = after.flatMap(({ verdict }, row) => (verdict === 'suspect' ? [row] : []))
    expect(doubted.length).toBeGreaterThan(50)
    expect(doubted.every((row) => row >= 100 && row < 200)).toBe(true)
  })
})

describe('a field held four characters', () => {
  const phones = identifier({ stored: '0{5..9}' })
  const drawnPhones = (rows: number) =>
    originals(rows).map((text) =>
      `0${text}${text.slice(0, 5 + (text.length % 3) - 4)}`.slice(0, 10),
    )

  test.each([
    ['all rows', 0, 300],
    ['a run of them', 100, 200],
  ])('%s: no list leaves the original out', (_, from, to) => {
    const before = drawnPhones(300)
    const after = before.map((text, row) => (from <= row && row < to ? text.slice(0, 4) : text))
    const verdicts = judgedBy(phones, /^0\d{5,9}$/, after)
    before.forEach((original, row) => {
      const { verdict, mend, candidates } = verdicts[row]!
      if (row < from || row >= to) expect(verdict).toBe('intact')
      else if (verdict === 'ambiguous')
        expect(candidates.map(({ text }) => text)).toContain(original)
      else expect([verdict, mend]).toEqual(['lost', undefined])
    })
  })
  test('what is wide stands elsewhere, what is narrow fits: only what fills the field is doubted', () => {
    const before = originals(600)
    const after = before.map((text, row) => (row >= 200 && row < 400 ? text.slice(0, 5) : text))
    const doubted = judged(after).flatMap(({ verdict }, row) =>
      verdict === 'intact' ? [] : [after[row]!.length],
    )
    expect(doubted.every((length) => length === 5)).toBe(true)
  })
})

test('three characters are gone: no list is offered that leaves the original out', () => {
  const before = originals(240)
  const after = judged(before.map((text) => text.slice(0, -3)))
  before.forEach((original, row) => {
    const { verdict, candidates } = after[row]!
    if (verdict === 'ambiguous') expect(candidates.map(({ text }) => text)).toContain(original)
    else expect(verdict).toBe('lost')
  })
})

test('zeros that are gone are told as such, in a whole column and here and there', () => {
  for (const seldom of [1, 4]) {
    const below = drawn(99)
    const before = originals(600)
    const seen = before.map((text) => (below(seldom) === 0 ? text.replace(/^0+(?=\d)/, '') : text))
    const after = judged(seen)
    before.forEach((original, row) => {
      if (seen[row]!.length > 3) return
      const { verdict, candidates } = after[row]!
      expect(verdict).toBe('ambiguous')
      expect(candidates.map(({ text }) => text)).toContain(original)
      expect(candidates).toHaveLength(seen[row]!.length === 3 ? 3 : candidates.length)
    })
  }
})

test('a few mistyped values leave the others alone', () => {
  const before = originals(400)
  const seen = before.map((text, row) => (row % 60 === 7 ? text.slice(0, 3) : text))
  const after = judged(seen)
  seen.forEach((text, row) => {
    if (text.length > 3) expect(after[row]!.verdict, text).toBe('intact')
  })
})

describe('mixtures of widths are as likely as each other (Laplace)', () => {
  const space = spaceOf(tickets)
  const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1))

  test.each([0, 1, 5, 40])('none of %i values has the widest width', (fits) => {
    // One character from {4..6} never leaves six, two leave neither five nor six.
    expect(2 ** -widestMissing(space, { lost: 1 }, fits)).toBeCloseTo(2 / (fits + 2), 12)
    const both = 2 / ((fits + 1) * (fits + 2))
    expect(2 ** -widestMissing(space, { lost: 2 }, fits)).toBeCloseTo(both, 12)
  })

  test.each([
    [0, 0, 5],
    [2, 0, 1],
    [3, 4, 5],
  ])('%i, %i and %i values of one, two and three characters', (...counts) => {
    const values = counts.map((count, i) => ({ digits: '417'.slice(0, i + 1), count }))
    const group = {
      values,
      share: 1,
      printed: false,
      clean: undefined,
      between: undefined,
      negatives: false,
      scattered: false,
      inOrder: false,
      picked: false,
    }
    const all = counts.reduce((sum, count) => sum + count, 0)
    const rows = counts.map(factorial).reduce((product, one) => product * one)
    const chance = (2 * rows) / factorial(all + 2)
    expect(2 ** -lengthsMissing(space, 3, group)).toBeCloseTo(chance, 12)
    // One character leaves three of them, and no other length.
    expect(lengthsMissing(space, 1, group)).toBe(0)
  })
})

test('a sorted list begins with the values that lost a zero: they were not cut', () => {
  const made = identifier({ stored: '{6..8}' })
  for (let seed = 1; seed < 6; seed++) {
    const below = drawn(seed * 77)
    const before = Array.from({ length: 1000 }, () =>
      Array.from({ length: 6 + below(3) }, () => `${below(10)}`).join(''),
    ).sort()
    const seen = before.map((text) => text.replace(/^0+(?=\d)/, ''))
    const after = judgedBy(made, /^\d{6,8}$/, seen)
    before.forEach((original, row) => {
      const { verdict, candidates } = after[row]!
      if (seen[row]!.length < 4 || verdict === 'intact') return
      expect(candidates.map(({ text }) => text)).toContain(original)
    })
  }
})

test('the first five digits of numbers that start with no zero are no numbers that wrapped round', () => {
  const made = fromCatalog('phone/br')!
  const below = drawn(4242)
  const some = (count: number) => Array.from({ length: count }, () => `${below(10)}`).join('')
  const area = () => `${1 + below(9)}${1 + below(9)}`
  const originals = Array.from({ length: 600 }, () =>
    below(2) ? `${area()}9${some(8)}` : `${area()}${2 + below(4)}${some(7)}`,
  )
  const seen = originals.map((text, row) =>
    row < 300 ? `${text.slice(0, 3)} ${text.slice(3)}` : text.slice(0, 5),
  )
  const state = columnEvidence(made)
  seen.forEach((text, index) => state.misfit(text, { index, line: index, offset: index }))
  const runs = columnRuns(made, state.state())
  expect(runs.told.map(({ channel }) => channel)).toEqual(['display', 'cut-short'])
  originals.forEach((original, row) => {
    const { verdict, mend } = judge(made, seen[row]!, 10, runs.around(row))
    expect([verdict, mend]).toEqual(row < 300 ? ['mendable', original] : ['lost', undefined])
  })
})
