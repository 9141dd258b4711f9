// The verdict on one value: fits, can be turned back, or not. What the column adds comes in through
// the hypotheses' weights.

import type { FindingCode } from '../channel/channel.js'
import type { Definition } from '../identifier/definition.js'
import { fit, keyOf, type Fit } from '../identifier/fit.js'
import { spaceOf } from '../identifier/space.js'
import type { Context } from './context.js'
import { channelOf, sameKind } from './evidence/process-channel.js'
import { MISTYPED, type Slip } from './evidence/slips.js'
import { asTold, likelyIn, weighedIn } from './neighbours.js'
import type { TrustedList } from './trusted.js'
import { unchanged } from './ways/from-cut.js'
import type { Hypothesis } from './ways/hypothesis.js'
import { isBlank, isMissing, isOverflow } from './ways/no-value.js'
import { hypotheses } from './ways/originals.js'
import { weigh, type Candidate, type Weighed } from './ways/weigh.js'
import { MEND_ODDS, MOST_AMBIGUOUS, TOGETHER } from './ways/weights.js'

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

  const ways = asTold(likelyIn(definition, seen, context, hypotheses(definition, seen)), context)
  const weighed = weighedIn(definition, seen, ways, most, context)
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
      proof: whole ? 'exact' : 'odds',
      candidates: [first],
    }
  }
  const likely = processes.filter(([, share]) => share >= 1 - MEND_ODDS)
  const isMarked = ways.some(({ process }) => process === 'marks')
  const several = Boolean(context?.seldom) && likely.length > 1 && !isMarked
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

// Of one original, what led to it; of several, what the likeliest way of damage would have done.
function told(
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

// A value that fits in a run of converted ones: intact only where it is the one original left.
function doubted(definition: Definition, seen: string, most: number, context: Context): Judgement {
  const space = spaceOf(definition)
  const known = likelyIn(definition, seen, context, hypotheses(definition, seen))
  // What reads as a number stands as it is read.
  const ways = known.some(isRead) ? known : [...known, unchanged(seen)]
  const column = { lift: context.lift, usual: context.usual?.of }
  const weighedBy = (some: readonly Hypothesis[]) => weigh(space, some, Math.max(most, 2), column)
  const own = ofRun(ways, context)
  const ofOwn = weighedBy(own)
  if (!isDoubtful(ofOwn, seen, context)) return INTACT
  const weighed = own.length === ways.length ? ofOwn : weighedBy(ways)
  const { possible, counted, beyondList, ranked } = weighed
  // Others may be counted only.
  const by = ranked.find(({ text }) => text !== seen)
  return {
    ...NOTHING,
    verdict: 'suspect',
    ...(context.beside !== undefined && { beside: context.beside }),
    findings: by ? findingsOf(definition, seen, by, ways) : told(definition, seen, ways, weighed),
    possible,
    counted,
    candidates: possible > MOST_AMBIGUOUS || beyondList ? [] : ranked.slice(0, most),
  }
}

// What is doubted is what the rows of a run say: that it was converted in another way is no likelier than elsewhere.
function ofRun(ways: readonly Hypothesis[], { channel, beside }: Context): readonly Hypothesis[] {
  if (channel === undefined || beside !== undefined) return ways
  return ways.filter(
    (way) =>
      isRead(way) || way.process === 'unchanged' || sameKind(channelOf(way.process), channel),
  )
}

const isRead = ({ process }: Hypothesis) => process === 'number-read'

// Rows that were not converted hold their own value; of those that were, as many come out as it as have become it.
function isDoubtful(
  { possible, ranked }: Weighed,
  seen: string,
  { struck = 1, zerosGone = true }: Context,
): boolean {
  const number = bareOf(seen)
  const same = ranked
    .filter(({ text }) => text === seen || (!zerosGone && bareOf(text) === number))
    .reduce((sum, { odds }) => sum + odds, 0)
  const come = struck * Number(possible)
  const unchanged = (1 - struck + come * same) / (1 - struck + come)
  return possible > 1n && unchanged <= STILL_INTACT
}

const bareOf = (text: string) => text.replace(/^0+/, '')

// What other rows say of that limit they say of values that are not it.
const atLimit = (context: Context): Context => ({
  ...context,
  channel: 'clamped',
  struck: 1,
  lift: (process) => Math.max(process.startsWith('clamped') ? 0 : -Infinity, context.lift(process)),
})

/** Odds at which a value among converted ones is still taken as it stands. */
const STILL_INTACT = 0.9

/** The same verdict on a value that must be unique and stands in an earlier record too. */
export function asDuplicate(judgement: Judgement, first: number): Judgement {
  return { ...judgement, findings: [...judgement.findings, 'duplicate'], first }
}

/** The judgement of a value whose display format shows something else. */
export function asShown(judgement: Judgement): Judgement {
  return { ...judgement, findings: [...judgement.findings, 'display-differs'] }
}

const NOTHING: Judgement = {
  verdict: 'blank',
  findings: [],
  mend: undefined,
  proof: undefined,
  candidates: [],
  possible: null,
  counted: true,
  fit: undefined,
}

const INTACT: Judgement = { ...NOTHING, verdict: 'intact', possible: 1n }

function blank({ required }: Definition, findings: FindingCode[]): Judgement {
  return required
    ? { ...NOTHING, verdict: 'misfit', findings: ['missing', ...findings] }
    : { ...NOTHING, findings }
}

// The findings of the likeliest original, outermost first. Whether zeros came or went shows only from
// the original itself.
function findingsOf(
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
