// In how many ways numbers are printed that do not fit: several programs had them in their hands, each of which prints its own.

import { PRINTED } from '../ways/hypothesis.js'
import { THROUGHOUT } from '../ways/weights.js'
import type { Process } from './process.js'

/** How many values stand in each way, in ascending order. A way is a bit for each form; 0 where a number is bare. */
export type Standing = readonly (readonly [way: number, count: number])[]

/** Fewer ways are those of one program, or of two that struck different rows. */
const FEW_HANDS = 3

/** The way in which a value stands that these processes explain. */
export function wayOf(processes: readonly Process[]): (seen: string, found: Found) => number {
  const bits = processes.map(({ id }) => {
    const at = SHOWN.indexOf(id)
    return at < 0 ? 0 : 1 << at
  })
  return (seen, found) =>
    found.reduce((way, [i]) => way | bits[i]!, /^-\d/.test(seen) ? BELOW_ZERO : 0)
}

type Found = readonly (readonly [process: number, ...rest: unknown[]])[]

export function joinedStanding(a: Standing, b: Standing): Standing {
  const all = new Map(a)
  for (const [way, count] of b) all.set(way, (all.get(way) ?? 0) + count)
  return [...all].sort(([x], [y]) => x - y)
}

/**
 * The weight of a conversion that is seldom met, beside digits that were read as a number, where as many values as one
 * program left went through it: for each of these, to be shared among those that stand as one does. 0 where one program or two
 * explain how all stand.
 */
export function ofSeveral(standing: Standing): number {
  const shown = standing.filter(([way]) => way !== 0)
  const hands = shown.filter(([way]) => !shown.some(([other]) => isPartOf(way, other))).length
  if (hands < FEW_HANDS) return 0
  return (THROUGHOUT * shown.reduce((sum, [, count]) => sum + count, 0)) / hands
}

// One program prints both: short numbers without separators, or with decimals where long ones have an exponent.
function isPartOf(way: number, other: number): boolean {
  if (way === other) return false
  const long = other & EXPONENT ? other | DECIMALS : other
  return (way & long) === way && (other & way) !== other
}

const SHOWN = PRINTED.map((code) => `form ${code}`)
const BELOW_ZERO = 1 << SHOWN.length
const EXPONENT = 1 << SHOWN.indexOf('form exponent')
const DECIMALS = 1 << SHOWN.indexOf('form decimal-tail')
