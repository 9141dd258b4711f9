// Numbers that come up to the limit of an integer type, and none beyond it, in a column in which none is complete, or among
// much larger ones: they may have lost their zeros, or wrapped round.

import { WRAPPING_TYPES, type IntegerType } from '../../channel/integer-limits.js'
import type { Space } from '../../identifier/space.js'
import { MEND_ODDS, RUN_BITS, TOGETHER } from '../ways/weights.js'
import { bitsOf } from './chance-of-counts.js'
import type { ShortGroup } from './group.js'
import { totalOf } from './population.js'
import { isPlain } from './story.js'
import { FEW_ROWS_ALIKE, isWhole, ofColumn, ofPart, rowsOf } from './throughout.js'

const PARTS = 10

/** The type in which these may as well have wrapped round, where that keeps them from being mended. */
export function boundOf(space: Space, group: ShortGroup): IntegerType | undefined {
  if (!isPlain(space)) return undefined
  if (!isWhole(space, group)) return liesInEightBits(space, group) ? EIGHT : undefined
  return WRAPPING_TYPES.find(
    (type) => TOGETHER.wrapped * 2 ** bounded(space, group, type, 0) > 1 - MEND_ODDS,
  )
}

const EIGHT = WRAPPING_TYPES.find(({ bits, signed }) => bits === 8 && !signed)!
const EIGHT_MAX = EIGHT.max.toString()

// All lie in 8 bits and come up to the end of them, as hardly another value does, and no list in order ends there.
function liesInEightBits({ widest }: Space, group: ShortGroup): boolean {
  const { values, clean, inOrder } = group
  const before = widest - EIGHT_MAX.length
  const rows = rowsOf(group)
  if (!clean || inOrder || before <= 0 || rows < FEW_ROWS_ALIKE) return false
  const most = values.map(({ digits }) => BigInt(digits)).reduce((a, b) => (a > b ? a : b))
  if (most > EIGHT.max || most * 8n < EIGHT.max * 7n) return false
  // Of the clean ones, those with more zeros than its limit has, or as many and hardly another digit behind them.
  const { fronts } = clean
  const first = 10 * before + Number.parseInt(EIGHT_MAX.charAt(0), 10)
  const others =
    totalOf(fronts.slice(0, 10 * before)) + totalOf(fronts.slice(first + 1, 10 * before + 10))
  const all = totalOf(fronts)
  const chance = (all - others + 1) / (all + 2)
  return rows * -Math.log2(chance) >= RUN_BITS
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
