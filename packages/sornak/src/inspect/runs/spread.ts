// Whether numbers of a column lie below the limit of an integer type as evenly as those that wrapped round do. Numbers
// of a few blocks, or up to the last one issued, all lie below it too, and nothing ever happened to them.

import type { EvidenceState } from '../evidence/evidence-state.js'
import { bitsOf } from '../short/chance-of-counts.js'

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
