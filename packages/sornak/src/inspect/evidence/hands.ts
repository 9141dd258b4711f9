// In how many ways numbers are printed that do not fit: several programs had them in their hands, each of which prints its own.

import type { FindingCode } from '../../channel/channel.js'
import { joinedShorts, type ShortValues } from '../short/short-values.js'
import { PRINTED } from '../ways/hypothesis.js'
import { THROUGHOUT } from '../ways/weights.js'
import { added, type Sums } from './sums.js'

/** How many values stand in each way, in ascending order. A way is a bit for each form; 0 where a number is bare. */
export type Standing = readonly (readonly [way: number, count: number])[]

/** Fewer ways are those of one program, or of two that struck different rows. */
const FEW_HANDS = 3

/** The way in which a value stands, by the forms that it may be printed in. */
export const wayOf = (seen: string, isIn: (form: FindingCode) => boolean): number =>
  PRINTED.reduce(
    (way, form, at) => (isIn(form) ? way | (1 << at) : way),
    /^-\d/.test(seen) ? BELOW_ZERO : 0,
  )

/** The same whether they stand below zero or not: a signed type has both. */
export const handOf = (way: number): number => way & ~BELOW_ZERO

/** What is counted of the values that do not fit and stand in one way, below zero or not. */
export interface Hand {
  readonly way: number
  readonly sums: Sums
  readonly shorts: ShortValues
}

/** @param rows before those of `b` */
export function joinedHands(a: readonly Hand[], b: readonly Hand[], rows: number): Hand[] {
  const all = new Map(a.map((hand) => [hand.way, hand]))
  for (const hand of b) {
    const own = all.get(hand.way)
    const sums = own ? added(own.sums, hand.sums) : hand.sums
    all.set(hand.way, { ...hand, sums, shorts: joinedShorts(own?.shorts ?? [], hand.shorts, rows) })
  }
  return [...all.values()].sort((one, other) => one.way - other.way)
}

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

/** One program prints both: its short numbers stand in one way, and its long ones in the other. */
export const areOfOne = (short: Hand, long: Hand, widest: number): boolean =>
  isPartOf(short.way, long.way) && longestOf(short, widest) < shortestOf(long, widest)

const lengthsOf = ({ shorts }: Hand) => shorts.map(({ digits }) => digits.length)
const longestOf = (hand: Hand, widest: number) =>
  hand.sums.wide > 0 ? widest : Math.max(0, ...lengthsOf(hand))
const shortestOf = (hand: Hand, widest: number) => Math.min(widest, ...lengthsOf(hand))

// One program prints both: short numbers without separators, or with decimals where long ones have an exponent.
function isPartOf(way: number, other: number): boolean {
  if (way === other) return false
  const long = other & EXPONENT ? other | DECIMALS : other
  return (way & long) === way && (other & way) !== other
}

const BELOW_ZERO = 1 << PRINTED.length
const EXPONENT = 1 << PRINTED.indexOf('exponent')
const DECIMALS = 1 << PRINTED.indexOf('decimal-tail')
