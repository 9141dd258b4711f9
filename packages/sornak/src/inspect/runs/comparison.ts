// Processes held against each other over some rows: which explains them best, and how far each gains or loses there.

import type { Definition } from '../../identifier/definition.js'
import { allDigits } from '../../identifier/fit.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { ofSeveral } from '../evidence/hands.js'
import { channelOf } from '../evidence/process-channel.js'
import { UNIT, type Process } from '../evidence/process.js'
import { processesOf } from '../evidence/processes.js'
import type { Mark, Run } from '../evidence/run-state.js'
import { noSums, type Sums } from '../evidence/sums.js'
import { lacking } from '../short/alike.js'
import { boundOf } from '../short/bounded.js'
import { isUnsure } from '../short/front-in-use.js'
import type { ShortGroup } from '../short/group.js'
import { breaksOrder } from '../short/in-order.js'
import { farShort, strange } from '../short/strange.js'
import { FEW_ROWS_ALIKE, ofColumn, rowsOf } from '../short/throughout.js'
import { SIXTEEN } from '../ways/from-sixteen.js'
import type { StandsAs } from '../ways/hypothesis.js'
import type { Lift } from '../ways/scales.js'
import { DOUBT_BITS, MEND_ODDS, RUN_BITS, THROUGHOUT } from '../ways/weights.js'
import { isHeldAt } from './at-limit.js'
import { noneBehind } from './behind-numbers.js'
import type { EvidenceRun } from './evidence-run.js'
import { exceptional } from './exceptional-run.js'
import { fitsSpeak, lostZeros, noneKept, oftenCut, wrappedShare } from './fitting-values.js'
import { lifts } from './lifts.js'
import { loneValues } from './lone-value.js'
import { measures } from './measures.js'
import { markOf, percentOf } from './printed-marks.js'
import { prior } from './prior.js'
import { belowAnyway, belowOnlyHere } from './below-limit.js'
import { against } from './left-alone.js'
import { isBetween } from './short-beside.js'
import { differentIn, groupOf } from './short-group.js'
import { mayBeRound } from './round-numbers.js'
import { roundedBehindMarks } from './rounded-among.js'
import { slipOdds } from './slip-odds.js'
import { exponentWhereShorter, mostShown, shortenedTo, usualDigits } from './usual-digits.js'

export interface Comparison {
  readonly processes: readonly Process[]
  over(from: Mark<Sums>, to: Mark<Sums>, own: Process, score: number): EvidenceRun
  /** All rows, as one run in which nothing is doubted. */
  everywhere(): EvidenceRun
}

/** What some rows say, whichever process they were looked for. */
interface Told {
  /** Their short values, where they are not all rows. */
  readonly short: ShortGroup | undefined
  /** For each process, in 1/256 bit. */
  readonly sums: readonly number[]
  /** The process that explains them best, and the bits that say so. */
  readonly best: number
  readonly most: number
  readonly ofRows: Lift
}

interface Known {
  /** How often originals start as one does. */
  readonly usual: EvidenceRun['usual']
  /** For each process: bits for rows that it rounded here and there. */
  readonly among: readonly number[]
  /** All rows tell no story of their own, to which those of a run could be an exception. */
  readonly mixed: boolean
}

