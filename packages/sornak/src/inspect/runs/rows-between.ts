// Some rows of a column, and what is known of the column that they are from: what is asked of each process alike.

import type { Space } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import type { Process } from '../evidence/process.js'
import type { Sums } from '../evidence/sums.js'
import type { ShortGroup } from '../short/group.js'

export interface Column {
  readonly space: Space
  readonly whole: EvidenceState
  readonly processes: readonly Process[]
  /** Where each process stands among them. */
  readonly place: ReadonlyMap<string, number>
  /** All values of the definition have one width. */
  readonly alike: boolean
  readonly everyShort: ShortGroup
}

export interface Rows {
  /** For each process what they say, in 1/256 bit. */
  readonly sums: readonly number[]
  /** Figures of the column before them and behind them. */
  readonly from: Sums
  readonly to: Sums
  /** Their short values. */
  readonly short: ShortGroup
  /** They are a run, and not all rows. */
  readonly isRun: boolean
}
