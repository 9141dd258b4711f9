// Two lists of identifiers under one definition -> who is the same as whom. A value that fits, or has one
// mend, is known by its key; one that has not is held against the other list in all ways it could have
// come about.

import type { Definition } from '../identifier/definition.js'
import { keyOf } from '../identifier/fit.js'
import { holds } from '../identifier/holds.js'
import { hypotheses } from '../inspect/ways/originals.js'
import { trustedList } from '../inspect/trusted.js'
import type { FindingCode } from '../channel/channel.js'
import type { Verdict } from '../inspect/judgement.js'

/** One value of a list, as an inspection of its column left it. */
export interface Item {
  /** 1-based data record. */
  readonly record: number
  readonly value: string
  readonly verdict: Verdict
  /** The one original that is left of a damaged value. */
  readonly mend?: string | undefined
  readonly finding?: FindingCode | null
}

export const MATCHES = [
  'same',
  'same-mended',
  'ambiguous',
  'only-left',
  'only-right',
  'duplicate',
] as const
/**
 * - `same`: both fit as they stand;
 * - `same-mended`: the same once one or both are mended;
 * - `ambiguous`: a damaged value that could be one or more of the other list;
 * - `only-left`, `only-right`: nobody on the other side;
 * - `duplicate`: the same stands earlier in its own list.
 */
export type Match = (typeof MATCHES)[number]

export interface Pair {
  readonly match: Match
  readonly left: Item | undefined
  readonly right: Item | undefined
  /** The stored form that both have; undefined where it is not known. */
  readonly value: string | undefined
  /** For `ambiguous`: who of the other side it could be, two at the most. */
  readonly others: readonly Item[]
}

/**
 * Matches two lists in the order of the left one, then what is only on the right. Time grows with the lengths
 * of the lists; both are held in memory. Blank values are left out.
 *
 * @example
 * const crew = identifier({ stored: '{5}' })
 * const one = (record, value, verdict, mend) => ({ record, value, verdict, mend })
 * compareLists(crew, [one(1, '00417', 'intact')], [one(1, '417', 'mendable', '00417')])[0].match // 'same-mended'
 */
export function compareLists(
  definition: Definition,
  left: readonly Item[],
  right: readonly Item[],
): Pair[] {
  const [a, b] = [sorted(definition, left), sorted(definition, right)]
  const pairs = matchKnown(a.known, b.known)
  const unknown = (
    items: readonly Item[],
    others: readonly KnownItem[],
    pair: (item: Item, found: readonly Item[]) => Pair,
  ) => {
    const seek = items.length ? seeker(definition, others) : () => []
    return items.map((item) => pair(item, seek(item)))
  }
  const all = [
    ...pairs,
    ...unknown(a.unknown, b.known, unknownLeft),
    ...unknown(b.unknown, a.known, unknownRight),
  ]
  return all.sort(inOrder)
}

/** A value whose stored form is known, and its key: what makes it the same as another. */
export interface KnownItem {
  readonly item: Item
  readonly key: string
}

/** The key of a value that fits or has one mend; undefined for one that could be several. */
export function keyOfItem(definition: Definition, item: Item): string | undefined {
  if (item.mend === undefined && item.verdict !== 'intact' && item.verdict !== 'suspect')
    return undefined
  const text = stored(item)
  if (item.mend === undefined && !holds(definition, text)) return undefined
  return keyOf(definition, text)
}

/** Pairs of values that are known; lists that are cut by keys in the same way can be matched part by part. */
export function matchKnown(left: readonly KnownItem[], right: readonly KnownItem[]): Pair[] {
  const [a, b] = [firsts(left), firsts(right)]
  const matched = new Set<Item>()
  const pairs: Pair[] = []
  const add = (match: Match, one: Item | undefined, other: Item | undefined) =>
    pairs.push({ match, left: one, right: other, value: stored((one ?? other)!), others: [] })
  for (const { item, key } of left) {
    const other = b.get(key)
    if (a.get(key) !== item) add('duplicate', item, undefined)
    else if (!other) add('only-left', item, undefined)
    else {
      matched.add(other)
      const alike = item.mend === undefined && other.mend === undefined
      add(alike ? 'same' : 'same-mended', item, other)
    }
  }
  for (const { item, key } of right) {
    if (matched.has(item)) continue
    add(b.get(key) === item ? 'only-right' : 'duplicate', undefined, item)
  }
  return pairs
}

/** Finds members of a list that could have become a damaged value, two at the most. */
export function seeker(
  definition: Definition,
  others: readonly KnownItem[],
): (item: Item) => readonly Item[] {
  const by = new Map([...firsts(others).values()].map((item) => [stored(item), item]))
  const list = trustedList(by.keys())
  return ({ value }) => list.among(hypotheses(definition, value)).map((text) => by.get(text)!)
}

/** The pair of a value that could be one or more of the other list, or none. */
export const unknownLeft = (item: Item, others: readonly Item[]): Pair => ({
  match: others.length ? 'ambiguous' : 'only-left',
  left: item,
  right: undefined,
  value: undefined,
  others,
})
export const unknownRight = (item: Item, others: readonly Item[]): Pair => ({
  ...unknownLeft(item, others),
  match: others.length ? 'ambiguous' : 'only-right',
  left: undefined,
  right: item,
})

/** The order of the left list, then of what is only on the right. */
export function inOrder(a: Pair, b: Pair): number {
  if (a.left && b.left) return a.left.record - b.left.record
  if (a.left || b.left) return a.left ? -1 : 1
  return a.right!.record - b.right!.record
}

const stored = ({ mend, value }: Item) => mend ?? value

function sorted(definition: Definition, items: readonly Item[]) {
  const known: KnownItem[] = []
  const unknown: Item[] = []
  for (const item of items) {
    if (item.verdict === 'blank') continue
    const key = keyOfItem(definition, item)
    if (key === undefined) unknown.push(item)
    else known.push({ item, key })
  }
  return { known, unknown }
}

// The first item of each key.
function firsts(items: readonly KnownItem[]): Map<string, Item> {
  const first = new Map<string, Item>()
  for (const { item, key } of items) if (!first.has(key)) first.set(key, item)
  return first
}
