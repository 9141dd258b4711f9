// What the page asks of the worker, and what comes back. Values that the rules hide leave the worker hidden,
// unless their column was revealed.

import type { Match, PlainMap, Rehearsed, Strip, Verdict } from 'sornak'

export interface Requests {
  open: { readonly file: File; readonly layout?: string }
  rules: { readonly file: File }
  /** The row of headers is found where it is not given. */
  choose: { readonly sheet: string | undefined; readonly headerRow?: number | undefined }
  inspect: { readonly rules: PlainMap }
  page: { readonly filter: Filter; readonly from: number; readonly count: number }
  near: { readonly filter: Filter; readonly record: number; readonly column: string }
  rehearse: { readonly rules: PlainMap }
  second: { readonly file: File }
  compare: { readonly rules: PlainMap; readonly column: string; readonly other: string }
  pairs: { readonly match: Match; readonly from: number; readonly count: number }
  mend: { readonly mend: MendChoice; readonly chosen: Readonly<Record<string, string>> }
  export: {
    readonly what: 'mended' | 'report'
    readonly mend: MendChoice
    readonly chosen: Readonly<Record<string, string>>
  }
  reveal: { readonly columns: readonly string[] }
}

export interface Replies {
  open: Opened
  rules: { readonly plain: PlainMap }
  choose: Surveyed
  inspect: Inspected
  page: Page
  near: { readonly index: number }
  rehearse: readonly RehearsedColumn[]
  second: { readonly headers: readonly string[]; readonly name: string }
  compare: Compared
  pairs: readonly ComparedPair[]
  mend: MendCounts
  export: readonly { readonly name: string; readonly blob: Blob }[]
  reveal: null
}

export type Kind = keyof Requests
export type Request = {
  [K in Kind]: { readonly id: number; readonly kind: K; readonly body: Requests[K] }
}[Kind]
export type Reply =
  | { readonly id: number; readonly kind: 'done'; readonly value: Replies[Kind] }
  | { readonly id: number; readonly kind: 'first'; readonly value: Inspected }
  | {
      readonly id: number
      readonly kind: 'progress'
      readonly done: number
      readonly whole: number
    }
  | {
      readonly id: number
      readonly kind: 'problem'
      readonly message: string
      readonly todo: string
    }

export interface Opened {
  readonly name: string
  readonly size: number
  readonly format: string
  readonly sheets: readonly (string | undefined)[]
  readonly notices: readonly string[]
}

export interface SurveyedColumn {
  readonly header: string
  readonly values: number
  readonly blank: number
  readonly kind: string
  /** A catalog entry, or a stored mask of its own. */
  readonly entry: string | undefined
  readonly stored: string | undefined
  readonly others: readonly string[]
  readonly why: string
  readonly widths: readonly (readonly [width: number, count: number])[]
  readonly leadingZeros: number
  readonly beyond15: number
  /** Share of the sample with each finding. */
  readonly damaged: readonly (readonly [code: string, share: number])[]
}

export interface Surveyed {
  readonly sheet: string | undefined
  /** The row of headers, from 1. */
  readonly headerRow: number
  /** Only so many rows were looked at, where the file is long. */
  readonly first: number | undefined
  readonly columns: readonly SurveyedColumn[]
}

export interface InspectedColumn {
  readonly header: string
  readonly identifiers: readonly string[]
  readonly hidden: boolean
  readonly values: number
  readonly verdicts: Readonly<Record<Verdict, number>>
  readonly findings: readonly { readonly code: string; readonly count: number }[]
  readonly accepted: number
  readonly strip: Strip
  readonly evidence: readonly {
    readonly finding: string
    readonly from: number | null
    readonly to: number | null
    readonly bits: number
    readonly why: string
  }[]
}

export interface Inspected {
  /** Only the first rows were looked at yet. */
  readonly first: boolean
  readonly records: number
  readonly columns: readonly InspectedColumn[]
  readonly unbound: readonly string[]
  /** Findings that are listed; all are counted. */
  readonly listed: number
  readonly found: number
  readonly milliseconds: number
}

export interface Filter {
  readonly column?: string | undefined
  readonly verdict?: string | undefined
  readonly finding?: string | undefined
}

export interface Row {
  readonly record: number
  readonly place: string
  readonly key: string | null
  readonly column: string
  readonly identifier: string
  readonly stored: string
  readonly shown: string
  readonly verdict: Verdict
  readonly finding: string | null
  readonly findings: readonly string[]
  readonly mend: string | null
  readonly proof: string | null
  readonly candidates: readonly string[]
  readonly possible: string | null
  readonly why: string
  readonly hidden: boolean
}

export interface Page {
  readonly total: number
  readonly from: number
  readonly rows: readonly Row[]
}

export interface RehearsedColumn {
  readonly header: string
  readonly identifier: string
  readonly results: readonly (Omit<Rehearsed, 'handOver'> & {
    readonly id: string
    readonly title: string
  })[]
  /** How many values were tried, where not all were. */
  readonly sample: number | undefined
}

export interface Compared {
  readonly counts: Readonly<Record<Match, number>>
  readonly left: number
  readonly right: number
}

export interface ComparedPair {
  readonly match: Match
  readonly value: string | null
  readonly left: { readonly record: number; readonly value: string } | null
  readonly right: { readonly record: number; readonly value: string } | null
  readonly others: readonly number[]
}

export type MendChoice = 'none' | 'exact' | 'all'

export interface MendCounts {
  readonly exact: number
  readonly odds: number
  readonly chosen: number
  readonly left: number
}

export const cellKey = (record: number, column: string): string => `${record} ${column}`
