// By how far a process gains or loses over some rows, beside digits that were read as a number: what the rows say of each
// process, and what the stories of short values add or take away.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { printsRound } from '../evidence/process-channel.js'
import { UNIT, type Process } from '../evidence/process.js'
import { processesOf } from '../evidence/processes.js'
import type { Sums } from '../evidence/sums.js'
import { inUse } from '../short/front-in-use.js'
import type { ShortGroup } from '../short/group.js'
import { breaksOrder } from '../short/in-order.js'
import { rivals, type Rivals } from '../short/rivals.js'
import { ofPart } from '../short/throughout.js'
import { allByChance, leadsAnywhere } from '../ways/by-chance.js'
import { frontWeight } from '../ways/front-weight.js'
import { pointedIn } from '../ways/from-decimals.js'
import { SIXTEEN } from '../ways/from-sixteen.js'
import { CARELESS, FEWER_DECIMALS, PERCENT_OF, STOPS } from '../ways/hypothesis.js'
import { isShortening, weightOf } from '../ways/shortening.js'
import type { Lift } from '../ways/scales.js'
import { EACH, MEND_ODDS, ROW_BITS, RUN_BITS, THROUGHOUT, TOGETHER } from '../ways/weights.js'
import { lengthsMissing } from './cut-widths.js'
import { isInOrder, startsTell } from './list-order.js'
import { against as leftAlone, fewerShown } from './process-totals.js'
import { TEXTS_OF_BINARY } from './rounded-among.js'
import { differentIn } from './short-group.js'

/** What is known of the column. */
interface Known {
  /** All values of the definition have one width. */
  readonly alike: boolean
  /** For each process: bits for rows that it rounded here and there. */
  readonly among: readonly number[]
  /** A type shows by its minus signs. */
  readonly signed: (id: string, from: Sums, to: Sums) => boolean
  /** A type of which only numbers below zero tell, and there are none. */
  readonly isUntold: (id: string) => boolean
  readonly everyShort: ShortGroup
  /** Those of a run are no exception to what all short values tell. */
  readonly mixed: boolean
}

/**
 * Over rows between two places, for which each process has this sum in 1/256 bit; `ofRows` are their short values, where
 * they are not all rows.
 */
export type Lifts = (sums: readonly number[], from: Sums, to: Sums, ofRows?: ShortGroup) => Lift

