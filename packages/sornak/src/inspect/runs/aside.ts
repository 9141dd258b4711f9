// The rows that lie in no run. What happened to those of a run tells nothing of values that were damaged here and there.

import type { EvidenceState } from '../evidence/evidence-state.js'
import { firstWhere } from '../evidence/row-lookup.js'
import type { Mark, Run } from '../evidence/run-state.js'
import { without, type Sums } from '../evidence/sums.js'

/** Rows from one place to another. */
export type Stretch = Pick<Run<Sums>, 'from' | 'to'>

/** The rows of all runs, as stretches in order that are apart. */
export function stretches(inRuns: readonly (readonly Stretch[])[]): Stretch[] {
  const found: { from: Mark<Sums>; to: Mark<Sums> }[] = []
  for (const { from, to } of inRuns.flat().sort((a, b) => a.from.row - b.from.row)) {
    const last = found.at(-1)
    if (!last || from.row > last.to.row) found.push({ from, to })
    else if (to.row > last.to.row) last.to = to
  }
  return found
}

/** What is known of the rows outside of these. */
export function outsideOf(whole: EvidenceState, runs: readonly Stretch[]): EvidenceState {
  const isOutside = (row: number) => {
    const run = runs[firstWhere(runs.length, (i) => runs[i]!.from.row > row) - 1]
    return run === undefined || row >= run.to.row
  }
  return {
    ...whole,
    sums: runs.reduce(
      (sums, { from, to }) => without(sums, without(to.known, from.known)),
      whole.sums,
    ),
    shorts: whole.shorts.flatMap(({ digits, rows }) => {
      const left = rows.filter(isOutside)
      return left.length ? [{ digits, rows: left }] : []
    }),
  }
}
