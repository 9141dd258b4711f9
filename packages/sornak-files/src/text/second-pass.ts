// The second look at the records of a file that need one.

import type { Inspection, RaggedRecord, Spool, Stretch, ValueFinding } from 'sornak'
import {
  recordView,
  scanRecord,
  type CsvShape,
  type RecordPlace,
  type RecordView,
} from 'sornak/rows'
import { breathe, type Progress, type Source } from '../source.js'
import { readRecords } from './rows.js'

/** What to look at again: single records, and stretches of them in order and apart. */
export interface LookAgain {
  readonly spool: Spool
  readonly again: readonly Stretch[]
  /** Index of the first record that is none of them any more. */
  readonly records: number
}

const WINDOW = 256 * 1024

// Hops from record to record that need a second look; a window of the file is held at a time.
export async function secondPass(
  source: Source,
  shape: CsvShape,
  { judge }: Pick<Inspection, 'judge'>,
  { spool, again, records }: LookAgain,
  say: (found: ValueFinding | RaggedRecord) => void,
  progress: Progress,
): Promise<void> {
  const view = recordView()
  let window = new Uint8Array(WINDOW)
  let windowAt = 0
  let windowSize = 0
  // Finds one record; the place behind it is where the next begins.
  const visit = (place: RecordPlace): RecordPlace => {
    let from = place.offset - windowAt
    if (
      from < 0 ||
      from >= windowSize ||
      !scanRecord(view, window, from, windowSize, shape, windowAt + windowSize >= source.size)
    ) {
      for (;;) {
        windowAt = place.offset
        windowSize = source.read(window, windowAt)
        from = 0
        if (scanRecord(view, window, 0, windowSize, shape, windowAt + windowSize >= source.size))
          break
        window = new Uint8Array(window.length * 2)
      }
    }
    for (const found of judge(view, place)) say(found)
    return {
      index: place.index + 1,
      line: place.line + view.breaks,
      offset: windowAt + view.end,
    }
  }
  let visited = 0
  const pause = async (place: RecordPlace) => {
    if (visited++ % 4096 !== 0) return
    progress.at(place.offset, source.size)
    await breathe()
  }
  const through = async ({ from, to }: Stretch) => {
    for (let place = from; place.index <= to.index;) {
      await pause(place)
      place = visit(place)
    }
  }
  // Records that need a second look, and whole stretches of them, in order and each once.
  const stretches = [...again]
  let done = -1
  const upTo = async (index: number) => {
    while (stretches[0] && stretches[0].from.index <= index) {
      const stretch = stretches.shift()!
      await through(stretch)
      done = stretch.to.index
    }
  }
  for (let i = 0; i < spool.size; i++) {
    const place = spool.at(i)
    await upTo(place.index)
    if (place.index <= done) continue
    await pause(place)
    visit(place)
  }
  await upTo(spool.readOn ? spool.readOn.index : Infinity)
  if (spool.readOn) {
    const judgeOn = (one: RecordView, place: RecordPlace) => {
      if (place.index < records && place.index > done)
        for (const found of judge(one, place)) say(found)
    }
    await readRecords(source, shape, spool.readOn, judgeOn, progress)
  }
  progress.clear()
}
