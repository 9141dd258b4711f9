// What a column is watched for, and how evidence for it is counted.

import type { FindingCode } from '../../channel/channel.js'
import { ROW_BITS } from '../ways/weights.js'
import { leadingZero } from './value-bytes.js'

/** Evidence is counted in 1/256 bit. */
export const UNIT = 256
export const OUT: number = -ROW_BITS * UNIT
export const IN: number = ROW_BITS * UNIT
/** One row says no more than this. */
export const MOST: number = 20 * UNIT

export interface Process {
  readonly id: string
  /** What a value that fits says, where `fits` is not asked. */
  readonly usual: 0 | typeof OUT
  /** What this value says, which fits and lies in the bytes from `start` to `end`. */
  readonly fits?: (bytes: Uint8Array, start: number, end: number) => number
  /**
   * What values of digits have in common that have this length, do not start with a zero, and start with these four
   * digits (all of them where there are fewer), and for which `fits` says the same; `front` is not that of one of `turns`.
   * Where it is left out, `fits` says the same for all of them.
   */
  readonly alike?: (length: number, front: number) => Alike
  /** Numbers above which `fits` says another thing than below. */
  readonly turns?: readonly string[]
  /** A reader of numbers, which may refuse what has a letter in it: such a value says nothing of it. */
  readonly ofDigits?: true
  /** What a value that does not fit says, where one that does says less: that it could be what is left, or could not. */
  readonly leaves?: NonNullable<Process['fits']>
  /** The value may be the rounding of another: repeats of it are no evidence. */
  readonly rounds?: true
  /** What it printed, where that is rounder than it has to be: bits that say so, less those that there are by chance. */
  readonly coarser?: NonNullable<Process['fits']>
  /** So many characters are cut. */
  readonly lost?: number
  /** All characters behind so many are cut, where values have several widths. */
  readonly kept?: number
  /** Integer types: the largest value. */
  readonly max?: bigint
  /** What exactly this value says, where that stands for all beyond it and hardly one has it by chance. */
  readonly exactly?: number
  /** What exactly the limit says, where it is held there. */
  readonly limit?: number
  /** Where it prints values up to a limit: from here on they are near it. */
  readonly nearly?: bigint
}

/** Conditions under which values are alike. */
export interface Alike {
  /** The last digit is not zero. */
  readonly lastDigit?: boolean
  /** The value is no multiple of this power of two, of 1 to 8. */
  readonly bits?: number
  /** There are fewer zeros at the end than this. */
  readonly zeros?: number
}

/** Forms in which numbers are printed, and marks: no value that fits stands in them. */
export const FORMS: readonly FindingCode[] = [
  'exponent',
  'decimal-tail',
  'grouped',
  'scaled',
  'stray-mark',
  'hidden-character',
  'foreign-digit',
  'display-stored',
]

/** How many bits it says that so many originals come out as this one. */
export function bits(count: bigint): number {
  if (count <= 1n) return 0
  if (count < 1n << 30n) return Math.min(MOST, Math.round(Math.log2(Number(count)) * UNIT))
  const digits = count.toString(2)
  const head = Number.parseInt(digits.slice(0, 30), 2)
  return Math.min(
    MOST,
    Math.round((Math.log2(head) + digits.length - Math.min(30, digits.length)) * UNIT),
  )
}

/** What a reader of numbers says: no number that is printed starts with a zero. */
export const unlessZero = (bytes: Uint8Array, start: number, end: number): number =>
  leadingZero(bytes, start, end) ? OUT : 0
