// What happened to a value, as findings: of the one original that is left, or of the likeliest way.

import type { FindingCode } from '../channel/channel.js'
import type { Definition } from '../identifier/definition.js'
import type { Hypothesis } from './ways/hypothesis.js'
import type { Candidate, Weighed } from './ways/weigh.js'
import { TOGETHER } from './ways/weights.js'

// Of one original, what led to it; of several, what the likeliest way of damage would have done.
export function told(
  definition: Definition,
  seen: string,
  ways: readonly Hypothesis[],
  { ranked, possible, processes }: Weighed,
): FindingCode[] {
  const [first] = ranked
  if (first && possible === 1n) return findingsOf(definition, seen, first, ways)
  const top = processes[0]?.[0]
  const lead = ranked.find(({ by }) => by.some(({ process }) => process === top))
  const way = (lead?.by ?? ways).find(({ process }) => process === top)
  if (!way) return first ? findingsOf(definition, seen, first, ways) : []
  return lead ? findingsOf(definition, seen, { ...lead, by: [way] }, ways) : [...way.findings]
}

// The findings of the likeliest original, outermost first. Whether zeros came or went shows only from
// the original itself.
export function findingsOf(
  definition: Definition,
  seen: string,
  { text, by }: Candidate,
  ways: readonly Hypothesis[],
): FindingCode[] {
  // A value in one of its own display forms stands as it is shown, whatever else could print it so.
  const shown = ways.find(
    ({ process, weight, originals }) =>
      process === 'display' &&
      weight === TOGETHER.displayed &&
      originals.kind === 'texts' &&
      originals.texts.includes(text),
  )
  const way = shown ?? by[0]
  const findings = new Set<FindingCode>(way?.findings ?? [])
  if (definition.zeros === 'significant' && way?.channels.some((id) => NUMERIC.has(id))) {
    const before = leadingZeros(text)
    const now = leadingZeros(seen)
    if (before > now || (text.startsWith('+') && !seen.includes('+'))) findings.add('zeros-lost')
    if (now > before) findings.add('zeros-added')
    if (/^\W*\+/.test(seen) && !text.includes('+')) findings.add('sign-gained')
  }
  return [...findings]
}

const leadingZeros = (text: string) => /^\D*(0*)(?=\d)/.exec(text)?.[1]?.length ?? 0

const NUMERIC = new Set([
  'number-read',
  'exponent-form',
  'short-display',
  'fifteen-digits',
  'binary80',
  'binary64',
  'binary32',
  'binary16',
])
