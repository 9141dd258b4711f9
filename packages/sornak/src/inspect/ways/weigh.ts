// Hypotheses -> the originals that are left, how many, and the odds of each. Intervals that overlap are
// split where one begins or ends; in a piece between two such points every original weighs the same.

import { isDigits } from '../../channel/number-text.js'
import { keyOf } from '../../identifier/fit.js'
import type { Subset } from '../../identifier/parts-of-space.js'
import type { Space } from '../../identifier/space.js'
import type { Hypothesis, Originals } from './hypothesis.js'
import { MEND_ODDS, MOST_AMBIGUOUS } from './weights.js'

export interface Weighed {
  /** How many originals are possible, those left out that have together less than 1 chance in 1000. */
  readonly possible: bigint
  /** False where `possible` is an upper bound. */
  readonly counted: boolean
  /** Some of them are counted only and cannot be listed. */
  readonly beyondList: boolean
  /** No original was left out. */
  readonly whole: boolean
  /** All ways together, as a power of two. */
  readonly weight: number
  /** The likeliest originals, in order of their odds. */
  readonly ranked: readonly Candidate[]
  /** The share of all weight that each process has, the heaviest first. */
  readonly processes: readonly (readonly [process: string, share: number])[]
}

export interface Candidate {
  readonly text: string
  /** Its share of all weight: 0 to 1. */
  readonly odds: number
  /** The hypotheses that lead to it, the heaviest first. */
  readonly by: readonly Hypothesis[]
}

/** What the column says of a process: by how many powers of two it gains or loses. */
export type Lift = (process: string) => number

/** How often originals start as this one does, beside any other start. */
export type Usual = (text: string) => number