export function lifts(
  definition: Definition,
  whole: EvidenceState,
  { alike, among, signed, isUntold, everyShort, mixed }: Known,
): Lifts {
  const space = spaceOf(definition)
  const processes = processesOf(definition)
  const place = new Map(processes.map(({ id }, i) => [id, i]))
  const cuts = processes.flatMap(({ id }) => (id.startsWith('cut-short') ? [id] : []))
  const ofAll = rivals(definition, everyShort)
  const ofShort = (id: string, ofRun: Rivals | undefined, apart: boolean): number | undefined => {
    const own = ofRun?.(id)
    if (mixed && ofRun) return own
    // What an octal reader leaves alone is known from the rows between; all rows say no more where hardly any other is short.
    if (own !== undefined && apart && id.startsWith('octal')) return own
    const everywhere = ofAll(id)
    if (everywhere === undefined || own === undefined) return own ?? everywhere
    // That the rows of a run are an exception costs as much as any run: both where the whole column tells this
    // story, and where it does not.
    return everywhere > 0
      ? Math.max(own, Math.min(everywhere, own + RUN_BITS))
      : own - Math.min(RUN_BITS, -everywhere)
  }
  // Rows that were damaged here and there went through several conversions, maybe: a part of those that read as
  // numbers was rounded, where so many originals come out as each that it is worth saying so.
  const inPart = (i: number, from: Sums, to: Sums): number => {
    const all = to.reads - from.reads
    const some = to.readsToo[i]! - from.readsToo[i]!
    if (some === 0 || !ROUNDED_IN_PART.includes(processes[i]!.id)) return -Infinity
    const others = some < all ? (all - some) * Math.log2(1 - some / all) : 0
    const originals = (to.readsExtra[i]! - from.readsExtra[i]!) / UNIT
    const fewer = processes[i]!.id === 'short-display' ? fewerShown(space, from, to) / UNIT : 0
    const isBinary = processes[i]!.id.startsWith('binary')
    // Fewer may be one number that comes again and again.
    if (isBinary && some * 10 < all) return -Infinity
    const twice = isBinary ? some * Math.log2(TEXTS_OF_BINARY) : 0
    const said = originals + some * Math.log2(some / all) + others - fewer - twice - RUN_BITS
    return said > 0 ? said : -Infinity
  }
  // A reader of numbers takes codes for them as well; where it struck rows here and there, it left some codes alone.
  const ofReader = (i: number, from: Sums, to: Sums): number => {
    const struck = to.reads - from.reads
    const often = struck / Math.max(1, struck + to.fits - from.fits)
    return -leftAlone(i, from, to) * Math.min(ROW_BITS, -Math.log2(1 - often))
  }
  // How many were left alone is told from the zeros that were.
  const used = () => {
    const { fits, spelt, zeros, short, reads } = whole.sums
    const others = ((fits - spelt) * zeros) / Math.max(1, zeros + short)
    return inUse(space, spelt, others, fits === 0 ? Math.max(short, reads) : short)
  }
  const isList = alike && isInOrder(whole.sums)
  const fitsFrom = 10 ** (narrowestNumber(space) - 1)
  const read = place.get('number-read')
  const mayBeRead = (from: Sums, to: Sums) =>
    read === undefined || to.hits[read]! > from.hits[read]!
  const isPointed = pointedIn(space).length > 0
  return (sums, from, to, ofRows) => {
    const short = ofRows ?? everyShort
    const stray = isList && areOutOfOrder(from, to)
    const ofStarts = alike ? startsTell(whole.sums, from, to) : 0
    const ofRun = ofRows && rivals(definition, ofRows)
    const base = sums[place.get('number-read') ?? place.get('evaluated') ?? place.get('display')!]!
    const missing = new Map<number, number>()
    const against = (lost: number) => {
      if (!missing.has(lost)) missing.set(lost, lengthsMissing(space, lost, short))
      return missing.get(lost)!
    }
    // By how much likelier it is that the rows were cut short than that they lost zeros.
    let cut: number | undefined
    const wereCut = () =>
      (cut ??= cuts.reduce(
        (most, id) => Math.max(most, (ofShort(id, ofRun, short.apart) ?? 0) + Math.log2(prior(id))),
        0,
      ))
    let gone: boolean | undefined
    const zerosGone = () => (gone ??= isPointed && areZerosGone(place.get('evaluated')!, from, to))
    const different = differentIn(short, from, to)
    const again = to.misfits - from.misfits > different
    const byChance = again ? allByChance(space, different) : 0
    // A type that values suit which fit, in a run, is not as rare as one that folded a lone value. It takes away certainty, and
    // gives none.
    const inRun = (id: string, told: number) =>
      ofRows && alike && to.fits > from.fits && id.startsWith('wrapped')
        ? Math.max(told, Math.min(ofPart(TOGETHER.wrapped, told) + told, -Math.log2(prior(id))))
        : told
    const liftOf = (id: string): number => {
      const i = place.get(id)
      if (i === undefined) return 0
      if (isUntold(id)) return -Infinity
      const { lost } = processes[i]!
      const said = Math.max(
        (sums[i]! - base) / UNIT +
          (id === 'front' ? used() : 0) -
          (lost === undefined || alike ? 0 : against(lost)),
        inPart(i, from, to),
        id === 'evaluated' ? ofReader(i, from, to) : -Infinity,
        Math.min(among[i]!, -Math.log2(prior(id))) || -Infinity,
      )
      // What lacks zeros behind its point may lack any digits, where others have kept theirs.
      if (id === FEWER_DECIMALS) {
        const ofZeros = liftOf('evaluated')
        return zerosGone()
          ? Math.min(said, ofZeros)
          : Math.max(said, ofZeros - Math.log2(prior(id)))
      }
      const own = printsRound(id) ? Math.min(said, mostRound(short, from, to)) : said
      // Where leading zeros are read as octal, a reader that stops at an 8 or 9 is hardly less likely.
      const most =
        id === STOPS ? Math.max(own, (sums[place.get('octal')!]! - base) / UNIT - 8) : own
      const rival = ofShort(id, ofRun, short.apart)
      const octal = id.startsWith('octal')
      // Where no story is told of short values, all that can be said for octal digits is that they are no less likely,
      // unless there are many that lost zeros do not explain.
      const untold = octal && most <= RUN_BITS ? Math.min(most, -Math.log2(prior(id))) : most
      // Where several widths or a check digit leave no story of short values, that all lie far below the limit is told here.
      const far = alike && rival !== undefined ? 0 : farBelow(processes[i]!, short, fitsFrom)
      if (rival === undefined) return inRun(id, untold - far)
      // Such evidence takes away certainty, and gives none.
      const told = octal ? rival - wereCut() : rival
      const doubt = Math.min(told, -Math.log2(prior(id)))
      // Of several widths it is not told how well all of it suits.
      if (id === STOPS && !alike) return Math.max(doubt, untold)
      // No value starts with the zeros of one that was cut, and little else says that they were, where they may have lost zeros.
      const unlikely =
        id.startsWith('cut-short') &&
        to.padded === from.padded &&
        rival < -Math.log2(prior(id)) &&
        mayBeRead(from, to)
      if (octal || unlikely) return Math.max(doubt, Math.min(most, rival))
      const bound =
        id.startsWith('cut-short') || (id.startsWith('wrapped') && !signed(id, from, to))
      return inRun(id, Math.max(doubt, bound ? most + Math.min(0, rival) : most) - far)
    }
    // Every value of these rows asks for the same.
    const known = new Map<string, number>()
    let others: number | undefined
    const ofOthers = () => (others ??= Math.max(0, ...cuts.map(liftOf)))
    const told = (id: string) => {
      const own = liftOf(id)
      // A few numbers that come again and again may all be right by chance, where what else explains them is no more likely.
      const isByChance = byChance > 1 - MEND_ODDS && leadsAnywhere(id)
      const lift = isByChance ? Math.min(own, ofOthers() - Math.log2(byChance)) : own
      const least = stray && breaksOrder(id) ? Math.max(lift, -Math.log2(prior(id))) : lift
      if (!id.startsWith('cut-short')) return least
      // What cuts some values leaves others as they are, with zeros in front and behind.
      const most = zerosGone() ? liftOf('evaluated') : Infinity
      // What is left of a value that was cut starts as those beside it do, in a list that is sorted.
      return Math.min(most, least + ofStarts)
    }
    // What cuts values here and there is no field too narrow for all: it took more from others, maybe.
    const isField = !alike || (to.fits - from.fits) * 10 <= to.short - from.short
    let most: number | undefined
    const someCut = () => (most ??= Math.max(...cuts.map(told)))
    const ofCut = (lift: number) =>
      someCut() >= -Math.log2(TOGETHER.cutShort) - 1
        ? Math.max(lift, someCut() + Math.log2(THROUGHOUT))
        : lift
    // Hardly a reader of octal digits goes as far as they do and no further: what explains the rows about as well is no less likely.
    const noMore = (lift: number) => {
      const other = processes.reduce(
        (most, { id }) => (/^(?:wrapped|cut-short)/.test(id) ? Math.max(most, told(id)) : most),
        -Infinity,
      )
      return other > RUN_BITS && lift - other < RUN_BITS ? Math.min(lift, other) : lift
    }
    return (id) => {
      let lift = known.get(id)
      if (lift === undefined) {
        const own = told(id)
        lift = !isField && id.startsWith('cut-short') ? ofCut(own) : own
        if (id === STOPS) lift = noMore(lift)
        known.set(id, lift)
      }
      return lift
    }
  }
}

