// Numbers that come up to the limit of an integer type, and none beyond it, in a column in which none is complete:
// they may have lost their zeros, or wrapped round.

import { WRAPPING_TYPES, type IntegerType } from '../../channel/integer-limits.js'
import type { Space } from '../../identifier/space.js'
import { MEND_ODDS, TOGETHER } from '../ways/weights.js'
import { bitsOf } from './chance-of-counts.js'
import type { ShortGroup } from './group.js'
import { isPlain } from './story.js'
import { FEW_ROWS_ALIKE, isWhole, ofColumn, ofPart, rowsOf } from './throughout.js'

const PARTS = 10

/** The type in which these may as well have wrapped round, where that keeps them from being mended. */
export function boundOf(space: Space, group: ShortGroup): IntegerType | undefined {
  if (!isPlain(space) || !isWhole(space, group)) return undefined
  return WRAPPING_TYPES.find(
    (type) => TOGETHER.wrapped * 2 ** bounded(space, group, type, 0) > 1 - MEND_ODDS,
  )
}

/** How many more bits speak for values that wrapped rather than lost zeros, beside those that were told. */
export function bounded(
  space: Space,
  group: ShortGroup,
  { max, signed }: IntegerType,
  told: number,
): number {
  if (!isWhole(space, group)) return ofPart(TOGETHER.wrapped, told)
  if (signed || rowsOf(group) < FEW_ROWS_ALIKE) return 0
  const numbers = group.values.map(({ digits }) => BigInt(digits))
  const most = numbers.reduce((a, b) => (a > b ? a : b))
  if (most > max || most * 2n <= max) return 0
  return Math.max(0, ofColumn(TOGETHER.wrapped) - issued(numbers, most, max) - told)
}

// Bits for numbers issued so far, up to one that is not the limit: as many in each part of the way, but for chance.
function issued(numbers: readonly bigint[], most: bigint, max: bigint): number {
  const counts = Array<number>(PARTS).fill(0)
  for (const number of numbers) counts[Number((number * BigInt(PARTS)) / (most + 1n))]!++
  const even = numbers.length * -Math.log2(PARTS) - bitsOf(counts, PARTS)
  const beyond = numbers.length * Math.log2(Number(max) / Number(most)) - Math.log2(Number(most))
  return Math.max(0, beyond + Math.min(0, even))
}
