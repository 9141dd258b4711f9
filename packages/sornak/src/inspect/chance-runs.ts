// Rows that lost a zero here and there, among others that kept theirs: some of them lie close together by chance.

import type { Process } from './process.js'
import type { Run } from './run-state.js'
import type { Sums } from './sums.js'
import { DOUBT_BITS } from './weights.js'

/** The runs of each process without those of lost zeros that are as many as chance has it. */
export function withoutChance(
  processes: readonly Process[],
  inRuns: readonly (readonly Run<Sums>[])[],
  all: Sums,
): readonly (readonly Run<Sums>[])[] {
  return inRuns.map((runs, i) =>
    processes[i]!.id === 'number-read' && runs.length ? notByChance(runs, i, all) : runs,
  )
}

function notByChance(runs: readonly Run<Sums>[], i: number, all: Sums): readonly Run<Sums>[] {
  const lostIn = ({ from, to }: Run<Sums>) => to.known.hits[i]! - from.known.hits[i]!
  const keptIn = ({ from, to }: Run<Sums>) => to.known.zeros - from.known.zeros
  const totalOf = (of: (run: Run<Sums>) => number) => runs.reduce((sum, run) => sum + of(run), 0)
  const lost = all.hits[i]! - totalOf(lostIn)
  const kept = all.zeros - totalOf(keptIn)
  // How often values elsewhere lost theirs that had one; a run may begin at any of them.
  const often = (lost + 1) / (lost + kept + 2)
  const chance = Math.log2(all.hits[i]! + all.zeros) + DOUBT_BITS
  if (lost === 0 || kept < lost) return runs
  return runs.filter((run) => lostIn(run) * -Math.log2(often) > chance)
}
