// Finding the runs around a row, against looking at every run for every row.

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { betweenEdges, coveringRuns, firstWhere } from '../../src/inspect/evidence/row-lookup.js'

/** Runs of one list: apart, and in order. */
const list = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 9 })), { maxLength: 8 })
  .map((steps) => {
    let row = 0
    return steps.map(([gap, width]) => {
      const from = row + gap
      row = from + width
      return { from: { index: from }, to: { index: row } }
    })
  })
const width = ({ from, to }: { from: { index: number }; to: { index: number } }) =>
  to.index - from.index

test('every run around a row is found, the widest first', () => {
  fc.assert(
    fc.property(fc.array(list, { maxLength: 5 }), (lists) => {
      const covering = coveringRuns(lists)
      const all = lists.flat()
      for (let row = 0; row < 170; row++) {
        const around = covering(row)
        const expected = all.filter(({ from, to }) => from.index <= row && row <= to.index)
        expect(new Set(around)).toEqual(new Set(expected))
        expect(around.length).toBe(expected.length)
        for (let i = 1; i < around.length; i++)
          expect(width(around[i - 1]!)).toBeGreaterThanOrEqual(width(around[i]!))
      }
    }),
  )
})

test('of rows between two edges one is asked for, in whatever order they come', () => {
  fc.assert(
    fc.property(
      fc.array(fc.nat(60), { maxLength: 12 }),
      fc.array(fc.nat(70), { maxLength: 60 }),
      (edges, rows) => {
        const part = (row: number) => new Set(edges.filter((edge) => edge <= row)).size
        const asked: number[] = []
        const of = betweenEdges(edges, (row) => {
          asked.push(part(row))
          return `part ${part(row)}`
        })
        for (const row of rows) expect(of(row)).toBe(`part ${part(row)}`)
        expect(new Set(asked).size).toBe(asked.length)
      },
    ),
  )
})

test('the first place that holds is found, or none', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(20)), fc.nat(25), (numbers, least) => {
      const sorted = numbers.toSorted((a, b) => a - b)
      const found = firstWhere(sorted.length, (i) => sorted[i]! >= least)
      const expected = sorted.findIndex((one) => one >= least)
      expect(found).toBe(expected < 0 ? sorted.length : expected)
    }),
  )
})
