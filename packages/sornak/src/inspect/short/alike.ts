// Many short values that all lack as many digits: each may have lost as many zeros, or the field was too narrow for
// them.

import type { Space } from '../../identifier/space.js'
import { MEND_ODDS, ROW_BITS, TOGETHER } from '../ways/weights.js'
import type { ShortGroup } from './group.js'
import { flat, zerosKept } from './population.js'
import { isPlain, single } from './story.js'
import { FEW_ROWS_ALIKE, isWhole, ofColumn, ofPart, rowsOf } from './throughout.js'

/** How many more bits speak for values that were cut rather than lost zeros, beside those that were told. */
export function alike(space: Space, group: ShortGroup, told: number): number {
  if (!areAlike(group)) return 0
  // The ends of numbers have not all one length.
  if (group.printed) return 0
  if (isRare(group) && told > LEAST_RARE) return ofColumn(TOGETHER.cutShort)
  if (!isWhole(space, group)) return ofPart(TOGETHER.cutShort, told)
  if (rowsOf(group) < FEW_ROWS_ALIKE) return 0
  return Math.max(0, throughout(space, group) - told)
}

/** No value fits, and all are of one length: either way the same was taken from every one. */
export const allAlike = (space: Space, group: ShortGroup): boolean =>
  rowsOf(group) >= FEW_ROWS_ALIKE && areAlike(group) && isWhole(space, group)

function areAlike({ values }: ShortGroup): boolean {
  const width = values[0]?.digits.length
  return values.every(({ digits }) => digits.length === width && !/^0./.test(digits))
}

/** So many values that kept their zeros, for each that is too short, say that zeros were lost seldom if at all. */
const KEPT_FOR_EACH = 2
/** As many do where so many are too short: of those that lost zeros one in ten lost more than the others. */
const MANY_ALIKE = 16
/** Fewer bits than this say that the digits suit lost zeros better. */
const LEAST_RARE = -4

// Here and there a value is too short, and most of those that start with a zero have it.
function isRare(group: ShortGroup): boolean {
  const { clean, scattered } = group
  const kept = clean ? zerosKept(clean) : 0
  const rows = rowsOf(group)
  return scattered && kept >= rows * (rows < MANY_ALIKE ? KEPT_FOR_EACH : 1)
}

// Bits for a column that was cut throughout: it needs no other evidence than the width of its values.
function throughout(space: Space, group: ShortGroup): number {
  const { values } = group
  const numbers = values.map(({ digits }) => BigInt(digits))
  return (
    ofColumn(TOGETHER.cutShort) -
    checked(space, numbers, values[0]!.digits.length) -
    close(numbers, rowsOf(group))
  )
}

/** So many digits are missing from every value, and that they were zeros is not sure; 0 where that is not so. */
export function lacking(space: Space, group: ShortGroup): number {
  if (!isPlain(space) || !allAlike(space, group) || group.printed) return 0
  const unsure = TOGETHER.cutShort * 2 ** throughout(space, group) > 1 - MEND_ODDS
  return unsure ? space.widest - group.values[0]!.digits.length : 0
}

// Where a check digit is right with zeros in front, of values that nobody chose, zeros were there.
function checked(space: Space, numbers: readonly bigint[], width: number): number {
  const all = flat(space)
  const starting = (first: bigint) => all.share(first, first * 10n - 1n)
  const unit = 10n ** BigInt(space.widest - width)
  const zeros = starting(10n ** BigInt(width - 1))
  const others = starting(10n ** BigInt(space.widest - 1))
  if (others === 0) return Infinity
  if (zeros === 0) return 0
  return numbers.reduce((sum, value) => {
    const cut = all.share(value * unit, (value + 1n) * unit - 1n) / others
    const own = single(all, value) / zeros
    // One value that somebody mistyped says little of the others.
    const bits = own === cut ? 0 : Math.log2(own / cut)
    return sum + Math.max(-ROW_BITS, Math.min(ROW_BITS, bits))
  }, 0)
}

// Values that lie close together, no two of them alike, were not cut at the end: that would have made many alike.
function close(numbers: readonly bigint[], rows: number): number {
  if (numbers.length < rows) return 0
  const sorted = [...numbers].sort((a, b) => (a < b ? -1 : 1))
  const room = Number(sorted.at(-1)! - sorted[0]! + 1n)
  const pairs = (rows * (rows - 1)) / 2
  return (pairs / room) * Math.LOG2E
}
