// Where the originals of a column may have come from: anywhere in the definition, from one block of numbers,
// from those issued so far, or from where its clean values lie. What narrows them down costs as many bits as it
// takes to say it.

import { remembered } from '../../identifier/remembered.js'
import type { Space } from '../../identifier/space.js'
import type { Heads, Part } from './heads.js'

export interface Population {
  /** Bits that it takes to say which. */
  readonly cost: number
  readonly low: bigint
  readonly high: bigint
  /** The share of its values that lie in an interval: 0 to 1. */
  share(low: bigint, high: bigint): number
  /** The clean values of the column are from it too. */
  readonly clean?: true
  /** Most of it lies in these blocks. */
  readonly parts?: readonly Part[]
  /** So many of the bits say which blocks they are. */
  readonly which?: number
  /** The share of its values that start with a zero and have no other digits than 0 to 7. */
  readonly octal: number
}

/** Fewer clean values than this say nothing of where originals lie. */
const FEW_CLEAN = 20

/** All values of a definition, every one as likely as any other. */
export const flat: (space: Space) => Population = remembered((space: Space) =>
  block(space, 0n, 10n ** BigInt(space.widest) - 1n, 0),
)

/** Those in an interval. */
export function block(space: Space, low: bigint, high: bigint, cost: number): Population {
  const all = Number(space.count(low, high).count)
  const share = (from: bigint, to: bigint) => {
    const [first, last] = [larger(from, low), smaller(to, high)]
    return first > last || all === 0 ? 0 : Number(space.count(first, last).count) / all
  }
  const zeros = 10n ** BigInt(space.widest - 1) - 1n
  const top = smaller(high, zeros)
  const octal = low > top ? 0 : share(low, top) * octalShare(low, top)
  return { cost, low, high, share, octal }
}

/** Populations that are narrow and hold these originals, each the only one of its row. */
export function around(space: Space, originals: readonly bigint[]): Population[] {
  const { widest } = space
  const all = Number(space.integers.count)
  const [low, high] = [originals.reduce(smaller), originals.reduce(larger)]
  const found: Population[] = []
  const add = (from: bigint, to: bigint, start: bigint, more: number) => {
    const count = Number(space.count(from, to).count)
    if (count === 0) return
    const which = Math.log2(all / count)
    // A start of small number is said sooner; but how many zeros there are must be said.
    found.push(
      block(space, from, to, more + (start > 0n ? Math.min(which, costOf(space, start)) : which)),
    )
  }
  const [first, last] = [low, high].map((value) => value.toString().padStart(widest, '0'))
  let shared = 0
  while (shared < widest && first![shared] === last![shared]) shared++
  // All numbers that start alike, and those of them whose next digit is no zero.
  for (let digits = 0; digits <= Math.min(shared, widest - 1); digits++) {
    const unit = 10n ** BigInt(widest - digits)
    const from = (low / unit) * unit
    const to = from + unit - 1n
    const cost = digits === 0 ? 0 : Math.log2(widest)
    if (digits === shared || !/[1-9]/.test(first!.slice(0, digits + 1))) {
      add(from, to, low / unit, cost)
      if (from + unit / 10n <= low) add(from + unit / 10n, to, low / unit, cost + 1)
    }
  }
  // Those issued so far, from the first on; and an interval between any two numbers.
  found.push(block(space, 0n, high, costOf(space, high)))
  found.push(block(space, low, high, costOf(space, low) + costOf(space, high - low)))
  return found
}

/** Bits that it takes to say a number; one with few digits takes fewer. */
export const costOf = ({ widest }: Space, value: bigint): number =>
  Math.log2(widest) + Math.log2(Number(value) + 1)

/** Numbers of any length, each length as likely as any other, filled up with zeros. */
export const ofAnyLength: (space: Space) => Population = remembered((space: Space) => {
  const blocks = Array.from({ length: space.widest }, (_, i) =>
    block(space, i === 0 ? 0n : 10n ** BigInt(i), 10n ** BigInt(i + 1) - 1n, 0),
  )
  const mean = (of: (one: Population) => number) =>
    blocks.reduce((sum, one) => sum + of(one), 0) / blocks.length
  return {
    cost: 2,
    low: 0n,
    high: 10n ** BigInt(space.widest) - 1n,
    share: (low, high) => mean((one) => one.share(low, high)),
    octal: mean((one) => one.octal),
  }
})

export interface Range {
  readonly low: bigint
  readonly high: bigint
}

