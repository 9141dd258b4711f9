// What is counted of rows, one figure for all of them or one for each process: those of a run are the difference between
// the figures up to its end and those up to its start.

import type { RecordPlace } from '../../rows/reader.js'
import { SLIPS } from './slips.js'

/** Figures of the rows up to a place. */
export interface Sums {
  /** Where the row is, or that behind it. */
  readonly place: RecordPlace
  /** Values that fit, and that do not. */
  readonly fits: number
  readonly misfits: number
  /** Values of digits, printed in any form: shorter than they should be, and of full width without zeros at the front. */
  readonly short: number
  readonly wide: number
  /** Values that fit and start with a zero. */
  readonly zeros: number
  /**
   * Values that fit behind one that does, by their first two digits: where these are larger, the same, and smaller. And short ones
   * behind one that starts with no zero; and pairs of a short one and one beside it that fits, and those of them that start alike.
   */
  readonly ups: number
  readonly levels: number
  readonly downs: number
  readonly back: number
  readonly pairs: number
  readonly alike: number
  /** Values that fit and hold other characters than digits. */
  readonly spelt: number
  /** For each process, in 1/256 bit: its evidence beyond what is usual, and what the number of originals adds. */
  readonly scores: readonly number[]
  readonly extra: readonly number[]
  /** Of the short ones, those of at most half the width. */
  readonly tiny: number
  /** Values with a percent sign, and those of them that end as a number does that counts a hundred times as much. */
  readonly percents: number
  readonly hundreds: number
  /** Of those that fit, the ones with marks around them, and those of these that start with a zero. */
  readonly marked: number
  readonly markedZeros: number
  /** Numbers with decimals that are not zeros, which only hundredths explain. */
  readonly fractions: number
  /** Digits that do not fit and start with a zero, as no number is printed. */
  readonly padded: number
  /** Digits with a minus in front. */
  readonly belowZero: number
  /** Values that no process explains. */
  readonly unexplained: number
  /** Values that do not fit and stand in a printed form: with a tail, an exponent, a grouping. */
  readonly formed: number
  /** For each process, values that do not fit and that it explains. */
  readonly hits: readonly number[]
  /** Values that do not fit and that only lost zeros, maybe; for each process, those of them that it explains too. */
  readonly reads: number
  readonly readsToo: readonly number[]
  /** What the number of originals of these adds. */
  readonly readsExtra: readonly number[]
  /** How many values are printed with an exponent and so many digits. */
  readonly digits: readonly number[]
  /** How many of these show all digits of their number; and of the others, how many show so many. */
  readonly complete: number
  readonly partial: readonly number[]
  /** How many long numbers stand without an exponent, in any other form, all their digits counted or those before a row of zeros. */
  readonly plain: readonly number[]
  /** Those of them that end in a row of zeros, as a shortened one does. */
  readonly ending: readonly number[]
  /**
   * For each process that rounds, values that fit and it could have printed: how many new ones, those that go on from the
   * last counted twice; and what those that repeat it would say if others did not, in 1/256 bit.
   */
  readonly fresh: readonly number[]
  readonly again: readonly number[]
  /** By how much such values are rounder than the rounding leaves them on the average, in 1/256 bit. */
  readonly coarser: readonly number[]
  /** Values that may be slips in typing, by kind; and those of them that a process explains too: all of the first kind first. */
  readonly slips: readonly number[]
  readonly slipsToo: readonly number[]
  /** For each process, values that an integer type holds, and those near its limit. */
  readonly held: readonly number[]
  readonly near: readonly number[]
}

/** Figures that rows are still added to. */
export type Tally = {
  -readonly [K in keyof Sums]: Sums[K] extends readonly number[] ? number[] : Writable<Sums[K]>
}
type Writable<T> = { -readonly [K in keyof T]: T[K] }

/** Of no rows. */
export function noSums(processes: number): Sums {
  const ofEach = Array<number>(processes).fill(0)
  const byDigits = Array<number>(MOST_DIGITS + 1).fill(0)
  return {
    place: { index: 0, line: 0, offset: 0 },
    fits: 0,
    misfits: 0,
    short: 0,
    wide: 0,
    zeros: 0,
    ups: 0,
    levels: 0,
    downs: 0,
    back: 0,
    pairs: 0,
    alike: 0,
    spelt: 0,
    tiny: 0,
    percents: 0,
    hundreds: 0,
    marked: 0,
    markedZeros: 0,
    fractions: 0,
    padded: 0,
    belowZero: 0,
    unexplained: 0,
    formed: 0,
    complete: 0,
    reads: 0,
    scores: ofEach,
    extra: ofEach,
    hits: ofEach,
    readsToo: ofEach,
    readsExtra: ofEach,
    fresh: ofEach,
    again: ofEach,
    coarser: ofEach,
    held: ofEach,
    near: ofEach,
    slips: SLIPS.map(() => 0),
    slipsToo: SLIPS.flatMap(() => ofEach),
    digits: byDigits,
    partial: byDigits,
    plain: byDigits,
    ending: byDigits,
  }
}

