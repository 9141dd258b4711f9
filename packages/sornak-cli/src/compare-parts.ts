// Two lists that need not fit into memory: values are put into parts by their keys, in temporary files; each part
// is matched by itself, and the pairs of all parts are merged into the order of the lists.

import {
  inOrder,
  keyOfItem,
  matchKnown,
  bucketOf,
  seeker,
  unknownLeft,
  unknownRight,
  type Definition,
  type Item,
  type KnownItem,
  type Pair,
} from 'sornak'
import { heap } from './heaps.js'
import { merged } from './merge.js'
import { desk, type Desk } from './source.js'

/** A part holds about so many bytes of the files. */
const PART = 2 * 1024 * 1024
const MOST_PARTS = 300

export interface Parts {
  left(item: Item): void
  right(item: Item): void
  /** Every pair, in order; once. */
  pairs(visit: (pair: Pair) => void): void
  close(): void
}

/** @param bytes of both files together */
export function parts(definition: Definition, bytes: number): Parts {
  const files = desk()
  const count = Math.max(1, Math.min(MOST_PARTS, Math.ceil(bytes / PART)))
  const make = () => Array.from({ length: count }, () => spill(files))
  const sides = { left: make(), right: make() }
  const unknown = { left: [] as Item[], right: [] as Item[] }

  function put(side: 'left' | 'right', item: Item): void {
    const key = keyOfItem(definition, item)
    if (key === undefined) unknown[side].push(item)
    else sides[side][bucketOf(key, count)]!.add({ item, key })
  }

  function pairs(visit: (pair: Pair) => void): void {
    const found = {
      left: unknown.left.map((): Item[] => []),
      right: unknown.right.map((): Item[] => []),
    }
    const runs = sides.left.map((spilled, i) => {
      const left = [...spilled.items<KnownItem>()]
      const right = [...sides.right[i]!.items<KnownItem>()]
      seekIn(definition, right, unknown.left, found.left)
      seekIn(definition, left, unknown.right, found.right)
      const run = spill(files)
      for (const pair of matchKnown(left, right)) run.add(pair)
      return run.items<Pair>()
    })
    const open = [
      ...unknown.left.map((item, i) => unknownLeft(item, two(found.left[i]!))),
      ...unknown.right.map((item, i) => unknownRight(item, two(found.right[i]!))),
    ]
    merged([...runs, open.values()], inOrder, visit)
  }

  return {
    left: (item) => put('left', item),
    right: (item) => put('right', item),
    pairs,
    close: files.close,
  }
}

function seekIn(
  definition: Definition,
  known: readonly KnownItem[],
  items: readonly Item[],
  found: readonly Item[][],
): void {
  if (items.length === 0) return
  const seek = seeker(definition, known)
  items.forEach((item, i) => {
    if (found[i]!.length < 2) found[i]!.push(...seek(item))
  })
}

const two = (items: readonly Item[]) => [...items].sort((a, b) => a.record - b.record).slice(0, 2)

interface Spill {
  add(value: unknown): void
  items<T>(): Generator<T>
}

// Values as lines of JSON; record numbers are the only numbers in them.
function spill(files: Desk): Spill {
  const { add, lines } = heap(files, 'the comparison')
  return {
    add: (value) => add(JSON.stringify(value)),
    *items<T>() {
      for (const line of lines()) yield JSON.parse(line) as T
    },
  }
}
