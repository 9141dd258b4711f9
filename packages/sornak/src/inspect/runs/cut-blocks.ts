// Blocks of rows that were cut to the width of a field, or to what an integer type holds, where what is left fits: all
// others stand wider around them, of several widths as they come.

import { INTEGER_TYPES } from '../../channel/integer-limits.js'
import type { Definition } from '../../identifier/definition.js'
import { spaceOf } from '../../identifier/space.js'
import { ownWidths, rowsBetween, type Block, type NarrowBlocks } from '../evidence/narrow-blocks.js'
import { RUN_BITS } from '../ways/weights.js'

export interface CutBlock extends Block {
  readonly process: string
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

export function cutBlocks(definition: Definition, { end, each }: NarrowBlocks): CutBlock[] {
  const widths = ownWidths(definition)
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
    const starts = without(to.starts, from.starts)
    const others = without(end.starts, starts)
    if (!mixed.slice(level).includes('mixed')) return []
    if (!sides.every((side) => isWide(side, level, outside))) return []
    const kept = widths[level]!
    const limit = limitOf(kept, inside, starts, others)
    const most = limit ? limit.first : starts.length
    if (isOtherList(starts.slice(0, most + 1), others.slice(0, most + 1))) return []
    const process = limit ? `wrapped ${limit.type}` : cutTo(definition, kept)
    return [{ from, to, process, bits: inside[level]! * seldom(outside, level) }]
  })
}

function cutTo(definition: Definition, kept: number): string {
  const { widths } = spaceOf(definition)
  return widths.length > 1 ? `cut-short to ${kept}` : `cut-short by ${widths[0]! - kept}`
}

// Of those as wide as the limit of a type without a sign none starts with more, as others do: they wrapped round there.
function limitOf(
  kept: number,
  inside: readonly number[],
  starts: readonly number[],
  others: readonly number[],
): { readonly type: string; readonly first: number } | undefined {
  const type = INTEGER_TYPES.find(({ signed, max }) => !signed && `${max}`.length === kept)
  if (!type) return undefined
  const first = Number.parseInt(`${type.max}`.slice(0, 2), 10)
  const wide = inside.findLast((count) => count > 0)! / total(inside)
  const [above, below] = [total(starts.slice(first + 1)), total(starts.slice(0, first + 1))]
  const elsewhere = total(others.slice(first + 1)) / total(others)
  // Those that are narrower start with any digits.
  const here = elsewhere * (1 - wide) + 1 / (above + below + 1)
  const better =
    above * Math.log2(here / elsewhere) + below * Math.log2((1 - here) / (1 - elsewhere))
  return better > OTHER_LIST ? { type: type.name, first } : undefined
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
function isOtherList(starts: readonly number[], others: readonly number[]): boolean {
  const known = total(others)
  let better = 0
  let before = starts.length / 2
  starts.forEach((count, two) => {
    for (let i = 0.5; i < count; i++, before++)
      better += Math.log2(i / before) - Math.log2((others[two]! + i) / (known + before))
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
