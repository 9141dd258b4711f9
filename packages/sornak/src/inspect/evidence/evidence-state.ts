// What is known of the rows of a column, as a value that can be stored, and joined to what is known of the rows behind them.

import type { RecordPlace } from '../../rows/reader.js'
import { joinedHeads } from '../short/heads.js'
import type { Clean } from '../short/population.js'
import { joinedShorts, type ShortValues } from '../short/short-values.js'
import { joinedHands, joinedStanding, type Hand, type Standing } from './hands.js'
import { joinedLettered, type Lettered } from './lettered.js'
import { joinedBlocks, type NarrowBlocks } from './narrow-blocks.js'
import { joined, type Mark, type RunState } from './run-state.js'
import { added, sumOf, type Sums } from './sums.js'
import { joinedEndings, type ZeroEndings } from './zero-endings.js'

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
  /** The same of numbers below zero, without their minus. */
  readonly belowStarts: readonly number[]
  /** Where they lie. */
  readonly clean: Clean
  /** How those stand that do not fit. */
  readonly standing: Standing
  readonly hands: readonly Hand[]
  /** Digits that are too short. */
  readonly shorts: ShortValues
  /** Blocks of values that are no wider than others, where values have several widths. */
  readonly narrow: NarrowBlocks
  /** Numbers one behind the other that end in a zero. */
  readonly endings: ZeroEndings
  /** Those that do not fit and hold letters among their digits. */
  readonly lettered: Lettered
  /** For each process that rounds: how many values that fit it could have printed, and how many it would not change. */
  readonly could: readonly number[]
  readonly untouched: readonly number[]
  /** The same of those that stand behind marks. */
  readonly markedCould: readonly number[]
  readonly markedUntouched: readonly number[]
  /** For each process: how many values that fit are exactly the limit of its type, as hardly one is by chance. */
  readonly atLimit: readonly number[]
  /** Values that fit and no rounding could have printed, and those of them that repeat the last value. */
  readonly others: number
  readonly repeats: number
  /** The last value where it fits, and where it does not. */
  readonly last: string
  readonly lastMisfit: string
  /** The first two digits of the last value where it fits; -1 where they are none. */
  readonly lastStart: number
  /** The same of the last value where it is a short one. */
  readonly lastShort: number
}

export interface Row {
  readonly kind: 'fits' | 'misfit'
  readonly text: string
  readonly place: RecordPlace
}

/** What two parts say, where the second has no first value of its own any more. */
export function behind(a: EvidenceState, b: EvidenceState): EvidenceState {
  // The runs of all processes share their places.
  const places = new Map<Place, Place>()
  const move = (place: Place): Place => {
    let moved = places.get(place)
    if (!moved) {
      moved = { row: place.row + a.rows, known: added(a.sums, place.known) }
      places.set(place, moved)
    }
    return moved
  }
  return {
    first: a.first,
    rows: a.rows + b.rows,
    sums: added(a.sums, b.sums),
    runs: a.runs.map((run, i) => joined(run, b.runs[i]!, move)),
    starts: sumOf(a.starts, b.starts),
    formedStarts: sumOf(a.formedStarts, b.formedStarts),
    belowStarts: sumOf(a.belowStarts, b.belowStarts),
    clean: joinedClean(a.clean, b.clean),
    standing: joinedStanding(a.standing, b.standing),
    hands: joinedHands(a.hands, b.hands, a.rows),
    shorts: joinedShorts(a.shorts, b.shorts, a.rows),
    narrow: joinedBlocks(a.narrow, b.narrow),
    endings: joinedEndings(a.endings, b.endings),
    lettered: joinedLettered(a.lettered, b.lettered),
    could: sumOf(a.could, b.could),
    untouched: sumOf(a.untouched, b.untouched),
    markedCould: sumOf(a.markedCould, b.markedCould),
    markedUntouched: sumOf(a.markedUntouched, b.markedUntouched),
    atLimit: sumOf(a.atLimit, b.atLimit),
    others: a.others + b.others,
    repeats: a.repeats + b.repeats,
    last: b.rows > 0 || b.last ? b.last : a.last,
    lastMisfit: b.rows > 0 || b.lastMisfit ? b.lastMisfit : a.lastMisfit,
    lastStart: b.rows > 0 ? b.lastStart : a.lastStart,
    lastShort: b.rows > 0 ? b.lastShort : a.lastShort,
  }
}

const joinedClean = (a: Clean, b: Clean): Clean => ({
  fronts: sumOf(a.fronts, b.fronts),
  least: !b.least || (a.least && a.least < b.least) ? a.least : b.least,
  most: a.most > b.most ? a.most : b.most,
  heads: joinedHeads(a.heads, b.heads),
})
