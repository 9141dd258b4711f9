// An inspected table put together for reports: a tally and a strip for each column, while every finding is
// handed on in the order of the file.

import {
  addFinding,
  columnTally,
  mark,
  strip,
  type ColumnFinding,
  type ColumnTally,
  type PageFile,
  type RaggedRecord,
  type ValueFinding,
} from 'sornak'
import type { Told } from './acceptance.js'
import type { InspectedFile } from './inspect.js'

export interface GatherVisitor {
  value(finding: ValueFinding): void
  column(finding: ColumnFinding): void
  ragged(record: RaggedRecord): void
}

export async function gatherFile(
  name: string,
  file: InspectedFile,
  accepted: (finding: Told) => boolean,
  on: GatherVisitor,
): Promise<Omit<PageFile, 'ragged'>> {
  const tallies = new Map<string, ColumnTally>()
  const strips = new Map(
    file.inspection.counts.map(({ column }) => [column.header, strip(file.records)]),
  )
  const runs = file.columns.filter((one) => !accepted(one))
  for (const { column, values, intact, blank, profiles } of file.inspection.counts) {
    const known = [...profiles].map(([key, one]) => [key, one.profile()] as const)
    const tally = columnTally(name, column, runs, known)
    tally.values = values
    tally.verdicts.intact = intact
    tally.verdicts.blank = blank
    tallies.set(column.header, tally)
  }
  await file.second((found) => {
    if (found.kind === 'ragged') return on.ragged(found)
    const tally = tallies.get(found.column)!
    if (accepted(found)) {
      tally.accepted++
      return
    }
    addFinding(tally, found)
    mark(strips.get(found.column)!, found.record, found.verdict)
    on.value(found)
  })
  runs.forEach(on.column)
  return {
    file: name,
    records: file.records,
    columns: [...tallies.values()],
    unbound: file.unbound,
    strips,
  }
}
