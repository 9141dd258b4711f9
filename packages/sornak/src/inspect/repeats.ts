// Values that must be unique: which records hold one that stands in an earlier record too. So many keys are held in
// memory; with more of them all go to heaps outside of it, by their hash, and each heap is looked through by itself.

import type { RecordPlace } from '../rows/reader.js'
import { firstWhere } from './evidence/row-lookup.js'
import { bucketOf, type Heap, type Shelf } from './shelf.js'
import { spool, type Spool } from './spool.js'

export interface Repeats {
  /** True where it is known at once that the key stands in an earlier record. */
  add(key: string, place: RecordPlace): boolean
  /** All records were seen: the repeated ones that were not known at once. */
  settle(): Spool
  /** After that: index of the record in which the key of this one stands first; undefined where that is itself. */
  firstOf(index: number): number | undefined
}

/** Keys that are held in memory: about 10 MB. */
export const KEYS_HELD = 100_000
/** 100 million keys make heaps of 800,000. */
const HEAPS = 128

/** @param shelf where it is left out, all keys are held in memory */
export function repeats(shelf?: Shelf, held: number = KEYS_HELD): Repeats {
  /** For each key the index of the first record that has it. */
  let keys = new Map<string, number>()
  let heaps: readonly Heap[] | undefined
  /** Records that hold a repeated key, in order, and for each the first one. */
  const again: number[] = []
  const firsts: number[] = []

  function add(key: string, place: RecordPlace): boolean {
    if (heaps) {
      layDown(key, place)
      return false
    }
    const first = keys.get(key)
    if (first !== undefined) {
      again.push(place.index)
      firsts.push(first)
      return true
    }
    keys.set(key, place.index)
    if (shelf && keys.size > held) spill(shelf)
    return false
  }

  // Of a first record its index is enough.
  function spill(shelf: Shelf): void {
    heaps = Array.from({ length: HEAPS }, shelf)
    for (const [key, index] of keys) layDown(key, { index, line: 0, offset: 0 })
    keys = new Map()
  }

  const layDown = (key: string, { index, line, offset }: RecordPlace) =>
    heaps![bucketOf(key, HEAPS)]!.add(`${index} ${line} ${offset} ${JSON.stringify(key)}`)

  function settle(): Spool {
    const late: Repeat[] = []
    for (const heap of heaps ?? []) lookThrough(heap, late)
    late.sort((a, b) => a.index - b.index)
    const places = spool(Infinity)
    // All of them stand behind what was known at once.
    for (const repeat of late) {
      places.add(repeat)
      again.push(repeat.index)
      firsts.push(repeat.first)
    }
    return places
  }

  return {
    add,
    settle,
    firstOf(index) {
      const at = firstWhere(again.length, (i) => again[i]! >= index)
      return again[at] === index ? firsts[at] : undefined
    },
  }
}

interface Repeat extends RecordPlace {
  readonly first: number
}

function lookThrough(heap: Heap, found: Repeat[]): void {
  const firsts = new Map<string, number>()
  for (const text of heap.lines()) {
    const [index, line, offset, key] = partsOf(text)
    const first = firsts.get(key)
    if (first === undefined) firsts.set(key, index)
    else found.push({ index, line, offset, first })
  }
}

function partsOf(text: string): [index: number, line: number, offset: number, key: string] {
  const quote = text.indexOf('"')
  const [index, line, offset] = text.slice(0, quote).split(' ')
  return [Number(index), Number(line), Number(offset), text.slice(quote)]
}
