// Inspects one table in two passes. The first tells apart, in bytes, what fits and what needs a
// second look; the second judges that as text. Values that fit never become text.

import { keyOf } from '../identifier/fit.js'
import type { RecordPlace } from '../rows/reader.js'
import type { RecordView } from '../rows/record.js'
import { companions, type Companion } from './beside.js'
import { columnFindings, storageFindings, type ColumnFinding } from './finding.js'
import { hearing, partOf, type Heard, type InspectedPart } from './inspected-part.js'
import type { InspectOptions } from './options.js'
import { profiler, type Profiler } from './profile.js'
import { recordJudge, type RecordJudge } from './record-judge.js'
import { recordValues } from './record-values.js'
import { repeats, type Repeats } from './repeats.js'
import type { EvidenceRun } from './runs/evidence-run.js'
import { columnRuns, type ColumnRuns } from './runs/evidence-runs.js'
import { spool, type Spool } from './spool.js'
import { displayDiffers, storedCounts, type StoredCounts } from './storage.js'
import { boundsOf, type Bound, type BoundColumn, type Table } from './table.js'
import type { TrustedList } from './trusted.js'
import { saysNothing } from './ways/no-value.js'
import { hypotheses } from './ways/originals.js'

/** What looks at every value of a column. */
interface Watch extends Partial<Heard> {
  readonly trusted: TrustedList | undefined
  readonly profile: Profiler | undefined
}

/** What one column holds, as far as the first pass can tell. Sums of two parts are those of the whole. */
export interface ColumnCounts {
  readonly column: BoundColumn
  values: number
  intact: number
  blank: number
  /** Where it was asked for: one for each identifier of the column. */
  readonly profiles: ReadonlyMap<string, Profiler>
  /** Where it is known: what the cells are stored as. */
  readonly stored: StoredCounts
}

export interface Inspection {
  readonly table: Table
  readonly counts: readonly ColumnCounts[]
  readonly spool: Spool
  /**
   * The first pass has ended: what the columns say together, and the runs of records in which values that
   * fit must be looked at again too, in order and apart.
   */
  conclude(): { readonly columns: readonly ColumnFinding[]; readonly again: readonly Stretch[] }
  /** First pass: one data record. */
  look(view: RecordView, place: RecordPlace): void
  /** What the records said so far, and how many values there were; what must be unique is not in it. */
  part(): InspectedPart
  /** Second pass: what there is to say of one record, column by column. */
  readonly judge: RecordJudge
}

/** Records from one to another, both included. */
export interface Stretch {
  readonly from: RecordPlace
  readonly to: RecordPlace
}

/**
 * @param firstRecord index of the first data record in the file
 * @param from what the records before have said
 */
