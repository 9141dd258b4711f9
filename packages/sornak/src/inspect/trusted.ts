// A list that is known to be right: which of its members could have become what is seen, and whether more
// than one row lays claim to the same member. Members are asked for in order, so that a list need not fit into memory.

import type { ShownNumbers } from '../identifier/shown-numbers.js'
import { firstWhere } from './evidence/row-lookup.js'
import { isPrintedEnd, type Hypothesis, type Originals } from './ways/hypothesis.js'
import { MOST_AMBIGUOUS } from './ways/weights.js'

export interface TrustedList {
  readonly size: number
  has(text: string): boolean
  /** Members that could have become what is seen in one of these ways, two at the most. */
  among(ways: readonly Hypothesis[]): string[]
  /** A row has this member, or can only have come from it. */
  claim(text: string): void
  /** How many rows have; 255 for more. */
  claims(text: string): number
}

/** Keys of members (`memberKey`) in order, each once. */
export interface SortedMembers {
  readonly size: number
  /** How many are less than this key. */
  rankOf(key: string): number
  keyAt(rank: number): string
}

// That a number was cut at its front before it was read or printed keeps no member from being the one; nor does what only
// rows could tell.
const isLikely = (way: Hypothesis) =>
  way.quiet !== true && way.inRows !== true && !isPrintedEnd(way)

/** @param texts stored texts; what stands twice counts once */
export function trustedList(texts: Iterable<string>): TrustedList {
  const keys = [...new Set(Array.from(texts, memberKey))].sort()
  return trustedIn({
    size: keys.length,
    rankOf: (key) => firstWhere(keys.length, (at) => keys[at]! >= key),
    keyAt: (rank) => keys[rank]!,
  })
}

/**
 * What members are sorted by: texts of ASCII, and numbers come first, in order of their values.
 *
 * @example
 * memberKey('417') < memberKey('00981') // true
 */
export function memberKey(text: string): string {
  const digits = /^\+?(\d+)$/.exec(text)?.[1]
  return digits === undefined ? `x${asciiOf(text)}` : `${numberKey(digits)} ${text}`
}

const asciiOf = (text: string): string =>
  JSON.stringify(text).replace(
    /[^ -~]/g,
    (unit) => `\\u${unit.charCodeAt(0).toString(16).padStart(4, '0')}`,
  )

function numberKey(digits: string): string {
  const number = digits.replace(/^0+(?=.)/, '')
  return `${`${number.length}`.padStart(6, '0')}${number}`
}

const textOf = (key: string): string =>
  key.startsWith('x') ? (JSON.parse(key.slice(1)) as string) : key.slice(key.indexOf(' ') + 1)

export function trustedIn({ size, rankOf, keyAt }: SortedMembers): TrustedList {
  const claimed = new Uint8Array(size)

  function rankIfThere(text: string): number | undefined {
    const key = memberKey(text)
    const rank = rankOf(key)
    return rank < size && keyAt(rank) === key ? rank : undefined
  }
  const has = (text: string) => rankIfThere(text) !== undefined

  function* numbersBetween(low: bigint, high: bigint): Generator<string> {
    // No sign sorts between a number and its texts.
    const end = `${numberKey(high.toString())}!`
    for (let i = rankOf(numberKey(low < 0n ? '0' : low.toString())); i < size; i++) {
      const key = keyAt(i)
      if (key > end) return
      yield textOf(key)
    }
  }

  // Those of a form lie as far from each other as the numbers do as which they are shown.
  function* shownBetween({ of, low, high }: Shown): Generator<string> {
    const digits = /^\+?(\d+)$/.exec(of.list(low, high, 1)[0] ?? '')?.[1]
    if (digits === undefined) return
    const first = BigInt(digits)
    for (const text of numbersBetween(first, first + high - low))
      if (of.numbersOf(text).some((value) => low <= value && value <= high)) yield text
  }

  function* membersOf(originals: Originals): Generator<string> {
    const few = fewOf(originals)
    if (few) for (const text of few.filter(has)) yield text
    else if (isShown(originals)) yield* shownBetween(originals)
    else if (originals.kind === 'integers') yield* numbersBetween(originals.low, originals.high)
  }

  return {
    size,
    has,
    among(ways) {
      // Lists that are matched part by part have parts without members.
      if (size === 0) return []
      const found = new Set<string>()
      for (const { originals } of ways.filter(isLikely)) {
        for (const text of membersOf(originals)) {
          if (found.size >= 2) break
          found.add(text)
        }
      }
      return [...found]
    },
    claim(text) {
      const rank = rankIfThere(text)
      if (rank !== undefined && claimed[rank]! < 255) claimed[rank]!++
    },
    claims(text) {
      const rank = rankIfThere(text)
      return rank === undefined ? 0 : claimed[rank]!
    },
  }
}

type Shown = Extract<Originals, { readonly kind: 'integers' }> & { readonly of: ShownNumbers }

const isShown = (originals: Originals): originals is Shown =>
  originals.kind === 'integers' && originals.of !== undefined

// The originals where they are few enough to be asked for one by one; numbers of the list are found by their order.
function fewOf(originals: Originals): readonly string[] | undefined {
  const most = Number(MOST_AMBIGUOUS)
  if (originals.kind === 'texts') return originals.texts
  if (originals.kind === 'subset')
    return originals.subset.count <= MOST_AMBIGUOUS ? originals.subset.list(most) : undefined
  const { of, low, high } = originals
  return of && of.count(low, high).count <= MOST_AMBIGUOUS ? of.list(low, high, most) : undefined
}
