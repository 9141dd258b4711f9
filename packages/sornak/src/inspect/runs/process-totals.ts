// What some rows say for one process: at work on all of them, in some runs of them, or here and there. In 1/256 bit.

import type { Definition } from '../../identifier/definition.js'
import { shareOfOne, spaceOf, widestNumber, type Space } from '../../identifier/space.js'
import { areCoarser } from '../evidence/coarser.js'
import { bits, IN, MOST, OUT, UNIT, type Process } from '../evidence/process.js'
import type { Run } from '../evidence/run-state.js'
import type { Sums } from '../evidence/sums.js'
import { allOfOneKind } from '../short/chance-of-counts.js'
import { STOPS } from '../ways/hypothesis.js'
import { OTHER_KIND, RUN_BITS } from '../ways/weights.js'
import { widestMissing } from './cut-widths.js'
import { areSorted } from './list-order.js'
import { exponentWhereShorter, usualDigits } from './usual-digits.js'

/** What is known of a column before its rows are. */
export interface Setting {
  readonly definition: Definition
  /** Many of its values go on behind a number, or a check digit may make them. */
  readonly goesOn: boolean
  /** All its rows. */
  readonly all: Sums
  /** The largest of its clean values; undefined where they are too few to say it. */
  readonly largest: bigint | undefined
}

// Evidence for a process that was at work on all rows between two places.
export function total(
  setting: Setting,
  process: Process,
  i: number,
  from: Sums,
  to: Sums,
  fair: boolean,
): number {
  const { id, usual, max, rounds, lost, kept } = process
  if (areCoarser(i, from, to)) return -Infinity
  const misfits = to.misfits - from.misfits
  const hits = to.hits[i]! - from.hits[i]!
  // One repaired row breaks no run; many values that the process would have changed say it was not at
  // work on all rows. So do those that fit among others that stand in printed forms.
  const contrary = usual === 0 ? against(i, from, to) : 0
  const printed = !rounds && isPrinted(from, to)
  if (contrary * 10 > hits || passedBy(process, i, from, to)) return -Infinity
  const flat = printed
    ? IN * hits + OUT * (misfits - hits + Math.max(contrary, passed(process, from, to)))
    : to.scores[i]! - from.scores[i]! + usual * (to.fits - from.fits) + OUT * misfits
  const space = spaceOf(setting.definition)
  if (id.startsWith('wrapped') && max !== undefined) {
    const beyond = to.fits - from.fits - leftIn(i, from, to)
    if (beyond * 10 > to.held[i]! - from.held[i]!) return -Infinity
    // Even numbers wrap round as often as the type has it; others have to be of two kinds.
    return fair
      ? flat + wrapsOf(setting, id, max) * (to.held[i]! - from.held[i]!)
      : flat - apart(hits, to.fits - from.fits)
  }
  // What is left of a wide value fits where values have several widths: how many do not must be said.
  if ((lost !== undefined || kept !== undefined) && space.widths.length > 1) {
    const fits = to.fits - from.fits
    const every = kept === undefined ? allLeft(i, from, to) : contrary === 0
    const missing = every ? widestMissing(space, process, fits) * UNIT : 0
    return (
      flat +
      (fair ? more(space, id, i, from, to) : 0) +
      missing -
      apart(hits, fits) +
      tooOften(setting.all, from, to)
    )
  }
  // Where few could be, which of all values were worked out must be said as well.
  if (id === 'arithmetic' && !setting.goesOn) return flat - apart(hits, to.fits - from.fits)
  if (!fair) return flat
  const narrow = id === 'octal' ? Math.round(Math.log2(1.25) * (widestNumber(space) - 1) * UNIT) : 0
  return flat + more(space, id, i, from, to) + narrow * (to.short - from.short)
}

/** Values that fit and that a process would have changed, where others say nothing of it. */
export function against(i: number, from: Sums | undefined, to: Sums): number {
  const hits = to.hits[i]! - (from?.hits[i] ?? 0)
  return (hits * (IN - OUT) - to.scores[i]! + (from?.scores[i] ?? 0)) / -OUT
}

/** Every value that fits may be what a process left, and some do. */
export function allLeft(i: number, from: Sums, to: Sums): boolean {
  const left = leftIn(i, from, to)
  return left > 0 && left === to.fits - from.fits
}

/** Values that fit and may be what a process left that leaves none as a rule. */
export function leftIn(i: number, from: Sums | undefined, to: Sums): number {
  const hits = to.hits[i]! - (from?.hits[i] ?? 0)
  return (to.scores[i]! - (from?.scores[i] ?? 0) - hits * (IN - OUT)) / -OUT
}

