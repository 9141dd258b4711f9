// What is known of the rows of a column, as a value that can be stored, and joined to what is known of the rows behind them.

import type { RecordPlace } from '../rows/reader.js'
import { joined, type Mark, type RunState } from './run-state.js'
import type { Clean } from './short/population.js'
import { joinedHeads } from './short/heads.js'
import { joinedShorts, type ShortValues } from './short/short-values.js'

/** Figures that stand in sums over rows; those of a run are the difference of two places. */
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
  /** Digits that do not fit and start with a zero, as no number is printed. */
  readonly padded: number
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
  /** How many long numbers stand without an exponent, all their digits counted or those before a row of zeros. */
  readonly plain: readonly number[]
  /** Those of them that end in a row of zeros, as a shortened one does. */
  readonly ending: readonly number[]
  /**
   * For each process that rounds, values that fit and it could have printed: how many new ones, those that go on from the
   * last counted twice; and what those that repeat it would say if others did not, in 1/256 bit.
   */
  readonly fresh: readonly number[]
  readonly again: readonly number[]
  /** For each process, values that an integer type holds, and those near its limit. */
  readonly held: readonly number[]
  readonly near: readonly number[]
}

export type Place = Mark<Sums>

/** All that is known of some rows; a plain value that can be stored and joined. */
export interface EvidenceState {
  /**
   * The first value: whether it repeats what stands before it can be told only when that is known.
   * It is not in the figures.
   */
  readonly first: Row | undefined
  readonly rows: number
  readonly sums: Sums
  readonly runs: readonly RunState<Sums>[]
  /** How many values that fit start with each two digits, `00` to `99`. */
  readonly starts: readonly number[]
  /** The same of numbers of full width that stand in another form, or with marks around them. */
  readonly formedStarts: readonly number[]
  /** Where they lie. */
  readonly clean: Clean
  /** Digits that are too short. */
  readonly shorts: ShortValues
  /** For each process that rounds: how many values that fit it could have printed, and how many it would not change. */
  readonly could: readonly number[]
  readonly untouched: readonly number[]
  /** For each process: how many values that fit are exactly the limit of its type, as hardly one is by chance. */
  readonly atLimit: readonly number[]
  /** Values that fit and no rounding could have printed, and those of them that repeat the last value. */
  readonly others: number
  readonly repeats: number
  /** The last value where it fits, and where it does not. */
  readonly last: string
  readonly lastMisfit: string
}

export interface Row {
  readonly kind: 'fits' | 'misfit'
  readonly text: string
  readonly place: RecordPlace
}

/** What two parts say, where the second has no first value of its own any more. */
export function behind(a: EvidenceState, b: EvidenceState): EvidenceState {
  const move = ({ row, known }: Place): Place => ({
    row: row + a.rows,
    known: added(a.sums, known),
  })
  return {
    first: a.first,
    rows: a.rows + b.rows,
    sums: added(a.sums, b.sums),
    runs: a.runs.map((run, i) => joined(run, b.runs[i]!, move)),
    starts: sumOf(a.starts, b.starts),
    formedStarts: sumOf(a.formedStarts, b.formedStarts),
    clean: joinedClean(a.clean, b.clean),
    shorts: joinedShorts(a.shorts, b.shorts, a.rows),
    could: sumOf(a.could, b.could),
    untouched: sumOf(a.untouched, b.untouched),
    atLimit: sumOf(a.atLimit, b.atLimit),
    others: a.others + b.others,
    repeats: a.repeats + b.repeats,
    last: b.rows > 0 || b.last ? b.last : a.last,
    lastMisfit: b.rows > 0 || b.lastMisfit ? b.lastMisfit : a.lastMisfit,
  }
}

const joinedClean = (a: Clean, b: Clean): Clean => ({
  fronts: sumOf(a.fronts, b.fronts),
  least: !b.least || (a.least && a.least < b.least) ? a.least : b.least,
  most: a.most > b.most ? a.most : b.most,
  heads: joinedHeads(a.heads, b.heads),
})

/** Of no rows, what is counted for all processes together. */
export const NOTHING = {
  fits: 0,
  misfits: 0,
  short: 0,
  wide: 0,
  zeros: 0,
  spelt: 0,
  formed: 0,
  padded: 0,
  tiny: 0,
  percents: 0,
  hundreds: 0,
  reads: 0,
  place: { index: 0, line: 0, offset: 0 },
}

const sumOf = (a: readonly number[], b: readonly number[]) => a.map((one, i) => one + b[i]!)

function added(a: Sums, b: Sums): Sums {
  return {
    place: b.place,
    fits: a.fits + b.fits,
    misfits: a.misfits + b.misfits,
    short: a.short + b.short,
    wide: a.wide + b.wide,
    zeros: a.zeros + b.zeros,
    spelt: a.spelt + b.spelt,
    formed: a.formed + b.formed,
    padded: a.padded + b.padded,
    tiny: a.tiny + b.tiny,
    percents: a.percents + b.percents,
    hundreds: a.hundreds + b.hundreds,
    scores: sumOf(a.scores, b.scores),
    extra: sumOf(a.extra, b.extra),
    hits: sumOf(a.hits, b.hits),
    reads: a.reads + b.reads,
    readsToo: sumOf(a.readsToo, b.readsToo),
    readsExtra: sumOf(a.readsExtra, b.readsExtra),
    digits: sumOf(a.digits, b.digits),
    plain: sumOf(a.plain, b.plain),
    ending: sumOf(a.ending, b.ending),
    fresh: sumOf(a.fresh, b.fresh),
    again: sumOf(a.again, b.again),
    held: sumOf(a.held, b.held),
    near: sumOf(a.near, b.near),
  }
}
