// What is said of one value: the verdict, what was noticed, and the originals that are left.

import type { FindingCode } from '../channel/channel.js'
import type { Fit } from '../identifier/fit.js'
import type { Slip } from './evidence/slips.js'
import type { Candidate } from './ways/weigh.js'

export const VERDICTS = [
  'intact',
  'mendable',
  'ambiguous',
  'lost',
  'suspect',
  'misfit',
  'blank',
] as const
export type Verdict = (typeof VERDICTS)[number]

export interface Judgement {
  readonly verdict: Verdict
  /** What was noticed, the outermost first; empty for a plain intact or blank value. */
  readonly findings: readonly FindingCode[]
  /** The one original that is left. */
  readonly mend: string | undefined
  /** `exact`: no other original is possible; `odds`: others have less than 1 in 1000. */
  readonly proof: 'exact' | 'odds' | undefined
  /** Possible originals in order of their odds, as many as were asked for. */
  readonly candidates: readonly Candidate[]
  /** How many originals are possible; null where it is not known. */
  readonly possible: bigint | null
  /** False where `possible` is an upper bound. */
  readonly counted: boolean
  /** A list that is known to be right told which original it is. */
  readonly trusted?: true
  /** The record in which a value stands first that must be unique. */
  readonly first?: number
  /** The damaged column beside which values were converted. */
  readonly beside?: string
  /** The slip in typing that it may be as well. */
  readonly slip?: Slip
  /** Several programs printed numbers of its column, and more than one of them may have left it. */
  readonly several?: true
  /** Why the text itself does not fit; undefined where it does. */
  readonly fit: Fit | undefined
}

export const NOTHING: Judgement = {
  verdict: 'blank',
  findings: [],
  mend: undefined,
  proof: undefined,
  candidates: [],
  possible: null,
  counted: true,
  fit: undefined,
}

export const INTACT: Judgement = { ...NOTHING, verdict: 'intact', possible: 1n }

/** The same verdict on a value that must be unique and stands in an earlier record too. */
export function asDuplicate(judgement: Judgement, first: number): Judgement {
  return { ...judgement, findings: [...judgement.findings, 'duplicate'], first }
}

/** The judgement of a value whose display format shows something else. */
export function asShown(judgement: Judgement): Judgement {
  return { ...judgement, findings: [...judgement.findings, 'display-differs'] }
}
