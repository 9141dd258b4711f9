// A list that is sorted has its small numbers together, and others like them go on beside these: nothing wrapped round there,
// and that all lack as many digits is no sign of a cut.

import { remembered } from '../../identifier/remembered.js'
import type { ShortValues } from './short-values.js'

interface Rows {
  readonly from: number
  /** Not one of them. */
  readonly to: number
}

/** Values that are looked at on either side. */
const BESIDE = 4
/** Fewer on both sides go on by chance, and of fewer in all it is chance how they follow each other. */
const FEW_BESIDE = 3
const FEW_ROWS = 8
/** Rows for each of them, at the most. */
const CLOSE = 1.25
/** One in so many may stand elsewhere. */
const SELDOM = 20

// As close as they are to each other.
function comesUpTo(least: bigint | undefined, values: readonly bigint[]): boolean {
  const [low, high] = [values[0]!, values.at(-1)!].sort((a, b) => (a < b ? -1 : 1))
  const step = (high! - low!) / BigInt(values.length - 1) + 1n
  return least !== undefined && least > high! && least - high! <= step * BigInt(BESIDE)
}

// All runs of a column ask for the same.
const byRow = remembered((shorts: ShortValues) =>
  shorts
    .flatMap(({ digits, rows }) => rows.map((row) => ({ row, digits })))
    .sort((a, b) => a.row - b.row),
)

/** Processes that would have left others than those that go on. */
export const breaksOrder = (process: string): boolean => /^(?:wrapped|cut-short)/.test(process)

/**
 * The short values of some rows are in order and stand close together, and the next ones before or behind them go on in it, or
 * those that are complete do.
 *
 * @param count how many values of these rows are short, or start with a zero
 * @param least the smallest value that is complete
 */
export function goOnInOrder(
  shorts: ShortValues,
  { from, to }: Rows,
  count: number,
  least: bigint | undefined,
): boolean {
  const all = byRow(shorts)
  const first = all.filter(({ row }) => row < from).length
  const last = all.filter(({ row }) => row < to).length
  const start = Math.max(0, first - BESIDE)
  const near = all.slice(start, last + BESIDE)
  if (last === first || new Set(near.map(({ digits }) => digits)).size < FEW_ROWS) return false
  // What kept its zeros was not read as a number.
  if (near.some(({ digits }) => /^0./.test(digits))) return false
  // Between those that wrapped round, here and there, stand large ones.
  if (all[last - 1]!.row - all[first]!.row > count * CLOSE) return false
  const values = near.map(({ digits }) => BigInt(digits))
  const beside = near.length - (last - first)
  if (beside < FEW_BESIDE && !comesUpTo(least, values)) return false
  const [own, next] = [first - start, last - start]
  const goOn = (follows: (a: bigint, b: bigint) => boolean) => {
    const breaks = values.flatMap((value, i) =>
      i > 0 && !follows(values[i - 1]!, value) ? [i] : [],
    )
    // Without the one that stands elsewhere they are in order; a list that starts again from below is not.
    const isOne = (i: number) =>
      [i - 1, i].some(
        (at) => at < 1 || at > values.length - 2 || follows(values[at - 1]!, values[at + 1]!),
      )
    return (
      breaks.length * SELDOM <= values.length &&
      breaks.every((i) => i > own && i < next && isOne(i))
    )
  }
  return goOn((a, b) => a <= b) || goOn((a, b) => a >= b)
}
