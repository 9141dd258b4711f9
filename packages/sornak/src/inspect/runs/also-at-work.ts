// What was at work beside a value, in a run of its column or in another column of its record, is not as rare here as it is
// elsewhere.

import { ofColumn } from '../short/throughout.js'
import type { Lift } from '../ways/scales.js'
import type { EvidenceRun } from './evidence-run.js'
import { prior, rarity } from './prior.js'

/** The lift where these rows lie beside it. It takes away certainty, and gives none. */
export function alsoAtWork(lift: Lift, beside: readonly (EvidenceRun | undefined)[]): Lift {
  const known = new Map<string, boolean>()
  const isKnown = (id: string) => {
    if (!known.has(id))
      known.set(
        id,
        beside.some((one) => one && explains(one, id)),
      )
    return known.get(id)!
  }
  return (id) => {
    const said = lift(id)
    if (prior(id) >= 1 || !isKnown(id)) return said
    return Math.max(said, Math.min(said + ofColumn(prior(id)), rarity(id)))
  }
}

// It explains these rows best, or is as likely there as that they lost zeros.
const explains = ({ evidence, conversion, lift }: EvidenceRun, id: string) =>
  evidence > 0 && (conversion === id || lift(id) - rarity(id) >= -1)
