// How often originals start as one does, as far as the clean values of a column tell.

import type { EvidenceState } from '../evidence/evidence-state.js'
import { HEAD_DIGITS, type Heads } from '../short/heads.js'

export interface UsualStarts {
  /** Beside any other start, by the first two digits; of an original of which no more is known, too. */
  of(start: string): number
  /** The same of a whole original: where values come in few blocks, it may start like none of them. */
  ofWhole(text: string): number
}

/** Fewer clean values say nothing. */
const FEW_CLEAN = 20

/** Undefined where they cannot tell: a column that was read as numbers has none left that start with zeros. */
export function usualStarts({ sums, starts, clean }: EvidenceState): UsualStarts | undefined {
  const all = starts.reduce((sum, count) => sum + count, 0)
  if (all < FEW_CLEAN || sums.zeros * 5 < all) return undefined
  const blocks = knownBlocks(clean.heads)
  const of = (start: string) => {
    const two = /^\d\d/.exec(start)
    return two ? (100 * (starts[Number.parseInt(two[0], 10)]! + 0.5)) / (all + 50) : 1
  }
  return { of, ofWhole: (text) => Math.min(of(text), blocks?.(text) ?? Infinity) }
}

// What starts like no block so far, nor near one, is the first of a new one: as seldom as those were (Witten and Bell).
function knownBlocks(heads: Heads): ((text: string) => number) | undefined {
  const all = heads.reduce((sum, { count }) => sum + count, 0)
  if (all === 0 || heads.length * 2 > all) return undefined
  const blocks = blocksOf(heads)
  const isNew = heads.length / (all + heads.length)
  return (text) => {
    const head = Number.parseInt(text.slice(0, HEAD_DIGITS), 10)
    return blocks.some(({ first, last }) => {
      // All that start with the same digits have a prefix, and no others are issued beside it.
      const isPrefix = first % 10 === 0 && (last + 1) % 10 === 0
      const near = isPrefix ? 0 : last - first + 1
      return first - near <= head && head <= last + near
    })
      ? Infinity
      : isNew
  }
}

interface Starts {
  readonly first: number
  readonly last: number
}

// Heads one behind the other: numbers that were issued in order have as many before them and behind them, maybe.
function blocksOf(heads: Heads): readonly Starts[] {
  const found: Starts[] = []
  for (const { digits } of heads) {
    const before = found.at(-1)
    if (before?.last === digits - 1) found[found.length - 1] = { ...before, last: digits }
    else found.push({ first: digits, last: digits })
  }
  return found
}
