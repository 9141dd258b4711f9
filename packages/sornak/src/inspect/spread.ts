// Whether numbers of a column lie below the limit of an integer type as evenly as those that wrapped round do. Numbers
// of a few blocks, or up to the last one issued, all lie below it too, and nothing ever happened to them.

import type { EvidenceState } from './evidence-state.js'

/**
 * Bits for numbers spread over all of a type rather than over the blocks, or the interval, that these show; not more
 * than 0 where those explain them as well. All values have as many digits as the limit.
 *
 * @param max the largest number of the type
 * @param comeTo how many originals come out between two numbers; as many everywhere where it is left out
 */
export function spread(
  { starts, formedStarts, clean }: Pick<EvidenceState, 'starts' | 'formedStarts' | 'clean'>,
  max: bigint,
  comeTo: (low: bigint, high: bigint) => number = () => 1,
): number {
  const limit = max.toString()
  const last = Number.parseInt(limit.slice(0, 2), 10)
  const counts = starts.map((count, i) => count + formedStarts[i]!)
  const held = counts.slice(10, last + 1)
  const rows = held.reduce((sum, count) => sum + count, 0)
  if (rows === 0) return Infinity
  const unit = 10n ** BigInt(limit.length - 2)
  const shares = held.map((_, i) => {
    const low = BigInt(10 + i) * unit
    const high = low + unit - 1n
    return comeTo(low, high < max ? high : max)
  })
  const all = shares.reduce((sum, share) => sum + share, 0)
  const even = held.reduce((sum, count, i) => sum + count * Math.log2(shares[i]! / all), 0)
  const blocks = even - bitsOf(held, 90)
  return Math.min(blocks, beyondInterval(clean, max, rows))
}

/**
 * The chance of these counts, in bits, if nothing but themselves says how often each of so many kinds comes: each is
 * expected as often as it was seen before, and half a time more (Krichevsky and Trofimov).
 */
export function bitsOf(counts: readonly number[], kinds: number): number {
  const all = counts.reduce((sum, count) => sum + count, 0)
  const own = counts.reduce((sum, count) => sum + risen(0.5, count), 0)
  return (own - risen(kinds / 2, all)) / Math.LN2
}

/**
 * Bits that it says that so many more are all of one kind, where some were and some were not: little where hardly any
 * were seen, however many there are now (Laplace's rule of succession).
 */
export const allOfOneKind = (more: number, were: number, not: number): number =>
  (risen(were + not + 2, more) - risen(were + 1, more)) / Math.LN2

// ln of x (x + 1) (x + 2) …, so many factors.
const risen = (x: number, count: number) => lnGamma(x + count) - lnGamma(x)

// Stirling's series; from eight on it is right to ten digits.
function lnGamma(x: number): number {
  if (x < 8) return lnGamma(x + 1) - Math.log(x)
  const series = 1 / (12 * x) - 1 / (360 * x ** 3) + 1 / (1260 * x ** 5)
  return (x - 0.5) * Math.log(x) - x + Math.log(2 * Math.PI) / 2 + series
}

// All from the smallest to the largest: what it takes to say these two, against how much closer the type has them.
function beyondInterval(
  { least, most }: EvidenceState['clean'],
  max: bigint,
  rows: number,
): number {
  if (most === '' || BigInt(most) > max) return Infinity
  const all = 10n ** BigInt(most.length - 1)
  const low = BigInt(least) > all ? BigInt(least) : all
  // Clean values that all start with a zero show no interval of those that do not.
  if (BigInt(most) < low) return Infinity
  const closer = Math.log2(Number(max - all) / Number(BigInt(most) - low + 1n))
  return 2 * Math.log2(Number(all) * 9) - rows * closer
}
