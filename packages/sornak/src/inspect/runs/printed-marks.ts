// What the marks mean that numbers of some rows are printed with, where enough of them tell.

import type { Sums } from '../evidence/sums.js'
import type { EvidenceRun } from './evidence-run.js'

/** So many rows must tell what a percent sign did. */
const FEW_PERCENTS = 10
/** So many rows must tell what a mark means, and so many for each that can be read otherwise. */
const FEW_MARKS = 20

/**
 * A mark that can mean two things, such as the point of 417.000, means what it does in the others. A value that can be read
 * both ways counts for both.
 */
export function markOf(grouped: number, tails: number): EvidenceRun['mark'] {
  if (grouped >= FEW_MARKS && grouped >= FEW_MARKS * tails) return 'grouped'
  return tails >= FEW_MARKS && tails >= FEW_MARKS * grouped ? 'decimal-tail' : undefined
}

/** A number that counts a hundred times as much ends in two zeros, and others hardly ever do all of them. */
export function percentOf(from: Sums, to: Sums): EvidenceRun['percent'] {
  const all = to.percents - from.percents
  const hundreds = to.hundreds - from.hundreds
  if (all < FEW_PERCENTS) return undefined
  if (hundreds === all) return 'hundredfold'
  return hundreds * 5 <= all ? 'as-it-is' : undefined
}
