// What the rows around a value, or all rows of its column, say of it.

import { throughFloat } from '../channel/binary-float.js'
import type { IntegerType } from '../channel/integer-limits.js'
import { isDigits, plainDigits } from '../channel/number-text.js'
import type { Percent } from '../channel/scaled.js'
import { fromSignificant } from '../channel/significant.js'
import type { Definition } from '../identifier/definition.js'
import { startingWith } from '../identifier/parts-of-space.js'
import { spaceOf, type Space } from '../identifier/space.js'
import { printed, shownDigits } from './evidence/printed-digits.js'
import { mistyped, slipIn, typedDigits, type Slip } from './evidence/slips.js'
import { prior } from './runs/lifts.js'
import type { LoneValue } from './runs/lone-value.js'
import { EVEN, loneSlip, type SlipOdds } from './runs/slip-odds.js'
import type { UsualStarts } from './runs/usual-starts.js'
import type { TrustedList } from './trusted.js'
import { inEightBits } from './ways/from-types.js'
import { isPrintedForm, PRINTED, type Hypothesis, type StandsAs } from './ways/hypothesis.js'
import { decided, weigh, type Lift, type Weighed } from './ways/weigh.js'
import { MEND_ODDS, OTHER_KIND, THROUGHOUT, TOGETHER } from './ways/weights.js'

