// Counts the values that do not fit by the way in which they stand: each may be that of a program of its own.

import { collector } from '../short/short-values.js'
import { handOf, type Hand } from './hands.js'
import { countMisfit, isShort } from './misfit-counts.js'
import type { Misfit } from './misfit-evidence.js'
import type { Process } from './process.js'
import { copyOf, noSums } from './sums.js'

export interface HandCounter {
  /** @param repeated the value before was the same */
  take(seen: string, misfit: Misfit, repeated: boolean, row: number): void
  hands(): Hand[]
}

/**
 * @param widest how many digits the widest value has
 * @param before hands so far
 */
export function handCounter(
  processes: readonly Process[],
  widest: number,
  before: readonly Hand[] = [],
): HandCounter {
  const counted = (sums = noSums(processes.length), shorts?: Hand['shorts']) => ({
    sums: copyOf(sums),
    shorts: collector(shorts),
  })
  const all = new Map(before.map(({ way, sums, shorts }) => [way, counted(sums, shorts)]))
  return {
    take(seen, misfit, repeated, row) {
      const way = handOf(misfit.way)
      let own = all.get(way)
      if (!own) all.set(way, (own = counted()))
      countMisfit(own.sums, processes, widest, seen, misfit, repeated)
      if (isShort(misfit, widest)) own.shorts.add(misfit.bare!, row)
    },
    hands: () =>
      [...all]
        .map(([way, { sums, shorts }]) => ({ way, sums: copyOf(sums), shorts: shorts.values() }))
        .sort((a, b) => a.way - b.way),
  }
}
