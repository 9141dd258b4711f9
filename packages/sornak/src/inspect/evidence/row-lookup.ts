// In which runs a row lies, found without looking at all of them.

/** Rows from one to another, both included. */
interface Rows {
  readonly from: { readonly index: number }
  readonly to: { readonly index: number }
}

/** The runs in which a row lies, the widest first; those of one list are apart and in order. */
export function coveringRuns<Run extends Rows>(
  lists: readonly (readonly Run[])[],
): (row: number) => Run[] {
  const width = ({ from, to }: Run) => to.index - from.index
  return (row) =>
    lists
      .flatMap((list) => {
        const run = list[firstWhere(list.length, (i) => list[i]!.from.index > row) - 1]
        return run && row <= run.to.index ? [run] : []
      })
      .sort((a, b) => width(b) - width(a))
}

/** Of places in order, the first for which this holds, as it does for all behind it. */
export function firstWhere(length: number, holds: (at: number) => boolean): number {
  let low = 0
  for (let high = length; low < high;) {
    const middle = (low + high) >> 1
    if (holds(middle)) high = middle
    else low = middle + 1
  }
  return low
}

/** What is the same for all rows between two edges is worked out once. */
export function betweenEdges<T>(
  edges: readonly number[],
  of: (row: number) => T,
): (row: number) => T {
  const sorted = [...new Set(edges)].sort((a, b) => a - b)
  const known: (T | undefined)[] = []
  let [at, from, to] = [0, 0, -1]
  return (row) => {
    if (row < from || row >= to) {
      at = firstWhere(sorted.length, (i) => sorted[i]! > row)
      from = sorted[at - 1] ?? 0
      to = sorted[at] ?? Infinity
    }
    return (known[at] ??= of(row))
  }
}