// No code has kept a zero in front or behind its point, of so many that one in ten should end in one: a reader of numbers dropped
// them, and no other digit is missing from those that have fewer.
function areZerosGone(evaluated: number, from: Sums, to: Sums): boolean {
  const bits = (to.spelt - from.spelt) * Math.log2(10 / 9)
  return leftAlone(evaluated, from, to) === 0 && bits >= -Math.log2(1 - MEND_ODDS)
}

// Bits that it says against a type in which they wrapped that none has as many digits as its limit: for each row where they lie
// all over what is left, and once where they are those of few blocks. Larger ones may fit from some number on.
function farBelow({ id, max }: Process, { values }: ShortGroup, fitsFrom: number): number {
  if (!id.startsWith('wrapped') || max === undefined || values.length === 0) return 0
  const digits = Math.max(...values.map(({ digits }) => digits.length))
  const range = Number(max + 1n) * (id.includes('uint') ? 1 : 2)
  const firsts = new Set(values.map(({ digits }) => digits[0]))
  const rows = firsts.size >= MANY_FIRSTS ? values.length : 1
  return rows * Math.max(0, Math.log2(Math.min(range, fitsFrom) / 10 ** digits))
}

// How many digits a number has at the least that fits as it is printed, with no zero in front.
const narrowestNumber = ({ layouts }: Space): number =>
  layouts.reduce(
    (least, { places }) =>
      places[0]?.chars.some((code) => code > 48 && code <= 57)
        ? Math.min(least, places.length)
        : least,
    Infinity,
  )

