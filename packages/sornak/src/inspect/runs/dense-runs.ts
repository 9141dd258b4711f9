// Over clean rows that a process leaves alone a run of it goes on to any row that it explains. Where nearly all of its rows
// lie close together, in runs that others have inside of it, the few that lie apart are no part of it.

import { OUT, UNIT, type Process } from '../evidence/process.js'
import { firstWhere } from '../evidence/row-lookup.js'
import type { Run } from '../evidence/run-state.js'
import type { Sums } from '../evidence/sums.js'
import { RUN_BITS } from '../ways/weights.js'
import { stretches, type Stretch } from './aside.js'

/** They are so many times as close together as those that lie apart, and so many times as many. */
const CLOSER = 8
const FEWER = 10
/** Or so many bits say that there are two stretches of it, however many lie apart. */
const TWO_STRETCHES = 2 * RUN_BITS

interface InOrder {
  readonly byStart: readonly Stretch[]
  readonly byEnd: readonly Stretch[]
}

export function denseRuns(
  processes: readonly Process[],
  inRuns: readonly (readonly Run<Sums>[])[],
): readonly (readonly Run<Sums>[])[] {
  // Those inside of a run may have gone on over clean rows themselves: they end before it does.
  const byStart = inRuns.flat().sort((a, b) => a.from.row - b.from.row)
  const others = { byStart, byEnd: byStart.toSorted((a, b) => a.to.row - b.to.row) }
  const found = processes.map(({ rounds }, i) =>
    rounds ? inRuns[i]! : inRuns[i]!.flatMap((run) => denseIn(processes[i]!, i, run, others)),
  )
  const rowsIn = (runs: typeof inRuns) => totalOf(runs.flat().map(rowsOf))
  return rowsIn(found) < rowsIn(inRuns) ? denseRuns(processes, found) : found
}

function denseIn({ usual }: Process, i: number, run: Run<Sums>, others: InOrder): Run<Sums>[] {
  if (misfitsOf(run) === rowsOf(run)) return [run]
  // A part of another in which its rows lie no closer together than in all of it only joins those that do.
  const isDenser = (part: Stretch) => misfitsOf(part) * rowsOf(run) > misfitsOf(run) * rowsOf(part)
  const inside = stretches([narrowerIn(run, others).filter(isDenser)])
  const rows = totalOf(inside.map(rowsOf))
  const struck = totalOf(inside.map(misfitsOf))
  const [apart, left] = [misfitsOf(run) - struck, rowsOf(run) - rows]
  if (struck * left < CLOSER * apart * rows) return [run]
  const fewApart = apart > 0 && apart * FEWER <= struck
  if (!fewApart && denser(struck, rows, apart, left) < TWO_STRETCHES) return [run]
  return inside.flatMap(({ from, to }) => {
    const [a, b] = [from.known, to.known]
    const score =
      b.scores[i]! - a.scores[i]! + usual * (b.fits - a.fits) + OUT * misfitsOf({ from, to })
    return score > RUN_BITS * UNIT ? [{ from, to, score }] : []
  })
}

// By how many bits it is likelier that rows are struck more often in one part than in the other.
function denser(some: number, rows: number, others: number, left: number): number {
  const chance = (hits: number, all: number) =>
    [hits, all - hits].reduce((sum, count) => sum + (count && count * Math.log2(count / all)), 0)
  return chance(some, rows) + chance(others, left) - chance(some + others, rows + left)
}

// The parts of other runs that lie inside of this one, and are not all of it.
function narrowerIn({ from, to }: Stretch, { byStart, byEnd }: InOrder): Stretch[] {
  const found: Stretch[] = []
  const first = firstWhere(byStart.length, (at) => byStart[at]!.from.row >= from.row)
  for (let at = first; at < byStart.length && byStart[at]!.from.row < to.row; at++) {
    const other = byStart[at]!
    const end = other.to.row < to.row ? other.to : to
    if (other.from.row > from.row || end.row < to.row) found.push({ from: other.from, to: end })
  }
  const ending = firstWhere(byEnd.length, (at) => byEnd[at]!.to.row > from.row)
  for (let at = ending; at < byEnd.length && byEnd[at]!.to.row < to.row; at++)
    if (byEnd[at]!.from.row < from.row) found.push({ from, to: byEnd[at]!.to })
  return found
}

const rowsOf = ({ from, to }: Stretch) => to.row - from.row
const misfitsOf = ({ from, to }: Stretch) => to.known.misfits - from.known.misfits
const totalOf = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0)
