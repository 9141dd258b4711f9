// The verdict on one value: fits, can be turned back, or not. What the column adds comes in through
// the hypotheses' weights.

import type { FindingCode } from '../channel/channel.js'
import { plainDigits } from '../channel/number-text.js'
import type { Percent } from '../channel/scaled.js'
import type { Definition } from '../identifier/definition.js'
import { fit, type Fit } from '../identifier/fit.js'
import { spaceOf } from '../identifier/space.js'
import { PRINTED, type Hypothesis, type StandsAs } from './hypothesis.js'
import { hypotheses } from './originals.js'
import type { LoneValue } from './lone-value.js'
import { channelOf, sameKind } from './process-channel.js'
import type { TrustedList } from './trusted.js'
import { decided, weigh, type Candidate, type Lift, type Weighed } from './weigh.js'
import { MEND_ODDS, MOST_AMBIGUOUS, OTHER_KIND, TOGETHER } from './weights.js'

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
  /** Why the text itself does not fit; undefined where it does. */
  readonly fit: Fit | undefined
}

const BLANK = /^\s*$/u
const MISSING =
  /^(?:null|\(null\)|none|nan|nil|na|n\/a|#n\/a|#na|<na>|nat|\\n|undefined|-?1\.#ind|-nan)$/i
const OVERFLOW =
  /^(?:#{2,}|[+-]?inf(?:inity)?|[+-]?∞|-?1\.#inf|#(?:num|value|ref|name|div\/0|null)[!?]?)$/i

/** What a column adds to the judgement of one of its values. */
export interface Context {
  /** What the neighbours say of each process. */
  readonly lift: Lift
  /** How often originals start as this one does. */
  readonly usual?: ((text: string) => number) | undefined
  /** What a short value says by itself. */
  readonly lone?: LoneValue | undefined
  /** How many neighbours do not fit; and of those, how many stand as this one does. */
  readonly misfits?: number | undefined
  readonly inForm?: ((form: StandsAs) => number) | undefined
  /** Long numbers among the neighbours stand with so many digits: none was shortened to fewer. */
  readonly digits?: number | undefined
  /** The neighbours are printed with a mark that can mean two things, and all that tell mean this. */
  readonly mark?: 'grouped' | 'decimal-tail' | undefined
  /** What a percent sign did to the neighbours, where they tell it. */
  readonly percent?: Percent | undefined
  /** A list that is known to be right. */
  readonly trusted?: TrustedList | undefined
  /** Values that are exactly the limit of a type, and stand for any beyond it. */
  readonly limits?: ReadonlySet<string> | undefined
  /** The channel that explains them. */
  readonly channel?: string | undefined
  /** They prove a conversion after which a value that fits may be another than it was. */
  readonly suspect: boolean
  /** A value that fits may lack zeros at the front, and be the same number; as a rule where it is left out. */
  readonly zerosGone?: boolean | undefined
  /** Not the rows around it say so, but those in which this other column is damaged. */
  readonly beside?: string | undefined
  /** The share of them that were converted: 0 to 1; all where it is left out. */
  readonly struck?: number | undefined
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
  if (BLANK.test(seen)) return blank(definition, [])
  const fitted = fit(definition, seen)
  if (fitted.ok) {
    if (context?.limits?.has(seen)) return doubted(definition, seen, most, atLimit(context))
    return context?.suspect ? doubted(definition, seen, most, context) : INTACT
  }
  if (MISSING.test(seen.trim())) return blank(definition, ['missing-mark'])
  if (OVERFLOW.test(seen.trim()))
    return { ...NOTHING, verdict: 'lost', findings: ['overflow-mark'], fit: fitted }

  const ways = asTold(hypotheses(definition, seen), context)
  const weighed = weighedIn(definition, seen, ways, most, context)
  const { possible, counted, beyondList, whole, weight, ranked } = weighed
  const first = ranked[0]
  const unlikely = fitted.code !== 'shape' && weight < MISTYPED
  if (possible === 0n || unlikely) {
    const code = fitted.code === 'shape' ? 'unexplained' : fitted.code
    return { ...NOTHING, verdict: 'misfit', findings: [code], possible: 0n, fit: fitted }
  }
  const common = {
    counted,
    possible,
    fit: fitted,
    findings: told(definition, seen, ways, weighed),
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
    verdict,
    mend: undefined,
    proof: undefined,
    candidates: verdict === 'lost' ? [] : ranked.slice(0, most),
  }
}

function weighedIn(
  definition: Definition,
  seen: string,
  ways: readonly Hypothesis[],
  most: number,
  context: Context | undefined,
): Weighed {
  const by = (column: Context | undefined) =>
    decided(weigh(spaceOf(definition), ways, Math.max(most, 2), column))
  if (!context) return by(undefined)
  const column = amongOthers(withDigits(context, seen), seen, ways)
  const weighed = by(column)
  return weighed.possible === 1n ? by(lacksMany(column, seen, ways)) : weighed
}

// A number that ends in zeros was not shortened to the digits before them where its neighbours stand with more.
function withDigits(context: Context, seen: string): Context {
  const { digits = 0, lift } = context
  if (plainDigits(seen) === 0 || seen.replace(/0+$/, '').length >= digits) return context
  return { ...context, lift: (process) => (process === 'short-display' ? -1000 : lift(process)) }
}

// What rows say that stand in another form than this one says little of it: something else may have struck it. Exactly the
// limit of a type says so itself, and so do marks around a value.
function amongOthers(context: Context, seen: string, ways: readonly Hypothesis[]): Context {
  const { misfits = 0, lift } = context
  const alike = standingAlike(context, seen, ways)
  const exception = exceptionTo(alike)
  const least = alike * 10 < misfits * 9 ? -exception : -Infinity
  const limit = `clamped ${seen}`
  const leastOf = (process: string) =>
    process === limit ? -exception : process === 'marks' ? 0 : least
  return { ...context, lift: (process) => Math.max(lift(process), leastOf(process)) }
}

// Neighbours that stand as this one does, and do not fit.
function standingAlike(
  { inForm = () => 0 }: Context,
  seen: string,
  ways: readonly Hypothesis[],
): number {
  const forms = PRINTED.filter((code) => ways.some(({ findings }) => findings.includes(code)))
  const bare: StandsAs = seen.startsWith('-') ? 'below-zero' : 'bare'
  return Math.max(...(forms.length ? forms : [bare]).map(inForm))
}

const exceptionTo = (rows: number) => OTHER_KIND.run + Math.log2(1 + rows)

// That a short value lost all the zeros it lacks is said by others, maybe, of which hardly one can have lost so many.
function lacksMany(context: Context, seen: string, ways: readonly Hypothesis[]): Context {
  const own = context.lone?.(seen, exceptionTo(standingAlike(context, seen, ways)))
  if (!own) return context
  return { ...context, lift: (process) => Math.max(context.lift(process), own(process)) }
}

// 173,000 among thousands with a comma is no 173 with three decimals; nor is 41700% 41700 where all end in two zeros.
function asTold(ways: readonly Hypothesis[], context: Context | undefined): readonly Hypothesis[] {
  const { mark, percent } = context ?? {}
  const other = mark === 'grouped' ? 'decimal-tail' : 'grouped'
  const left = ways.filter(
    (way) =>
      (mark === undefined || way.findings.includes(mark) || !way.findings.includes(other)) &&
      (percent === undefined || way.percent === undefined || way.percent === percent),
  )
  return left.length ? left : ways
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
  const ways = hypotheses(definition, seen)
  const weighedBy = (some: readonly Hypothesis[]) => weigh(space, some, Math.max(most, 2), context)
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
    ({ process }) => process === 'number-read' || sameKind(channelOf(process), channel),
  )
}

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

/** What explains a value that has its shape must weigh more beside a slip in typing: a power of two. */
const MISTYPED = Math.log2(TOGETHER.mistyped / (1 - MEND_ODDS))

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

/** Blank, or a word or mark that stands in place of a value. */
export function saysNothing(seen: string): boolean {
  return BLANK.test(seen) || MISSING.test(seen.trim()) || OVERFLOW.test(seen.trim())
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
  }
  return [...findings]
}

const leadingZeros = (text: string) => /^\D*(0*)(?=\d)/.exec(text)?.[1]?.length ?? 0

const NUMERIC = new Set([
  'number-read',
  'exponent-form',
  'short-display',
  'fifteen-digits',
  'binary64',
  'binary32',
])
