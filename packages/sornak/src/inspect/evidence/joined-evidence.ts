// Parts of a column put together: the same as if all their rows had been one part.

import type { Definition } from '../../identifier/definition.js'
import { columnEvidence } from './column-evidence.js'
import { behind, type EvidenceState, type Row } from './evidence-state.js'
import { bytesOf } from './printed-digits.js'

/** What two parts say, one behind the other: the same as if all rows had been one part. */
export function joinedEvidence(
  definition: Definition,
  a: EvidenceState,
  b: EvidenceState,
): EvidenceState {
  if (!b.first) return a
  if (!a.first) return b
  return behind(fed(definition, a, b.first), b)
}

/** The state of all rows there are: the first value has nothing before it. */
export function settled(definition: Definition, state: EvidenceState): EvidenceState {
  if (!state.first) return state
  const empty = columnEvidence(definition).state()
  return { ...behind(fed(definition, empty, state.first), state), first: undefined }
}

function fed(definition: Definition, state: EvidenceState, row: Row): EvidenceState {
  const evidence = columnEvidence(definition, state)
  const bytes = bytesOf(row.text)
  if (row.kind === 'fits') evidence.fits(bytes, 0, bytes.length, row.place)
  else evidence.misfit(row.text, row.place)
  return evidence.state()
}
