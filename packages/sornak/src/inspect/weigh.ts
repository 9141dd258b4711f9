// Hypotheses -> the originals that are left, how many, and the odds of each. Intervals that overlap are
// split where one begins or ends; in a piece between two such points every original weighs the same.

import { isDigits } from '../channel/number-text.js'
import { keyOf } from '../identifier/fit.js'
import type { Space } from '../identifier/space.js'
import type { Hypothesis } from './originals.js'

export interface Weighed {
  /** How many originals are possible. */
  readonly possible: bigint
  /** False where `possible` is an upper bound. */
  readonly exact: boolean
  /** The likeliest originals, in order of their odds. */
  readonly ranked: readonly Candidate[]
}

export interface Candidate {
  readonly text: string
  /** Its share of all weight: 0 to 1. */
  readonly odds: number
  /** The hypotheses that lead to it, the heaviest first. */
  readonly by: readonly Hypothesis[]
}

interface Piece {
  readonly low: bigint
  readonly high: bigint
  readonly weight: number
  readonly by: readonly Hypothesis[]
}

export function weigh(space: Space, hypotheses: readonly Hypothesis[], most: number): Weighed {
  const pieces = split(hypotheses)
  const texts = single(space, hypotheses, pieces)
  let total = [...texts.values()].reduce((sum, { weight }) => sum + weight, 0)
  let possible = BigInt(texts.size)
  let exact = true
  const counted = pieces.map((piece) => {
    const tally = space.count(piece.low, piece.high)
    const apart = [...texts].filter(([, { piece: home }]) => home === piece).map(([text]) => text)
    const count = tally.count - BigInt(apart.length)
    exact &&= tally.exact
    possible += count
    total += piece.weight * Number(count)
    return { piece, count, apart: new Set(apart) }
  })
  const ranked: Candidate[] = [...texts].map(([text, { weight, by }]) => ({
    text,
    odds: weight / total,
    by,
  }))
  for (const { piece, count, apart } of counted.sort((a, b) => b.piece.weight - a.piece.weight)) {
    if (count <= 0n || ranked.length >= most + texts.size) continue
    for (const text of space.list(piece.low, piece.high, most + apart.size)) {
      if (!apart.has(text)) ranked.push({ text, odds: piece.weight / total, by: piece.by })
    }
  }
  ranked.sort((a, b) => b.odds - a.odds)
  return { possible, exact, ranked: ranked.slice(0, most) }
}

function split(hypotheses: readonly Hypothesis[]): Piece[] {
  const sets = hypotheses.flatMap((by) =>
    by.originals.kind === 'integers' ? [{ ...by.originals, by }] : [],
  )
  const starts = [...new Set(sets.flatMap(({ low, high }) => [low < 0n ? 0n : low, high + 1n]))]
  starts.sort((a, b) => (a < b ? -1 : 1))
  return starts.slice(0, -1).flatMap((low, i) => {
    const high = starts[i + 1]! - 1n
    const over = sets.filter((set) => set.low <= low && high <= set.high).map(({ by }) => by)
    return over.length ? [{ low, high, by: heaviest(over), weight: sum(over) }] : []
  })
}

interface Single {
  readonly weight: number
  readonly by: readonly Hypothesis[]
  /** The piece it also lies in: it must not be counted twice. */
  readonly piece: Piece | undefined
}

function single(
  space: Space,
  hypotheses: readonly Hypothesis[],
  pieces: readonly Piece[],
): Map<string, Single> {
  const by = new Map<string, Hypothesis[]>()
  const known = new Map<string, string>()
  for (const hypothesis of hypotheses) {
    if (hypothesis.originals.kind !== 'texts') continue
    for (const text of hypothesis.originals.texts) {
      // Where zeros are padding, one value has many texts; the first stands for all.
      const key = keyOf(space.definition, text)
      const first = known.get(key) ?? text
      known.set(key, first)
      by.set(first, [...(by.get(first) ?? []), hypothesis])
    }
  }
  return new Map(
    [...by].map(([text, list]) => {
      const value = isDigits(text) ? BigInt(text.replace('+', '')) : undefined
      const piece =
        value === undefined
          ? undefined
          : pieces.find(({ low, high }) => low <= value && value <= high)
      const home =
        piece && value !== undefined && space.list(value, value, 64).includes(text)
          ? piece
          : undefined
      const all = heaviest([...new Set([...list, ...(home?.by ?? [])])])
      return [text, { weight: sum(all), by: all, piece: home }]
    }),
  )
}

const sum = (list: readonly Hypothesis[]) => list.reduce((total, { weight }) => total + weight, 0)
const heaviest = (list: readonly Hypothesis[]) => [...list].sort((a, b) => b.weight - a.weight)
