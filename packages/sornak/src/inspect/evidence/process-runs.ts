// For each process the runs of rows that speak for it, as rows come one at a time: most rows speak for few of them.

import { RUN_BITS } from '../ways/weights.js'
import type { Place } from './evidence-state.js'
import { OUT, UNIT, type Process } from './process.js'
import { faded, noRows, withRow, type RunState } from './run-state.js'
import type { Sums } from './sums.js'

export interface ProcessRuns {
  /** What a row takes from a process, or gives it, that says less than usual: a run that is open loses it later. */
  owe(process: number, more: number): void
  /** A row that speaks for these processes, in order, by so many 1/256 bit. */
  row(said: readonly (readonly [process: number, score: number])[], counting: Counting): void
  /** Of each process, brought up to date. */
  all(): RunState<Sums>[]
}

interface Counting {
  /** The place in front of the row, and behind it when it was counted. */
  mark(): Place
  count(): void
}

const PENALTY = RUN_BITS * UNIT

/**
 * @param now what is counted of all rows so far
 * @param from the runs of the rows before
 */
export function processRuns(
  processes: readonly Process[],
  now: Pick<Sums, 'fits' | 'misfits'>,
  from?: readonly RunState<Sums>[],
): ProcessRuns {
  const runs = from ? [...from] : processes.map(() => noRows<Sums>())
  /** Rows after which each process was last brought up to date. */
  const fitsAt = processes.map(() => now.fits)
  const misfitsAt = processes.map(() => now.misfits)
  const owed = processes.map(() => 0)

  // Rows that went by without being asked for were usual ones, or had nothing for the process.
  function catchUp(i: number): void {
    const passed =
      processes[i]!.usual * (now.fits - fitsAt[i]!) + OUT * (now.misfits - misfitsAt[i]!) + owed[i]!
    runs[i] = faded(runs[i]!, passed)
    owed[i] = 0
    fitsAt[i] = now.fits
    misfitsAt[i] = now.misfits
  }

  return {
    owe(process, more) {
      owed[process]! += more
    },
    row(said, { mark, count }) {
      const start = mark()
      let stop: Place | undefined
      for (const [i] of said) catchUp(i)
      count()
      for (const [i, score] of said) {
        fitsAt[i] = now.fits
        misfitsAt[i] = now.misfits
        runs[i] = withRow(
          runs[i]!,
          score,
          PENALTY,
          () => start,
          () => (stop ??= mark()),
        )
      }
    },
    all() {
      for (let i = 0; i < processes.length; i++) catchUp(i)
      return [...runs]
    },
  }
}
