// Runs of rows as a matrix of the max-plus algebra, against trying every way to divide a few rows.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  flat,
  fromFlat,
  joined,
  noRows,
  runsOf,
  withRow,
  type Mark,
  type RunState,
} from '../../src/inspect/evidence/run-state.js'

const PENALTY = 30
type Known = { readonly rows: number }

const mark = (row: number): Mark<Known> => ({ row, known: { rows: row } })
const moved = (by: number) => (one: Mark<Known>) => mark(one.row + by)

function stateOf(scores: readonly number[]): RunState<Known> {
  return scores.reduce<RunState<Known>>(
    (state, score, row) =>
      withRow(
        state,
        score,
        PENALTY,
        () => mark(row),
        () => mark(row + 1),
      ),
    noRows<Known>(),
  )
}

// The most that any set of runs apart is worth, by trying where the last one begins and ends.
function best(scores: readonly number[]): number {
  const most = [0]
  for (let end = 1; end <= scores.length; end++) {
    let top = most[end - 1]!
    for (let start = 0; start < end; start++) {
      const inside = scores.slice(start, end).reduce((sum, score) => sum + score, 0)
      top = Math.max(top, most[start]! + inside - PENALTY)
    }
    most.push(top)
  }
  return most.at(-1)!
}

const worth = (state: RunState<Known>) =>
  runsOf(state).reduce((sum, { score }) => sum + score - PENALTY, 0)

const scores = fc.array(fc.integer({ min: -20, max: 25 }), { maxLength: 24 })

test('the runs found are worth as much as the best there are', () => {
  fc.assert(
    fc.property(scores, (list) => {
      const state = stateOf(list)
      expect(worth(state)).toBe(best(list))
      for (const { from, to, score } of runsOf(state)) {
        expect(from.row).toBeLessThan(to.row)
        expect(list.slice(from.row, to.row).reduce((sum, one) => sum + one, 0)).toBe(score)
      }
    }),
    { numRuns: 2000 },
  )
})

test('parts join into the whole, in any order of joining', () => {
  fc.assert(
    fc.property(scores, scores, scores, (a, b, c) => {
      const [one, two, three] = [stateOf(a), stateOf(b), stateOf(c)]
      const left = joined(joined(one, two, moved(a.length)), three, moved(a.length + b.length))
      const right = joined(one, joined(two, three, moved(b.length)), moved(a.length))
      const whole = stateOf([...a, ...b, ...c])
      expect(runsOf(left)).toEqual(runsOf(whole))
      expect(runsOf(right)).toEqual(runsOf(whole))
    }),
    { numRuns: 2000 },
  )
})

describe('what a run is', () => {
  test.each([
    { name: 'nothing in few rows', list: [10, 10], want: [] },
    { name: 'one that is worth its penalty', list: [0, 10, 10, 10, 10, 0], want: [[1, 5, 40]] },
    { name: 'one repaired row does not break it', list: [20, 20, -10, 20], want: [[0, 4, 50]] },
    {
      name: 'two that lie far apart',
      list: [20, 20, -20, -20, -20, 20, 20],
      want: [
        [0, 2, 40],
        [5, 7, 40],
      ],
    },
  ])('$name', ({ list, want }) => {
    expect(runsOf(stateOf(list)).map(({ from, to, score }) => [from.row, to.row, score])).toEqual(
      want,
    )
  })
})

describe('without chains', () => {
  test('it is the same state, and goes on as the same', () => {
    fc.assert(
      fc.property(scores, scores, (list, more) => {
        const [state, behind] = [stateOf(list), stateOf(more)]
        const sent = fromFlat(structuredClone(flat(state)))
        expect(sent).toEqual(state)
        expect(joined(sent, behind, moved(list.length))).toEqual(
          joined(state, behind, moved(list.length)),
        )
      }),
    )
  })

  test('it can be copied however many runs it has', () => {
    const many = stateOf(Array.from({ length: 60_000 }, (_, row) => (row % 3 ? 40 : -90)))
    const sent = fromFlat(structuredClone(flat(many)))
    expect(runsOf(sent)).toHaveLength(20_000)
    expect(runsOf(sent).at(-1)).toEqual(runsOf(many).at(-1))
  })
})