// More values are too short than can have lost a zero at the front: as many as start with one elsewhere, or are short there.
function tooOften(all: Sums, from: Sums, to: Sums): number {
  const short = to.short - from.short
  const fits = to.fits - from.fits
  const others = all.fits - fits + all.short - short
  // A list that is sorted begins or ends with those that start with a zero, and most of the short ones are not here alone.
  const inside = isBetween(from, to, all) && 2 * short > all.short
  if (others < FEW_OTHERS || !inside) return 0
  const usual = (all.zeros - (to.zeros - from.zeros) + all.short - short + 1) / (others + 2)
  const here = short / (short + fits)
  if (here <= usual) return 0
  const left = fits > 0 ? fits * Math.log2((1 - here) / (1 - usual)) : 0
  return (short * Math.log2(here / usual) + left) * UNIT
}

/** Values that fit stand on both sides of some rows. */
export const isBetween = (from: Sums, to: Sums, all: Sums): boolean =>
  Math.min(from.fits, all.fits - to.fits) >= FEW_BESIDE

/** Fewer rows do not tell how many values are short, or lie below a limit. */
export const FEW_OTHERS = 100
/** So many lie on each side. */
const FEW_BESIDE = 20

// What it takes to say which of all rows are of one kind and which are of the other.
function apart(some: number, others: number): number {
  const all = some + others
  const part = (count: number) => (count === 0 ? 0 : count * Math.log2(all / count))
  return (part(some) + part(others)) * UNIT
}

// Most of what does not fit stands in a printed form, or has marks around it.
export const isPrinted = (from: Sums, to: Sums): boolean =>
  (to.formed - from.formed) * 2 > to.misfits - from.misfits

// Values that fit, among others that stand in printed forms, were not printed with them; but a reader of
// octal digits leaves 0891 as it is, and a reader of numbers what is none, unless it stops there.
function passedBy(process: Process, i: number, from: Sums, to: Sums): boolean {
  // What a rounding printed shows in the values that fit: they count for themselves.
  if (process.rounds) return false
  return isPrinted(from, to) && passed(process, from, to) * 10 > to.hits[i]! - from.hits[i]!
}

// Values that a process would have printed as well. What stands behind marks was, maybe.
function passed({ id, ofDigits }: Process, from: Sums, to: Sums): number {
  const zeros = id === 'octal' ? to.zeros - from.zeros : 0
  const spelt = ofDigits && id !== STOPS ? to.spelt - from.spelt : 0
  return Math.max(0, to.fits - from.fits - (to.marked - from.marked) - zeros - spelt)
}

// What it adds that many originals come out as one value. A long number that ends in zeros was not shortened where
// its neighbours stand with all their digits.
function more(space: Space, id: string, i: number, from: Sums, to: Sums): number {
  const extra = to.extra[i]! - from.extra[i]!
  if (id !== 'short-display') return extra
  const all = usualDigits(from.plain, to.plain)
  const dropped = fewerDigits(from.ending, to.ending, all, all)
  return extra - fewerShown(space, from, to) - dropped
}

/** The same of those that stand with an exponent, of which most show all digits or do not. */
export function fewerShown(space: Space, from: Sums, to: Sums): number {
  // Where the exponent is only shorter all digits are there.
  if (exponentWhereShorter(from, to))
    return fewerDigits(from.digits, to.digits, widestNumber(space), widestNumber(space))
  const usual = usualDigits(from.digits, to.digits)
  const shown = to.digits.reduce((sum, count, k) => sum + count - from.digits[k]!, 0)
  const isComplete = (to.complete - from.complete) * 2 > shown
  return fewerDigits(from.digits, to.digits, usual, isComplete ? usual : widestNumber(space))
}

// Zeros at the end of a coefficient may be dropped: such a value was shortened to as many digits as its
// neighbours, and not to fewer. What its originals, of so many digits, were counted for is too much by so many bits.
function fewerDigits(
  from: readonly number[],
  to: readonly number[],
  usual: number,
  width: number,
): number {
  // Both halves between two printed numbers were counted for each of them.
  const counted = (digits: number) =>
    digits < width ? Math.min(MOST, Math.log2(10 ** (width - digits) + 1) * UNIT) : 0
  return to.reduce(
    (sum, count, k) => (k < usual ? sum + (count - from[k]!) * (counted(k) - counted(usual)) : sum),
    0,
  )
}

// The same for a process that was at work in some runs.
export function runwise(
  setting: Setting,
  process: Process,
  i: number,
  runs: readonly Run<Sums>[],
  all: Sums,
  fair: boolean,
): number {
  let sum = OUT * all.misfits
  let some = false
  for (const { from, to, score } of runs) {
    if (passedBy(process, i, from.known, to.known)) continue
    some = true
    sum += score - RUN_BITS * UNIT - OUT * (to.known.misfits - from.known.misfits)
    if (!fair) continue
    const { id, max } = process
    sum +=
      id.startsWith('wrapped') && max !== undefined
        ? wrapsOf(setting, id, max) * (to.known.held[i]! - from.known.held[i]!)
        : more(spaceOf(setting.definition), id, i, from.known, to.known)
  }
  return some ? sum : -Infinity
}

