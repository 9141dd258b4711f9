// A number that went through an integer type: it wrapped round there, was held at the limit, or has a sign.

import {
  clamped,
  INTEGER_TYPES,
  unwrap,
  WRAPPING_TYPES,
  wrappingTypes,
  type IntegerType,
} from '../../channel/integer-limits.js'
import type { Interval } from '../../channel/significant.js'
import { leaving, type Subset } from '../../identifier/parts-of-space.js'
import { remembered } from '../../identifier/remembered.js'
import { widestNumber, type Numbers, type Space } from '../../identifier/space.js'
import type { Bare, Hypothesis } from './hypothesis.js'
import { TOGETHER } from './weights.js'

/** @param filled the number was filled up with zeros to so many digits: as many as the largest of the type has */
export function wraps(space: Space, value: bigint, filled?: number): Bare[] {
  return typesFor(space).flatMap((type): Bare[] => {
    if (filled !== undefined && filled !== `${type.max}`.length) return []
    const back = unwrap(value, type)
    if (!back) return []
    // A value that the type holds comes through such a column as it is.
    const subset = leaving(space, back, value < 0n ? undefined : value)
    if (subset.bound <= (value < 0n ? 0n : 1n)) return []
    return [
      {
        originals: { kind: 'subset', subset },
        channel: 'wrapped',
        process: `wrapped ${type.name}`,
        finding: 'wrapped',
        weight: (value < 0n ? TOGETHER.negativeWrapped : TOGETHER.wrapped) * soSmall(type, value),
        per: 'all',
      },
    ]
  })
}

/**
 * A number below zero that was shortened to few digits: any of these wrapped round, or has a sign.
 *
 * @param low nearest to zero, without its minus
 */
export function shortenedBelowZero(space: Space, { low, high }: Interval): Bare[] {
  const found = typesFor(space).flatMap((type): Bare[] => {
    if (low > -type.min) return []
    const modulus = 1n << BigInt(type.bits)
    const least = high > -type.min ? -type.min : high
    const around = { low: modulus - least, high: modulus - low }
    const last = 10n ** BigInt(widestNumber(space)) - 1n
    const originals = everyStep(space, around, { modulus, last }, MOST_TIMES)
    if (originals.bound === 0n) return []
    return [
      {
        originals: { kind: 'subset', subset: originals },
        channel: 'wrapped',
        process: `wrapped ${type.name}`,
        finding: 'wrapped',
        weight: TOGETHER.negativeWrapped * soSmall(type, -low),
        per: 'all',
      },
    ]
  })
  return [...found, { ...SIGNED, originals: { kind: 'integers', low, high } }]
}

/**
 * The values from `low` to `high`, and those that lie any number of times `modulus` behind, up to `last`.
 *
 * @param most of more such intervals it is only told about how many there are
 */
export function everyStep(
  numbers: Numbers,
  { low, high }: Interval,
  { modulus, last }: { readonly modulus: bigint; readonly last: bigint },
  most: bigint,
): Subset {
  const times = last < low ? 0n : (last - low) / modulus + 1n
  // Of many intervals they are about as many as of all values.
  if (times > most) {
    const { count } = numbers.count(low, last)
    const about = (count * (high - low + 1n)) / modulus
    return { count: about, bound: count, exact: false, list: () => [] }
  }
  const starts = Array.from({ length: Number(times) }, (_, i) => low + modulus * BigInt(i))
  const counts = starts.map((from) => numbers.count(from, from + high - low))
  const count = counts.reduce((sum, one) => sum + one.count, 0n)
  return {
    count,
    bound: count,
    exact: counts.every(({ exact }) => exact),
    list: (room) =>
      starts.flatMap((from) => numbers.list(from, from + high - low, room)).slice(0, room),
  }
}

/** Of a number that was shortened, more intervals are not told one by one. */
const MOST_TIMES = 64n

/** A number that came out of a type of 8 bits without a sign, where rows tell of it: each may as well be a small number. */
export function inEightBits(space: Space, value: bigint): Hypothesis | undefined {
  const back = unwrap(value, EIGHT)
  if (!back) return undefined
  return {
    originals: { kind: 'subset', subset: leaving(space, back, value) },
    process: `wrapped ${EIGHT.name}`,
    channels: ['wrapped'],
    findings: ['wrapped'],
    weight: 1,
    per: 'all',
  }
}

const EIGHT = WRAPPING_TYPES.find(({ bits, signed }) => bits === 8 && !signed)!

// What wraps round comes out anywhere in a type: hardly ever as a number that one of half as many bits would hold.
// Nor is a type of 8 bits made for numbers of any width: what lies above zero there lies there anyway.
export const soSmall = ({ bits }: IntegerType, value: bigint): number => {
  if (bits === 8 && value >= 0n) return 2 ** -bits
  const least = INTEGER_TYPES.find(({ min, max }) => min <= value && value <= max)
  return 2 ** (Math.min(bits, least?.bits ?? bits) - bits)
}

// Types that some values are too large for.
const typesFor = remembered((space: Space) => {
  const widest = widestNumber(space)
  return wrappingTypes(widest).filter(({ max }) => max < 10n ** BigInt(widest))
})

export function limits(space: Space, value: bigint): Bare[] {
  return clamped.inverse(value.toString()).flatMap((preimage): Bare[] => {
    if (preimage.kind !== 'integers') return []
    const { low, high } = preimage
    const common: Omit<Bare, 'originals'> = {
      channel: 'clamped',
      process: `clamped ${low - 1n}`,
      finding: 'clamped',
      weight: TOGETHER.atLimit,
      per: 'all',
    }
    const { fronts } = space
    const beyond: Bare[] = []
    if (space.count(low, high).count > 0n) beyond.push({ ...common, originals: preimage })
    if (fronts && fronts.count(low, high).count > 0n)
      beyond.push({ ...common, originals: { kind: 'subset', subset: between(fronts, low, high) } })
    return beyond
  })
}

// A minus before digits that came from somewhere else: a separator, a prefix that was split off.
export function signed(space: Space, value: bigint): Bare[] {
  if (space.count(value, value).count === 0n) return []
  return [{ ...SIGNED, originals: { kind: 'integers', low: value, high: value } }]
}

const SIGNED: Omit<Bare, 'originals'> = {
  channel: 'sign',
  process: 'sign',
  finding: 'sign-gained',
  weight: TOGETHER.signGained,
  per: 'all',
}

/** The values with a number in front between two. */
export function between(numbers: Numbers, low: bigint, high: bigint): Subset {
  const { count, exact } = numbers.count(low, high)
  return { count, bound: count, exact, list: (most) => numbers.list(low, high, most) }
}
