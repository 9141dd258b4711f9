// Blocks of numbers that lie beyond the limit of an integer type: how many of them come out as one value.

import type { Part } from './heads.js'

/** Blocks that are looked at one by one. */
const MOST_PARTS = 64

/**
 * Over the parts of a population, the share that is counted of what each has beyond a limit, and the share beyond it that
 * lies in none of them; undefined where there are no parts, or too many.
 *
 * @param beyond the share of the population that lies beyond the limit
 */
export function sumOver(
  parts: readonly Part[] | undefined,
  limit: bigint,
  beyond: number,
  count: (from: bigint, to: bigint) => bigint,
): { readonly sum: number; readonly elsewhere: number } | undefined {
  if (!parts || parts.length > MOST_PARTS) return undefined
  let [sum, elsewhere] = [0, beyond]
  for (const { low, width, weight } of parts) {
    const from = low > limit ? low : limit + 1n
    const to = low + width - 1n
    if (to < from) continue
    const each = weight / Number(width)
    sum += each * Number(count(from, to))
    elsewhere -= each * Number(to - from + 1n)
  }
  return { sum, elsewhere: Math.max(0, elsewhere) }
}

// How many numbers from one to another leave this rest.
export function timesAround(rest: bigint, from: bigint, to: bigint, modulus: bigint): bigint {
  if (to < rest) return 0n
  const before = from <= rest ? 0n : (from - rest + modulus - 1n) / modulus
  const last = (to - rest) / modulus
  return last < before ? 0n : last - before + 1n
}