// How many values wrap round to one, in 1/256 bit. Where clean ones lie beyond the limit, but not everywhere, those of the
// others do as well.
function wrapsOf({ definition, goesOn, largest }: Setting, id: string, max: bigint): number {
  const space = spaceOf(definition)
  const modulus = (max + 1n) * (id.includes('uint') ? 1n : 2n)
  const { integers, fronts } = space
  const behind = goesOn ? fronts : undefined
  const share = behind?.share(0n, 10n ** BigInt(behind.widest) - 1n) ?? 0
  const inFront = share > 0 ? BigInt(Math.round(share / shareOfOne(space))) : 0n
  const bare =
    largest !== undefined && largest > max ? space.count(0n, largest).count : integers.count
  return Math.max(0, bits(((bare + inFront) * 4096n) / modulus) - 12 * UNIT)
}

/**
 * What it takes away from a run of numbers that wrapped, in bits, that others lie below the limit as they are: what each
 * says of it that fits is no more than how seldom others do.
 */
export function belowAnyway(
  setting: Setting,
  { id, max }: Process,
  i: number,
  from: Sums,
  to: Sums,
  all: Sums,
): number {
  if (max === undefined) return 0
  const { inside, said } = belowHere(i, from, to, all)
  return Math.max(0, (inside * wrapsOf(setting, id, max)) / UNIT - said)
}

/** Bits that it says for values that wrapped, and fit, that all of them lie below the limit and others hardly do. */
export function belowOnlyHere({ id }: Process, i: number, from: Sums, to: Sums, all: Sums): number {
  const { inside, said } = belowHere(i, from, to, all)
  const tells = id.startsWith('wrapped') && !areSorted(from, to)
  return tells && inside === to.fits - from.fits ? said : 0
}

// How many that fit lie below the limit, and how many bits it says that all of them do, since others do so seldom.
function belowHere(i: number, from: Sums, to: Sums, all: Sums) {
  const inside = leftIn(i, from, to)
  const others = all.fits - all.zeros - (to.fits - from.fits - (to.zeros - from.zeros))
  const below = leftIn(i, undefined, all) - inside
  return { inside, said: allOfOneKind(inside, below, Math.max(0, others - below)) }
}

// The same for a process that was at work here and there: each value that it explains was met as often
// as it strikes, each that fits as often as it does not.
export function scattered(
  setting: Setting,
  process: Process,
  i: number,
  from: Sums,
  to: Sums,
  fair: boolean,
): number {
  const { id, max, kept } = process
  const hits = to.hits[i]! - from.hits[i]!
  const fits = to.fits - from.fits
  const misfits = to.misfits - from.misfits
  if (hits === 0) return OUT * misfits
  const rate = hits / (fits + misfits + 1)
  // That so many values are shown to be damaged sets the rate; what speaks for a process is which ones.
  // A printed form or a mark shows by itself.
  const formed = isPrinted(from, to)
  // More than it ever shows can not be its doing alone.
  const seldom = Math.max(rate, shows(setting.definition, process))
  const usual = formed ? 0 : -Math.log2(seldom)
  // Values that kept their zeros say how often they were lost.
  const strike = hits / (hits + to.zeros - from.zeros)
  const reads = losesZeros(process)
  const seen = reads ? Math.min(usual, Math.log2(strike / rate)) : usual
  // Hardly one that was rounded lost so many zeros besides.
  const showing = seen * UNIT * (process.rounds ? Math.max(0, hits - (to.tiny - from.tiny)) : hits)
  const many =
    id.startsWith('wrapped') && max !== undefined
      ? wrapsOf(setting, id, max) * hits
      : more(spaceOf(setting.definition), id, i, from, to)
  // A field that is too narrow cuts all values that go through it.
  const seldomThere = kept === undefined ? 0 : OTHER_KIND.scattered * UNIT
  return (
    (IN + Math.log2(rate) * UNIT) * hits -
    seldomThere +
    OUT * (misfits - hits) +
    Math.log2(1 - rate) * UNIT * fits +
    (fair ? many + showing : reads ? showing : 0)
  )
}

// What it changes does not fit any more where a zero was at the front, and mostly there only: rounded values fit.
const losesZeros = ({ id, rounds, leaves }: Process) =>
  id === 'number-read' || id === 'front' || rounds === true || leaves !== undefined

// The share of values that a process changes so that they do not fit any more.
function shows(definition: Definition, process: Process): number {
  const { id, max } = process
  const space = spaceOf(definition)
  const all = space.integers.count
  if (all === 0n) return 1
  const below = 10n ** BigInt(Math.max(0, space.widest - 1)) - 1n
  const share = (part: bigint, whole: bigint) =>
    Math.min(1, Math.max(0.001, Number((part * 4096n) / whole) / 4096))
  const zeros = share(space.count(0n, below).count, all)
  if (losesZeros(process) || id.startsWith('octal')) return zeros
  if (max === undefined) return 1
  if (id.startsWith('clamped')) return share(space.count(max + 1n, 10n ** 60n).count, all)
  const short = share(below < max ? below : max, max)
  return id.includes('uint') ? short : (1 + short) / 2
}