export function inspection(
  table: Table,
  firstRecord: number,
  options: InspectOptions,
  from?: InspectedPart,
): Inspection {
  const width = table.headers.length
  const { reveal, quote } = options
  const values = recordValues(table, quote, reveal)
  const { isNone, isRagged, choiceOf, quickLook, textOf } = values
  const counts = table.columns.map((column, i): ColumnCounts => ({
    column,
    values: 0,
    intact: 0,
    blank: 0,
    ...from?.counts[i],
    stored: storedCounts(),
    profiles: new Map(
      options.profile === true
        ? boundsOf(column.choice).map(({ definition }) => [definition.key, profiler(definition)])
        : [],
    ),
  }))
  const second = spool()
  const { storage } = options
  const heard = options.onePass === true ? undefined : hearing(table, from)
  /** What watches the values of each column, where it holds one identifier. */
  const watches: Watch[] = []
  /** Where values must be unique. */
  const repeated = new Map<Bound, Repeats>()
  const runs = new Map<Bound, ColumnRuns>()
  const company = new Map<Bound, readonly Companion[]>()
  for (const { column, profiles } of counts)
    if (column.choice.kind === 'one') watches[column.index] = watchOf(column.choice.to, profiles)

  function watchOf(bound: Bound, profiles: ColumnCounts['profiles']): Watch {
    const { key } = bound.definition
    return {
      ...heard?.get(bound),
      trusted: options.trusted?.get(key),
      profile: profiles.get(key),
    }
  }

  function look(view: RecordView, place: RecordPlace): void {
    if (isNone(view)) return
    let again = isRagged(view)
    const shifted = again && view.fields > width
    let damaged: number[] | undefined
    for (const count of counts) {
      count.values++
      if (shifted) continue
      const { column } = count
      const bound = choiceOf(view, column)
      const state = quickLook(view, column, bound)
      if (!bound || state === 'blank') {
        count.blank++
        continue
      }
      const watch = watches[column.index] ?? watchOf(bound, count.profiles)
      const { trusted, profile } = watch
      if (profile && column.index < view.fields) profile.add(textOf(view, column.index))
      if (storage) again = noteStored(count, view, place.index) || again
      if (state === 'fits') {
        count.intact++
        trusted?.claim(textOf(view, column.index))
        if (bound.definition.unique && isRepeated(bound, textOf(view, column.index), place))
          again = true
        const [start, end] = [view.starts[column.index]!, view.ends[column.index]!]
        if (watch.evidence?.fits(view.bytes, start, end, place)) again = true
      } else {
        again = true
        const seen = column.index < view.fields ? textOf(view, column.index) : ''
        if (saysNothing(seen)) continue
        if (counts.length > 1) (damaged ??= []).push(column.index)
        watch.evidence?.misfit(seen, place)
        const [one, other] = trusted?.among(hypotheses(bound.definition, seen)) ?? []
        if (one !== undefined && other === undefined) trusted?.claim(one)
      }
    }
    if (damaged) lookBeside(view, damaged)
    if (again) second.add(place)
  }

  // What the values say that fit, in a record in which others do not.
  function lookBeside(view: RecordView, damaged: readonly number[]): void {
    for (const { column, profiles } of counts) {
      const { index } = column
      const bound = damaged.includes(index) ? undefined : choiceOf(view, column)
      if (!bound || quickLook(view, column, bound) !== 'fits') continue
      const watch = watches[index] ?? watchOf(bound, profiles)
      watch.beside?.fits(view.bytes, view.starts[index]!, view.ends[index]!, damaged)
    }
  }

  // True where what is shown is not what is stored.
  function noteStored({ column, stored }: ColumnCounts, view: RecordView, index: number): boolean {
    const cell = storage!.cell(index, column.index)
    if (!cell || column.index >= view.fields) return false
    if (cell.as) stored.as[cell.as]++
    const text = textOf(view, column.index)
    if (!displayDiffers(text, cell.shown)) return false
    stored.differs++
    stored.example ??= { stored: text, shown: cell.shown }
    return true
  }

  function conclude() {
    for (const known of repeated.values()) second.join(known.settle())
    const stretches: Stretch[] = []
    const told = new Map<number, EvidenceRun[]>()
    const each = counts.flatMap(({ column, stored }) =>
      boundsOf(column.choice).map((bound) => ({ column, stored, bound })),
    )
    for (const { column, bound } of each) {
      const known = heard?.get(bound)
      if (!known) continue
      const state = known.evidence.state()
      const found = columnRuns(bound.definition, state)
      runs.set(bound, found)
      company.set(bound, companions(bound.definition, known.beside.state(), state))
      told.set(column.index, [...(told.get(column.index) ?? []), ...found.told])
      for (const { from, to } of found.suspects) stretches.push({ from, to })
    }
    const others = { headers: table.headers, runs: told }
    const columns = each.flatMap(({ column: { header, index }, stored, bound }) => {
      const { definition } = bound
      const where = { file: table.file, sheet: options.sheet, column: header, index, firstRecord }
      const found = runs.get(bound)
      return [
        ...(found ? columnFindings(where, definition, found, company.get(bound)!, others) : []),
        ...storageFindings(where, definition, stored, storage?.types[index], reveal),
      ]
    })
    return { columns, again: apart(stretches) }
  }

  function isRepeated(bound: Bound, text: string, place: RecordPlace): boolean {
    let known = repeated.get(bound)
    if (!known) repeated.set(bound, (known = repeats(options.shelf)))
    return known.add(keyOf(bound.definition, text), place)
  }

  const part = () => partOf(counts, heard ?? new Map())
  const judge = recordJudge(table, firstRecord, options, values, { runs, company, repeated })
  return { table, counts, spool: second, look, part, conclude, judge }
}

// Stretches that touch become one.
function apart(stretches: readonly Stretch[]): Stretch[] {
  const sorted = [...stretches].sort((a, b) => a.from.index - b.from.index)
  const found: Stretch[] = []
  for (const one of sorted) {
    const last = found.at(-1)
    if (!last || last.to.index < one.from.index) found.push(one)
    else if (last.to.index < one.to.index) found[found.length - 1] = { from: last.from, to: one.to }
  }
  return found
}
