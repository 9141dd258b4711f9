// Rows that went through a field too narrow for them, where what is left fits: all that shows it is that none is wider,
// among others that are as wide as they come.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { columnRuns, joinedEvidence, judge, settled, type Definition } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import { narrowBlocks } from '../../src/inspect/evidence/narrow-blocks.js'
import { bare, digits, evidenceOf, next, of, padded, partOf } from './converted-column.js'

const voucher = of('{4..6}')
const drawn = (least: number, most: number) =>
  `${next(9) + 1}${digits(least - 1 + next(most - least + 1))}`
const column = (count: number, draw: () => string) => Array.from({ length: count }, draw)

/** Of a thousand rows these were cut. */
function cut(made: Definition, draw: () => string, kept: number, from: number, to: number) {
  const originals = column(1000, draw)
  const seen = originals.map((text, row) => (row >= from && row < to ? text.slice(0, kept) : text))
  const runs = columnRuns(made, evidenceOf(made, seen))
  const verdicts = seen.map((text, row) => judge(made, text, 1000, runs.around(row)))
  return { originals, seen, runs, verdicts }
}

const padding = definition({ stored: '{8}', zeros: 'padding' })

describe('rows that were cut to a width of their own', () => {
  const lists: [string, Definition, number, () => string][] = [
    ['vouchers of four to six digits', voucher, 4, () => drawn(4, 6)],
    [
      'numbers of seven to ten digits, hardly any of fewer',
      of('{7..10}'),
      7,
      () => (next(12) ? drawn(10, 10) : drawn(7, 9)),
    ],
    ['letters and digits', of('{2 upper}{3..7}'), 6, () => `CR${drawn(3, 7)}`],
    [
      'numbers of which zeros at the front are gone',
      padding,
      5,
      () => bare(padded(next(100_000_000), 8)),
    ],
  ]
  test.each(lists)('%s', (_, made, kept, draw) => {
    const { originals, seen, runs, verdicts } = cut(made, draw, kept, 400, 480)
    expect(runs.told.map(({ channel }) => channel)).toEqual(['cut-short'])
    const [{ from, to }] = runs.told as [(typeof runs.told)[0]]
    // Values that are as narrow by themselves and lie beside the rows cannot be told from theirs.
    expect(from.index).toBeLessThanOrEqual(400)
    expect(from.index).toBeGreaterThan(390)
    expect(to.index).toBeGreaterThanOrEqual(479)
    expect(to.index).toBeLessThan(490)
    verdicts.forEach(({ verdict, findings, candidates }, row) => {
      const changed = seen[row] !== originals[row]
      if (changed) {
        expect(verdict).toBe('suspect')
        expect(findings).toContain('cut-short')
        if (candidates.length && made === voucher)
          expect(candidates.map(({ text }) => text)).toContain(originals[row])
      } else if (row < from.index || row > to.index) expect(verdict).toBe('intact')
    })
  })

  test('numbers that all lie below the limit of a type wrapped round there', () => {
    const made = of('{8..12}')
    const originals = column(1000, () => drawn(8, 12))
    const seen = originals.map((text, row) =>
      row >= 400 && row < 520 ? BigInt.asUintN(32, BigInt(text)).toString() : text,
    )
    const runs = columnRuns(made, evidenceOf(made, seen))
    expect(runs.told.map(({ process }) => process)).toEqual(['wrapped uint32'])
    const changed = originals.flatMap((original, row) => (seen[row] === original ? [] : [row]))
    const verdicts = changed.map((row) => judge(made, seen[row]!, 1000, runs.around(row)))
    const doubted = verdicts.filter(({ verdict }) => verdict === 'suspect')
    expect(doubted.length).toBeGreaterThan(changed.length * 0.95)
    verdicts.forEach(({ verdict, candidates }, i) => {
      if (verdict === 'suspect')
        expect(candidates.map(({ text }) => text)).toContain(originals[changed[i]!])
    })
  })

  test('where zeros are padding, those in front do not count', () => {
    const originals = column(1000, () => digits(8))
    const seen = originals.map((text, row) =>
      row >= 400 && row < 480 ? BigInt.asUintN(16, BigInt(text)).toString() : text,
    )
    const runs = columnRuns(padding, evidenceOf(padding, seen))
    expect(runs.told.map(({ process }) => process)).toEqual(['wrapped uint16'])
    seen.slice(405, 475).forEach((text, i) => {
      const { verdict, findings } = judge(padding, text, 10, runs.around(405 + i))
      expect([text, verdict, findings]).toEqual([
        text,
        'suspect',
        expect.arrayContaining(['wrapped']),
      ])
    })
  })

  test('values that the field holds are theirs', () => {
    const { seen, verdicts } = cut(voucher, () => drawn(4, 6), 5, 400, 500)
    const narrower = verdicts.filter((_, row) => row >= 400 && row < 500 && seen[row]!.length === 4)
    expect(narrower.length).toBeGreaterThan(10)
    for (const { verdict } of narrower) expect(verdict).toBe('intact')
  })
})

