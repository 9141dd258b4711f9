// Over clean rows that a process leaves alone a run of it goes on to any row that it explains. Where nearly all of its rows
// lie close together, in runs that others have inside of it, the few that lie apart are no part of it.

import { stretches, type Stretch } from './aside.js'
import { OUT, UNIT, type Process } from './processes.js'
import type { Run } from './run-state.js'
import type { Sums } from './sums.js'
import { RUN_BITS } from './weights.js'

/** They are so many times as many as those that lie apart, and so many times as close together. */
const FEWER = 10
const CLOSER = 8

export function denseRuns(
  processes: readonly Process[],
  inRuns: readonly (readonly Run<Sums>[])[],
): readonly (readonly Run<Sums>[])[] {
  const all = inRuns.flat()
  return processes.map(({ rounds }, i) =>
    rounds ? inRuns[i]! : inRuns[i]!.flatMap((run) => denseIn(processes[i]!, i, run, all)),
  )
}

function denseIn(
  { usual }: Process,
  i: number,
  run: Run<Sums>,
  all: readonly Stretch[],
): Run<Sums>[] {
  const inside = stretches([all.filter((other) => rowsOf(other) < rowsOf(run) && isIn(other, run))])
  const rows = totalOf(inside.map(rowsOf))
  const struck = totalOf(inside.map(misfitsOf))
  const [apart, left] = [misfitsOf(run) - struck, rowsOf(run) - rows]
  if (apart === 0 || apart * FEWER > struck || struck * left < CLOSER * apart * rows) return [run]
  return inside.flatMap(({ from, to }) => {
    const [a, b] = [from.known, to.known]
    const score =
      b.scores[i]! - a.scores[i]! + usual * (b.fits - a.fits) + OUT * misfitsOf({ from, to })
    return score > RUN_BITS * UNIT ? [{ from, to, score }] : []
  })
}

const rowsOf = ({ from, to }: Stretch) => to.row - from.row
const misfitsOf = ({ from, to }: Stretch) => to.known.misfits - from.known.misfits
const isIn = (a: Stretch, b: Stretch) => b.from.row <= a.from.row && a.to.row <= b.to.row
const totalOf = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0)
