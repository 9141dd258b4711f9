// Where the records are that need a second look: places only, never text. Holds so many and no more;
// what comes after the last one is found by reading on from there.

import type { RecordPlace } from '../rows/reader.js'

export interface Spool {
  add(place: RecordPlace): void
  /** Takes in the places of another one, in order. */
  join(other: Spool): void
  /** Index, line and offset of each place, one behind the other. */
  figures(): Float64Array
  readonly size: number
  at(i: number): RecordPlace
  /** The first place that found no room; from there on all records are looked at again. */
  readonly readOn: RecordPlace | undefined
}

/** Three 8-byte figures a record: 24 MB when full. */
export const SPOOL_SIZE = 1_000_000

/** @param from the figures of places that it holds already */
export function spool(most: number = SPOOL_SIZE, from?: Float64Array): Spool {
  let figures = from ?? new Float64Array(3 * 1024)
  let size = from ? from.length / 3 : 0
  let readOn: RecordPlace | undefined

  function add({ index, line, offset }: RecordPlace): void {
    if (readOn) return
    if (size === most) {
      readOn = { index, line, offset }
      return
    }
    if ((size + 1) * 3 > figures.length) {
      const grown = new Float64Array(Math.min(figures.length * 2, most * 3))
      grown.set(figures)
      figures = grown
    }
    figures.set([index, line, offset], size * 3)
    size++
  }
  const at = (i: number) => placeIn(figures, i)

  function join(other: Spool): void {
    if (other.size === 0) return
    const [own, count, end] = [figures, size, readOn]
    figures = new Float64Array(3 * 1024)
    size = 0
    readOn = undefined
    let next = 0
    const upTo = (index: number) => {
      while (next < other.size && other.at(next).index < index) add(other.at(next++))
    }
    for (let i = 0; i < count; i++) {
      const place = placeIn(own, i)
      upTo(place.index)
      if (next < other.size && other.at(next).index === place.index) next++
      add(place)
    }
    upTo(end ? end.index : Infinity)
    if (end) readOn ??= end
  }

  return {
    get size() {
      return size
    },
    get readOn() {
      return readOn
    },
    figures: () => figures.slice(0, size * 3),
    add,
    join,
    at,
  }
}

const placeIn = (figures: Float64Array, i: number): RecordPlace => ({
  index: figures[i * 3]!,
  line: figures[i * 3 + 1]!,
  offset: figures[i * 3 + 2]!,
})
