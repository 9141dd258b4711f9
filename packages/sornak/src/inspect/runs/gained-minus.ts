// Numbers below zero: whether they wrapped round in a signed type, or had a minus put in front of them.

import { WRAPPING_TYPES } from '../../channel/integer-limits.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import type { Process } from '../evidence/process.js'
import { noSums, type Sums } from '../evidence/sums.js'
import { DOUBT_BITS } from '../ways/weights.js'
import { FEW_OTHERS } from './short-beside.js'

export interface GainedMinus {
  /** Bits that the numbers below zero say for a minus that was added, as they start like others; 0 where they hardly do. */
  readonly minusAdded: number
  /** Numbers below zero came to their minus in another way, rather than in this type. */
  gainedMinus(process: Process, i: number, from: Sums, to: Sums): boolean
}

/** How many numbers below zero there are between two places. */
interface Below {
  /** Those that one signed type explains. */
  signedRows(id: string, from: Sums, to: Sums): number
  /** The same for the type that explains most. */
  negatives(from: Sums, to: Sums): number
}

/** The processes of signed types. */
export const SIGNED: readonly string[] = WRAPPING_TYPES.flatMap(({ name, signed }) =>
  signed ? [`wrapped ${name}`] : [],
)

/** @param widest how many digits the widest value has */
export function gainedMinuses(
  whole: EvidenceState,
  widest: number,
  { signedRows, negatives }: Below,
): GainedMinus {
  const all = whole.sums
  const like = startLikeOthers(whole, widest)
  const minusAdded = like >= DOUBT_BITS ? like : 0
  const beyondAll = all.belowZero - negatives(noSums(all.hits.length), all)
  return {
    minusAdded,
    // Of numbers that wrapped round in a signed type some come out above zero, but for those of one office; with as many
    // digits as values have, all of them may be such with a minus. Where others lie beyond all types all gained one; of a
    // list in order those up to the limit lie together.
    gainedMinus({ id, max }, i, from, to) {
      if (!SIGNED.includes(id)) return false
      const below = signedRows(id, from, to)
      const allBelow = below >= FEW_BELOW && to.held[i]! - from.held[i]! === below
      const isAsWide = `${max}`.length === widest
      return beyondAll >= FEW_BELOW || (isAsWide && allBelow) || minusAdded > 0
    },
  }
}

// Bits that it says for a minus that was added that numbers of full width begin behind it as those without one do, and not
// anywhere up to the limit of the one type that has limits of that width.
function startLikeOthers(
  { starts, formedStarts, belowStarts }: EvidenceState,
  widest: number,
): number {
  const type = WRAPPING_TYPES.find(({ signed, max }) => signed && `${max}`.length === widest)
  const others = starts.map((count, start) => count + formedStarts[start]!)
  const all = others.reduce((sum, count) => sum + count, 0)
  if (!type || all < FEW_OTHERS) return 0
  const upTo = Number.parseInt(`${type.max}`.slice(0, 2), 10) - 9
  return belowStarts.reduce(
    (sum, count, start) => sum + count * Math.log2(((others[start]! + 0.01) / (all + 1)) * upTo),
    0,
  )
}

/** Fewer lie there by chance, or went wrong in another way. */
const FEW_BELOW = 3
