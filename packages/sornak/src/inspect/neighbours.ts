// What the rows around a value, or all rows of its column, say of it.

import { throughFloat } from '../channel/binary-float.js'
import type { FindingCode } from '../channel/channel.js'
import { plainDigits } from '../channel/number-text.js'
import { fromSignificant } from '../channel/significant.js'
import type { Definition } from '../identifier/definition.js'
import { spaceOf, type Space } from '../identifier/space.js'
import { besideChosen, isChosen, ofChosen } from './chosen-exponent.js'
import type { Context } from './context.js'
import { doubtOf } from './doubts.js'
import { handOf, wayOf } from './evidence/hands.js'
import { countOf } from './evidence/misfit-evidence.js'
import { printed, shownDigits } from './evidence/printed-digits.js'
import { takesDigits } from './evidence/process-channel.js'
import { FORMS } from './evidence/process.js'
import { mistyped, slipIn, typedDigits, type Slip } from './evidence/slips.js'
import { MOST_DIGITS } from './evidence/sums.js'
import { areHundredths } from './fractions.js'
import { prior, priorIn } from './runs/lifts.js'
import { EVEN, loneSlip } from './runs/slip-odds.js'
import { isPrintedForm, type Hypothesis, type StandsAs } from './ways/hypothesis.js'
import { isShortening, mayBeShortened } from './ways/shortening.js'
import { decide, weightOf, type Lift, type Weighed } from './ways/weigh.js'
import { MEND_ODDS, OTHER_KIND, RUN_BITS, THROUGHOUT } from './ways/weights.js'

/**
 * What those of the neighbours say that stand as this value does, where these have a story of their own. Elsewhere what they
 * say takes away certainty, and gives none.
 */
export function amongItsOwn(
  definition: Definition,
  context: Context,
  seen: string,
  ways: readonly Hypothesis[],
): Context {
  const { hands, lift } = context
  if (!hands) return context
  const space = spaceOf(definition)
  const isIn = (form: FindingCode) =>
    ways.some((way) => way.findings.includes(form) && !way.quiet && countOf(way, space) > 0n)
  const hand = handOf(wayOf(seen, isIn))
  const story = hands.story(hand)
  if (story) return { ...context, ...story }
  const own = hands.of(hand)
  if (!own) return context
  const doubt = (id: string) => Math.min(own.lift(id), -Math.log2(priorIn(space, id)))
  // How digits were taken from a number its own form says.
  return { ...context, lift: (id) => (takesDigits(id) ? lift(id) : Math.max(lift(id), doubt(id))) }
}

/** The ways that are left when the neighbours have spoken, weighed as they say; and the slip in typing that was weighed with them. */
export function weighedIn(
  definition: Definition,
  seen: string,
  ways: readonly Hypothesis[],
  most: number,
  context: Context | undefined,
): Weighed & { readonly slip?: Slip } {
  const space = spaceOf(definition)
  const whole = printed(seen, space) ?? seen
  const bare = ways.some(isCounted) ? seen : whole
  const digits = typedDigits(seen, whole)
  const slip = slipIn(definition, digits)
  const { slips = loneSlip(definition) } = context ?? {}
  const isPrinted = ways.some(isPrintedForm)
  const chosen = isChosen(seen, whole, context)
  const left = chosen ? ofChosen(ways) : withZeros(ways, bare, context?.digits, space)
  const usual = context?.usual?.of
  const byAll = (ways: readonly Hypothesis[], lift?: Lift) =>
    decide(space, ways, Math.max(most, 2), { lift, usual })
  // One way more, so many times as likely as all others together; nothing where it leads to no original.
  const beside = (
    column: Context | undefined,
    { weight }: Weighed,
    more: Hypothesis,
    odds: number,
  ): Weighed | undefined => {
    const own = weightOf(space, [more], { usual })
    if (own === -Infinity) return undefined
    const lift = (process: string) =>
      process === more.process ? weight - own + Math.log2(odds) : (column?.lift(process) ?? 0)
    return byAll([...left, more], lift)
  }
  const by = (column: Context | undefined): Weighed & { readonly slip?: Slip } => {
    const weighed = byAll(left, column?.lift)
    if (weighed.possible === 0n) return weighed
    const doubt = doubtOf(space, seen, whole, left, weighed, column)
    if (doubt) return beside(column, weighed, doubt.way, doubt.odds) ?? weighed
    if (!slip) return weighed
    const odds = slipBeside(weighed, slip, (process) => slips(process, slip, digits, isPrinted))
    // As seldom as whatever is left out of the odds.
    if (odds < 1 - MEND_ODDS) return weighed
    const typed = beside(column, weighed, mistyped(definition, digits, slip), odds)
    // One slip leads to nothing that fits; more of them do, maybe.
    if (!typed) return odds < 1 ? weighed : { ...weighed, possible: 0n }
    return { ...typed, slip }
  }
  if (!context) return by(undefined)
  const around = chosen ? besideChosen(context) : withDigits(context, seen, bare, space)
  const column = amongOthers(space, around, seen, ways)
  const weighed = by(column)
  if (weighed.possible !== 1n) return weighed
  const closer = lacksMany(column, seen, ways)
  return closer === column ? weighed : by(closer)
}