/** What a column adds to the judgement of one of its values. */
export interface Context {
  /** What the neighbours say of each process. */
  readonly lift: Lift
  /** How often originals start as this one does. */
  readonly usual?: UsualStarts | undefined
  /** What a short value says by itself. */
  readonly lone?: LoneValue | undefined
  /** How likely slips in typing are among them, beside what a process leaves. */
  readonly slips?: SlipOdds | undefined
  /** Each of them would have lost so many zeros, which no other value starts with; 0 where that is as it should be. */
  readonly strange?: number | undefined
  /** The type that all of them lie in, and come up to the limit of, where none is complete. */
  readonly bound?: IntegerType | undefined
  /** The weight that a conversion has which is seldom met, for all values that it left, where several programs left theirs. */
  readonly seldom?: number | undefined
  /** How many neighbours do not fit; and of those, how many stand as this one does. */
  readonly misfits?: number | undefined
  readonly inForm?: ((form: StandsAs) => number) | undefined
  /** Long numbers among the neighbours stand with so many digits: none was shortened to fewer. */
  readonly digits?: number | undefined
  /** Most neighbours stand with so many digits before an exponent. */
  readonly shown?: number | undefined
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
  const left = withZeros(ways, bare, context?.digits, space)
  const usual = context?.usual?.of
  const byAll = (ways: readonly Hypothesis[], lift?: Lift) =>
    decided(weigh(space, ways, Math.max(most, 2), { lift, usual }))
  // One way more, so many times as likely as all others together; nothing where it leads to no original.
  const beside = (
    column: Context | undefined,
    { weight }: Weighed,
    more: Hypothesis,
    odds: number,
  ): Weighed | undefined => {
    const own = byAll([more]).weight
    if (own === -Infinity) return undefined
    const lift = (process: string) =>
      process === more.process ? weight - own + Math.log2(odds) : (column?.lift(process) ?? 0)
    return byAll([...left, more], lift)
  }
  const by = (column: Context | undefined): Weighed & { readonly slip?: Slip } => {
    const weighed = byAll(left, column?.lift)
    if (weighed.possible === 0n) return weighed
    if (column?.strange && weighed.processes[0]?.[0] === 'number-read')
      return beside(column, weighed, unknown(space), THROUGHOUT) ?? weighed
    if (column?.bound?.bits === 8 && weighed.processes[0]?.[0] === 'number-read') {
      const wrapped = isDigits(whole) ? inEightBits(space, BigInt(whole)) : undefined
      return (wrapped && beside(column, weighed, wrapped, THROUGHOUT)) ?? weighed
    }
    if (column && isWorkedOut(column, seen, left))
      return beside(column, weighed, unknown(space), 1) ?? weighed
    // They are amounts, maybe, in a column that never held identifiers.
    if (left.some(({ hundredths }) => hundredths))
      return beside(column, weighed, unknown(space), (1 - MEND_ODDS) / 2) ?? weighed
    const strangeStart = unlikeOthers(column, weighed, whole, space)
    if (strangeStart > 1 - MEND_ODDS)
      return beside(column, weighed, unknown(space), strangeStart) ?? weighed
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
  const column = amongOthers(withDigits(context, seen, bare, space), seen, ways)
  const weighed = by(column)
  if (weighed.possible !== 1n) return weighed
  const closer = lacksMany(column, seen, ways)
  return closer === column ? weighed : by(closer)
}

// Something that nobody knows left what is seen, of any value.
const unknown = (space: Space): Hypothesis => ({
  originals: { kind: 'subset', subset: startingWith(space, '') },
  process: 'unknown',
  channels: [],
  findings: ['unexplained'],
  weight: 1,
  per: 'all',
})

// Odds of that beside an original whose zeros at the front make it start as hardly any other value does. Where a check digit
// is right, zeros were there.
function unlikeOthers(
  column: Context | undefined,
  { ranked }: Weighed,
  number: string,
  { definition, widest }: Space,
): number {
  const [first] = ranked
  if (!first || !column?.usual || definition.check || number.length >= widest) return 0
  return TOGETHER.unknown / column.usual.ofWhole(first.text)
}

// Of numbers that were divided, or went wrong as they were printed, some come out without a fraction: that one has none says
// nothing where others have one.
function isWorkedOut(
  { inForm = () => 0 }: Context,
  seen: string,
  ways: readonly Hypothesis[],
): boolean {
  const form = ways.some(({ findings }) => findings.includes('decimal-tail'))
    ? 'decimal-tail'
    : 'bare'
  const isWhole = form === 'decimal-tail' || /^\d+$/.test(seen)
  const fractions = inForm('fraction')
  return isWhole && fractions >= FEW_FRACTIONS && fractions * 2 >= inForm(form)
}

/** Fewer are amounts, or slips, among identifiers. */
const FEW_FRACTIONS = 8

// Nearly all numbers with a fraction are values when they are counted by hundredths.
function areHundredths({ inForm = () => 0 }: Context): boolean {
  const fractions = inForm('fraction')
  return fractions >= FEW_FRACTIONS && inForm('scaled') * 10 >= fractions * 9
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
  if (!plain && !isWholly(seen, shown, space)) return context
  return { ...context, lift: (process) => (process === 'short-display' ? -1000 : lift(process)) }
}

// Before an exponent as many digits are shown as the number has.
function isWholly(seen: string, shown: number, space: Space): boolean {
  const significant = shown > 0 ? shownDigits(seen) : undefined
  if (significant === undefined || significant >= shown) return false
  const whole = printed(seen, space)
  return whole !== undefined && whole.length <= shown
}

// What rows say that stand in another form than this one says little of it: something else may have struck it. Exactly the
// limit of a type says so itself, and so do marks around a value.
function amongOthers(context: Context, seen: string, ways: readonly Hypothesis[]): Context {
  const { misfits = 0 } = context
  const alike = standingAlike(context, seen, ways)
  const exception = exceptionTo(alike)
  const isOther = alike * 10 < misfits * 9
  const least = isOther ? -exception : -Infinity
  const limit = `clamped ${seen}`
  const leastOf = (process: string) =>
    process === limit ? -exception : process === 'marks' ? 0 : least
  const among = { ...context, lift: (id: string) => Math.max(context.lift(id), leastOf(id)) }
  return ways.some(({ process }) => process === 'marks') ? among : ofSeveral(among, alike, isOther)
}

// Where several programs left numbers, any of them may have left this one: a conversion that is seldom met is not as rare as
// elsewhere. What rows say most of which stand in other forms is said by other programs, and makes none sure.
function ofSeveral(context: Context, alike: number, isOther: boolean): Context {
  const { seldom = 0, lift } = context
  if (seldom === 0) return context
  const least = Math.log2(Math.min(THROUGHOUT, seldom / Math.max(1, alike)))
  return {
    ...context,
    lift(process) {
      const rare = Math.log2(prior(process))
      const atLeast = Math.max(0, least - rare)
      if (isOther) return Math.min(-rare, Math.max(rare < 0 ? atLeast : 0, lift(process)))
      return atLeast > 0 ? Math.max(atLeast, lift(process)) : lift(process)
    },
  }
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
