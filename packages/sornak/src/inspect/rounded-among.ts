// Values that were rounded here and there, among others that were not: no rows lie together to tell of it, but more of
// those that fit are such as the rounding prints than there should be.

import type { EvidenceState } from './column-evidence.js'
import { IN, OUT, UNIT, type Process } from './processes.js'

/** Of fewer values it is chance. */
const FEW = 8

/** Bits that the values that fit say for a rounding of some of them; 0 where they say nothing. */
export function roundedAmong(
  { sums, could, untouched }: EvidenceState,
  { rounds, usual }: Process,
  i: number,
): number {
  const some = could[i]!
  const all = sums.fits - untouched[i]!
  if (!rounds || some < FEW) return 0
  // How likely it is of a value by itself: what each of them said, on the average.
  const said = sums.scores[i]! - sums.hits[i]! * (IN - OUT) + (some + untouched[i]!) * usual
  const chance = 2 ** (-said / UNIT / some)
  const share = some / all
  if (share <= chance) return 0
  const others = share < 1 ? (all - some) * Math.log2((1 - share) / (1 - chance)) : 0
  return Math.max(0, some * Math.log2(share / chance) + others - Math.log2(all) / 2)
}
