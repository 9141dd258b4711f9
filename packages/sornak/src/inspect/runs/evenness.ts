// Whether values are spread as evenly as they must be for what is missing among them to say something: columns are
// seldom even, and that nothing lies beyond a limit, or is shorter than a width, has many reasons.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { areOfSixteen } from '../evidence/lettered.js'
import { type Process } from '../evidence/process.js'
import { processesOf } from '../evidence/processes.js'
import type { Sums } from '../evidence/sums.js'
import { SIXTEEN } from '../ways/from-sixteen.js'
import type { ShortValues } from '../short/short-values.js'
import { STOPS } from '../ways/hypothesis.js'
import { RUN_BITS } from '../ways/weights.js'
import { gainedMinuses, SIGNED, type GainedMinus } from './gained-minus.js'
import { areSorted } from './list-order.js'
import { belowOnlyHere } from './below-limit.js'
import { allLeft } from './left-alone.js'
import { FEW_OTHERS } from './short-beside.js'
import { spread } from './spread.js'

export interface Evenness extends GainedMinus {
  /** All values of the definition have one width. */
  readonly alike: boolean
  /** For each process: all values of the column are. */
  readonly everywhere: readonly boolean[]
  /** Those between two places are, for the process of this index; for one with a limit also where all are. */
  isFair(process: Process, i: number, from: Sums, to: Sums): boolean
  /** Values that do not fit and that a process explains. */
  hitsOf(id: string, from: Sums, to: Sums): number
  /** Those of them that only a signed type explains, in the type that has most. */
  negatives(from: Sums, to: Sums): number
  /** The same for one type. */
  signedRows(id: string, from: Sums, to: Sums): number
  /** It is a type of which only numbers below zero tell, or a base of which letters do, and the column has none. */
  isUntold(id: string): boolean
}

/** @param nothing the place before all rows */
export function evenness(definition: Definition, whole: EvidenceState, nothing: Sums): Evenness {
  const all = whole.sums
  const processes = processesOf(definition)
  const place = new Map(processes.map(({ id }, i) => [id, i]))
  const space = spaceOf(definition)
  const { widest, widths } = space
  const alike = widths.length === 1
  // Numbers that wrapped round lie anywhere below the limit; those of few blocks only look as if it held them. Where the
  // limit has fewer digits than they have, or they have any number of digits, this shows by their widths.
  const comeTo = processes.map(({ id, max }) =>
    id.startsWith('wrapped') ? folded(space, id, max!) : undefined,
  )
  const starts = startsApart(whole, processes, widest)
  const evenly = processes.map(({ id, max }, i) => {
    const tells = alike && id.startsWith('wrapped') && max?.toString().length === widest
    return !tells || spread({ ...whole, starts }, max!, comeTo[i]) > 0
  })
  // One in sixteen is near the limit, as a rule.
  const nearby = processes.map(({ max, nearly }, i) => {
    const of = comeTo[i]
    return of ? of(nearly!, max!) / of(0n, max!) : 1 / 16
  })
  const hitsAt = (i: number | undefined, from: Sums, to: Sums) =>
    i === undefined ? 0 : to.hits[i]! - from.hits[i]!
  const hitsOf = (id: string, from: Sums, to: Sums) => hitsAt(place.get(id), from, to)
  const unsigned = new Map(processes.map(({ id }) => [id, place.get(id.replace('int', 'uint'))]))
  const signedRows = (id: string, from: Sums, to: Sums) => {
    const hits = hitsOf(id, from, to)
    const same = unsigned.get(id)
    return same === undefined
      ? Math.min(hits, to.belowZero - from.belowZero)
      : hits - hitsAt(same, from, to)
  }
  // The same type without a sign is none that is told of.
  const isToldBySigns = (id: string) => place.has(id) && !place.has(id.replace('int', 'uint'))
  const untold = new Set(
    SIGNED.filter((id) => isToldBySigns(id) && signedRows(id, nothing, all) === 0),
  )
  const stopsAnywhere = endAnywhere(whole.shorts, widest)
  const ofSixteen = areOfSixteen(whole.lettered)
  const negatives = (from: Sums, to: Sums) =>
    Math.max(0, ...SIGNED.map((id) => signedRows(id, from, to)))
  const { minusAdded, gainedMinus } = gainedMinuses(whole, widest, { signedRows, negatives })
  const between = (process: Process, i: number, from: Sums, to: Sums) => {
    const { id } = process
    // Where values have several widths, what an octal reading changed may fit and is not among those counted.
    if (!alike && id.startsWith('octal')) return false
    // No text that was cut has a minus in front.
    if (id.startsWith('cut-short') && negatives(from, to) * 20 > hitsOf(id, from, to)) return false
    if (id === STOPS && !stopsAnywhere) return false
    if (gainedMinus(process, i, from, to)) return false
    if (id.startsWith('wrapped') && areSorted(from, to)) return false
    if (!isEven(process, i, from, to, { all, alike, nearby: nearby[i]! })) return false
    return evenly[i]! || isApart(process, i, from, to)
  }
  // However those elsewhere are spread: they go on beyond the limit.
  const isApart = (process: Process, i: number, from: Sums, to: Sums) =>
    all.fits - (to.fits - from.fits) >= FEW_OTHERS &&
    belowOnlyHere(process, i, from, to, all) >= RUN_BITS
  const everywhere = processes.map((process, i) => between(process, i, nothing, all))
  return {
    alike,
    everywhere,
    isFair: (process, i, from, to) =>
      between(process, i, from, to) || (process.max !== undefined && everywhere[i]!),
    hitsOf,
    negatives,
    signedRows,
    minusAdded,
    gainedMinus,
    isUntold: (id) => untold.has(id) || (id === SIXTEEN && !ofSixteen),
  }
}

