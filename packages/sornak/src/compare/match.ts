// Two lists of identifiers under one definition -> who is the same as whom. A value that fits, or has one
// mend, is known by its key; one that has not is held against the other list in all ways it could have
// come about.

import type { Definition } from '../identifier/definition.js'
import { fit, keyOf } from '../identifier/fit.js'
import { hypotheses } from '../inspect/originals.js'
import { trustedList } from '../inspect/trusted.js'
import type { FindingCode } from '../channel/channel.js'
import type { Verdict } from '../inspect/verdict.js'

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
  const [a, b] = [known(definition, left), known(definition, right)]
  const matched = new Set<Item>()
  const pairs: Pair[] = []
  const add = (
    match: Match,
    one: Item | undefined,
    other: Item | undefined,
    value?: string,
    others: readonly Item[] = [],
  ) => pairs.push({ match, left: one, right: other, value, others })
  for (const item of left) {
    if (item.verdict === 'blank') continue
    const key = a.keys.get(item)
    if (key === undefined) {
      const others = candidates(definition, item, b.first)
      add(others.length ? 'ambiguous' : 'only-left', item, undefined, undefined, others)
      continue
    }
    const value = stored(item)
    if (a.first.get(key) !== item) {
      add('duplicate', item, undefined, value)
      continue
    }
    const other = b.first.get(key)
    if (!other) add('only-left', item, undefined, value)
    else {
      matched.add(other)
      const alike = item.mend === undefined && other.mend === undefined
      add(alike ? 'same' : 'same-mended', item, other, value)
    }
  }
  for (const item of right) {
    if (item.verdict === 'blank' || matched.has(item)) continue
    const key = b.keys.get(item)
    if (key === undefined) {
      const others = candidates(definition, item, a.first)
      add(others.length ? 'ambiguous' : 'only-right', undefined, item, undefined, others)
    } else
      add(b.first.get(key) === item ? 'only-right' : 'duplicate', undefined, item, stored(item))
  }
  return pairs
}

interface Known {
  readonly keys: ReadonlyMap<Item, string>
  /** The first item of each key. */
  readonly first: ReadonlyMap<string, Item>
}

const stored = ({ mend, value }: Item) => mend ?? value

function known(definition: Definition, items: readonly Item[]): Known {
  const keys = new Map<Item, string>()
  const first = new Map<string, Item>()
  for (const item of items) {
    if (item.mend === undefined && item.verdict !== 'intact' && item.verdict !== 'suspect') continue
    const text = stored(item)
    if (item.mend === undefined && !fit(definition, text).ok) continue
    const key = keyOf(definition, text)
    keys.set(item, key)
    if (!first.has(key)) first.set(key, item)
  }
  return { keys, first }
}

const lists = new WeakMap<ReadonlyMap<string, Item>, ReturnType<typeof listOf>>()

// Members of the other list that could have become what is seen.
function candidates(
  definition: Definition,
  { value }: Item,
  others: ReadonlyMap<string, Item>,
): Item[] {
  let list = lists.get(others)
  if (!list) lists.set(others, (list = listOf(others)))
  return list.trusted.among(hypotheses(definition, value)).map((text) => list.by.get(text)!)
}

function listOf(others: ReadonlyMap<string, Item>) {
  const by = new Map([...others.values()].map((item) => [stored(item), item]))
  return { by, trusted: trustedList(by.keys()) }
}
