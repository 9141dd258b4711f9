// What some records of a table said in the first pass, as a value that can be sent to another thread and joined to
// what is said by the records behind them: the same as if one thread had looked at all of them.

import { besideEvidence, joinedBeside, type BesideEvidence, type BesideState } from './beside.js'
import { columnEvidence, type ColumnEvidence } from './evidence/column-evidence.js'
import type { EvidenceState } from './evidence/evidence-state.js'
import { joinedEvidence } from './evidence/joined-evidence.js'
import { flat, fromFlat, type FlatRuns } from './evidence/run-state.js'
import type { Sums } from './evidence/sums.js'
import { boundsOf, type Bound, type Table } from './table.js'

export interface InspectedPart {
  /** For each column in order: its values, and those of them that fit or are blank. */
  readonly counts: readonly ValueCounts[]
  /** For each identifier of each column in order. */
  readonly said: readonly { readonly evidence: FlatState; readonly beside: BesideState }[]
}

export interface ValueCounts {
  readonly values: number
  readonly intact: number
  readonly blank: number
}

type FlatState = Omit<EvidenceState, 'runs'> & { readonly runs: readonly FlatRuns<Sums>[] }

/** What one identifier of a column was heard to say. */
export interface Heard {
  readonly evidence: ColumnEvidence
  readonly beside: BesideEvidence
}

/** What is known of each identifier of each column, going on from a part or from nothing. */
export function hearing(table: Table, from?: InspectedPart): ReadonlyMap<Bound, Heard> {
  return new Map(
    bounds(table).map((bound, i) => {
      const { definition } = bound
      const before = from?.said[i]
      const evidence = columnEvidence(definition, before && unflattened(before.evidence))
      return [bound, { evidence, beside: besideEvidence(definition, before?.beside) }]
    }),
  )
}

export function partOf(
  counts: readonly ValueCounts[],
  heard: ReadonlyMap<Bound, Heard>,
): InspectedPart {
  return {
    counts: counts.map(({ values, intact, blank }) => ({ values, intact, blank })),
    said: [...heard.values()].map(({ evidence, beside }) => ({
      evidence: flattened(evidence.state()),
      beside: beside.state(),
    })),
  }
}

/** Two parts, one behind the other. */
export function joinedParts(table: Table, a: InspectedPart, b: InspectedPart): InspectedPart {
  return {
    counts: a.counts.map((one, i) => {
      const { values, intact, blank } = b.counts[i]!
      return {
        values: one.values + values,
        intact: one.intact + intact,
        blank: one.blank + blank,
      }
    }),
    said: bounds(table).map(({ definition }, i) => {
      const [one, other] = [a.said[i]!, b.said[i]!]
      const states = [unflattened(one.evidence), unflattened(other.evidence)] as const
      return {
        evidence: flattened(joinedEvidence(definition, ...states)),
        beside: joinedBeside(one.beside, other.beside),
      }
    }),
  }
}

const bounds = ({ columns }: Table) => columns.flatMap(({ choice }) => boundsOf(choice))

const flattened = ({ runs, ...state }: EvidenceState): FlatState => ({
  ...state,
  runs: runs.map(flat),
})
const unflattened = ({ runs, ...state }: FlatState): EvidenceState => ({
  ...state,
  runs: runs.map(fromFlat),
})
