// What inspection hands on: one object for each value worth a line, with everything hidden that the
// rules file hides. Reports take these and nothing else.

import type { FindingCode } from '../channel/channel.js'
import type { Definition } from '../identifier/definition.js'
import { holds } from '../identifier/holds.js'
import { hide, hidesAnything, REVEAL_ALL, REVEAL_NONE } from '../identifier/reveal.js'
import type { Companion } from './beside.js'
import { channelOf } from './evidence/process-channel.js'
import {
  besideWhy,
  displayWhy,
  openWhy,
  runWhy,
  smallWhy,
  storedWhy,
  why,
  zerosWhy,
} from './messages.js'
import type { EvidenceRun } from './runs/evidence-run.js'
import type { ColumnRuns } from './runs/evidence-runs.js'
import { tooSmall, type ColumnType, type StoredCounts } from './storage.js'
import type { Judgement, Verdict } from './judgement.js'

export interface ValueFinding {
  readonly kind: 'value'
  readonly file: string
  /** 1-based data record, the header not counted. */
  readonly record: number
  /** Physical line on which the record starts; null where the file has no lines. */
  readonly line: number | null
  /** In a workbook: the sheet, and the cell such as `B7`. */
  readonly sheet?: string | undefined
  readonly cell?: string | undefined
  readonly key: string | null
  readonly column: string
  /** The rows of the column were not asked together: the verdict may be another when they are. */
  readonly final?: false
  readonly identifier: string
  readonly value: string
  readonly hidden: boolean
  readonly verdict: Verdict
  readonly finding: FindingCode | null
  readonly findings: readonly FindingCode[]
  readonly mend: string | null
  readonly proof: 'exact' | 'odds' | null
  readonly candidates: readonly string[]
  readonly possible: bigint | null
  readonly bits: number | null
  /** What the display format makes of it, where that is something else. */
  readonly shown?: string
  readonly why: string
  /** The same, saying no more than the rules file lets be seen; where it was asked for. */
  readonly hiddenWhy?: string
}

export interface Where {
  readonly file: string
  readonly record: number
  readonly line: number | null
  readonly sheet?: string | undefined
  readonly cell?: string | undefined
  readonly key: string | null
  readonly column: string
  readonly final?: false
}

export function valueFinding(
  where: Where,
  definition: Definition,
  judgement: Judgement,
  seen: string,
  reveal: boolean,
  run?: EvidenceRun,
  shown?: string,
  both = false,
): ValueFinding {
  const hidden = !reveal && hidesAnything(definition.reveal)
  const say = sayer(definition, reveal)
  const listed = definition.sensitivity === 'secret' && hidden ? [] : judgement.candidates
  return {
    kind: 'value',
    ...where,
    identifier: definition.key,
    value: say(seen),
    hidden,
    verdict: judgement.verdict,
    finding: judgement.findings[0] ?? null,
    findings: judgement.findings,
    mend: judgement.mend === undefined ? null : say(judgement.mend),
    proof: judgement.proof ?? null,
    candidates: listed.map(({ text }) => say(text)),
    possible: judgement.possible,
    bits: run?.bits || null,
    ...(shown !== undefined && { shown: say(shown) }),
    why: why(
      hidden ? definition : { ...definition, reveal: REVEAL_ALL },
      judgement,
      seen,
      shown === undefined ? undefined : say(shown),
    ),
    ...(both && {
      hiddenWhy: why(definition, judgement, seen, shown && sayer(definition, false)(shown)),
    }),
  }
}

export interface ColumnPlace {
  readonly file: string
  readonly sheet?: string | undefined
  readonly column: string
}

/** What the rows of a column say together. */
export interface ColumnFinding {
  readonly kind: 'column'
  readonly file: string
  readonly sheet?: string | undefined
  readonly column: string
  readonly identifier: string
  readonly finding: FindingCode
  /** The conversion at work; null where none is named. */
  readonly channel: string | null
  /** First and last record, 1-based; null where it is the whole column. */
  readonly from: number | null
  readonly to: number | null
  readonly bits: number
  /** Other columns that were converted in the same rows, or that are damaged in them. */
  readonly alongside?: readonly string[]
  readonly why: string
  /** Of that: what leaves its values open that zeros may have been lost from, and what would settle it. */
  readonly open?: string
}

