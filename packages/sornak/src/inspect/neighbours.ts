// What the rows around a value, or all rows of its column, say of it.

import { throughFloat } from '../channel/binary-float.js'
import { plainDigits } from '../channel/number-text.js'
import { fromSignificant } from '../channel/significant.js'
import type { Definition } from '../identifier/definition.js'
import { spaceOf, type Space } from '../identifier/space.js'
import { amongOthers, lacksMany } from './as-it-stands.js'
import { besideChosen, isChosen, ofChosen } from './chosen-exponent.js'
import type { Context } from './context.js'
import { doubtOf } from './doubts.js'
import { printed, shownDigits } from './evidence/printed-digits.js'
import { mistyped, slipIn, typedDigits, type Slip } from './evidence/slips.js'
import { MOST_DIGITS } from './evidence/sums.js'
import { areHundredths } from './fractions.js'
import { prior } from './runs/prior.js'
import { EVEN, loneSlip } from './runs/slip-odds.js'
import { SIXTEEN } from './ways/from-sixteen.js'
import { isPrintedForm, leavesAny, type Hypothesis } from './ways/hypothesis.js'
import { isShortening, mayBeShortened, toDigits } from './ways/shortening.js'
import { weightOf, type Lift } from './ways/scales.js'
import { decide, type Weighed } from './ways/weigh.js'
import { EACH, MEND_ODDS, RUN_BITS } from './ways/weights.js'

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
  const own = shownDigits(seen) ?? MOST_DIGITS
  const isShortened = (context.shortenedTo?.(own) ?? 0) > 0
  const told = isShortened ? as((said) => Math.max(said, ...WITH_ALL.map(lift))) : context
  const lacks = own < MOST_DIGITS && own < (printed(seen, space)?.length ?? 0)
  return lacks ? withFewDigits(told) : told
}

// A reader that stopped may have left a number with few digits, which was shortened no less for that.
const withFewDigits = (context: Context): Context => ({
  ...context,
  lift(id) {
    const said = context.lift(id)
    return id === 'front' ? Math.min(said, Math.max(0, context.lift('short-display'))) : said
  },
})

/** Roundings that leave all digits of a number, or as many as name it. */
const WITH_ALL: readonly string[] = ['number-read', 'binary64', 'binary32', 'fifteen-binary64']

// Before an exponent as many digits are shown as the number has.
function isWholly(seen: string, shown: number, space: Space): boolean {
  const significant = shown > 0 ? shownDigits(seen) : undefined
  if (significant === undefined || significant >= shown) return false
  const whole = printed(seen, space)
  return whole !== undefined && whole.length <= shown
}

/** Of a lone value nobody would think of these. */
const ONLY_TOLD: readonly string[] = ['binary16', SIXTEEN]
export const isOnlyTold = ({ process }: Hypothesis): boolean => ONLY_TOLD.includes(process)

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
    way.inRows ? isRunOf(way, context) : !isOnlyTold(way) || isTold(way)
  const all = asKept(ways, context)
  const known = all.every(isKnown) ? all : all.filter(isKnown)
  if (!known.some((way) => isShortening(way.process) && isTold(way)))
    return known.filter(({ process }) => !isShortening(process))
  const space = spaceOf(definition)
  const bare = printed(seen, space)
  const leaves = (id: string) =>
    known.some(
      (way) => way.process === id && way.originals.kind === 'integers' && leavesAny(space, way),
    )
  const isRead = leaves('number-read') || leaves('display')
  const isFifteen = leaves('fifteen-cut')
  return known.filter(
    (way) =>
      !isShortening(way.process) ||
      (isTold(way) && mayBeShortened(way.process, bare, isRead, isFifteen)),
  )
}

// Where long numbers were shortened to so many digits, those that lost a zero in front as well end in fewer zeros.
function asKept(ways: readonly Hypothesis[], context: Context | undefined): readonly Hypothesis[] {
  const { digits = 0, lift } = context ?? {}
  if (digits <= 0 || !lift || lift('short-display') < RUN_BITS) return ways
  const kept = toDigits(digits)
  return ways.map((way) =>
    way.process === kept
      ? { ...way, process: 'short-display', weight: EACH.shortPlain, per: 'original' }
      : way,
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
