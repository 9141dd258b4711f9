// Words and figures that all views share.

import { FINDINGS, nextStep, type FindingCode, type Verdict } from 'sornak'

export const number = (n: number): string => n.toLocaleString('en')
export const share = (part: number, whole: number): string =>
  whole === 0
    ? '0%'
    : `${part > 0 && part / whole < 0.01 ? '<1' : Math.round((100 * part) / whole)}%`

export const VERDICT_ORDER: readonly Verdict[] = [
  'intact',
  'mendable',
  'suspect',
  'ambiguous',
  'lost',
  'misfit',
  'blank',
]

export const findingTitle = (code: string): string => FINDINGS[code as FindingCode]?.title ?? code
export const findingNext = (code: string, verdict: Verdict): string =>
  code in FINDINGS ? nextStep(code as FindingCode, [verdict]) : ''
