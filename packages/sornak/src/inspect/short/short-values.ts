// The digits of a column that are shorter than its values should be, so many of them as memory has room for. Which
// ones are kept depends on the digits alone, so that two parts join into exactly what the whole would have kept.

/** Some of the short values of a column, in the order of their texts. */
export type ShortValues = readonly ShortValue[]

export interface ShortValue {
  readonly digits: string
  /** The first rows in which it stands, in order. */
  readonly rows: readonly number[]
}

/** So many different values are kept, */
const MOST = 1024
/** and so many rows of each: what repeats is hardly new evidence. */
const MOST_ROWS = 16

/** The values of two parts, one behind the other; `rows` before the second. */
export function joinedShorts(a: ShortValues, b: ShortValues, rows: number): ShortValues {
  if (b.length === 0) return a
  const known = collector(a)
  for (const { digits, rows: own } of b) for (const row of own) known.add(digits, row + rows)
  return known.values()
}

export interface ShortCollector {
  add(digits: string, row: number): void
  values(): ShortValues
}

export function collector(from: ShortValues = []): ShortCollector {
  const rowsOf = new Map(from.map(({ digits, rows }) => [digits, [...rows]]))
  // Of all values those with the smallest marks are kept: a choice that has nothing to do with their size.
  let limit = 2 ** 32
  const shrink = () => {
    const marks = [...rowsOf.keys()].map(markOf).sort((a, b) => a - b)
    limit = marks[MOST - 1]!
    for (const digits of rowsOf.keys()) if (markOf(digits) > limit) rowsOf.delete(digits)
  }
  return {
    add(digits, row) {
      const rows = rowsOf.get(digits)
      if (rows) {
        if (rows.length < MOST_ROWS) rows.push(row)
      } else if (markOf(digits) <= limit) {
        rowsOf.set(digits, [row])
        if (rowsOf.size > 2 * MOST) shrink()
      }
    },
    values() {
      if (rowsOf.size > MOST) shrink()
      return [...rowsOf]
        .map(([digits, rows]) => ({ digits, rows: [...rows] }))
        .sort((a, b) => (a.digits < b.digits ? -1 : 1))
    },
  }
}

// A number of 32 bits that looks drawn at random (FNV-1a, its bits mixed once more).
function markOf(digits: string): number {
  let mark = 0x811c9dc5
  for (let i = 0; i < digits.length; i++) mark = Math.imul(mark ^ digits.charCodeAt(i), 0x01000193)
  mark = Math.imul(mark ^ (mark >>> 16), 0x45d9f3b)
  return (mark ^ (mark >>> 16)) >>> 0
}