export function comparison(
  definition: Definition,
  whole: EvidenceState,
  inRuns: readonly (readonly Run<Sums>[])[],
  { usual, among, mixed }: Known,
): Comparison {
  const all = whole.sums
  const space = spaceOf(definition)
  const processes = processesOf(definition)
  const place = new Map(processes.map(({ id }, i) => [id, i]))
  const nothing = noSums(processes.length)
  const measured = measures(definition, whole, inRuns)
  const { setting, alike, isFair, hitsOf, negatives, signed, showsItself, likely } = measured
  const read = place.get('number-read')
  // What was rounded shows by itself.
  const byItself = ({ id, rounds }: Process) => (rounds ? 1 : likely(id))
  const limits = new Set(
    processes.flatMap((process, i) => (isHeldAt(process, i, whole) ? [`${process.max}`] : [])),
  )
  const octal = place.get('octal')
  const octalSpared = octal !== undefined && against(octal, nothing, all) === 0
  const everyShort = groupOf(whole, space.widest, {
    negatives: negatives(nothing, all) > 0,
    octalSpared,
    scattered: read === undefined || inRuns[read]!.length === 0,
  })
  const isFarShort = farShort(space, everyShort, all.wide)
  const lone = loneValues(definition, whole)
  const marked = processes.map((process, i) => roundedBehindMarks(whole, process, i))
  const behindMarks: Lift = (id) => marked[place.get(id) ?? -1] ?? 0
  const slips = slipOdds(space, processes, all, whole.shorts, inRuns)
  // Where several programs left their numbers, those of a run are no exception to what the others tell.
  const seldom = ofSeveral(whole.standing)
  const lifted = lifts(definition, whole, {
    alike,
    among,
    signed,
    isUntold: measured.isUntold,
    everyShort,
    mixed: mixed || seldom > 0,
  })
  const standing = (form: StandsAs, from: Sums, to: Sums): number => {
    const below = negatives(from, to)
    if (form === 'below-zero') return below
    if (form === 'fraction') return to.fractions - from.fractions
    const bare = to.misfits - to.formed - (from.misfits - from.formed) - below
    if (form === 'bare') return Math.max(0, bare)
    return hitsOf(`form ${form}`, from, to)
  }
  // What leaves short values as well.
  const cuts = processes.flatMap(({ id }, i) => (id.startsWith('cut-short') ? [i] : []))
  const rivalsOf = (best: number): readonly number[] => {
    const id = processes[best]?.id
    if (id?.startsWith('wrapped')) return cuts
    return id?.startsWith('cut-short') && read !== undefined ? [read] : []
  }
  const weighedOver = (sums: readonly number[], from: Sums, to: Sums, short?: ShortGroup): Told => {
    const ofRows = lifted(sums, from, to, short)
    const told = measured.bestOf(sums, from, to)
    // What the short values themselves tell for certain goes before how well either suits the rows.
    const bitsOf = (i: number) => ofRows(processes[i]!.id) + Math.log2(likely(processes[i]!.id))
    const isBetter = (i: number) =>
      Number.isFinite(sums[i]) &&
      bitsOf(i) + Math.log2(1 - MEND_ODDS) > bitsOf(told.best) &&
      (read === undefined || bitsOf(i) >= bitsOf(read))
    const better = rivalsOf(told.best).find(isBetter)
    const best = better ?? told.best
    return {
      short,
      sums,
      ofRows,
      best,
      most: better === undefined ? told.most : sums[best]! / UNIT,
    }
  }
  let everyRow: Told | undefined
  const ofAllRows = () => (everyRow ??= weighedOver(measured.everything(), nothing, all))
  // Many processes speak for the same rows.
  const known = new Map<string, Told>()
  const toldOf = (from: Mark<Sums>, to: Mark<Sums>): Told => {
    const key = `${from.row} ${to.row}`
    let told = known.get(key)
    if (!told) {
      const beside = {
        negatives: negatives(from.known, to.known) > 0,
        octalSpared,
        scattered: false,
      }
      const short = groupOf(whole, space.widest, beside, from, to, place)
      const sums = measured
        .totals(from.known, to.known)
        .map((sum, i) => (short.inOrder && breaksOrder(processes[i]!.id) ? -Infinity : sum))
      known.set(key, (told = weighedOver(sums, from.known, to.known, short)))
    }
    return told
  }
  const over = (
    from: Sums,
    to: Sums,
    own: Process | undefined,
    score: number,
    { short, sums, best, most, ofRows }: Told,
  ): EvidenceRun => {
    const form = own?.id.startsWith('form ') === true
    const lift =
      own && !mixed
        ? exceptional(ofRows, ofAllRows().ofRows, processes[best]!.id, likely(processes[best]!.id))
        : ofRows
    const process = form ? own : processes[best]!
    // Values that kept their zeros and hold an 8 or 9 say that some of these rows were read as octal; how many, nothing tells.
    const someOctal = own !== undefined && processes[best]!.id.startsWith('octal')
    const zerosGone =
      !alike && lostZeros(space, short, from, to, all, whole.narrow.end.widths[0] ?? 0)
    // What none of all rows has kept none of a run could.
    const unkept = alike
      ? 0
      : Math.max(noneKept(space, from, to, all), noneKept(space, nothing, all, all))
    return {
      process: process.id,
      conversion: processes[best]!.id,
      channel: channelOf(process.id),
      from: from.place,
      to: to.place,
      bits: Math.round(score / UNIT),
      lift: (id) => {
        if (unkept >= DOUBT_BITS && id === 'marks') return Math.min(0, lift(id))
        return someOctal && id.startsWith('octal')
          ? Math.max(ofColumn(prior(id)), lift(id))
          : lift(id)
      },
      usual,
      digits: usualDigits(from.plain, to.plain, 20),
      shown: mostShown(from.digits, to.digits),
      shortenedTo: (shown) => shortenedTo(from, to, shown),
      exponentWhereShorter: (digits) => exponentWhereShorter(from, to, digits),
      lone,
      slips: slips(from, to, own !== undefined),
      misfits: to.misfits - from.misfits,
      different: differentIn(short ?? everyShort, from, to),
      inForm: (form) => standing(form, from, to),
      inColumn: (form) => standing(form, nothing, all),
      mark: markOf(hitsOf('form grouped', from, to), hitsOf('form decimal-tail', from, to)),
      percent: percentOf(from, to),
      ...(short && process.id === 'number-read' && unsure(whole, space, short, lift)),
      bound: process.id === 'number-read' ? boundOf(space, short ?? everyShort) : undefined,
      // What stands first or last in a list may start with more zeros than the rest.
      // Of a few rows of them it is known from all.
      strange:
        strange(
          space,
          short ?? everyShort,
          short !== undefined && isBetween(from, to, all),
          all.wide,
        ) ||
        (short && rowsOf(short) < FEW_ROWS_ALIKE ? strange(space, everyShort, false, all.wide) : 0),
      isFarShort,
      cutAndRead:
        alike && processes[best]!.id.startsWith('cut-short') && severalRead(short, from, to),
      seldom,
      evidence: most,
      fair: isFair(process, best, from, to),
      alone: score / UNIT - RUN_BITS + Math.log2(byItself(own ?? process)),
      wrapped: process.id.startsWith('wrapped')
        ? ofRows(process.id) +
          Math.log2(THROUGHOUT) -
          belowAnyway(setting, process, best, from, to, all)
        : 0,
      suspect:
        own !== undefined &&
        !form &&
        measured.onAllRows(process, best, from, to) &&
        ((process.rounds === true &&
          fitsSpeak(process, best, from, to, measured.again(best, from, to)) &&
          !mayBeRound(space, processes, best, sums, from, to, whole)) ||
          (process.max !== undefined &&
            (showsItself(process, best, from, to) ||
              isFair(process, best, from, to) ||
              belowOnlyHere(process, best, from, to, all) >= DOUBT_BITS)) ||
          (process.id.startsWith('cut-short') && oftenCut(best, from, to)) ||
          process.id === SIXTEEN ||
          measured.cutBehind(best, from, to) > 0 ||
          (process.id === 'arithmetic' && noneBehind(best, undefined, all, from, to) > 0) ||
          (process.id === 'number-read' && zerosGone)),
      zerosGone,
      unkept,
      behindMarks,
      limits,
      struck: wrappedShare(space, process, best, from, to),
      beyond(other) {
        const i = place.get(other.process)!
        // That the other is at work around these rows is known, and that they are such a stretch of its own was looked for.
        const fair = other.fair || isFair(processes[i]!, i, from, to)
        return most - Math.max(sums[i]!, ...measured.both(processes[i]!, i, from, to, fair)) / UNIT
      },
    }
  }
  return {
    processes,
    over: (from, to, own, score) => over(from.known, to.known, own, score, toldOf(from, to)),
    everywhere: () => over(nothing, all, undefined, 0, ofAllRows()),
  }
}

// What else may have struck all values, where zeros are the likeliest to have gone.
const unsure = ({ sums }: EvidenceState, space: Space, short: ShortGroup, lift: Lift) => ({
  lacking: lacking(space, short),
  ...(sums.spelt === 0 &&
    isUnsure(space, lift('front')) && {
      digitsOnly: space.definition.stored.masks.filter(allDigits).map(({ text }) => text),
    }),
})

// Texts that are cut have one length, and one in ten starts with a zero.
const severalRead = (short: ShortGroup | undefined, from: Sums, to: Sums) =>
  short !== undefined &&
  to.padded === from.padded &&
  new Set(short.values.map(({ digits }) => digits.length)).size > 1
