// What was at work beside a value, in a run of its column or in another column of its record, is not as rare here as it is
// elsewhere.

import type { EvidenceRun } from './evidence-run.js'
import { prior } from './lifts.js'
import { ofColumn } from './short/throughout.js'
import type { Lift } from './weigh.js'

/** The lift where these processes are told beside it. It takes away certainty, and gives none. */
export function alsoAtWork(lift: Lift, told: ReadonlySet<string>): Lift {
  return (id) => {
    const said = lift(id)
    if (!told.has(id)) return said
    return Math.max(said, Math.min(said + ofColumn(prior(id)), -Math.log2(prior(id))))
  }
}

/** What explains these rows best, of each of several, where they say so. */
export const toldIn = (parts: readonly (EvidenceRun | undefined)[]): ReadonlySet<string> =>
  new Set(parts.flatMap((part) => (part && part.evidence > 0 ? part.conversion : [])))
