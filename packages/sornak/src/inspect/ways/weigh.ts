// Hypotheses -> the originals that are left, how many, and the odds of each. Intervals that overlap are
// split where one begins or ends; in a piece between two such points every original weighs the same.

import { isDigits } from '../../channel/number-text.js'
import { keyOf } from '../../identifier/fit.js'
import type { ShownNumbers } from '../../identifier/shown-numbers.js'
import type { Space } from '../../identifier/space.js'
import type { Hypothesis } from './hypothesis.js'
import {
  isFew,
  likely,
  onScales,
  startOf,
  textsOf,
  weightIn,
  type Column,
  type Scales,
  type Usual,
  type Weighted,
} from './scales.js'
import { MEND_ODDS } from './weights.js'

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

interface Piece {
  /** Values that are shown as these numbers, and not those that are them. */
  readonly of: ShownNumbers | undefined
  readonly low: bigint
  readonly high: bigint
  readonly weight: number
  readonly by: readonly Weighted[]
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

/** @param kept the ways of which originals are listed; what is left out has its share of the odds */
function weighedBy(space: Space, scales: Scales, kept: readonly Weighted[], most: number): Weighed {
  const { every, mass, usual } = scales
  const pieces = split(kept).map((piece) => ({
    ...piece,
    weight: piece.weight * startOf(piece.of ?? space, piece, usual),
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
    const tally = (piece.of ?? space).count(piece.low, piece.high)
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
    const numbers = piece.of ?? space
    for (const text of numbers.list(piece.low, piece.high, room + apart.size))
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

function split(hypotheses: readonly Weighted[]): Piece[] {
  const sets = hypotheses.flatMap((one) =>
    one.by.originals.kind === 'integers' ? [{ ...one.by.originals, one }] : [],
  )
  return [...new Set(sets.map(({ of }) => of))].flatMap((of) => {
    const own = sets.filter((set) => set.of === of)
    const starts = [...new Set(own.flatMap(({ low, high }) => [low < 0n ? 0n : low, high + 1n]))]
    starts.sort((a, b) => (a < b ? -1 : 1))
    return starts.slice(0, -1).flatMap((low, i) => {
      const high = starts[i + 1]! - 1n
      const over = own.filter((set) => set.low <= low && high <= set.high).map(({ one }) => one)
      return over.length ? [{ of, low, high, by: heaviest(over), weight: sum(over) }] : []
    })
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
  if (pieces.length === 0) return undefined
  const own = isDigits(text) ? [BigInt(text.replace('+', ''))] : []
  return pieces.find(({ of, low, high }) =>
    (of ? of.numbersOf(text) : own).some(
      (value) =>
        low <= value && value <= high && (of ?? space).list(value, value, 64).includes(text),
    ),
  )
}

const sum = (list: readonly Weighted[]) => list.reduce((total, { each }) => total + each, 0)
const heaviest = (list: readonly Weighted[]) =>
  list.length > 1 ? [...list].sort((a, b) => b.each - a.each) : list
