// Column evidence -> what a report says of it and what a judgement needs: the runs that stand out, the
// process that explains each best, and how far every process gains or loses there.

import type { Definition } from '../identifier/definition.js'
import { spaceOf } from '../identifier/space.js'
import type { EvidenceState } from './evidence-state.js'
import { settled } from './joined-evidence.js'
import { comparison } from './comparison.js'
import type { EvidenceRun } from './evidence-run.js'
import { betweenEdges, coveringRuns } from './row-lookup.js'
import { processesOf } from './processes.js'
import { runsOfEach } from './repeating.js'
import { without, type Sums } from './sums.js'
import { outsideOf, stretches } from './aside.js'
import { roundedAmong } from './rounded-among.js'
import { DOUBT_BITS, RUN_BITS } from './weights.js'

export interface ColumnRuns {
  /** Runs worth a line of their own, in order. */
  readonly told: readonly EvidenceRun[]
  /** The run in which a record lies: of several, the one that explains it best; the whole column where none does. */
  around(index: number): EvidenceRun
  /** Runs in which values that fit are doubted. */
  readonly suspects: readonly EvidenceRun[]
  /** Bits that say zeros at the front are missing throughout; 0 where nothing says so. */
  readonly zerosAbsent: number
}

export function columnRuns(definition: Definition, state: EvidenceState): ColumnRuns {
  const whole = settled(definition, state)
  const inRuns = runsOfEach(whole)
  const usual = usualStarts(whole)
  // Rows that were rounded together are told as runs. Others take away certainty, and give none.
  const among = processesOf(definition).map((process, i) =>
    inRuns[i]!.length ? 0 : roundedAmong(whole, process, i),
  )
  const compare = comparison(definition, whole, inRuns, usual, among)
  const ofEach = compare.processes.map((own, i) =>
    inRuns[i]!.map(({ from, to, score }) => ({
      ...compare.over(from, to, own, score),
      own: own.id,
      short: to.known.short - from.known.short,
    })),
  )
  const every = ofEach.flat()
  const isForm = ({ own }: { own: string }) => own.startsWith('form ') || own === 'marks'
  const cores = every.filter((run) => !isForm(run))
  const outside = compare.everywhere()
  const runs = stretches(inRuns)
  const inRun = coveringRuns([
    runs.map(({ from, to }) => ({ from: from.known.place, to: to.known.place })),
  ])
  const apart = outsideOf(whole, runs)
  const alone = comparison(
    definition,
    apart,
    inRuns.map(() => []),
    usual,
    among,
  ).everywhere()
  // What happened in runs says something of rows outside of them only where one thing happened to all, though not as often.
  const alike = [alone, ...cores].every(({ process }) => process === outside.process)
  const often = ({ fits, misfits }: Sums) => misfits / Math.max(1, fits + misfits)
  const aside =
    alike && often(apart.sums) * MOST_OFTENER > often(without(whole.sums, apart.sums))
      ? outside
      : alone
  // The widest first; a narrower one inside takes its place where it explains its rows so much better
  // that saying so is worth a run of its own. Where what all rows tell has its own run, no other was looked for: what else
  // explains those rows as well is as likely there, and casts doubt on values that fit where it explains them better.
  const covering = coveringRuns(ofEach.filter(([first]) => first && !isForm(first)))
  const likeliest = (index: number) => {
    if (inRun(index).length === 0) return aside
    let best: EvidenceRun = outside
    for (const run of covering(index)) {
      const better = run.beyond(best)
      if (
        run.process === best.process
          ? best === outside
          : better > RUN_BITS || (best === outside && run.alone >= best.evidence)
      )
        best = run
      else if (best === outside && run.own === outside.process && better > 0)
        best = { ...run, suspect: run.suspect && Math.max(better, run.wrapped) >= DOUBT_BITS }
    }
    return best
  }
  const around = betweenEdges(
    every.flatMap(({ from, to }) => [from.index, to.index + 1]),
    likeliest,
  )
  const told = every.filter((run) =>
    isForm(run)
      ? run.own !== 'marks'
      : run.process === run.own && (run.own !== 'number-read' || run.short > 0),
  )
  told.sort((a, b) => a.from.index - b.from.index || b.bits - a.bits)
  return {
    told: told.filter(
      (run, i) =>
        !told.some(
          (other, k) =>
            k !== i &&
            inside(run, other) &&
            (covers(other, run) ||
              (k < i && other.channel === run.channel) ||
              (isForm(run) === isForm(other) && saysMore(other, run))),
        ),
    ),
    around,
    suspects: cores.filter(({ suspect }) => suspect),
    zerosAbsent: zerosAbsent(definition, whole),
  }
}

/** What strikes rows of a run so much oftener than those outside did not strike those. */
const MOST_OFTENER = 16

// An exponent is how few digits are printed, and binary numbers too: one line says it.
const covers = (other: EvidenceRun, run: EvidenceRun) =>
  run.process === 'form exponent' && !other.process.startsWith('form ')

// Of two runs the wider one, where its rows say as much for it on the average as those of the other.
function saysMore(a: EvidenceRun, b: EvidenceRun): boolean {
  const rows = ({ from, to }: EvidenceRun) => to.index - from.index + 1
  return rows(a) > rows(b) && a.bits * rows(b) >= b.bits * rows(a)
}

const inside = (a: EvidenceRun, b: EvidenceRun) =>
  b.from.index <= a.from.index && a.to.index <= b.to.index

// What clean values start with tells which originals are likely; but only where those that start with
// zeros are among them: a column that was read as numbers has none left.
function usualStarts({ sums, starts }: EvidenceState): EvidenceRun['usual'] {
  const all = starts.reduce((sum, count) => sum + count, 0)
  if (all < 20 || sums.zeros * 5 < all) return undefined
  return (text) => {
    const two = /^\d\d/.exec(text)
    return two ? (100 * (starts[Number.parseInt(two[0], 10)]! + 0.5)) / (all + 50) : 1
  }
}

// One in ten should start with a zero; that none does says something only where all other digits are
// about as frequent as they should be.
function zerosAbsent(definition: Definition, { sums, starts }: EvidenceState): number {
  const space = spaceOf(definition)
  const { widest } = space
  if (widest < 2 || sums.zeros > 0 || sums.short > 0) return 0
  const share =
    Number(
      (space.count(0n, 10n ** BigInt(widest - 1) - 1n).count * 10_000n) /
        (space.integers.count || 1n),
    ) / 10_000
  const others = Array.from({ length: 9 }, (_, i) =>
    starts.slice((i + 1) * 10, (i + 2) * 10).reduce((sum, count) => sum + count, 0),
  )
  const even = others.every((count) => count * 27 >= sums.fits)
  return share > 0.02 && share < 0.5 && even ? Math.floor(-Math.log2(1 - share) * sums.fits) : 0
}
