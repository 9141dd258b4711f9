// Values that are exactly the limit of a type, and stand for any beyond it.

import type { EvidenceState } from '../evidence/evidence-state.js'
import { IN, type Process } from '../evidence/process.js'
import type { Run } from '../evidence/run-state.js'
import type { Sums } from '../evidence/sums.js'

/** One may be a value of its own. */
const FEW = 2
/** So many times as far from the average as counts lie by chance. */
const FAR = 4

/** Here and there several are no chance, unless as many are any other number near it. */
export function isHeldAt(
  process: Process,
  i: number,
  { sums, atLimit }: Pick<EvidenceState, 'sums' | 'atLimit'>,
): boolean {
  const count = atLimit[i]!
  return count >= FEW && isMoreThanNear(process, count, sums.near[i]!)
}

/** The run is one of values that are the limit as often as they are any other number near it. */
export function isOfChance(process: Process, i: number, { from, to, score }: Run<Sums>): boolean {
  if (process.limit === undefined || process.limit <= 0) return false
  const unfit = to.known.hits[i]! - from.known.hits[i]!
  const held = Math.round((score - unfit * IN) / process.limit)
  return unfit === 0 && !isMoreThanNear(process, held, to.known.near[i]! - from.known.near[i]!)
}

function isMoreThanNear({ max, nearly }: Process, count: number, near: number): boolean {
  if (max === undefined || nearly === undefined) return false
  const usual = Math.max(0, near - count) / Number(max - nearly + 1n)
  return count > usual + FAR * Math.sqrt(usual) + 1
}
