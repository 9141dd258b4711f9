// A file cut into stretches of records of about the same size, so that several threads can look at them: only where
// they begin and end is found, which is a small part of the work.

import { rowReader, type CsvShape, type RecordPlace, type RecordVisitor } from 'sornak/rows'
import { breathe, type Progress, type Source } from '../source.js'
import { placed } from './rows.js'
import { utf8Check } from './utf8.js'

/** Records one behind the other. */
export interface Segment {
  readonly from: RecordPlace
  /** The place behind the last of them. */
  readonly to: RecordPlace
}

/** A size at which starting to work on one costs little beside the work, in bytes. */
export const SEGMENT: number = 4 * 1024 * 1024

const CHUNK = 1024 * 1024

/**
 * Segments in order, each as soon as its end is found.
 *
 * @param least size of all but the last, in bytes
 * @param headerRow the first record of the first segment
 * @param header hears of the record before it
 */
export async function* segmentsOf(
  source: Source,
  shape: CsvShape,
  first: RecordPlace,
  headerRow: number,
  header: RecordVisitor,
  progress: Progress,
  least: number,
): AsyncGenerator<Segment> {
  const check = utf8Check(source.name)
  let from: RecordPlace | undefined
  let found: Segment[] = []
  const reader = rowReader(
    shape,
    (view, place) => {
      if (place.index === headerRow - 1) header(view, place)
      if (place.index < headerRow) return
      from ??= { ...place }
      if (place.offset - from.offset < least) return
      const to = { ...place }
      found.push({ from, to })
      from = to
    },
    first,
  )
  try {
    for (let at = first.offset; ;) {
      const room = reader.room(CHUNK).subarray(0, CHUNK)
      const size = source.read(room, at)
      if (size === 0) break
      check.feed(room.subarray(0, size))
      reader.filled(size)
      at += size
      progress.at(at, source.size)
      yield* found
      found = []
      await breathe()
    }
    check.end()
    reader.end()
  } catch (error) {
    throw placed(error, source)
  }
  yield* found
  if (from && from.index < reader.place.index) yield { from, to: { ...reader.place } }
}