/** Numbers of one block, or of a few, start with fewer digits. */
const MANY_FIRSTS = 5

// With zeros in front these would stand behind larger ones, in such a list.
function areOutOfOrder(from: Sums, to: Sums): boolean {
  const back = to.back - from.back
  return back >= FEW_BACK && back * 3 >= to.short - from.short
}

const FEW_BACK = 4

/** Fewer values that end in zeros, again and again, may be all there are. */
const FEW_VALUES = 8

// Where all rows hold a few values again and again, each says once what its zeros say.
function mostRound({ values }: ShortGroup, from: Sums, to: Sums): number {
  const exponents = to.digits.some((count, k) => count > from.digits[k]!)
  // Of several widths only the narrowest are too short.
  const areAll = (to.short - from.short) * 2 >= to.misfits - from.misfits
  const few = values.length > 0 && values.length < FEW_VALUES && areAll && to.fits === from.fits
  if (exponents || !few) return Infinity
  const zeros = values.reduce((sum, { digits }) => sum + /0*$/.exec(digits)![0].length, 0)
  return zeros * Math.log2(10)
}

// What these printed shows by the zeros at its end, or by the bits.
const ROUNDED_IN_PART: readonly string[] = [
  'short-display',
  'fifteen-cut',
  'fifteen-rounded',
  'fifteen-binary64',
  'binary64',
  'binary32',
]

/** How likely a process is by itself, beside digits that were read as a number: as the weights of values have it. */
export function prior(id: string): number {
  if (id.startsWith('wrapped')) return TOGETHER.wrapped
  if (id.startsWith('clamped')) return THROUGHOUT
  if (id.startsWith('octal')) return TOGETHER.otherBase
  if (id === SIXTEEN) return TOGETHER.sixteen
  if (id.startsWith('cut-short')) return TOGETHER.cutShort
  if (id === 'short-display') return EACH.shortPlain
  if (isShortening(id) || id === 'thousands') return weightOf(id)
  if (id === 'binary16') return TOGETHER.binary16
  if (id === 'binary32') return EACH.binary32
  if (id === 'binary80') return EACH.binary80
  if (id === PERCENT_OF) return EACH.percentOf
  if (id === CARELESS) return TOGETHER.carelessly
  if (id === 'repadded') return EACH.repadded
  if (id === FEWER_DECIMALS) return TOGETHER.fewerDecimals
  if (id === 'sign') return TOGETHER.signGained
  return 1
}

/** The same, with a reader that stops: how likely that is the shape of values tells. */
export const priorIn = (space: Space, id: string): number =>
  id === 'front' ? frontWeight(space) : prior(id)
