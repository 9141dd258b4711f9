// What clean values start with, to four digits: identifiers are issued in blocks, and what starts like none of them is
// hardly one of theirs.

/** How many values start with each few digits, in order of these. */
export type Heads = readonly (readonly [head: number, count: number])[]

export const HEAD_DIGITS = 4

/** The share of a population that lies in an interval: 0 to 1. */
type Share = (low: bigint, high: bigint) => number

export const joinedHeads = (a: Heads, b: Heads): Heads => {
  if (a.length === 0 || b.length === 0) return a.length ? a : b
  const counts = new Map(a)
  for (const [head, count] of b) counts.set(head, (counts.get(head) ?? 0) + count)
  return [...counts].sort(([one], [other]) => one - other)
}

/**
 * A population that starts as these values do, so often as they come again; else it is as another one.
 * @param widest characters of a value
 */
export function startingAs(heads: Heads, widest: number, other: Share): Share {
  const rows = heads.reduce((sum, [, count]) => sum + count, 0)
  // What was new so often will be so again (Witten and Bell).
  const known = rows / (rows + heads.length)
  const unit = 10n ** BigInt(widest - HEAD_DIGITS)
  const counts = new Map(heads)
  const before = sumsOf(heads)
  // How much of them lies below a number.
  const below = (value: bigint): number => {
    const head = Number(value / unit)
    const part = Number(value % unit) / Number(unit)
    return (before(head) + part * (counts.get(head) ?? 0)) / rows
  }
  const end = 10n ** BigInt(widest)
  return (low, high) => {
    const rest = (1 - known) * other(low, high)
    // A difference of two sums would be lost in their last digits.
    if (low === high) {
      const own = (counts.get(Number(low / unit)) ?? 0) / rows / Number(unit)
      return rest + known * own
    }
    return rest + known * (below(high + 1n < end ? high + 1n : end) - below(low < 0n ? 0n : low))
  }
}

// How many values start with less than these digits.
function sumsOf(heads: Heads): (head: number) => number {
  const sums = [0]
  for (const [, count] of heads) sums.push(sums.at(-1)! + count)
  return (head) => {
    let [from, to] = [0, heads.length]
    while (from < to) {
      const middle = (from + to) >> 1
      if (heads[middle]![0] < head) from = middle + 1
      else to = middle
    }
    return sums[from]!
  }
}
