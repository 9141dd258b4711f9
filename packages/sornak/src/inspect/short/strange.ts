// Rows that all became far too short, where no other value starts with so many zeros, or where numbers so long were not filled
// up with them: a reader of numbers took those, maybe, or something that nobody knows took other digits.

import type { Space } from '../../identifier/space.js'
import { rowsIn, type ShortGroup } from './group.js'
import { totalOf } from './population.js'
import { FEW_ROWS_ALIKE, isWhole, rowsOf } from './throughout.js'

/** One zero is what the numbers of one office start with, and no others. */
const FEW_ZEROS = 2
/** Where a run begins and ends is not known to the row. */
const NEARLY_ALL = 2 / 3
/** Of fewer other values it is chance how they start; and one in so many may start as these do. */
const FEW_OTHERS = 100

/** Numbers of so many digits were not issued one after the other, and filled up with zeros. */
const MANY_DIGITS = 11
/** A list of numbers that start with so many zeros is not part of one in which none does. */
export const MANY_ZEROS = 4

/**
 * Each of these rows would have lost so many zeros, at the least; 0 where that is as it should be.
 *
 * @param isBetween they lie between others: what stands first or last in a list may start with more zeros than the rest
 * @param wide how many numbers of full width start with none, in whatever form they stand
 */
export function strange(space: Space, group: ShortGroup, isBetween: boolean, wide: number): number {
  const { values, share, clean, between } = group
  if (space.widths.length > 1 || rowsOf(group) < FEW_ROWS_ALIKE) return 0
  const left = Math.max(...values.map(({ digits }) => digits.length))
  const zeros = space.widest - left
  // Where a check digit is right, zeros were there.
  const checked = space.definition.check !== undefined
  const long = left >= MANY_DIGITS && !checked
  // Where all lack one digit, what was cut is known, and asked for elsewhere.
  const areAlike = values.every(({ digits }) => digits.length === left)
  if (long && zeros > 0 && !areAlike && isWhole(space, group)) return zeros
  if (zeros < FEW_ZEROS) return 0
  const others = Math.max(wide, clean ? totalOf(clean.fronts) : 0)
  const alike = clean ? totalOf(clean.fronts.slice(10 * zeros)) : 0
  if (alike * FEW_OTHERS > others) return 0
  if (!checked && others >= FEW_OTHERS && zeros >= MANY_ZEROS) return zeros
  if (long && (isWhole(space, group) || startAnyhow(values, left))) return zeros
  return isBetween && between && share >= NEARLY_ALL && others >= FEW_OTHERS ? zeros : 0
}

/** Of numbers spread evenly one in a million starts with so many zeros. */
const MOST_ZEROS = 6
/** More of them are a list of their own. */
const SELDOM = 20

/**
 * Whether a number of so many digits would have lost far more zeros than any other value starts with, or all but a few.
 *
 * @param group all short values of the column
 */
export function farShort(
  { widths, widest, definition }: Space,
  { values, clean }: ShortGroup,
  wide: number,
): (digits: number) => boolean {
  if (widths.length > 1 || definition.check || !clean) return () => false
  const others = Math.max(wide, totalOf(clean.fronts))
  const alike = totalOf(clean.fronts.slice(10 * MANY_ZEROS))
  const small = values.filter(({ digits }) => digits.length <= widest - MANY_ZEROS)
  const isFew = rowsIn(small) * SELDOM <= others
  const isStrange = others >= FEW_OTHERS && alike * FEW_OTHERS <= others && isFew
  // Where some lack a few zeros others lack a few more.
  const complete = widest - /^0*/.exec(clean.least)![0].length
  const lengths = [...values.map(({ digits }) => digits.length), complete].sort((a, b) => a - b)
  const isAlone = (digits: number) =>
    lengths.reduce((at, one) => (one > at && one - at < MANY_ZEROS ? one : at), digits) < complete
  return (digits) => isStrange && widest - digits >= MOST_ZEROS && isAlone(digits)
}

// Numbers of a few branches, or of a few days, start alike. The first digit of the widest may be that of a limit.
function startAnyhow(values: ShortGroup['values'], width: number): boolean {
  const wide = values.filter(({ digits }) => digits.length >= width - 1)
  const starts = new Set(wide.map(({ digits }) => digits.slice(0, START)))
  return starts.size * 2 >= Math.min(wide.length, 9 * 10 ** (START - 1))
}

const START = 3
