// What one thread does for the inspection of a file in parts: looks at some records, or judges some.

import {
  bindTable,
  SPOOL_SIZE,
  spool,
  type ColumnFinding,
  type Inspection,
  type InspectedPart,
  type RaggedRecord,
  type Stretch,
  type ValueFinding,
} from 'sornak'
import type { CsvShape, RecordPlace } from 'sornak/rows'
import { noProgress, type Source } from '../source.js'
import { inspectionOf, type FileOptions, type FileRule } from './bound-table.js'
import { readRecords } from './rows.js'
import { secondPass } from './second-pass.js'
import type { Segment } from './segments.js'

/** What the records of a segment said. */
export interface Looked {
  readonly part: InspectedPart
  /** Where those are that need a second look, in figures; undefined where there are too many to say. */
  readonly places: Float64Array | undefined
  /** Places between them at which the second pass may begin. */
  readonly marks: readonly RecordPlace[]
}

export interface Concluded {
  readonly columns: readonly ColumnFinding[]
  readonly again: readonly Stretch[]
}

/** Records that need a second look, among them stretches of which all do. */
export interface Piece {
  readonly places: Float64Array
  readonly again: readonly Stretch[]
}

export interface PartWork {
  /** First pass over some records. */
  look(segment: Segment): Promise<Looked>
  /** The first pass has ended, with what all records said. */
  conclude(whole: InspectedPart): Concluded
  /** Second pass over some records: what there is to say of them, in order. */
  judge(piece: Piece): Promise<readonly (ValueFinding | RaggedRecord)[]>
}

const MARK = 256 * 1024

/** @param headers of the table, as they were found in the file */
export function partWork(
  source: Source,
  shape: CsvShape,
  headers: readonly string[],
  rule: FileRule,
  options: FileOptions,
): PartWork {
  const { table } = bindTable(source.file ?? source.name, headers, rule)
  const fresh = (from?: InspectedPart) => inspectionOf(table, shape, source, rule, options, from)
  let whole: Inspection | undefined
  return {
    async look({ from, to }) {
      const inspected = fresh()
      const marks: RecordPlace[] = []
      let marked = from.offset
      await readRecords(
        upTo(source, to.offset),
        shape,
        from,
        (view, place) => {
          if (place.offset - marked >= MARK) {
            marks.push({ ...place })
            marked = place.offset
          }
          inspected.look(view, place)
        },
        noProgress,
      )
      const { readOn } = inspected.spool
      return {
        part: inspected.part(),
        places: readOn ? undefined : inspected.spool.figures(),
        marks,
      }
    },
    conclude(part) {
      whole = fresh(part)
      return whole.conclude()
    },
    async judge({ places, again }) {
      const found: (ValueFinding | RaggedRecord)[] = []
      const look = { spool: spool(SPOOL_SIZE, places), again, records: Infinity }
      await secondPass(source, shape, whole!, look, (one) => found.push(one), noProgress)
      return found
    },
  }
}

// The bytes before a place, as if there were no others.
const upTo = (source: Source, end: number): Source => ({
  ...source,
  size: end,
  read: (into, at) => source.read(into.subarray(0, Math.max(0, end - at)), at),
})
