// Where originals lie as the clean values of a column do: as often as these have so many zeros in front and then a digit,
// in their blocks, or spread evenly between them.

import { remembered } from '../../identifier/remembered.js'
import type { Space } from '../../identifier/space.js'
import { blocksStarting } from './few-blocks.js'
import { HEAD_DIGITS, startingAs, type Heads } from './heads.js'
import {
  binsOf,
  block,
  flat,
  larger,
  octalShare,
  rangeOf,
  smaller,
  totalOf,
  type Clean,
  type Population,
} from './population.js'

/** The share that lies as the counted starts say. */
const FROM_BINS = 0.8
/** As many clean values as the definition by itself counts for. */
const DEFINITION_COUNTS = 2

/** Where the clean values of a column lie; nothing where they are too few to say it. */
export const learned = (space: Space, clean: Clean): readonly Population[] =>
  learnedIn(space)(clean)

// All stories of a column ask for the same.
const learnedIn = remembered((space: Space) =>
  remembered((clean: Clean) => learnedFrom(space, clean)),
)

function learnedFrom(space: Space, clean: Clean): Population[] {
  const found = rangeOf(space, clean)
  if (!found) return []
  const { low: lowest, high: highest } = found
  const { fronts } = clean
  const total = totalOf(fronts)
  const { widest } = space
  const all = Number(space.integers.count)
  const bins = evened(binsOf(widest, fronts)).flatMap(({ zeros, digit, count, ...bin }) => {
    if (count === 0) return []
    const [low, high] = [larger(lowest, bin.low), smaller(highest, bin.high)]
    const inside = Number(space.count(low, high).count)
    return inside === 0 ? [] : [{ count, inside, zeros, digit, low, high }]
  })
  const any = flat(space)
  const range = block(space, lowest, highest, 0)
  const other = DEFINITION_COUNTS / (total + DEFINITION_COUNTS)
  // Some bins are empty by chance: a part is spread evenly from the smallest to the largest. Or there are a few blocks, and
  // none is.
  const counted = (fromBins: number, cost: number): Population => {
    const even = (1 - fromBins) * (1 - other)
    const chance = (count: number) => (fromBins * count) / (total + DEFINITION_COUNTS)
    const share = (low: bigint, high: bigint) => {
      let sum = other * any.share(low, high) + (even > 0 ? even * range.share(low, high) : 0)
      for (const bin of bins) {
        if (bin.high < low || high < bin.low) continue
        const [from, to] = [larger(low, bin.low), smaller(high, bin.high)]
        sum += (chance(bin.count) * Number(space.count(from, to).count)) / bin.inside
      }
      return sum
    }
    const octal = bins.reduce(
      (sum, { zeros, low, high, count }) =>
        zeros > 0 ? sum + chance(count) * octalShare(low, high) : sum,
      other * any.octal + even * range.octal,
    )
    return { clean: true, cost, low: any.low, high: any.high, share, octal }
  }
  const asCounted = counted(FROM_BINS, 1)
  // Clean values that are spread as the definition has it say nothing of their own; all that start with a zero may
  // have been struck.
  const struck = bins.every(({ zeros }) => zeros === 0)
  const there = struck ? Number(space.count(10n ** BigInt(widest - 1), any.high).count) : all
  const uneven = bins.reduce(
    (sum, { count, inside }) => sum + count * Math.log2((count * there) / (total * inside)),
    0,
  )
  const asDefined = uneven <= (bins.length * Math.log2(total)) / 2
  const evenly = { ...range, clean: true as const, cost: 2 }
  const blocks =
    clean.heads.length > 0 && clean.heads.length * 2 < total
      ? [{ ...asCounted, cost: 2, ...startingAs(clean.heads, widest, asCounted.share) }]
      : []
  return [
    asCounted,
    counted(1, 2),
    ...inFewBlocks(space, clean.heads),
    ...blocks,
    evenly,
    ...(asDefined ? [{ ...any, clean: true as const, cost: 1 }] : []),
  ]
}

// Of values that start with several zeros there are so few that some of the digits behind them are missing by chance.
function evened(bins: ReturnType<typeof binsOf>): ReturnType<typeof binsOf> {
  const all: number[] = []
  for (const { zeros, count } of bins) all[zeros] = (all[zeros] ?? 0) + count
  return bins.map((bin) => {
    const { zeros, count } = bin
    if (zeros < 2) return bin
    const own = all[zeros]! || (all[zeros - 1]! > 0 ? HALF : 0)
    return { ...bin, count: ((count + HALF) * own) / (all[zeros]! + 10 * HALF) }
  })
}

/** What one that was not seen counts for. */
const HALF = 0.5

// Those that start alike in as many digits as tell them best.
function inFewBlocks(space: Space, heads: Heads): Population[] {
  const found = blocksStarting(space, HEAD_DIGITS, (digits) => {
    const counts = new Map<bigint, number>()
    for (const { digits: head, count } of heads) {
      const start = BigInt(Math.floor(head / 10 ** (HEAD_DIGITS - digits)))
      counts.set(start, (counts.get(start) ?? 0) + count)
    }
    return { counts, cost: 0 }
  })
  return found.map((one) => ({ ...one, clean: true, cost: 2 }))
}
