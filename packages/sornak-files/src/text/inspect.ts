// The two passes over one file: bytes through the row reader into an inspection, then a second look at
// the records that need it.

import type { ColumnFinding, Inspection, RaggedRecord, ValueFinding } from 'sornak'
import type { RecordPlace, RecordView } from 'sornak/rows'
import type { Progress, Source } from '../source.js'
import {
  boundTable,
  inspectionOf,
  unboundOf,
  withoutHeader,
  type FileOptions,
  type FileRule,
} from './bound-table.js'
import { delay } from './delay.js'
import { openRows, readRecords } from './rows.js'
import { secondPass } from './second-pass.js'
import { utf8Check } from './utf8.js'

export interface InspectedFile {
  readonly inspection: Inspection
  readonly records: number
  readonly unbound: readonly string[]
  readonly notices: readonly string[]
  /** What the rows of each column say together. */
  readonly columns: readonly ColumnFinding[]
  /** Runs the second pass and hands over what there is to say, in the order of the file. */
  second(say: (found: ValueFinding | RaggedRecord) => void): Promise<void>
}

export async function inspectFile(
  source: Source,
  rule: FileRule,
  options: FileOptions,
  progress: Progress,
): Promise<InspectedFile> {
  const { shape, first } = openRows(source)
  const delayed = delay(rule.skipLast)
  let inspected: Inspection | undefined
  let records = 0
  let notices: readonly string[] = []
  const onRecord = (view: RecordView, place: RecordPlace) => {
    if (place.index < rule.headerRow - 1) return
    if (!inspected) {
      const bound = boundTable(view, place.line, shape, source, rule, options.allowMissing)
      notices = bound.notices
      inspected = inspectionOf(bound.table, shape, source, rule, options)
      return
    }
    const there = inspected
    delayed.push(view, place, shape, (one, where) => {
      records++
      there.look(one, where)
    })
  }
  await readRecords(source, shape, first, onRecord, progress, utf8Check(source.name))
  progress.clear()
  if (!inspected) throw withoutHeader(source, rule)
  const there = inspected
  const { columns, again } = there.conclude()
  const look = { spool: there.spool, again, records: records + rule.headerRow }
  return {
    inspection: there,
    records,
    unbound: unboundOf(there.table),
    notices,
    columns,
    second: (say) => secondPass(source, shape, there, look, say, progress),
  }
}
