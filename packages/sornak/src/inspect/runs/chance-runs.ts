// Rows that were converted here and there: some of them lie close together by chance.

import type { EvidenceState } from '../evidence/evidence-state.js'
import { IN, UNIT, type Process } from '../evidence/process.js'
import type { Run } from '../evidence/run-state.js'
import type { Sums } from '../evidence/sums.js'
import { DOUBT_BITS, RUN_BITS } from '../ways/weights.js'

/** Of fewer rows elsewhere nothing is told. */
const FEW_ELSEWHERE = 20
/** Rows of which fewer speak for it are no stretch that went through it. */
const FEWEST = 1 / 25
/** By so much more are values that look rounded more frequent in rows that were. */
const LEAST_BITS = 3
/** Where the runs of a process leave less of the column, it struck all of it here and there. */
const LEAST_REST = 1 / 5

/** What rows say of one process: how many speak for it, that do not fit or that do, and how many do not. */
interface Said {
  readonly rows: number
  readonly fits: number
  readonly unfit: number
  readonly fitting: number
  /** Values that kept a zero at the front. */
  readonly kept: number
}

/**
 * By how many bits rows that speak for a process are more frequent in a run than where it has none, less what it takes to say
 * where it begins.
 *
 * @param runs all runs of the process
 */
export function beyondChance(
  process: Process,
  i: number,
  runs: readonly Run<Sums>[],
  whole: Pick<EvidenceState, 'sums' | 'atLimit'>,
): (run: Run<Sums>) => number {
  const all = saidOfAll(process, i, whole)
  const rest = runs.reduce((left, one) => without(left, saidIn(process, i, one)), all)
  return (run) => {
    const here = saidIn(process, i, run)
    const again = run.to.known.again[i]! - run.from.known.again[i]!
    // A sequence that was rounded repeats itself, as none does here and there.
    if (again >= RUN_BITS * UNIT) return Infinity
    if (here.unfit + here.fitting < FEWEST * here.rows) return -Infinity
    const there = rest.rows >= LEAST_REST * all.rows ? rest : without(all, here)
    if (there.rows < FEW_ELSEWHERE) return Infinity
    const of = (rest: number, others: number) => oftener(here.unfit, rest, there.unfit, others)
    const bits = Math.max(
      of(here.rows - here.unfit, there.rows - there.unfit),
      process.id === 'number-read' ? of(here.kept, there.kept) : 0,
      // What was printed in another form says nothing of values that fit.
      oftener(here.fitting, here.fits - here.fitting, there.fitting, there.fits - there.fitting),
    )
    return bits - Math.log2(all.rows)
  }
}

function saidIn({ exactly }: Process, i: number, { from, to, score }: Run<Sums>): Said {
  const [a, b] = [from.known, to.known]
  const unfit = b.hits[i]! - a.hits[i]!
  const held = exactly === undefined ? 0 : Math.round((score - unfit * IN) / exactly)
  const fits = b.fits - a.fits
  return {
    rows: fits + b.misfits - a.misfits,
    fits,
    unfit,
    fitting: exactly === undefined ? b.fresh[i]! - a.fresh[i]! : Math.max(0, held),
    kept: b.zeros - a.zeros,
  }
}

const saidOfAll = (
  { exactly }: Process,
  i: number,
  { sums, atLimit }: Pick<EvidenceState, 'sums' | 'atLimit'>,
): Said => ({
  rows: sums.fits + sums.misfits,
  fits: sums.fits,
  unfit: sums.hits[i]!,
  fitting: exactly === undefined ? sums.fresh[i]! : atLimit[i]!,
  kept: sums.zeros,
})

const without = (a: Said, b: Said): Said => ({
  rows: a.rows - b.rows,
  fits: a.fits - b.fits,
  unfit: a.unfit - b.unfit,
  fitting: a.fitting - b.fitting,
  kept: a.kept - b.kept,
})

// Bits that it says that some are struck and some are not, where of others fewer were.
function oftener(struck: number, not: number, others: number, othersNot: number): number {
  if (struck <= 0) return 0
  const [rest, other] = [Math.max(0, not), Math.max(0, others)]
  const usual = (other + 1) / (other + Math.max(0, othersNot) + 2)
  const here = struck / (struck + rest)
  if (here <= usual) return 0
  return struck * Math.log2(here / usual) + (rest && rest * Math.log2((1 - here) / (1 - usual)))
}

/**
 * The runs of each process without those of lost zeros that are as many as chance has it, and without those in which values are
 * rounder than they have to be and look rounded no more often than elsewhere.
 */
export function withoutChance(
  processes: readonly Process[],
  inRuns: readonly (readonly Run<Sums>[])[],
  whole: Pick<EvidenceState, 'sums' | 'atLimit'>,
): readonly (readonly Run<Sums>[])[] {
  return inRuns.map((runs, i) => {
    const process = processes[i]!
    if (runs.length === 0) return runs
    if (process.rounds) {
      const apart = beyondChance(process, i, runs, whole)
      // A sequence that was rounded repeats itself, which others do not; and what was rounded is as round as that leaves it.
      return runs.filter((run) => {
        const [from, to] = [run.from.known, run.to.known]
        if (to.again[i]! > from.again[i]!) return true
        const isRounder = to.coarser[i]! - from.coarser[i]! > DOUBT_BITS * UNIT
        return apart(run) >= (isRounder ? DOUBT_BITS : LEAST_BITS)
      })
    }
    return process.id === 'number-read' ? notByChance(runs, i, whole.sums) : runs
  })
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
