// Hypotheses with their weights: by how much each weighs by itself, what the column says of it, and how often values start as
// its originals do.

import type { Subset } from '../../identifier/parts-of-space.js'
import type { Numbers, Space } from '../../identifier/space.js'
import { numbersIn, type Hypothesis, type Originals } from './hypothesis.js'
import { MEND_ODDS, MOST_AMBIGUOUS } from './weights.js'

/** What the column says of a process: by how many powers of two it gains or loses. */
export type Lift = (process: string) => number

/** How often originals start as this one does, beside any other start. */
export type Usual = (text: string) => number

/** A hypothesis with the weight of each of its originals. */
export interface Weighted {
  readonly by: Hypothesis
  readonly each: number
  readonly all: number
  /** Its originals, where they are few and were listed. */
  readonly texts?: readonly string[]
}

/** Nothing is known of how originals start. */
const ANY: Usual = () => 1

/** A column has one of so many numbers that wrap round to the same, at the least. */
const FEW_WRAPS = 4

/** No start is more usual than so many times as often as another. */
const MOST_USUAL = 5000

/** What the column says of processes, and how its originals start. */
export interface Column {
  readonly lift?: Lift | undefined
  readonly usual?: Usual | undefined
}

/** All ways, weighed. */
export interface Scales {
  readonly every: readonly Weighted[]
  /** Their weights together. */
  readonly mass: number
  readonly usual: Usual
  /** All weights were divided by this power of two. */
  readonly top: number
}

export function onScales(
  space: Space,
  hypotheses: readonly Hypothesis[],
  { lift = () => 0, usual = ANY }: Column,
): Scales {
  // Powers of two are brought near to one first: a long run of rows can say more than a number holds.
  const top = Math.max(0, ...hypotheses.map(({ process }) => lift(process)))
  const every = weighted(space, hypotheses, (process) => lift(process) - top, usual)
  return { every, mass: every.reduce((sum, { all }) => sum + all, 0), usual, top }
}

/** All ways together, as a power of two. */
export const weightIn = ({ mass, top }: Scales): number => Math.log2(mass) + top

/** The same of ways that are not on the scales yet. */
export const weightOf = (space: Space, hypotheses: readonly Hypothesis[], column: Column): number =>
  weightIn(onScales(space, hypotheses, column))

/** How often values start as those of an interval: all alike, but for the widest. */
export function startOf(
  numbers: Numbers,
  { low, high }: { low: bigint; high: bigint },
  usual: Usual,
): number {
  if (usual === ANY) return 1
  const [first] = numbers.list(low, high, 1)
  return first === undefined ? 1 : usual(first)
}

function weighted(
  space: Space,
  hypotheses: readonly Hypothesis[],
  lift: Lift,
  usual: Usual,
): Weighted[] {
  const scaled = hypotheses.map(
    ({ weight, process }) => weight * 2 ** Math.max(-900, lift(process)),
  )
  const every: Weighted[] = []
  hypotheses.forEach((by, i) => {
    const { originals, per } = by
    if (originals.kind === 'subset') return
    const count =
      originals.kind === 'texts'
        ? originals.texts.length
        : Number(numbersIn(space, originals).count(originals.low, originals.high).count)
    if (count === 0) return
    const each = per === 'all' ? scaled[i]! / count : scaled[i]!
    const start =
      originals.kind === 'texts'
        ? originals.texts.reduce((sum, text) => sum + usual(text), 0) / count
        : startOf(numbersIn(space, originals), originals, usual)
    every.push({ by, each, all: each * count * start })
  })
  const mass = every.reduce((sum, { all }) => sum + all, 0)
  hypotheses.forEach((by, i) => {
    const { originals, per } = by
    if (originals.kind !== 'subset') return
    const told = scaled[i]! * (per === 'original' ? Number(originals.subset.count) : 1)
    // What is left out anyway need not be counted.
    const small = told * MOST_USUAL < mass * (1 - MEND_ODDS)
    const count = small ? 1 : Number(originals.subset.count)
    if (count === 0) return
    const texts = small ? [] : textsOf(originals)
    const starts = texts.length ? texts.map(usual) : [1]
    const start = starts.reduce((sum, one) => sum + one, 0) / starts.length
    // Of all numbers that wrap round to one only those count that the column has, out of however many.
    const isOfFew = by.process.startsWith('wrapped')
    const all = isOfFew ? told * Math.max(1, Math.max(...starts) / start / FEW_WRAPS) : told
    every.push({ by, each: all / count, all: all * start, ...(!small && { texts }) })
  })
  return every
}

/** Without the lightest that have together less than the odds at which a mend is offered. */
export function likely(every: readonly Weighted[]): Weighted[] {
  const total = every.reduce((sum, { all }) => sum + all, 0)
  const ascending = [...every].sort((a, b) => a.all - b.all)
  let left = total * (1 - MEND_ODDS)
  const out = new Set<Weighted>()
  for (const one of ascending) {
    left -= one.all
    if (left <= 0) break
    out.add(one)
  }
  return every.filter((one) => !out.has(one))
}

/** Those that are few are listed and told from those of other ways; the others are only counted. */
export const isFew = ({ count, exact }: Subset): boolean => exact && count <= MOST_AMBIGUOUS

/** The originals, where they are few. */
export function textsOf(originals: Originals): readonly string[] {
  if (originals.kind === 'texts') return originals.texts
  if (originals.kind === 'integers' || !isFew(originals.subset)) return []
  return originals.subset.list(Number(MOST_AMBIGUOUS))
}
