// Rows that were converted here and there: some of them lie close together by chance.

import { IN, UNIT, type Process } from './process.js'
import type { Run } from './run-state.js'
import type { Sums } from './sums.js'
import { DOUBT_BITS, RUN_BITS } from './weights.js'

/** Of fewer rows elsewhere nothing is told. */
const FEW_ELSEWHERE = 20

/**
 * By how many bits rows that a process explains are more frequent in a run than elsewhere, less what it takes to say where
 * it begins. What was rounded shows in values that fit as well: where they say enough, the others are not counted.
 */
export function beyondChance(
  { rounds, id }: Process,
  i: number,
  { from: { known: from }, to: { known: to }, score }: Run<Sums>,
  all: Sums,
): number {
  const hits = to.hits[i]! - from.hits[i]!
  const rows = to.fits - from.fits + to.misfits - from.misfits
  const [struck, others] = [all.hits[i]! - hits, all.fits + all.misfits - rows]
  const byFits = rounds === true && score - hits * IN >= RUN_BITS * UNIT
  if (byFits || hits === 0 || others < FEW_ELSEWHERE) return Infinity
  const kept = to.zeros - from.zeros
  const of = (rest: number, others: number) => oftener(hits, rest, struck, others)
  const bits = of(rows - hits, others - struck)
  const zeros = id === 'number-read' ? of(kept, all.zeros - kept) : 0
  return Math.max(bits, zeros) - Math.log2(all.fits + all.misfits)
}

// Bits that it says that some are struck and some are not, where of others fewer were.
function oftener(struck: number, not: number, others: number, othersNot: number): number {
  const usual = (others + 1) / (others + othersNot + 2)
  const here = struck / (struck + not)
  if (here <= usual) return -Infinity
  const rest = not && not * Math.log2((1 - here) / (1 - usual))
  return struck * Math.log2(here / usual) + rest
}

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
