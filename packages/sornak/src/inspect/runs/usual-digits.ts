// With how many digits numbers stand, told from how many stand with each.

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
