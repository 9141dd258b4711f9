// What inspection hands on: one object for each value worth a line, with everything hidden that the
// rules file hides. Reports take these and nothing else.

import type { FindingCode } from '../channel/channel.js'
import type { Definition } from '../identifier/definition.js'
import { fit } from '../identifier/fit.js'
import { hide, hidesAnything, REVEAL_ALL, REVEAL_NONE } from '../identifier/reveal.js'
import { why } from './messages.js'
import type { Judgement, Verdict } from './verdict.js'

export interface ValueFinding {
  readonly kind: 'value'
  readonly file: string
  /** 1-based data record, the header not counted. */
  readonly record: number
  /** Physical line on which the record starts. */
  readonly line: number
  readonly key: string | null
  readonly column: string
  readonly identifier: string
  readonly value: string
  readonly hidden: boolean
  readonly verdict: Verdict
  readonly finding: FindingCode | null
  readonly findings: readonly FindingCode[]
  readonly mend: string | null
  readonly proof: 'exact' | 'odds' | null
  readonly candidates: readonly string[]
  readonly possible: bigint | null
  readonly bits: number | null
  readonly why: string
}

export interface Where {
  readonly file: string
  readonly record: number
  readonly line: number
  readonly key: string | null
  readonly column: string
}

export function valueFinding(
  where: Where,
  definition: Definition,
  judgement: Judgement,
  seen: string,
  reveal: boolean,
): ValueFinding {
  const hidden = !reveal && hidesAnything(definition.reveal)
  const say = sayer(definition, reveal)
  const listed = definition.sensitivity === 'secret' && hidden ? [] : judgement.candidates
  return {
    kind: 'value',
    ...where,
    identifier: definition.key,
    value: say(seen),
    hidden,
    verdict: judgement.verdict,
    finding: judgement.findings[0] ?? null,
    findings: judgement.findings,
    mend: judgement.mend === undefined ? null : say(judgement.mend),
    proof: judgement.proof ?? null,
    candidates: listed.map(({ text }) => say(text)),
    possible: judgement.possible,
    bits: null,
    why: why(hidden ? definition : { ...definition, reveal: REVEAL_ALL }, judgement, seen),
  }
}

/** Says a text as the definition lets it be seen: parts are revealed only of a text that fits. */
export function sayer(definition: Definition, reveal: boolean): (text: string) => string {
  if (reveal || !hidesAnything(definition.reveal)) return (text) => text
  return (text) => hide(text, fit(definition, text).ok ? definition.reveal : REVEAL_NONE)
}
