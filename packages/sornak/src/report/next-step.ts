// What to do about values with a finding: to take away what was put to them brings nothing back that is gone.

import type { FindingCode } from '../channel/channel.js'
import { FINDINGS } from '../channel/findings.js'
import type { Verdict } from '../inspect/verdict.js'

/** What is taken away again, where nothing else happened. */
const PUT_TO_IT: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'zeros-added',
  'decimal-tail',
  'grouped',
  'sign-gained',
  'scaled',
  'stray-mark',
  'hidden-character',
  'foreign-digit',
  'look-alike',
  'case-changed',
  'display-stored',
])
const OPEN: ReadonlySet<Verdict> = new Set<Verdict>(['ambiguous', 'lost', 'suspect'])

/**
 * One or two sentences.
 *
 * @param verdicts those that values with this finding have
 * @example
 * nextStep('grouped', ['mendable']) // 'Take the separators out, and format the column as text.'
 * nextStep('grouped', ['lost']) // 'Fetch the value again, or choose it from the candidates: more happened to it than this.'
 */
export function nextStep(code: FindingCode, verdicts: Iterable<Verdict>): string {
  const { next } = FINDINGS[code]
  const all = [...verdicts]
  if (!PUT_TO_IT.has(code) || !all.some((verdict) => OPEN.has(verdict))) return next
  return all.includes('mendable')
    ? `${next} Where several originals are left, choose one, or fetch the value again.`
    : 'Fetch the value again, or choose it from the candidates: more happened to it than this.'
}
