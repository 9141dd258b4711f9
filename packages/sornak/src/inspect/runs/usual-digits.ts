// With how many digits numbers stand, told from how many stand with each.

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

const NONE: readonly number[] = [0]

/**
 * Bits that numbers which show so many digits, or fewer, were shortened to them, where others show more of theirs: hardly so
 * many of those have zeros in the place of the rest.
 */
export function shortenedTo(from: readonly number[], to: readonly number[], shown: number): number {
  const counts = to.map((count, k) => count - from[k]!)
  const fewer = usualDigits([...NONE, ...from.slice(shown + 1)], [...NONE, ...to.slice(shown + 1)])
  if (fewer < 0) return 0
  const all = counts.reduce((sum, count) => sum + count, 0)
  const some = counts.slice(0, shown + 1).reduce((sum, count) => sum + count, 0)
  // Zeros behind, or in front, or both; twice as often, as some show a digit less anyway.
  return beyondChance(some, all, Math.min(1, (2 * (fewer + 1)) / 10 ** fewer))
}