/** A hypothesis with the weight of each of its originals. */
interface Weighted {
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

/** No start is more usual than a hundred times as often as any other. */
const MOST_USUAL = 5000

interface Piece {
  readonly low: bigint
  readonly high: bigint
  readonly weight: number
  readonly by: readonly Weighted[]
}

/** What the column says of processes, and how its originals start. */
interface Column {
  readonly lift?: Lift | undefined
  readonly usual?: Usual | undefined
}

/** All originals that are possible, and the likeliest of them. */
export function weigh(
  space: Space,
  hypotheses: readonly Hypothesis[],
  most: number,
  column: Column = {},
): Weighed {
  const laid = onScales(space, hypotheses, column)
  return weighedBy(space, laid, likely(laid.every), most)
}

/** All ways together, as a power of two. */
export const weightOf = (
  space: Space,
  hypotheses: readonly Hypothesis[],
  column: Column = {},
): number => weightIn(onScales(space, hypotheses, column))

/**
 * The same as `weigh`, where the likeliest original is so likely that it is the only one: several ways may lead to it and to
 * others.
 */
export function decide(
  space: Space,
  hypotheses: readonly Hypothesis[],
  most: number,
  column: Column = {},
): Weighed {
  const laid = onScales(space, hypotheses, column)
  const kept = likely(laid.every)
  return oneOfAll(space, laid, kept) ?? decided(weighedBy(space, laid, kept, most))
}

interface Scales {
  readonly every: readonly Weighted[]
  readonly mass: number
  readonly usual: Usual
  /** All weights were divided by this power of two. */
  readonly top: number
}

function onScales(
  space: Space,
  hypotheses: readonly Hypothesis[],
  { lift = () => 0, usual = ANY }: Column,
): Scales {
  // Powers of two are brought near to one first: a long run of rows can say more than a number holds.
  const top = Math.max(0, ...hypotheses.map(({ process }) => lift(process)))
  const every = weighted(space, hypotheses, (process) => lift(process) - top, usual)
  return { every, mass: every.reduce((sum, { all }) => sum + all, 0), usual, top }
}

/** @param kept the ways of which originals are listed; what is left out has its share of the odds */
function weighedBy(space: Space, scales: Scales, kept: readonly Weighted[], most: number): Weighed {
  const { every, mass, usual } = scales
  const pieces = split(kept).map((piece) => ({
    ...piece,
    weight: piece.weight * startOf(space, piece, usual),
  }))
  const texts = single(space, kept, pieces, usual)
  const left = mass - kept.reduce((sum, { all }) => sum + all, 0)
  let total = [...texts.values()].reduce((sum, { weight }) => sum + weight, Math.max(0, left))
  let possible = BigInt(texts.size)
  let counted = true
  let beyondList = false
  const inPiece = new Map(pieces.map((piece) => [piece, new Set<string>()]))
  for (const [text, { piece }] of texts) if (piece) inPiece.get(piece)!.add(text)
  const parts = [...inPiece].map(([piece, apart]) => {
    const tally = space.count(piece.low, piece.high)
    const count = tally.count - BigInt(apart.size)
    counted &&= tally.exact
    possible += count
    total += piece.weight * Number(count)
    return { piece, count, apart }
  })
  for (const { by, all } of kept) {
    if (by.originals.kind !== 'subset' || isFew(by.originals.subset)) continue
    possible += by.originals.subset.count
    beyondList = true
    counted &&= by.originals.subset.exact
    total += all
  }
  const ranked: Candidate[] = [...texts].map(([text, { weight, by }]) => ({
    text,
    odds: weight / total,
    by: by.map((one) => one.by),
  }))
  for (const { piece, count, apart } of parts.sort((a, b) => b.piece.weight - a.piece.weight)) {
    const room = most + texts.size - ranked.length
    if (count <= 0n || room <= 0) continue
    const odds = piece.weight / total
    const by = piece.by.map((one) => one.by)
    for (const text of space.list(piece.low, piece.high, room + apart.size))
      if (!apart.has(text)) ranked.push({ text, odds, by })
  }
  ranked.sort((a, b) => b.odds - a.odds)
  return {
    possible,
    counted,
    beyondList,
    whole: kept.length === every.length,
    weight: weightIn(scales),
    ranked: ranked.slice(0, most),
    processes: every
      .map(({ by, all }) => [by.process, all / mass] as const)
      .sort((a, b) => b[1] - a[1]),
  }
}

const weightIn = ({ mass, top }: Scales) => Math.log2(mass) + top

function decided(weighed: Weighed): Weighed {
  const [first] = weighed.ranked
  if (!first || first.odds < MEND_ODDS || weighed.possible <= 1n) return weighed
  return onlyOne(weighed, first)
}

const onlyOne = (weighed: Weighed, first: Candidate): Weighed => ({
  ...weighed,
  possible: 1n,
  counted: true,
  beyondList: false,
  whole: false,
  ranked: [first],
})

// The one original that is left, where it need not be told from those that a way leaves which leaves many.
function oneOfAll(space: Space, scales: Scales, kept: readonly Weighted[]): Weighed | undefined {
  const many = kept.filter(({ texts = [] }) => texts.length > FEW_TEXTS)
  if (many.length === 0) return undefined
  const rest = kept.filter((one) => !many.includes(one))
  const weighed = weighedBy(space, scales, rest, 1)
  const [first] = weighed.ranked
  const key = (text: string) => keyOf(space.definition, text)
  const isAmong = ({ text }: Candidate) =>
    many.some(({ texts = [] }) => texts.some((other) => key(other) === key(text)))
  if (!first || first.odds < MEND_ODDS || isAmong(first)) return undefined
  return onlyOne(weighed, first)
}

/** So many originals are told from others before it is asked whether that must be. */
const FEW_TEXTS = 32

// Originals in one interval start alike, but for the widest.
function startOf(space: Space, { low, high }: { low: bigint; high: bigint }, usual: Usual): number {
  if (usual === ANY) return 1
  const [first] = space.list(low, high, 1)
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
        : Number(space.count(originals.low, originals.high).count)
    if (count === 0) return
    const each = per === 'all' ? scaled[i]! / count : scaled[i]!
    const start =
      originals.kind === 'texts'
        ? originals.texts.reduce((sum, text) => sum + usual(text), 0) / count
        : startOf(space, originals, usual)
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

// Leaves out the lightest that have together less than the odds at which a mend is offered.
function likely(every: readonly Weighted[]): Weighted[] {
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

function split(hypotheses: readonly Weighted[]): Piece[] {
  const sets = hypotheses.flatMap((one) =>
    one.by.originals.kind === 'integers' ? [{ ...one.by.originals, one }] : [],
  )
  const starts = [...new Set(sets.flatMap(({ low, high }) => [low < 0n ? 0n : low, high + 1n]))]
  starts.sort((a, b) => (a < b ? -1 : 1))
  return starts.slice(0, -1).flatMap((low, i) => {
    const high = starts[i + 1]! - 1n
    const over = sets.filter((set) => set.low <= low && high <= set.high).map(({ one }) => one)
    return over.length ? [{ low, high, by: heaviest(over), weight: sum(over) }] : []
  })
}

interface Single {
  readonly weight: number
  readonly by: readonly Weighted[]
  /** The piece it also lies in: it must not be counted twice. */
  readonly piece: Piece | undefined
}

function single(
  space: Space,
  hypotheses: readonly Weighted[],
  pieces: readonly Piece[],
  usual: Usual,
): Map<string, Single> {
  const by = new Map<string, Weighted[]>()
  const known = new Map<string, string>()
  for (const one of hypotheses) {
    for (const text of one.texts ?? textsOf(one.by.originals)) {
      // Where zeros are padding, one value has many texts; the first stands for all.
      const key = keyOf(space.definition, text)
      const first = known.get(key) ?? text
      known.set(key, first)
      const ways = by.get(first)
      if (!ways) by.set(first, [one])
      else if (ways.at(-1) !== one) ways.push(one)
    }
  }
  const found = new Map<string, Single>()
  for (const [text, list] of by) {
    const home = homeOf(space, text, pieces)
    const all = heaviest(home ? [...new Set([...list, ...home.by])] : list)
    found.set(text, { weight: sum(all) * usual(text), by: all, piece: home })
  }
  return found
}

function homeOf(space: Space, text: string, pieces: readonly Piece[]): Piece | undefined {
  if (pieces.length === 0 || !isDigits(text)) return undefined
  const value = BigInt(text.replace('+', ''))
  const piece = pieces.find(({ low, high }) => low <= value && value <= high)
  return piece && space.list(value, value, 64).includes(text) ? piece : undefined
}

// Those that are few are listed and told from those of other ways; the others are only counted.
const isFew = ({ count, exact }: Subset) => exact && count <= MOST_AMBIGUOUS

function textsOf(originals: Originals): readonly string[] {
  if (originals.kind === 'texts') return originals.texts
  if (originals.kind === 'integers' || !isFew(originals.subset)) return []
  return originals.subset.list(Number(MOST_AMBIGUOUS))
}

const sum = (list: readonly Weighted[]) => list.reduce((total, { each }) => total + each, 0)
const heaviest = (list: readonly Weighted[]) =>
  list.length > 1 ? [...list].sort((a, b) => b.each - a.each) : list
