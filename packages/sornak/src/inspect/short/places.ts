// Where the originals of numbers lie of which only a rest is left: together, as the rests do, so many moduli further on.

import type { Space } from '../../identifier/space.js'
import { block, costOf, type Population, type Range } from './population.js'

const MOST_TRIES = 4096n

/**
 * Populations of originals that lie together.
 *
 * @param values what is left of them when they are divided by the modulus
 * @param from the smallest original that there can be
 */
export function together(
  space: Space,
  values: readonly bigint[],
  modulus: bigint,
  from: bigint,
  clean: Range | undefined,
): Population[] {
  const places = placesOf(space, values, modulus, from)
  return places ? [...startingAlike(space, places), ...between(space, places, clean)] : []
}

/** The same only among clean values, or beside them. */
export function besideClean(
  space: Space,
  values: readonly bigint[],
  modulus: bigint,
  from: bigint,
  clean: Range | undefined,
): Population[] {
  const places = clean && placesOf(space, values, modulus, from)
  return places ? nearest(space, places, clean) : []
}

/** Where originals lie together that come out together: `many` places of this width, a modulus apart. */
interface Places {
  readonly at: bigint
  readonly width: bigint
  readonly modulus: bigint
  readonly many: bigint
}

// Blocks of numbers that start alike and hold such a place: the more there are, the less it takes to say that
// it is one of them.
function startingAlike(space: Space, places: Places): Population[] {
  const { width, many } = places
  const unit = 10n ** BigInt(width.toString().length)
  const looked = many < MOST_TRIES ? many : MOST_TRIES
  const found = blocksOf(space, places, unit, looked)
  if (!found) return []
  const { start, count, blocks } = found
  const which = Math.log2((blocks * Number(many)) / Number(looked))
  const cost = Math.log2(Number(space.integers.count) / count) + Math.log2(space.widest) - which
  return [block(space, start, start + unit - 1n, cost)]
}

/** The first block of so many numbers that holds one of the places and any values, and how many such blocks there are. */
function blocksOf(
  space: Space,
  { at, width, modulus }: Places,
  unit: bigint,
  looked: bigint,
): { start: bigint; count: number; blocks: number } | undefined {
  const startOf = (step: bigint) => ((at + step * modulus) / unit) * unit
  const inside = (steps: bigint) => stepsInside(at % unit, modulus % unit, unit, width, steps)
  const [lead] = inside(looked)
  if (lead === undefined) return undefined
  if (space.holdsAll(startOf(0n), startOf(looked - 1n) + unit - 1n)) {
    // Every number is a value, and after so many steps as a block has numbers places lie in their blocks as at first.
    const blocksIn = (steps: bigint) => [...inside(steps)].length
    const rounds = looked / unit
    const blocks = (rounds > 0n ? Number(rounds) * blocksIn(unit) : 0) + blocksIn(looked % unit)
    return { start: startOf(lead), count: Number(unit), blocks }
  }
  let blocks = 0
  let first: { readonly start: bigint; readonly count: number } | undefined
  for (const step of inside(looked)) {
    const start = startOf(step)
    const count = Number(space.count(start, start + unit - 1n).count)
    if (count === 0) continue
    blocks++
    first ??= { start, count }
  }
  return first && { ...first, blocks }
}

// The steps at which a place does not go over the end of its block.
function* stepsInside(
  at: bigint,
  onward: bigint,
  unit: bigint,
  width: bigint,
  steps: bigint,
): Generator<bigint> {
  for (let step = 0n, behind = at; step < steps; step++) {
    if (behind + width < unit) yield step
    behind += onward
    if (behind >= unit) behind -= unit
  }
}

// Numbers between any two; and those of them that lie among the clean ones, or just before them.
function between(space: Space, places: Places, clean: Range | undefined): Population[] {
  const { many } = places
  const any = [0n, many - 1n, many / 2n].flatMap((step) => stretch(space, places, step))
  return clean ? [...any.slice(0, 1), ...nearest(space, places, clean)] : any.slice(0, 1)
}

// Those just before them were issued before, or lie in their first part.
function nearest(space: Space, places: Places, { low }: Range): Population[] {
  const { at, modulus } = places
  const after = (low - at + modulus - 1n) / modulus
  return [after, after - 1n].flatMap((step) => stretch(space, places, step))
}

function stretch(space: Space, { at, width, modulus, many }: Places, step: bigint): Population[] {
  const low = at + step * modulus
  if (step < 0n || step >= many || space.count(low, low + width).count === 0n) return []
  const cost = costOf(space, low) + costOf(space, width) - Math.log2(Number(many))
  return [block(space, low, low + width, cost)]
}

function placesOf(
  space: Space,
  values: readonly bigint[],
  modulus: bigint,
  from: bigint,
): Places | undefined {
  const found = nearTogether(values, modulus)
  if (!found) return undefined
  const { low, width } = found
  const first = from <= low ? 0n : (from - low + modulus - 1n) / modulus
  const last = (10n ** BigInt(space.widest) - 1n - low - width) / modulus
  if (last < first) return undefined
  return { at: low + first * modulus, width, modulus, many: last - first + 1n }
}

// Remainders that lie together on the circle: where they begin, and how far it is to the last.
function nearTogether(
  values: readonly bigint[],
  modulus: bigint,
): { low: bigint; width: bigint } | undefined {
  const sorted = [...new Set(values)]
    .filter((value) => value < modulus)
    .sort((a, b) => (a < b ? -1 : 1))
  if (sorted.length === 0) return undefined
  let gap = sorted[0]! + modulus - sorted.at(-1)!
  let low = sorted[0]!
  for (let i = 1; i < sorted.length; i++) {
    const one = sorted[i]! - sorted[i - 1]!
    if (one > gap) [gap, low] = [one, sorted[i]!]
  }
  const width = modulus - gap
  return width * 2n < modulus ? { low, width } : undefined
}
