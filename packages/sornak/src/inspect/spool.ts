// Where the records are that need a second look: places only, never text. Holds so many and no more;
// what comes after the last one is found by reading on from there.

import type { RecordPlace } from '../rows/reader.js'

export interface Spool {
  add(place: RecordPlace): void
  readonly size: number
  at(i: number): RecordPlace
  /** The first place that found no room; from there on all records are looked at again. */
  readonly readOn: RecordPlace | undefined
}

/** Three 8-byte figures a record: 24 MB when full. */
export const SPOOL_SIZE = 1_000_000

export function spool(most: number = SPOOL_SIZE): Spool {
  let figures = new Float64Array(3 * 1024)
  let size = 0
  let readOn: RecordPlace | undefined
  return {
    get size() {
      return size
    },
    get readOn() {
      return readOn
    },
    add({ index, line, offset }) {
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
    },
    at: (i) => ({ index: figures[i * 3]!, line: figures[i * 3 + 1]!, offset: figures[i * 3 + 2]! }),
  }
}