/** What clean values of a column have in common. */
export interface Clean {
  /** How many start with so many zeros and then this digit: ten for each number of zeros. */
  readonly fronts: readonly number[]
  /** The smallest and the largest; empty where there is none. */
  readonly least: string
  readonly most: string
  /** How many start with the same few digits. */
  readonly heads: Heads
}

/** How many of them start with a zero. */
export const zerosKept = ({ fronts }: Clean): number =>
  fronts.slice(10).reduce((sum, count) => sum + count, 0)

/** From the smallest clean value to the largest, and a little beyond; nothing where they are too few to say it. */
export const rangeOf = (space: Space, clean: Clean): Range | undefined => rangeIn(space)(clean)

// All stories of a column ask for the same.
const rangeIn = remembered((space: Space) => remembered((clean: Clean) => rangeFrom(space, clean)))

function rangeFrom({ widest }: Space, { fronts, least, most }: Clean): Range | undefined {
  const total = totalOf(fronts)
  if (total < FEW_CLEAN) return undefined
  const [first, last] = [BigInt(least), BigInt(most)]
  // How far it is beyond them: by how close they lie, all of them or those at the end, as fewer may start with a zero.
  const beyond = ({ low, high }: Range, count: number) => (4n * (high - low)) / BigInt(count) + 1n
  const margin = beyond({ low: first, high: last }, total)
  const ends = binsOf(widest, fronts).filter(({ count }) => count > 0)
  const [lowest, highest] = [ends[0]!, ends.at(-1)!]
  const before = beyond({ low: first, high: smaller(lowest.high, last) }, lowest.count)
  const behind = beyond({ low: larger(highest.low, first), high: last }, highest.count)
  return {
    low: larger(0n, first - larger(margin, before)),
    high: smaller(10n ** BigInt(widest) - 1n, last + larger(margin, behind)),
  }
}

interface FrontBin extends Range {
  readonly zeros: number
  readonly digit: number
  readonly count: number
}

/** Numbers that start with so many zeros and then this digit, the smallest first. */
export const binsOf = (widest: number, fronts: readonly number[]): FrontBin[] =>
  Array.from({ length: widest }, (_, i) => widest - 1 - i).flatMap((zeros) =>
    Array.from({ length: 10 }, (_, digit) => {
      const unit = 10n ** BigInt(widest - zeros - 1)
      const [low, high] = [BigInt(digit) * unit, BigInt(digit + 1) * unit - 1n]
      return { zeros, digit, count: fronts[zeros * 10 + digit] ?? 0, low, high }
    }),
  )

/** Bits to say a population of another kind than the clean values; or a stretch of numbers among them, or near them. */
export function apart(population: Population, kind: number, range: Range | undefined): number {
  const { cost, low, high } = population
  const other = cost + kind
  if (!range) return other
  const inside = range.low <= low && high <= range.high
  if (inside) return Math.min(other, spanOf(range) + spanOf(population) + 1)
  const away = larger(low - range.high, range.low - high)
  const overlaps = away <= 0n && spanOf(population) <= spanOf(range)
  // How far away it is, said in as many bits as it takes to say how many these are.
  const beyond = away > 0n ? 2 * Math.log2(Number(away) + 1) : spanOf(range) * (overlaps ? 1 : 2)
  return Math.min(other, beyond + spanOf(population) + 2)
}

const spanOf = ({ low, high }: Range) => Math.log2(Number(high - low) + 1)

export const totalOf = (counts: readonly number[]): number =>
  counts.reduce((sum, count) => sum + count, 0)

export const larger = (a: bigint, b: bigint): bigint => (a > b ? a : b)
export const smaller = (a: bigint, b: bigint): bigint => (a < b ? a : b)

/** Of the numbers of an interval, those that have no digits but 0 to 7: 0 to 1. */
export const octalShare = (low: bigint, high: bigint): number =>
  Number(octalsTo(high) - octalsTo(low - 1n)) / Number(high - low + 1n)

// How many numbers from 0 to this one have no digits but 0 to 7.
function octalsTo(value: bigint): bigint {
  if (value < 0n) return 0n
  let sum = 0n
  const digits = value.toString()
  for (let i = 0; i < digits.length; i++) {
    const digit = BigInt(digits[i]!)
    const rest = 8n ** BigInt(digits.length - i - 1)
    if (digit > 7n) return sum + 8n * rest
    sum += digit * rest
  }
  return sum + 1n
}