// Beside all that explains the value, each by its share.
function slipBeside({ processes }: Weighed, slip: Slip, odds: (process: string) => number): number {
  const bits = processes.map(([process, share]) =>
    share < LIKELY ? 0 : share * Math.log2(Math.max(NEVER, odds(process))),
  )
  const told = 2 ** bits.reduce((sum, one) => sum + one, 0)
  // Many of those that lack a digit lost a zero, whatever else was typed.
  return slip === 'digit-left-out' ? Math.min(told, EVEN) : told
}

/** A way with a smaller share of all weight says nothing. */
const LIKELY = 0.01
/** Odds of a slip beside a way that leaves nothing like one. */
const NEVER = 2 ** -20

const isCounted = ({ findings }: Hypothesis) =>
  findings.includes('exponent') || findings.includes('scaled')

// A number was shortened as its neighbours were: it ends in more zeros than they do because the digits before them are zeros.
function withZeros(
  ways: readonly Hypothesis[],
  bare: string,
  digits = 0,
  { widest }: Space,
): readonly Hypothesis[] {
  const zeros = bare.length - bare.replace(/0+$/, '').length
  const usual = Math.max(bare.length, widest) - digits
  if (plainDigits(bare) === 0 || digits === 0 || digits >= bare.length || zeros <= usual)
    return ways
  const unit = 10n ** BigInt(usual)
  // They were rounded or cut.
  const { low } = fromSignificant(BigInt(bare), unit, 'rounded')
  const { high } = fromSignificant(BigInt(bare), unit, 'cut')
  const originals = { kind: 'integers', ...throughFloat({ low, high }) } as const
  return ways.map((way) => (way.process === 'short-display' ? { ...way, originals } : way))
}

// A number that ends in zeros was not shortened to the digits before them where its neighbours stand with all they have.
function withDigits(context: Context, seen: string, bare: string, space: Space): Context {
  const { digits = 0, shown = 0, lift } = context
  const plain = plainDigits(bare) > 0 && digits >= bare.length && /0$/.test(bare)
  const as = (own: (said: number) => number): Context => ({
    ...context,
    lift: (id) => (id === 'short-display' ? own(lift(id)) : lift(id)),
  })
  if (plain || isWholly(seen, shown, space)) return as(() => -1000)
  // Beside others that show more of their digits it is no less likely that it was shortened than anything else.
  const isShortened = (context.shortenedTo?.(shownDigits(seen) ?? MOST_DIGITS) ?? 0) > 0
  return isShortened ? as((said) => Math.max(said, ...WITH_ALL.map(lift))) : context
}

/** Roundings that leave all digits of a number, or as many as name it. */
const WITH_ALL: readonly string[] = ['number-read', 'binary64', 'binary32', 'fifteen-binary64']

// Before an exponent as many digits are shown as the number has.
function isWholly(seen: string, shown: number, space: Space): boolean {
  const significant = shown > 0 ? shownDigits(seen) : undefined
  if (significant === undefined || significant >= shown) return false
  const whole = printed(seen, space)
  return whole !== undefined && whole.length <= shown
}

// What rows say that stand in another form than this one says little of it: something else may have struck it. Exactly the
// limit of a type says so itself, and so do marks around a value.
function amongOthers(
  space: Space,
  context: Context,
  seen: string,
  ways: readonly Hypothesis[],
): Context {
  const { misfits = 0 } = context
  const alike = standingAlike(context, seen, ways)
  const exception = exceptionTo(alike)
  const isOther = alike * 10 < misfits * 9
  const least = isOther ? 0 : -Infinity
  const limit = `clamped ${seen}`
  const leastOf = (process: string) =>
    process === limit ? -exception : process === 'marks' ? 0 : least
  const most = (process: string) => (process === 'marks' && isAligned(context, seen) ? 0 : Infinity)
  // That others gained a minus says as little of -1 as of any that stands for no value.
  const insteadOf = (id: string) => (id === 'unread' && MINUS_ONE.test(seen) ? 'sign' : id)
  const among = {
    ...context,
    lift: (id: string) => Math.min(most(id), Math.max(context.lift(insteadOf(id)), leastOf(id))),
  }
  if (!ways.some(({ process }) => process === 'marks'))
    return ofSeveral(space, among, alike, isOther)
  // Numbers were printed between these marks, where most of them are such as a rounding prints.
  const { behindMarks = () => 0 } = context
  const rounded = ways.some(({ process }) => behindMarks(process) > 0)
  return rounded
    ? {
        ...among,
        lift: (id) => (id === 'marks' ? 0 : Math.max(among.lift(id), behindMarks(id))),
      }
    : among
}

