// What the rules file accepts: findings that the steward knows and does not want to hear of again.

import type { Accepted, ColumnFinding, ValueFinding } from 'sornak'
import type { InspectedFile } from './inspect.js'

/** What can be accepted, and make the exit status 1. */
export type Told = ValueFinding | ColumnFinding

// Whether a finding is accepted by the rules file. Where an entry says how often at most, everything is
// counted once before: beyond that number all of them come back.
export async function acceptance(
  entries: readonly Accepted[],
  file: InspectedFile,
  met: Set<Accepted>,
): Promise<(finding: Told) => boolean> {
  if (entries.length === 0) return () => false
  const today = new Date().toISOString().slice(0, 10)
  const meant = (entry: Accepted, finding: Told) =>
    entry.column === finding.column && entry.finding === finding.finding
  const counts = new Map<Accepted, number>()
  const count = (found: Told) => {
    for (const entry of entries)
      if (meant(entry, found)) counts.set(entry, (counts.get(entry) ?? 0) + 1)
  }
  file.columns.forEach(count)
  await file.second((found) => {
    if (found.kind === 'value') count(found)
  })
  for (const entry of counts.keys()) met.add(entry)
  const valid = entries.filter(
    (entry) =>
      (counts.get(entry) ?? 0) <= entry.atMost &&
      (entry.until === undefined || today <= entry.until),
  )
  return (finding) => valid.some((entry) => meant(entry, finding))
}