/** Numbers of more digits count as if they had so many. */
export const MOST_DIGITS = 24

/** The same figures, apart from those that are counted on. */
export function copyOf(sums: Sums): Tally {
  return {
    place: { ...sums.place },
    fits: sums.fits,
    misfits: sums.misfits,
    short: sums.short,
    wide: sums.wide,
    zeros: sums.zeros,
    ups: sums.ups,
    levels: sums.levels,
    downs: sums.downs,
    back: sums.back,
    pairs: sums.pairs,
    alike: sums.alike,
    spelt: sums.spelt,
    tiny: sums.tiny,
    percents: sums.percents,
    hundreds: sums.hundreds,
    marked: sums.marked,
    markedZeros: sums.markedZeros,
    fractions: sums.fractions,
    padded: sums.padded,
    belowZero: sums.belowZero,
    unexplained: sums.unexplained,
    formed: sums.formed,
    complete: sums.complete,
    reads: sums.reads,
    scores: [...sums.scores],
    extra: [...sums.extra],
    hits: [...sums.hits],
    readsToo: [...sums.readsToo],
    readsExtra: [...sums.readsExtra],
    fresh: [...sums.fresh],
    again: [...sums.again],
    coarser: [...sums.coarser],
    held: [...sums.held],
    near: [...sums.near],
    slips: [...sums.slips],
    slipsToo: [...sums.slipsToo],
    digits: [...sums.digits],
    partial: [...sums.partial],
    plain: [...sums.plain],
    ending: [...sums.ending],
  }
}

/** Those of two parts. */
export const added = (a: Sums, b: Sums): Sums => paired(a, b, b.place, (one, other) => one + other)

/** Those of the rows up to one place that are not among the rows up to another. */
export const without = (a: Sums, b: Sums): Sums =>
  paired(a, b, a.place, (one, other) => one - other)

function paired(
  a: Sums,
  b: Sums,
  place: RecordPlace,
  of: (one: number, other: number) => number,
): Sums {
  const each = (a: readonly number[], b: readonly number[]) => a.map((one, i) => of(one, b[i]!))
  return {
    place,
    fits: of(a.fits, b.fits),
    misfits: of(a.misfits, b.misfits),
    short: of(a.short, b.short),
    wide: of(a.wide, b.wide),
    zeros: of(a.zeros, b.zeros),
    ups: of(a.ups, b.ups),
    levels: of(a.levels, b.levels),
    downs: of(a.downs, b.downs),
    back: of(a.back, b.back),
    pairs: of(a.pairs, b.pairs),
    alike: of(a.alike, b.alike),
    spelt: of(a.spelt, b.spelt),
    formed: of(a.formed, b.formed),
    complete: of(a.complete, b.complete),
    fractions: of(a.fractions, b.fractions),
    padded: of(a.padded, b.padded),
    belowZero: of(a.belowZero, b.belowZero),
    unexplained: of(a.unexplained, b.unexplained),
    tiny: of(a.tiny, b.tiny),
    percents: of(a.percents, b.percents),
    hundreds: of(a.hundreds, b.hundreds),
    marked: of(a.marked, b.marked),
    markedZeros: of(a.markedZeros, b.markedZeros),
    scores: each(a.scores, b.scores),
    extra: each(a.extra, b.extra),
    hits: each(a.hits, b.hits),
    reads: of(a.reads, b.reads),
    readsToo: each(a.readsToo, b.readsToo),
    readsExtra: each(a.readsExtra, b.readsExtra),
    digits: each(a.digits, b.digits),
    partial: each(a.partial, b.partial),
    plain: each(a.plain, b.plain),
    ending: each(a.ending, b.ending),
    fresh: each(a.fresh, b.fresh),
    again: each(a.again, b.again),
    coarser: each(a.coarser, b.coarser),
    held: each(a.held, b.held),
    near: each(a.near, b.near),
    slips: each(a.slips, b.slips),
    slipsToo: each(a.slipsToo, b.slipsToo),
  }
}

export const sumOf = (a: readonly number[], b: readonly number[]): number[] =>
  a.map((one, i) => one + b[i]!)
