// What a report says of a column: how many values in each verdict, which findings, in which rows, with a
// few telling examples. Grows with the number of kinds of findings, not with the number of values.

import type { FindingCode } from '../channel/channel.js'
import type { ColumnFinding, ValueFinding } from '../inspect/finding.js'
import type { Profile } from '../inspect/profile.js'
import type { BoundColumn } from '../inspect/table.js'
import { VERDICTS, type Verdict } from '../inspect/judgement.js'

export interface ColumnTally {
  readonly file: string
  readonly column: string
  readonly identifiers: readonly string[]
  values: number
  readonly verdicts: Record<Verdict, number>
  readonly findings: Map<FindingCode, FindingTally>
  /** Findings that the steward accepts. */
  accepted: number
  /** What its rows say together. */
  readonly runs: readonly ColumnFinding[]
  /** Padding and precision by identifier, where they were asked for. */
  readonly profiles: readonly (readonly [identifier: string, profile: Profile])[]
}

export interface FindingTally {
  count: number
  readonly rows: RowRanges
  readonly verdicts: Map<Verdict, number>
  /** The first of each verdict and shape. */
  readonly examples: ValueFinding[]
}

/** Runs of rows, from and to included, as many as are worth keeping; `more` counts the rest. */
export interface RowRanges {
  readonly ranges: [number, number][]
  more: number
  last: number
}

const MOST_RANGES = 200
const MOST_EXAMPLES = 3

export function columnTally(
  file: string,
  { header, choice }: BoundColumn,
  runs: readonly ColumnFinding[] = [],
  profiles: ColumnTally['profiles'] = [],
): ColumnTally {
  const bounds = choice.kind === 'one' ? [choice.to] : [...choice.cases.values()]
  return {
    file,
    column: header,
    identifiers: [...new Set(bounds.map(({ definition }) => definition.key))],
    values: 0,
    verdicts: Object.fromEntries(VERDICTS.map((verdict) => [verdict, 0])) as Record<
      Verdict,
      number
    >,
    findings: new Map(),
    accepted: 0,
    profiles,
    runs: runs.filter(({ column }) => column === header),
  }
}

export function addFinding(tally: ColumnTally, finding: ValueFinding): void {
  // A duplicate is intact, and was counted so.
  if (finding.verdict !== 'intact') tally.verdicts[finding.verdict]++
  // It was counted among those that fit.
  if (finding.verdict === 'suspect') tally.verdicts.intact--
  if (finding.finding === null) return
  let entry = tally.findings.get(finding.finding)
  if (!entry) {
    entry = { count: 0, rows: { ranges: [], more: 0, last: -1 }, verdicts: new Map(), examples: [] }
    tally.findings.set(finding.finding, entry)
  }
  entry.count++
  entry.verdicts.set(finding.verdict, (entry.verdicts.get(finding.verdict) ?? 0) + 1)
  addRow(entry.rows, finding.record)
  const alike = (other: ValueFinding) =>
    other.verdict === finding.verdict &&
    shape(other.value) === shape(finding.value) &&
    other.findings.length === finding.findings.length
  if (entry.examples.length < MOST_EXAMPLES && !entry.examples.some(alike))
    entry.examples.push(finding)
}

function addRow(rows: RowRanges, row: number): void {
  const last = rows.ranges.at(-1)
  if (last && rows.more === 0 && row === last[1] + 1) last[1] = row
  else if (rows.ranges.length < MOST_RANGES) rows.ranges.push([row, row])
  else rows.more++
  rows.last = row
}

// Values of one shape teach the same: digits and letters are alike, lengths are not.
const shape = (value: string) => value.replace(/[\p{L}\p{N}]/gu, '•')
