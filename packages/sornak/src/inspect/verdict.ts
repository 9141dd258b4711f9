// The verdict on one value: fits, can be turned back, or not. What the column adds comes in through
// the hypotheses' weights.

import type { FindingCode } from '../channel/channel.js'
import type { Definition } from '../identifier/definition.js'
import { fit, keyOf } from '../identifier/fit.js'
import { amongItsOwn } from './as-it-stands.js'
import type { Context } from './context.js'
import { atLimit, doubted } from './doubted.js'
import { MISTYPED } from './evidence/slips.js'
import { INTACT, NOTHING, type Judgement } from './judgement.js'
import { asTold, isOnlyTold, likelyIn, weighedIn } from './neighbours.js'
import { told } from './told-findings.js'
import type { TrustedList } from './trusted.js'
import type { Hypothesis } from './ways/hypothesis.js'
import { isBlank, isMissing, isOverflow } from './ways/no-value.js'
import { hypotheses } from './ways/originals.js'
import type { Candidate } from './ways/weigh.js'
import { MEND_ODDS, MOST_AMBIGUOUS } from './ways/weights.js'

/**
 * Judges one stored text under its definition; without its column unless the context brings it in.
 *
 * @param most how many candidates to list
 * @example
 * judge(identifier({ stored: '{5}' }), '417') // { verdict: 'mendable', findings: ['zeros-lost'], mend: '00417', … }
 */
export function judge(
  definition: Definition,
  seen: string,
  most = 10,
  context?: Context,
): Judgement {
  if (isBlank(seen)) return blank(definition, [])
  const fitted = fit(definition, seen)
  if (fitted.ok) {
    if (context?.limits?.has(seen)) return doubted(definition, seen, most, atLimit(context))
    return context?.suspect ? doubted(definition, seen, most, context) : INTACT
  }
  if (isMissing(seen)) return blank(definition, ['missing-mark'])
  if (isOverflow(seen))
    return { ...NOTHING, verdict: 'lost', findings: ['overflow-mark'], fit: fitted }

  const every = hypotheses(definition, seen)
  const around = context && amongItsOwn(definition, context, seen, every)
  const ways = asTold(likelyIn(definition, seen, around, every), around)
  const weighed = weighedIn(definition, seen, ways, most, around)
  const { possible, counted, beyondList, whole, processes, slip } = weighed
  const ranked = weighed.ranked.map((one) => withItsZeros(definition, seen, one))
  const first = ranked[0]
  const typed = processes.find(([process]) => process === MISTYPED)?.[1] ?? 0
  if (possible === 0n || typed >= 0.5) {
    const code = fitted.code === 'shape' ? 'unexplained' : fitted.code
    return { ...NOTHING, verdict: 'misfit', findings: [code], possible: 0n, fit: fitted }
  }
  const common = {
    counted,
    possible,
    fit: fitted,
    findings: told(definition, seen, ways, weighed),
    ...(typed > 0 && slip && { slip }),
  }
  if (first && possible === 1n && counted) {
    return {
      ...common,
      verdict: 'mendable',
      mend: first.text,
      proof: whole && !first.by.every(isOnlyTold) ? 'exact' : 'odds',
      candidates: [first],
    }
  }
  const likely = processes.filter(([, share]) => share >= 1 - MEND_ODDS)
  const isMarked = ways.some(({ process }) => process === 'marks')
  const several = Boolean(around?.seldom) && likely.length > 1 && !isMarked
  const known = trustedMember(ways, context?.trusted)
  // Two rows that lay claim to one member leave both open.
  if (known !== undefined && context!.trusted!.claims(known) > 1)
    return {
      ...common,
      verdict: 'ambiguous',
      mend: undefined,
      proof: undefined,
      candidates: [{ text: known, odds: 1, by: [] }],
    }
  if (known !== undefined)
    return {
      ...common,
      verdict: 'mendable',
      mend: known,
      proof: 'exact',
      trusted: true,
      possible: 1n,
      counted: true,
      candidates: [{ text: known, odds: 1, by: [] }],
    }
  const verdict = possible <= MOST_AMBIGUOUS && !beyondList ? 'ambiguous' : 'lost'
  return {
    ...common,
    ...(several && { several }),
    verdict,
    mend: undefined,
    proof: undefined,
    candidates: verdict === 'lost' ? [] : ranked.slice(0, most),
  }
}

// Where zeros are padding one value has many texts: it is the one that keeps the zeros it is seen with.
function withItsZeros(definition: Definition, seen: string, one: Candidate): Candidate {
  if (definition.zeros !== 'padding') return one
  const digits = seen.replace(/\D/g, '')
  const [text = ''] = new RegExp(`^0+${keyOf(definition, one.text)}`).exec(digits) ?? []
  return text.length > one.text.length && fit(definition, text).ok ? { ...one, text } : one
}

// The one member of a list known to be right that could have become what is seen.
function trustedMember(
  ways: readonly Hypothesis[],
  list: TrustedList | undefined,
): string | undefined {
  const [one, other] = list?.among(ways) ?? []
  return other === undefined ? one : undefined
}

function blank({ required }: Definition, findings: FindingCode[]): Judgement {
  return required
    ? { ...NOTHING, verdict: 'misfit', findings: ['missing', ...findings] }
    : { ...NOTHING, findings }
}
