// Originals that lie in a few blocks, of numbers that start alike: those of some branches, areas or series.

import type { Space } from '../../identifier/space.js'
import { HEAD_DIGITS, type Head, type Heads } from './heads.js'
import { block, flat, totalOf, type Population } from './population.js'

/** More of them are no few, and none of fewer values is a block. */
const MOST_BLOCKS = 8
const FEW_EACH = 4
/** Of so few values it is chance how they start. */
const FEW_ROWS = 16
/** As many values as one that lies in no block counts for. */
const ELSEWHERE = 1

/** Numbers that may be the originals, and the bits that it takes to say which are. */
interface Choice {
  readonly originals: readonly bigint[]
  readonly cost: number
}

/** How many of them start with the same digits. */
interface Starts {
  readonly counts: ReadonlyMap<bigint, number>
  readonly cost: number
}

interface Blocks extends Starts {
  readonly unit: bigint
  /** Bits to say which blocks they are, among those of `cost`. */
  readonly which: number
  /** Bits to say all originals. */
  readonly whole: number
}

/**
 * The population of the blocks that hold these originals; nothing where they lie in too many.
 *
 * @param of the originals, as they are to start alike in so many digits
 */
export const fewBlocks = (space: Space, of: (digits: number) => Choice): Population[] =>
  blocksStarting(space, space.widest - 2, (digits) => {
    const unit = 10n ** BigInt(space.widest - digits)
    const { originals, cost } = of(digits)
    const counts = new Map<bigint, number>()
    for (const one of originals) counts.set(one / unit, (counts.get(one / unit) ?? 0) + 1)
    return { counts, cost }
  })

/**
 * The same for numbers of which is known how they start.
 *
 * @param most digits at their start that are known
 */
export function blocksStarting(
  space: Space,
  most: number,
  of: (digits: number) => Starts,
): Population[] {
  let best: Blocks | undefined
  for (let digits = 1; digits <= Math.min(most, space.widest - 2); digits++) {
    const found = blocksOf(space, of(digits), digits)
    if (found && (!best || found.whole < best.whole)) best = found
  }
  return best ? populationOf(space, best) : []
}

function blocksOf({ widest }: Space, { counts, cost }: Starts, digits: number): Blocks | undefined {
  const rows = totalOf([...counts.values()])
  if (rows < FEW_ROWS || counts.size > MOST_BLOCKS || counts.size * FEW_EACH > rows)
    return undefined
  const which = counts.size * digits * Math.log2(10)
  const said = which + Math.log2(widest * MOST_BLOCKS) + cost
  const inside = rows * (widest - digits) * Math.log2(10)
  const each = [...counts.values()].reduce((sum, count) => sum + count * Math.log2(rows / count), 0)
  const unit = 10n ** BigInt(widest - digits)
  return { counts, unit, which, cost: said, whole: said + each + inside }
}

function populationOf(space: Space, { counts, unit, which, cost }: Blocks): Population[] {
  const any = flat(space)
  const rows = totalOf([...counts.values()])
  const known = rows / (rows + ELSEWHERE)
  const parts = [...counts].flatMap(([start, count]) => {
    const [low, high] = [start * unit, (start + 1n) * unit - 1n]
    // What the definition has none of is no block of it.
    if (space.count(low, high).count === 0n) return []
    const weight = (known * count) / rows
    return [{ low, width: unit, weight, ...only(block(space, low, high, 0)) }]
  })
  if (parts.length === 0) return []
  const share = (low: bigint, high: bigint) =>
    parts.reduce(
      (sum, part) => sum + part.weight * part.share(low, high),
      (1 - known) * any.share(low, high),
    )
  const octal = parts.reduce((sum, part) => sum + part.weight * part.octal, (1 - known) * any.octal)
  return [{ cost, which, low: any.low, high: any.high, share, parts, octal }]
}

const only = ({ share, octal }: Population) => ({ share, octal })

/** Bits to say a population of blocks, where most clean values start as these do; undefined where they do not. */
export function amongHeads(
  { widest }: Space,
  { cost, which, parts }: Population,
  heads: Heads,
): number | undefined {
  if (which === undefined || heads.length === 0) return undefined
  const unit = 10n ** BigInt(widest - HEAD_DIGITS)
  const rows = totalOf(heads.map(({ count }) => count))
  const covered = new Set<Head>()
  let inside = 0
  for (const { low, width } of parts ?? []) {
    const [from, to] = [low / unit, (low + width - 1n) / unit]
    const alike = heads.filter(({ digits }) => from <= digits && digits <= to)
    if (totalOf(alike.map(({ count }) => count)) * SELDOM < rows) return undefined
    if (width < unit) inside += Math.log2(Number(unit / width))
    for (const head of alike) covered.add(head)
  }
  // A small part of them is a kind of its own.
  const most = totalOf([...covered].map(({ count }) => count)) * 2 >= rows
  return most ? cost - which + inside : undefined
}

/** One in so many clean values starts as others do. */
const SELDOM = 50
