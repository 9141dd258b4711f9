// What a short value says by itself, beside the clean ones of its column: others may have been damaged in another way.

import type { Definition } from '../identifier/definition.js'
import { spaceOf } from '../identifier/space.js'
import type { EvidenceState } from './evidence-state.js'
import { prior } from './lifts.js'
import { rivals } from './short/rivals.js'
import type { Lift } from './weigh.js'

/**
 * By how far each process gains or loses for this value; undefined where it is hardly too short.
 *
 * @param exception bits that it costs to say that others tell nothing of it
 */
export type LoneValue = (seen: string, exception: number) => Lift | undefined

/** Of values spread evenly one in ten thousand starts with so many zeros; fewer prove nothing. */
const MANY = 4

export function loneValues(definition: Definition, { sums, clean }: EvidenceState): LoneValue {
  const { widest } = spaceOf(definition)
  return (seen, exception) => {
    if (!/^\d+$/.test(seen) || widest - seen.length < MANY) return undefined
    const told = rivals(definition, {
      values: [{ digits: seen, count: 1 }],
      share: 1 / (1 + sums.wide + sums.zeros),
      printed: false,
      clean,
      between: undefined,
      negatives: false,
      apart: false,
      scattered: true,
    })
    // Such evidence takes away certainty, and gives none.
    return (process) =>
      Math.min((told(process) ?? -Infinity) - exception, -Math.log2(prior(process)))
  }
}