// Half of the numbers at whose 8 or 9 a reader stopped have three digits left, or fewer.
function endAnywhere(shorts: ShortValues, widest: number): boolean {
  const rowsOf = (some: ShortValues) => some.reduce((sum, { rows }) => sum + rows.length, 0)
  const all = rowsOf(shorts)
  const few = rowsOf(shorts.filter(({ digits }) => digits.length <= FEW_LEFT))
  return widest < 2 * FEW_LEFT || all < FEW_SHORT || few * FEW_SHORT >= all
}

const FEW_LEFT = 3
const FEW_SHORT = 8

// What is exactly the limit of a type stands for any beyond it: it shows nothing of how the others are spread.
function startsApart(
  { starts, atLimit }: EvidenceState,
  processes: readonly Process[],
  widest: number,
): number[] {
  const others = [...starts]
  processes.forEach(({ max }, i) => {
    const limit = max?.toString() ?? ''
    if (limit.length === widest) others[Number.parseInt(limit.slice(0, 2), 10)]! -= atLimit[i]!
  })
  return others
}

// Where a type holds the definition a few times over, more originals come to small numbers than to large ones.
function folded(
  space: Space,
  id: string,
  max: bigint,
): ((low: bigint, high: bigint) => number) | undefined {
  const modulus = id.includes('uint') ? max + 1n : 2n * (max + 1n)
  const times = 10n ** BigInt(space.widest) / modulus
  // Of values with a number in front only nothing is known of how these are spread.
  if (times > MOST_TIMES || space.integers.count === 0n) return undefined
  return (low, high) => {
    let sum = 0n
    for (let more = 0n; more <= times; more++)
      sum += space.count(low + more * modulus, high + more * modulus).count
    return Number(sum)
  }
}

/** Beyond this it makes no difference. */
const MOST_TIMES = 20n

/** So few say that they wrapped where nothing else lies below the limit. */
const FEW_WRAPPED = 8
const isFarBelow = (hits: number, { fits, zeros }: Sums) =>
  hits >= FEW_WRAPPED && zeros === 0 && fits >= FEW_OTHERS

// Columns are seldom even. That all values lie below a limit says something only where they come up to
// it; that short ones do, only where wider ones stand between them.
function isEven(
  { id, max, nearly }: Process,
  i: number,
  from: Sums,
  to: Sums,
  { all, alike, nearby }: { readonly all: Sums; readonly alike: boolean; readonly nearby: number },
): boolean {
  const hits = to.hits[i]! - from.hits[i]!
  if (id.startsWith('cut-short')) {
    // All are of one length. Of texts that were cut one in ten starts with a zero, as no number does;
    // or there are clean values, and none of them starts with the zeros that would have been lost.
    // Where values have several widths, what is left of a wide one fits: it may start with a zero as well.
    const padded = to.padded - from.padded + (allLeft(i, from, to) ? to.zeros - from.zeros : 0)
    if ((to.short - from.short - hits) * 20 > hits) return false
    const clean = all.wide >= 20 && all.zeros === 0
    return padded > 0 ? padded * 50 >= hits : clean || (all.misfits < 30 && all.fits === 0)
  }
  if (nearly === undefined) return true
  const held = to.held[i]! - from.held[i]!
  const near = to.near[i]! - from.near[i]!
  // Of few it may be less by chance. Where values have several widths, many lie below the limit as they are.
  const usual = held * nearby
  const least = alike ? Math.min(usual / 2, usual - 2 * Math.sqrt(usual)) : usual / 2
  if (max !== undefined)
    return near >= least && (held >= 32 ? near > 0 : held === hits && isFarBelow(hits, all))
  const short = to.short - from.short
  const between = short >= 3 && to.wide - from.wide >= 4 * short
  // What stops at an 8 or 9 leaves short numbers of any length.
  return between && (id === STOPS ? (to.tiny - from.tiny) * 4 >= short : near * 8 >= short)
}
