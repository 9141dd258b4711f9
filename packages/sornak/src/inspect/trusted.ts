// A list that is known to be right: which of its members could have become what is seen, and whether more
// than one row lays claim to the same member.

import type { Hypothesis } from './hypothesis.js'
import { MOST_AMBIGUOUS } from './weights.js'

export interface TrustedList {
  readonly size: number
  has(text: string): boolean
  /** Members that could have become what is seen in one of these ways, two at the most. */
  among(ways: readonly Hypothesis[]): string[]
  /** A row has this member, or can only have come from it. */
  claim(text: string): void
  claims(text: string): number
}

/** @param texts stored texts; what stands twice counts once */
export function trustedList(texts: Iterable<string>): TrustedList {
  const claimed = new Map<string, number>()
  for (const text of texts) claimed.set(text, 0)
  const numbers = [...claimed.keys()]
    .filter((text) => /^\+?\d+$/.test(text))
    .map((text) => ({ text, value: BigInt(text.replace('+', '')) }))
    .sort((a, b) => (a.value < b.value ? -1 : a.value > b.value ? 1 : 0))

  const firstFrom = (low: bigint) => {
    let [from, to] = [0, numbers.length]
    while (from < to) {
      const middle = (from + to) >> 1
      if (numbers[middle]!.value < low) from = middle + 1
      else to = middle
    }
    return from
  }

  return {
    size: claimed.size,
    has: (text) => claimed.has(text),
    among(ways) {
      const found = new Set<string>()
      for (const { originals } of ways) {
        if (originals.kind === 'integers') {
          for (let i = firstFrom(originals.low); i < numbers.length && found.size < 2; i++) {
            const { text, value } = numbers[i]!
            if (value > originals.high) break
            found.add(text)
          }
          continue
        }
        const texts =
          originals.kind === 'texts'
            ? originals.texts
            : originals.subset.count <= MOST_AMBIGUOUS
              ? originals.subset.list(Number(MOST_AMBIGUOUS))
              : []
        for (const text of texts) if (claimed.has(text) && found.size < 2) found.add(text)
      }
      return [...found]
    },
    claim(text) {
      const before = claimed.get(text)
      if (before !== undefined) claimed.set(text, before + 1)
    },
    claims: (text) => claimed.get(text) ?? 0,
  }
}
