// What a value that fits says of the roundings that could have printed it, where it goes on from the one before it.

import { REPEAT } from '../ways/weights.js'
import { MOST, UNIT, type Process } from './process.js'
import type { Again } from './sequence.js'
import type { Answer } from './usual.js'

type Said = Answer['said'][number]

export interface GoingOn {
  /** What it says of the roundings that could have printed it. */
  readonly printed: readonly Said[]
  /** All that it says, without what it says only because it goes on from the last. */
  readonly fresh: readonly Said[]
  /** What it says beside that, for each process, where others do not repeat the last. */
  readonly going: ReadonlyMap<number, number>
  /** Nobody thinks of a number that is hardly met by chance, and is not round either. */
  isNoFilling(one: Said, seen: () => string): boolean
}

/** One number in ten ends in one zero more. */
const ZERO_BITS = Math.log2(10) * UNIT
const NONE: ReadonlyMap<number, number> = new Map()

export function goingOn(
  processes: readonly Process[],
): (said: readonly Said[], how: Again) => GoingOn {
  const bitsOf = ([i, more]: Said) => more + processes[i]!.usual
  const rounded = (one: Said) => processes[one[0]]!.rounds === true && bitsOf(one) > 0
  // The more originals come out as one, the sooner a sequence repeats itself. That it comes by one says nothing, but that
  // a run may begin here.
  const again = (one: Said, how: Again): Said => {
    const bits = Math.round(bitsOf(one) * REPEAT.share)
    return [one[0], how === 'same' ? Math.min(REPEAT.most * UNIT, bits) : 1]
  }
  // None is left where it is the same.
  const left = (one: Said, how: Again): Said => {
    const bits =
      typeof how === 'number' ? Math.max(0, bitsOf(one) - Math.round(how * ZERO_BITS)) : 0
    return [one[0], bits - processes[one[0]]!.usual]
  }
  const isNoFilling = (one: Said, seen: () => string) =>
    bitsOf(one) >= MOST && !seen().endsWith('000')
  return (said, how) => {
    const printed = said.filter(rounded)
    if (how === 'no') return { printed, fresh: said, going: NONE, isNoFilling }
    const follows = ([i]: Said) => !(how === 0 && processes[i]!.id.includes('binary'))
    return {
      printed,
      fresh: said.map((one) => (rounded(one) && follows(one) ? left(one, how) : one)),
      going: new Map(printed.filter(follows).map((one) => again(one, how))),
      isNoFilling,
    }
  }
}