/** What is known of the other columns of the table. */
export interface Others {
  readonly headers: readonly string[]
  /** Their runs that are told, by the index of the column. */
  readonly runs: ReadonlyMap<number, readonly EvidenceRun[]>
}

export function columnFindings(
  {
    file,
    sheet,
    column,
    index,
    firstRecord,
  }: ColumnPlace & { readonly index: number; readonly firstRecord: number },
  { key }: Definition,
  { told, zerosAbsent }: ColumnRuns,
  beside: readonly Companion[],
  { headers, runs }: Others,
): ColumnFinding[] {
  const common = { kind: 'column', file, sheet, column, identifier: key } as const
  const found = told.map((run): ColumnFinding => {
    const [from, to] = [run.from.index - firstRecord + 1, run.to.index - firstRecord + 1]
    const alongside = [...runs].flatMap(([other, list]) =>
      other !== index && list.some((one) => areSame(one, run)) ? [headers[other]!] : [],
    )
    const open = openWhy(run)
    return {
      ...common,
      finding: 'run-converted',
      channel: run.channel,
      from,
      to,
      bits: run.bits,
      ...(alongside.length && { alongside }),
      why: runWhy(run, from, to, alongside),
      ...(open !== undefined && { open }),
    }
  })
  for (const one of beside) {
    const channel = channelOf(one.process)
    // Runs that say the same say it better.
    if (told.some((run) => run.suspect && run.channel === channel)) continue
    const other = headers[one.column]!
    found.push({
      ...common,
      finding: 'rows-converted',
      channel,
      from: null,
      to: null,
      bits: one.bits,
      alongside: [other],
      why: besideWhy(one, channel, other),
    })
  }
  // Zeros that are missing where some conversion was at work are its doing; elsewhere a column may
  // simply have none.
  if (zerosAbsent >= ZEROS_BITS && told.length)
    found.push({
      ...common,
      finding: 'zeros-absent',
      channel: null,
      from: null,
      to: null,
      bits: zerosAbsent,
      why: zerosWhy(zerosAbsent),
    })
  return found
}

const ZEROS_BITS = 32

// Most rows of either run are rows of both.
function areSame(a: EvidenceRun, b: EvidenceRun): boolean {
  const from = Math.max(a.from.index, b.from.index)
  const to = Math.min(a.to.index, b.to.index)
  const all = Math.max(a.to.index, b.to.index) - Math.min(a.from.index, b.from.index) + 1
  return (to - from + 1) * 5 >= all * 4
}

/** What the storage of a column means for its identifier: each thing once a column. */
export function storageFindings(
  { file, sheet, column }: ColumnPlace,
  definition: Definition,
  stored: StoredCounts,
  type: ColumnType | undefined,
  reveal: boolean,
): ColumnFinding[] {
  const of = (finding: FindingCode, reason: string): ColumnFinding => ({
    kind: 'column',
    file,
    sheet,
    column,
    identifier: definition.key,
    finding,
    channel: null,
    from: null,
    to: null,
    bits: 0,
    why: reason,
  })
  const found: ColumnFinding[] = []
  if (type?.as !== undefined || Object.values(stored.as).some((count) => count > 0))
    found.push(of('stored-as-number', storedWhy(stored, type)))
  const small = type && tooSmall(definition, type)
  if (small !== undefined) found.push(of('type-too-small', smallWhy(type!, small)))
  if (stored.example) {
    const say = sayer(definition, reveal)
    const { stored: text, shown } = stored.example
    found.push(of('display-differs', displayWhy(stored.differs, say(text), say(shown))))
  }
  return found
}

/** Says a text as the definition lets it be seen: parts are revealed only of a text that fits. */
export function sayer(definition: Definition, reveal: boolean): (text: string) => string {
  if (reveal || !hidesAnything(definition.reveal)) return (text) => text
  return (text) => hide(text, holds(definition, text) ? definition.reveal : REVEAL_NONE)
}