// Where several programs left numbers, any of them may have left this one: a conversion that is seldom met is not as rare as
// elsewhere. What rows say most of which stand in other forms is said by other programs, and makes none sure.
function ofSeveral(space: Space, context: Context, alike: number, isOther: boolean): Context {
  const { seldom = 0, lift } = context
  if (seldom === 0) return context
  const least = Math.log2(Math.min(THROUGHOUT, seldom / Math.max(1, alike)))
  return {
    ...context,
    lift(process) {
      const rare = Math.log2(priorIn(space, process))
      const atLeast = Math.max(0, least - rare)
      if (isOther) return Math.min(-rare, Math.max(rare < 0 ? atLeast : 0, lift(process)))
      return atLeast > 0 ? Math.max(atLeast, lift(process)) : lift(process)
    },
  }
}

// Numbers are printed to the right of a field, or with one space in the place of the sign; texts hardly are.
function isAligned({ unkept = 0 }: Context, seen: string): boolean {
  const spaces = /^ *(?=[1-9])/.exec(seen)?.[0].length ?? 0
  return spaces > 0 && unkept > (spaces > 1 ? 0 : SIGN_BITS)
}

const MINUS_ONE = /^-1(?:[.,]0+)?$/
/** One space came from somewhere else, maybe. */
const SIGN_BITS = 1.5

// Neighbours that stand as this one does, and do not fit.
function standingAlike(
  { inForm = () => 0 }: Context,
  seen: string,
  ways: readonly Hypothesis[],
): number {
  const forms = FORMS.filter((code) => ways.some(({ findings }) => findings.includes(code)))
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

/** The ways without shortenings by a few digits that the rows do not tell, or that may be anything else. */
export function likelyIn(
  definition: Definition,
  seen: string,
  context: Context | undefined,
  ways: readonly Hypothesis[],
): readonly Hypothesis[] {
  const isTold = ({ process }: Hypothesis) =>
    context !== undefined && prior(process) * 2 ** context.lift(process) > 1 - MEND_ODDS
  const isKnown = (way: Hypothesis) =>
    way.inRows ? isRunOf(way, context) : way.process !== 'binary16' || isTold(way)
  const known = ways.every(isKnown) ? ways : ways.filter(isKnown)
  if (!known.some((way) => isShortening(way.process) && isTold(way)))
    return known.filter(({ process }) => !isShortening(process))
  const space = spaceOf(definition)
  const bare = printed(seen, space)
  const leaves = (id: string) =>
    known.some(
      ({ process, originals }) =>
        process === id &&
        originals.kind === 'integers' &&
        space.count(originals.low, originals.high).count > 0n,
    )
  const [isRead, isFifteen] = [leaves('number-read'), leaves('fifteen-cut')]
  return known.filter(
    (way) =>
      !isShortening(way.process) ||
      (isTold(way) && mayBeShortened(way.process, bare, isRead, isFifteen)),
  )
}

// 173,000 among thousands with a comma is no 173 with three decimals; nor is 41700% 41700 where all end in two zeros.
export function asTold(
  every: readonly Hypothesis[],
  context: Context | undefined,
): readonly Hypothesis[] {
  const { mark, percent } = context ?? {}
  // One amount among identifiers is no identifier that was divided.
  const ways =
    context && areHundredths(context) ? every : every.filter(({ hundredths }) => !hundredths)
  const other = mark === 'grouped' ? 'decimal-tail' : 'grouped'
  const left = ways.filter(
    (way) =>
      (mark === undefined || way.findings.includes(mark) || !way.findings.includes(other)) &&
      (percent === undefined || way.percent === undefined || way.percent === percent),
  )
  return left.length ? left : ways
}

const isRunOf = ({ channels }: Hypothesis, context: Context | undefined) =>
  (context?.bits ?? 0) > RUN_BITS && context?.channel === channels.at(-1)
