// What to do about values with a finding: to take away what was put to them brings nothing back that is gone.

import type { FindingCode } from '../channel/channel.js'
import { FINDINGS } from '../channel/findings.js'
import type { Verdict } from '../inspect/judgement.js'

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
  const isOpen = all.some((verdict) => OPEN.has(verdict))
  const isMendable = all.includes('mendable')
  if (code === 'digits-rounded' && isMendable)
    return isOpen
      ? 'Take the original where only one is left; fetch the others again at the source.'
      : 'Take the one original that is left, and keep the column as text.'
  if (!isOpen) return next
  if (code === 'zeros-lost' && !isMendable)
    return 'Choose the value from the candidates, or fetch it again: other digits than zeros may be missing.'
  if (code !== 'zeros-lost' && !PUT_TO_IT.has(code)) return next
  return isMendable
    ? `${next} Where several originals are left, choose one, or fetch the value again.`
    : 'Fetch the value again, or choose it from the candidates: more happened to it than this.'
}