describe('rows that are no wider for another reason', () => {
  const byWidth = (a: string, b: string) => a.length - b.length || (a < b ? -1 : 1)
  const branch = (count: number, width: number) => column(count, () => drawn(width, width))
  const lists: Record<string, () => string[]> = {
    'as they come': () => column(1000, () => drawn(4, 6)),
    'sorted by size': () => column(1000, () => drawn(4, 6)).sort(byWidth),
    'sorted by size, the largest first': () =>
      column(1000, () => drawn(4, 6))
        .sort(byWidth)
        .reverse(),
    'sorted as text': () => column(1000, () => drawn(4, 6)).sort(),
    'numbered from one on': () => Array.from({ length: 1000 }, (_, i) => `${i * 30 + 1000}`),
    'one list behind another': () => [...column(500, () => drawn(4, 6)), ...branch(200, 4)],
    'one branch with four digits, the others with six': () => [
      ...branch(300, 6),
      ...branch(100, 4),
      ...branch(300, 6),
    ],
    'many branches': () =>
      Array.from({ length: 20 }, (_, i) => branch(60, 4 + ((i * 7) % 3))).flat(),
    'several branches, each sorted': () =>
      Array.from({ length: 5 }, () => column(200, () => drawn(4, 6)).sort(byWidth)).flat(),
    'a batch that was issued together': () => [
      ...column(400, () => drawn(4, 6)),
      ...Array.from({ length: 80 }, (_, i) => `${4200 + i}`),
      ...column(400, () => drawn(4, 6)),
    ],
    'one number in place of all that are not known': () => [
      ...column(400, () => drawn(4, 6)),
      ...column(80, () => '9999'),
      ...column(400, () => drawn(4, 6)),
    ],
  }
  test.each(Object.entries(lists))('%s', (_, made) => {
    for (let i = 0; i < 10; i++) {
      const values = made()
      const runs = columnRuns(voucher, evidenceOf(voucher, values))
      expect(runs.told).toEqual([])
      expect(runs.suspects).toEqual([])
    }
  })
})

describe('blocks', () => {
  const widths = [4, 5, 6]
  const row = fc.constantFrom(...[4, 4, 4, 4, 5, 5, 6].map((width) => '7'.repeat(width)), 'x')

  // Found again by looking at every row from each start on.
  function blocksOf(values: readonly string[], most: number): [number, number][] {
    const found: [number, number][] = []
    const narrow = (i: number) => values[i] !== 'x' && values[i]!.length <= most
    for (let from = 0; from < values.length; from++) {
      if (!narrow(from) || (from > 0 && narrow(from - 1))) continue
      let to = from
      while (to + 1 < values.length && narrow(to + 1)) to++
      if (from > 0 && to + 1 < values.length && to - from >= 11) found.push([from, to])
    }
    return found.sort((a, b) => b[1] - b[0] - (a[1] - a[0]) || a[0] - b[0])
  }

  test('are those between wider values, the longest first', () => {
    fc.assert(
      fc.property(fc.array(row, { maxLength: 120 }), (values) => {
        const counter = narrowBlocks(widths)
        values.forEach((value, index) => {
          const place = { index, line: index, offset: index }
          if (value === 'x') counter.misfit(place)
          else counter.take(value.length, 77, place)
        })
        counter
          .blocks()
          .each.forEach(({ longest }, level) =>
            expect(longest.map(({ from, to }) => [from.place.index, to.place.index])).toEqual(
              blocksOf(values, widths[level]!),
            ),
          )
      }),
    )
  })

  test('of parts join into those of the whole, wherever the column is split', () => {
    const part = partOf.bind(undefined, voucher)
    fc.assert(
      fc.property(fc.array(row, { maxLength: 80 }), fc.nat(80), fc.nat(80), (values, a, b) => {
        const [one, two] = [Math.min(a, b), Math.max(a, b)]
        const [first, second, third] = [
          part(values, 0, one),
          part(values, one, two),
          part(values, two),
        ]
        const join = joinedEvidence.bind(undefined, voucher)
        const whole = settled(voucher, part(values, 0)).narrow
        for (const joined of [join(join(first, second), third), join(first, join(second, third))])
          expect(settled(voucher, joined).narrow).toEqual(whole)
      }),
    )
  })
})

describe('letters alone are left of codes', () => {
  const code = of('{4 upper}{7}')
  const codes = (count: number) => Array.from({ length: count }, () => `HSFU${digits(7)}`)
  const at = (values: readonly string[], row: number) =>
    judge(code, values[row]!, 10, columnRuns(code, evidenceOf(code, values)).around(row))

  test('where rows follow each other, they were cut', () => {
    const cut = codes(40).map((text) => text.slice(0, 4))
    const told = at([...codes(100), ...cut, ...codes(100)], 120)
    expect(told).toMatchObject({ verdict: 'lost', findings: ['cut-short'], possible: 10_000_000n })
  })

  test('here and there they are words', () => {
    const values = codes(200)
    for (let row = 0; row < 200; row += 9) values[row] = row % 2 ? 'VOID' : 'TEST'
    expect(at(values, 9)).toMatchObject({ verdict: 'misfit', findings: ['unexplained'] })
  })
})
