// Rows that were converted here and there: some of them lie close together by chance.

import type { EvidenceState } from './evidence-state.js'
import { IN, UNIT, type Process } from './process.js'
import type { Run } from './run-state.js'
import type { Sums } from './sums.js'
import { DOUBT_BITS, RUN_BITS } from './weights.js'

/** Of fewer rows elsewhere nothing is told. */
const FEW_ELSEWHERE = 20
/** Rows of which fewer speak for it are no stretch that went through it. */
const FEWEST = 1 / 25

/**
 * By how many bits rows that speak for a process are more frequent in a run than elsewhere, less what it takes to say where
 * it begins.
 */
export function beyondChance(
  process: Process,
  i: number,
  run: Run<Sums>,
  { sums: all, atLimit }: Pick<EvidenceState, 'sums' | 'atLimit'>,
): number {
  const { known: from } = run.from
  const { known: to } = run.to
  const { exactly, id } = process
  const fits = to.fits - from.fits
  const unfit = to.hits[i]! - from.hits[i]!
  const fitting =
    exactly === undefined
      ? to.fresh[i]! - from.fresh[i]!
      : Math.max(0, Math.round((run.score - unfit * IN) / exactly))
  const rows = fits + to.misfits - from.misfits
  const others = all.fits + all.misfits - rows
  // A sequence that was rounded repeats itself, as none does here and there.
  if (to.again[i]! - from.again[i]! >= RUN_BITS * UNIT) return Infinity
  if (unfit + fitting < FEWEST * rows) return -Infinity
  if (others < FEW_ELSEWHERE) return Infinity
  const elsewhere = all.hits[i]! - unfit
  const of = (rest: number, others: number) => oftener(unfit, rest, elsewhere, others)
  const kept = to.zeros - from.zeros
  const fittingElsewhere = (exactly === undefined ? all.fresh[i]! : atLimit[i]!) - fitting
  const bits = Math.max(
    of(rows - unfit, others - elsewhere),
    id === 'number-read' ? of(kept, all.zeros - kept) : 0,
    // What was printed in another form says nothing of values that fit.
    oftener(fitting, fits - fitting, fittingElsewhere, all.fits - fits - fittingElsewhere),
  )
  return bits - Math.log2(all.fits + all.misfits)
}

// Bits that it says that some are struck and some are not, where of others fewer were.
function oftener(struck: number, not: number, others: number, othersNot: number): number {
  if (struck <= 0) return 0
  const [rest, other] = [Math.max(0, not), Math.max(0, others)]
  const usual = (other + 1) / (other + Math.max(0, othersNot) + 2)
  const here = struck / (struck + rest)
  if (here <= usual) return 0
  return struck * Math.log2(here / usual) + (rest && rest * Math.log2((1 - here) / (1 - usual)))
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
