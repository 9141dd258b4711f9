// The second look at a record: what there is to say of each of its values, when it is known what the columns say together.

import type { RecordPlace } from '../rows/reader.js'
import type { RecordView } from '../rows/record.js'
import type { Companion } from './beside.js'
import type { Context } from './context.js'
import { valueFinding, type ValueFinding } from './finding.js'
import { asDuplicate, asShown } from './judgement.js'
import type { InspectOptions } from './options.js'
import type { RecordValues } from './record-values.js'
import type { Repeats } from './repeats.js'
import { alsoAtWork } from './runs/also-at-work.js'
import type { EvidenceRun } from './runs/evidence-run.js'
import type { ColumnRuns } from './runs/evidence-runs.js'
import { handsBeside } from './runs/own-hands.js'
import { displayDiffers } from './storage.js'
import type { Bound, BoundColumn, Table } from './table.js'
import { judge } from './verdict.js'

/** A record that is not as wide as the header. */
export interface RaggedRecord {
  readonly kind: 'ragged'
  readonly record: number
  readonly line: number | null
  readonly fields: number
  readonly expected: number
}

/** What the first pass knows of the columns; nothing of one whose values are judged by themselves. */
export interface KnownColumns {
  readonly runs: ReadonlyMap<Bound, ColumnRuns>
  /** The columns beside whose damaged values those of this one were converted. */
  readonly company: ReadonlyMap<Bound, readonly Companion[]>
  /** Where values must be unique. */
  readonly repeated: ReadonlyMap<Bound, Repeats>
}

/** What the rows around a value say, and the damaged column beside which it stands. */
type Around = EvidenceRun & Pick<Context, 'beside'>

export type RecordJudge = (view: RecordView, place: RecordPlace) => (ValueFinding | RaggedRecord)[]

/** @param firstRecord index of the first data record in the file */
export function recordJudge(
  table: Table,
  firstRecord: number,
  options: InspectOptions,
  values: RecordValues,
  { runs, company, repeated }: KnownColumns,
): RecordJudge {
  const width = table.headers.length
  const { storage, reveal } = options
  const { isNone, isRagged, choiceOf, quickLook, damagedIn, textOf, keyText } = values

  return (view, place) => {
    if (isNone(view)) return []
    const found: (ValueFinding | RaggedRecord)[] = []
    if (isRagged(view)) {
      const { line } = storage?.place(place.index, 0) ?? place
      const record = place.index - firstRecord + 1
      found.push({ kind: 'ragged', record, line, fields: view.fields, expected: width })
      // With fields too many there is no telling which value belongs to which column.
      if (view.fields > width) return found
    }
    let damaged: readonly number[] | undefined
    const damagedHere = () => (damaged ??= damagedIn(view))
    for (const column of table.columns) {
      const told = valueIn(column, view, place, damagedHere)
      if (told) found.push(told)
    }
    return found
  }

  function valueIn(
    column: BoundColumn,
    view: RecordView,
    place: RecordPlace,
    damagedHere: () => readonly number[],
  ): ValueFinding | undefined {
    const bound = choiceOf(view, column)
    const state = quickLook(view, column, bound)
    if (!bound || state === 'blank') return undefined
    const fits = state === 'fits'
    const run = runAt(bound, fits, view, place.index, damagedHere)
    const twice = fits && bound.definition.unique
    const seen = column.index < view.fields ? textOf(view, column.index) : ''
    const display = storage?.cell(place.index, column.index)?.shown
    const shown = displayDiffers(seen, display) ? display : undefined
    const doubted = run?.suspect === true || run?.limits.has(seen) === true
    if (fits && !doubted && !twice && shown === undefined) return undefined
    const trusted = options.trusted?.get(bound.definition.key)
    const context = run && trusted ? { ...run, trusted } : run
    const judgement = judge(bound.definition, seen, options.candidates, context)
    const first = twice ? repeated.get(bound)?.firstOf(place.index) : undefined
    if (judgement.verdict === 'intact' && first === undefined && shown === undefined)
      return undefined
    const where = {
      file: table.file,
      record: place.index - firstRecord + 1,
      ...(storage?.place(place.index, column.index) ?? { line: place.line }),
      ...(options.sheet !== undefined && { sheet: options.sheet }),
      key: keyText(view),
      column: column.header,
      ...(options.onePass === true && { final: false as const }),
    }
    const whole = first === undefined ? judgement : asDuplicate(judgement, first - firstRecord + 1)
    const told = shown === undefined ? whole : asShown(whole)
    return valueFinding(where, bound.definition, told, seen, reveal, run, shown, options.hiddenWhy)
  }

  // What the rows around a value say, and what those values of its record add that are damaged.
  function runAt(
    bound: Bound,
    fits: boolean,
    view: RecordView,
    index: number,
    damagedHere: () => readonly number[],
  ): Around | undefined {
    const around = runs.get(bound)?.around(index)
    if (!around) return undefined
    if (!fits)
      return table.columns.length > 1 ? besideOthers(around, damagedHere(), view, index) : around
    const others = around.suspect ? undefined : company.get(bound)
    const other = others?.find(({ column }) => damagedHere().includes(column))
    return other ? withCompanion(around, other) : around
  }

  // What struck other values of the record may have struck this one, too.
  function besideOthers(
    around: EvidenceRun,
    damaged: readonly number[],
    view: RecordView,
    index: number,
  ): EvidenceRun {
    const others = table.columns.flatMap((column) => {
      const bound = damaged.includes(column.index) ? choiceOf(view, column) : undefined
      return bound ? [runs.get(bound)?.around(index)] : []
    })
    const beside = others.filter((other) => other !== around)
    return {
      ...around,
      lift: alsoAtWork(around.lift, beside),
      hands: around.hands && handsBeside(around.hands, beside),
    }
  }

  // The rows around a value say nothing against it, those in which another column is damaged do.
  function withCompanion(around: EvidenceRun, one: Companion): Around {
    return {
      ...around,
      bits: one.bits,
      lift: (process) => around.lift(process) + one.lift(process),
      suspect: true,
      zerosGone: true,
      struck: one.struck,
      beside: table.headers[one.column],
    }
  }
}
