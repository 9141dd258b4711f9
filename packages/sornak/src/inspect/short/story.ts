// One way in which digits become too short, told of any population.

import type { Space } from '../../identifier/space.js'
import type { Clean, Population, Range } from './population.js'

/** Rows between the short ones of a run, for each short one. */
export interface RowsBetween {
  /** Values that fit and start with a zero. */
  readonly kept: number
  /** Those of them that have no other digits than 0 to 7. */
  readonly octal: number
  /**
   * Bits that one of the former says which no number was printed from, where all others are printed: as many as it takes
   * to say that it starts with a zero.
   */
  readonly unprinted: number
}

export interface Story {
  /** The share of a population that comes out as this. */
  back(value: bigint, population: Population, digits: string): number
  /** Of that the share that only lost its zeros: it speaks for the process, and not for another original. */
  same?(value: bigint, population: Population): number
  /** The share of a population that comes out short. */
  short(population: Population): number
  /** The share of a population that comes out with a minus in front. */
  negative?(population: Population): number
  /** The only original, or the smallest, for populations that are narrow; undefined where there is none. */
  first(value: bigint): bigint | undefined
  /** It changes what starts with a zero, and nothing else. */
  readonly onlyZeros?: true
  /** Zeros may stand at the front of what it prints. */
  readonly zeros?: true
  /** Populations of its own; of the clean values it is known where they lie. */
  populations?(values: readonly bigint[], clean: Range | undefined): Population[]
  /** Bits that it takes to say it of a few rows, or of a population that the clean values do not show. */
  readonly cost?: number
  /** Bits for it from values that fit, beside lost zeros; `share` of all rows are short. */
  clean?(values: Clean, share: number): number
  /** Bits for the rows between, for each short one: what they say beside the same for all stories. */
  between?(rows: RowsBetween, short: number, population: Population): number
}

/** Originals that are looked at one by one. */
export const FEW_STEPS = 64n
/** Where all rows should be struck, some may have been repaired. */
export const MOST_OFTEN = 0.95

/** Values of digits, all of one width: stories of short values are told of these only. */
export const isPlain = (space: Space): boolean =>
  space.integers.count > 0n &&
  space.layouts.every(
    ({ places }) =>
      places.length === space.widest &&
      places.every(({ chars }) => chars.every((code) => code >= 48 && code <= 57)),
  )

/** The largest number that starts with a zero when it is filled up. */
export const below = (space: Space): bigint => 10n ** BigInt(space.widest - 1) - 1n

/** The share of a population that is this one number. */
export const single = (population: Population, value: bigint | undefined): number =>
  value === undefined ? 0 : population.share(value, value)
