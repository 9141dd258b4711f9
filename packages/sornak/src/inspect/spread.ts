// Whether numbers of a column lie below the limit of an integer type as evenly as those that wrapped round do. Numbers
// of a few blocks, or up to the last one issued, all lie below it too, and nothing ever happened to them.

import type { EvidenceState } from './column-evidence.js'

/**
 * Bits for numbers spread over all of a type rather than over the blocks, or the interval, that these show; not more
 * than 0 where those explain them as well. All values have as many digits as the limit.
 *
 * @param max the largest number of the type
 */
export function spread(
  { starts, formedStarts, clean }: Pick<EvidenceState, 'starts' | 'formedStarts' | 'clean'>,
  max: bigint,
): number {
  const limit = max.toString()
  const last = Number.parseInt(limit.slice(0, 2), 10)
  const counts = starts.map((count, i) => count + formedStarts[i]!)
  const held = counts.slice(10, last + 1)
  const rows = held.reduce((sum, count) => sum + count, 0)
  if (rows === 0) return Infinity
  const blocks = rows * -Math.log2(held.length) - learned(held, 90)
  return Math.min(blocks, beyondInterval(clean, max, rows))
}

// The chance of these counts, in bits, if nothing but themselves says how often each of so many comes.
function learned(counts: readonly number[], kinds: number): number {
  let [bits, seen] = [0, 0]
  for (const count of counts)
    for (let before = 0; before < count; before++)
      bits += Math.log2((before + 0.5) / (seen++ + kinds / 2))
  return bits
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
  const closer = Math.log2(Number(max - all) / Number(BigInt(most) - low + 1n))
  return 2 * Math.log2(Number(all) * 9) - rows * closer
}
