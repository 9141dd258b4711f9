// Values that repeat the one before: of a sequence that was rounded nearly all do, and of a list that names some things
// again and again as well.

import { RUN_BITS } from '../ways/weights.js'
import { areCoarser } from './coarser.js'
import type { EvidenceState } from './evidence-state.js'
import { UNIT } from './process.js'
import { runsOf, type Run } from './run-state.js'
import type { Sums } from './sums.js'

/** Values that are no roundings: so many must be there, and of so many one may repeat the last. */
const FEW_OTHERS = 50
const SELDOM = 100

/** Others hardly ever repeat, so that values speak for a rounding that do. */
export const repeatsSpeak = ({ others, repeats }: EvidenceState): boolean =>
  others >= FEW_OTHERS && repeats * SELDOM <= others

/**
 * The runs of each process, without what repeats say where they say nothing. One value, unlike those before it, may stand
 * for all that are not known.
 */
export function runsOfEach(state: EvidenceState): Run<Sums>[][] {
  const speak = repeatsSpeak(state)
  return state.runs.map((one, i) =>
    runsOf(one).flatMap((run) => {
      const [from, to] = [run.from.known, run.to.known]
      if (areCoarser(i, from, to)) return []
      const again = to.again[i]! - from.again[i]!
      const fresh = to.fresh[i]! - from.fresh[i]!
      const tells = (score: number) => score > RUN_BITS * UNIT
      // A new value that goes on from the last has a unit, for a run to begin there: many such ones make none.
      if (again === 0 || (speak && fresh > 1 && tells(run.score - fresh))) return [run]
      const score = run.score - again
      return tells(score) ? [{ ...run, score }] : []
    }),
  )
}
