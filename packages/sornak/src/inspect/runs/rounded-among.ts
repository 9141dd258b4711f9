// Values that were rounded here and there, among others that were not: no rows lie together to tell of it, but more of
// those that fit are such as the rounding prints than there should be.

import { isBeyondChance } from '../evidence/coarser.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { printsRound } from '../evidence/process-channel.js'
import { IN, OUT, UNIT, type Process } from '../evidence/process.js'
import { RUN_BITS } from '../ways/weights.js'

/** Bits that the values that fit say for a rounding of some of them; 0 where they say nothing. */
export function roundedAmong(state: EvidenceState, process: Process, i: number): number {
  const { sums, could, untouched } = state
  return beyondChance(could[i]!, sums.fits - untouched[i]!, chanceOf(state, process, i))
}

/** The same of those that stand behind marks, by themselves. */
export function roundedBehindMarks(state: EvidenceState, process: Process, i: number): number {
  const { sums, markedCould, markedUntouched } = state
  const chance = chanceOf(state, process, i)
  return beyondChance(markedCould[i]!, sums.marked - markedUntouched[i]!, chance)
}

// How likely it is of a value by itself that the rounding could have printed it: what each of them said, on the average.
function chanceOf(
  { sums, could, untouched }: EvidenceState,
  { id, rounds, usual }: Process,
  i: number,
): number {
  const some = could[i]!
  // Round numbers are what some columns have.
  if (!rounds || some === 0 || printsRound(id) || isBeyondChance(sums.coarser[i]!, some)) return 1
  const said = sums.scores[i]! - sums.hits[i]! * (IN - OUT) + (some + untouched[i]!) * usual
  return (id.startsWith('binary') ? TEXTS_OF_BINARY : 1) * 2 ** (-said / UNIT / some)
}

/** Bits that say that so many of all are more than chance has; 0 where it is not worth as much as a run. */
export function beyondChance(some: number, all: number, chance: number): number {
  const share = some / Math.max(1, all)
  if (share <= chance) return 0
  const others = share < 1 ? (all - some) * Math.log2((1 - share) / (1 - chance)) : 0
  const bits = some * Math.log2(share / chance) + others
  return bits > RUN_BITS ? bits : 0
}

/** A binary number is printed with all its digits or with the fewest that name it: a value may be either by chance. */
export const TEXTS_OF_BINARY = 2
