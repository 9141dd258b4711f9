// With how many digits numbers stand, told from how many stand with each.

import { MOST_DIGITS, type Sums } from '../evidence/sums.js'
import { beyondChance } from './rounded-among.js'

/** Fewer numbers tell nothing of the others. */
const FEW_SHOWN = 3

/** The most digits that one in twenty stands with; -1 where none does. */
export function usualDigits(from: readonly number[], to: readonly number[], least = 0): number {
  const counts = to.map((count, k) => count - from[k]!)
  const all = counts.reduce((sum, count) => sum + count, 0)
  return counts.findLastIndex((count) => count >= least && count > 0 && count * 20 >= all)
}

/** Digits that most numbers stand with before an exponent, so that others lack zeros at the end; 0 where too few tell it. */
export function mostShown(from: readonly number[], to: readonly number[]): number {
  const counts = to.map((count, k) => count - from[k]!)
  const all = counts.reduce((sum, count) => sum + count, 0)
  return Math.max(
    0,
    counts.findIndex((count) => count >= FEW_SHOWN && count * 2 > all),
  )
}

/**
 * Bits that numbers which show so many of their digits, or fewer, were shortened to them, where others show more: hardly so
 * many of those have zeros in the place of the rest.
 */
export function shortenedTo(from: Sums, to: Sums, shown: number): number {
  const more = to.digits.map((count, k) => (k > shown ? count - from.digits[k]! : 0))
  const usual = usualDigits(NONE, more)
  if (usual < 0) return 0
  const fewer = usual - shown
  const sum = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0)
  const some = sum(to.partial.slice(0, shown + 1)) - sum(from.partial.slice(0, shown + 1))
  // Zeros behind, or in front, or both; twice as often, as some show a digit less anyway.
  const chance = Math.min(1, (2 * (fewer + 1)) / 10 ** fewer)
  return beyondChance(some, some + sum(more), chance)
}

const NONE: readonly number[] = Array<number>(MOST_DIGITS + 1).fill(0)
