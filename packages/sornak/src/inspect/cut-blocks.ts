// Blocks of rows that were cut to the width of a field, where what is left fits: all others stand wider around them, of
// several widths as they come.

import { rowsBetween, type Block, type NarrowBlocks } from './narrow-blocks.js'
import { RUN_BITS } from './weights.js'

export interface CutBlock extends Block {
  /** To so many characters. */
  readonly kept: number
  readonly bits: number
}

/** A list that has more of them is made of parts. */
const MOST_BLOCKS = 4
/** So many rows stand on each side: a list that is sorted by width begins or ends with a block. */
const FEW_BESIDE = 20
/** So few narrow values do not tell whether they lie here and there. */
const FEW_NARROW = 3
/** First digits that are told by so many bits better as those of another list are. */
const OTHER_LIST = 16

/** @param widths in which values that fit are written, in ascending order */
export function cutBlocks(widths: readonly number[], { end, each }: NarrowBlocks): CutBlock[] {
  const all = end.widths
  const candidates = apart(
    each.flatMap(({ longest }, level) =>
      longest.flatMap((block) => {
        const inside = rowsBetween(block)
        const bits = inside[level]! * seldom(without(all, inside), level)
        return bits > RUN_BITS ? [{ ...block, level, inside, bits }] : []
      }),
    ),
  )
  if (candidates.length > MOST_BLOCKS) return []
  const outside = candidates.reduce((left, { inside }) => without(left, inside), all)
  const mixed = each.map(({ count }, level) =>
    mixture(outside, level, count - candidates.filter((one) => one.level <= level).length),
  )
  if (mixed.includes('sorted')) return []
  return candidates.flatMap(({ from, to, level, inside }) => {
    const sides = [from.widths, without(all, to.widths)]
    return mixed.slice(level).includes('mixed') &&
      sides.every((side) => isWide(side, level, outside)) &&
      !isOtherList({ from, to }, end.starts)
      ? [{ from, to, kept: widths[level]!, bits: inside[level]! * seldom(outside, level) }]
      : []
  })
}

// Narrow values that come here and there among others make about so many blocks, and hardly one fewer than three for four.
function mixture(
  widths: readonly number[],
  level: number,
  blocks: number,
): 'mixed' | 'sorted' | 'few' {
  const narrow = total(widths.slice(0, level + 1))
  const wide = total(widths) - narrow
  if (Math.min(narrow, wide) < FEW_NARROW) return 'few'
  return blocks * 4 * (narrow + wide) >= narrow * wide * 3 ? 'mixed' : 'sorted'
}

// On this side at least half as many values are wider as are outside of all blocks.
function isWide(side: readonly number[], level: number, outside: readonly number[]): boolean {
  const share = (widths: readonly number[]) => total(widths.slice(level + 1)) / total(widths)
  return total(side) >= FEW_BESIDE && share(side) * 2 >= share(outside)
}

// Bits for each value of exactly this width: by how much likelier it is among those that were cut to it.
function seldom(widths: readonly number[], level: number): number {
  const left = widths.slice(level)
  return Math.log2((total(left) + left.length) / (left[0]! + 1))
}

// Values that were cut start as all others do. Numbers that were issued one after the other do not, nor does a filling.
function isOtherList({ from, to }: Block, starts: readonly number[]): boolean {
  const inside = without(to.starts, from.starts)
  const outside = without(starts, inside)
  const known = total(outside)
  let better = 0
  let before = starts.length / 2
  inside.forEach((count, two) => {
    for (let i = 0.5; i < count; i++, before++)
      better += Math.log2(i / before) - Math.log2((outside[two]! + i) / (known + before))
  })
  return better > OTHER_LIST
}

// Of blocks that share rows the one that says most; in order of their rows.
function apart<Told extends Block & { readonly bits: number }>(blocks: readonly Told[]): Told[] {
  const found: Told[] = []
  for (const block of [...blocks].sort((a, b) => b.bits - a.bits))
    if (!found.some((other) => overlap(block, other))) found.push(block)
  return found.sort((a, b) => a.from.place.index - b.from.place.index)
}

const overlap = (a: Block, b: Block) =>
  a.from.place.index <= b.to.place.index && b.from.place.index <= a.to.place.index

const total = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0)
const without = (a: readonly number[], b: readonly number[]) => a.map((one, i) => one - b[i]!)
