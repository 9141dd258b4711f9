// What a value that does not fit says of each process: whether it explains it, and how many originals it leaves.

import { countAlike } from '../../channel/date-codes.js'
import { FIFTEEN } from '../../channel/fifteen-digits.js'
import { isHeld } from '../../channel/integer-limits.js'
import type { Percent } from '../../channel/scaled.js'
import type { Definition } from '../../identifier/definition.js'
import { holds } from '../../identifier/holds.js'
import { startingWith, type Subset } from '../../identifier/parts-of-space.js'
import { spaceOf, widestNumber, type Space } from '../../identifier/space.js'
import { FEW_STEPS } from '../short/story.js'
import { frontWeight } from '../ways/front-weight.js'
import { CARELESS, isPrintedForm, numbersIn, type Hypothesis } from '../ways/hypothesis.js'
import { hypotheses } from '../ways/originals.js'
import { isShortening, mayBeShortened } from '../ways/shortening.js'
import { TOGETHER } from '../ways/weights.js'
import { wayOf } from './hands.js'
import { bytesOf, printed } from './printed-digits.js'
import { FORMS, type Process } from './process.js'
import { slipIn, typedDigits, type Slip } from './slips.js'

export interface Misfit {
  /** The value that stands behind marks, and nothing else was done to. */
  readonly marked: string | undefined
  /** Processes that explain it, by their index in order, with the number of originals; a bound where these are many. */
  readonly found: readonly (readonly [i: number, originals: bigint])[]
  /** What those say that would have left it alone, in 1/256 bit. */
  readonly quiet: ReadonlyMap<number, number>
  /** It may have been read as a number, and nothing else. */
  readonly isRead: boolean
  /** It stands in a printed form: with a tail, an exponent, a grouping. */
  readonly inForm: boolean
  readonly percent: Percent | undefined
  /** It may have been shortened to few digits. */
  readonly isShortened: boolean
  /** It has decimals that are not zeros, and only hundredths explain it. */
  readonly isFraction: boolean
  /** The digits of the integer that it is, printed in any form. */
  readonly bare: string | undefined
  /** The way in which it stands. */
  readonly way: number
  /** These fit. */
  readonly stands: boolean
  /** What slip in typing it may be. */
  readonly slip: Slip | undefined
}

export function misfitReader(
  definition: Definition,
  processes: readonly Process[],
): (seen: string) => Misfit {
  const space = spaceOf(definition)
  const index = new Map(processes.map(({ id }, i) => [id, i]))
  const arithmetic = index.get('arithmetic') ?? -1
  const evaluated = index.get('evaluated') ?? -1
  const exponent = index.get('form exponent')!
  const short = index.get('short-display')
  const front = index.get('front') ?? -1
  // Where no value is digits only, what was read stands in front of something else.
  const asNumber = space.integers.count > 0n ? (index.get('number-read') ?? -1) : front
  const octals = processes.flatMap(({ id }, i) => (id.startsWith('octal') ? [i] : []))
  const wraps = processes.flatMap(({ id }, i) => (id.startsWith('wrapped') ? [i] : []))
  const roundings = processes.flatMap(({ rounds }, i) => (rounds ? [i] : []))
  const fifteen = index.get('fifteen-cut') ?? -1
  const shortenings = processes.flatMap(({ id }, i) => (isShortening(id) ? [i] : []))
  const cuts = new Set(processes.flatMap(({ id }, i) => (id.startsWith('cut-short') ? [i] : [])))
  // Who writes letters for digits prints no numbers.
  const asked = processes.flatMap(({ id, fits, leaves = fits }, i) =>
    leaves && id !== 'look-alike' ? [{ i, leaves }] : [],
  )

  return (seen) => {
    const ways = hypotheses(definition, seen)
    const found = explained(ways)
    const way = wayOf(seen, (form) => found.has(index.get(`form ${form}`)!))
    const marked = ALIGNED.test(seen) ? undefined : markedIn(ways)
    if (marked !== undefined) return { ...SHOWN, marked, way, found: shownBy(found) }
    const isRead = found.has(asNumber)
    // It may be the number of a display form as well.
    const isNumber = isRead || ways.some(({ shown, process }) => shown && process === 'display')
    const percent = percentOf(ways)
    const bare = printed(seen, space)
    for (const i of shortenings)
      if (percent || !mayBeShortened(processes[i]!.id, bare, isNumber, found.has(fifteen)))
        found.delete(i)
    // However much may stand behind a number, it is one of as many numbers: each shape is as likely as any other.
    if (isRead && front !== asNumber) {
      if (found.has(arithmetic)) found.set(arithmetic, 1n)
      if (found.has(front)) found.set(front, timesAsLikely(ways, frontWeight(space)))
    }
    // Where no value is digits only, one of full width tells what no zero stood in front of: octal readers leave it.
    if (isRead && front === asNumber && bare?.length === widestNumber(space) && bare[0] !== '0')
      for (const i of octals) found.set(i, found.get(front)!)
    // A number below zero is printed as it is, though its digits and its hyphen may be those of a display form.
    const inForm =
      !BELOW_ZERO.test(seen) && [...found.keys()].some((i) => processes[i]!.id.startsWith('form '))
    const stands = bare !== undefined && holds(definition, bare)
    // What leaves a value alone that stands behind marks says as little as of one that fits.
    const quiet = bare === undefined ? NOBODY : leaveAlone(bare, stands, isNumber, found)
    // A reader that stops at the first letter takes a power of ten as one too.
    if (front >= 0 && bare !== undefined && found.has(evaluated) && !found.has(front))
      found.set(front, 1n)
    // Few digits are no fewer than all there are, where these make a value.
    if (short !== undefined && found.has(exponent) && isRead && !found.has(short))
      found.set(short, 1n)
    if (isHeld(bare ?? seen, widestNumber(space))) {
      for (const i of [...wraps, ...octals]) found.delete(i)
      // It is held there after it was rounded, maybe.
      for (const i of roundings) if (!found.has(i)) found.set(i, 1n)
    }
    return {
      marked,
      found: [...found].sort(([a], [b]) => a - b),
      quiet,
      isRead,
      inForm,
      percent,
      isShortened: short !== undefined && found.has(short),
      isFraction: FRACTION.test(seen) && ways.every(({ hundredths }) => hundredths),
      bare,
      way,
      stands,
      slip: slipIn(definition, typedDigits(seen, bare)),
    }
  }

  // No number was printed there: only that there are marks is said, and what a value says that fits.
  function shownBy(found: ReadonlyMap<number, bigint>): Misfit['found'] {
    return [...found]
      .filter(([i]) => processes[i]!.id === 'marks' || processes[i]!.id.startsWith('form '))
      .sort(([a], [b]) => a - b)
  }

  function explained(ways: readonly Hypothesis[]): Map<number, bigint> {
    const found = new Map<number, bigint>()
    const marked = ways.some(({ process }) => process === 'marks')
    for (const way of ways) {
      const i = index.get(way.process)
      // A space in front says more by itself than by its place in a form that leaves separators open.
      const loosely = way.process === 'display' && way.weight === TOGETHER.displayedLoosely
      if (i === undefined || way.quiet === true || (loosely && marked)) continue
      const many = way.process === 'date-guess' ? ofDates(way, space) : countOf(way, space)
      const before = found.get(i)
      // Where it was cut or rounded, nobody knows which, it says no more than what says less.
      const isMore =
        before === undefined || (isShortening(way.process) ? many < before : many > before)
      if (many > 0n && isMore) found.set(i, many)
      for (const code of way.findings) {
        const form = FORMS.includes(code) ? index.get(`form ${code}`) : undefined
        if (many > 0n && form !== undefined) found.set(form, 1n)
      }
    }
    // A wide value leaves no more behind than a narrow one does, though more of them are possible.
    const left = [...found].filter(([i]) => cuts.has(i))
    const narrowest = left.reduce<bigint>(
      (least, [, many]) => (many < least ? many : least),
      left[0]?.[1] ?? 0n,
    )
    for (const [i] of left) found.set(i, narrowest)
    return found
  }

  // Behind a tail or grouping stands a number: a process that leaves it as it is explains it too. Where it
  // fits, that is every process that leaves it alone; else those that are about large numbers only. Returned is
  // what those say that only left it alone.
  function leaveAlone(
    bare: string,
    stands: boolean,
    isNumber: boolean,
    found: Map<number, bigint>,
  ): ReadonlyMap<number, number> {
    const quiet = new Map<number, number>()
    if (!stands && !isNumber) return quiet
    const bytes = bytesOf(bare)
    for (const { i, leaves: ask } of asked) {
      const { id, rounds, max, fits } = processes[i]!
      const isOfLarge = rounds || !fits || isShortening(id) || max !== undefined
      if (found.has(i) || (!stands && !isOfLarge)) continue
      const score = ask(bytes, 0, bytes.length)
      if (score < 0) continue
      // A number that it rounds no digit of lost its zeros, like any other.
      found.set(i, (rounds && found.get(asNumber)) || 1n)
      if (stands) quiet.set(i, score)
    }
    // Few digits are printed as they are.
    if (!stands && short !== undefined && bare.length < 12 && !found.has(short))
      found.set(short, 1n)
    if (!stands) return quiet
    // Programs that print fifteen digits print fewer as they are.
    if (short !== undefined && bare.length >= 12 && bare.length <= FIFTEEN && !found.has(short)) {
      found.set(short, 1n)
      quiet.set(short, 0)
    }
    for (const [i, { id, usual, fits: ask }] of processes.entries())
      if (!ask && usual === 0 && !id.startsWith('form ') && !found.has(i)) {
        found.set(i, 1n)
        quiet.set(i, 0)
      }
    return quiet
  }
}

const NOBODY: ReadonlyMap<number, number> = new Map()

const SHOWN: Omit<Misfit, 'found' | 'way'> = {
  marked: undefined,
  quiet: NOBODY,
  isRead: false,
  inForm: false,
  percent: undefined,
  isShortened: false,
  isFraction: false,
  bare: undefined,
  stands: false,
  slip: undefined,
}

// Numbers are filled up with spaces in front, where they stand below each other.
const ALIGNED = /^ {2,}\d+$/

// What stands between digits may group those of a number.
function markedIn(ways: readonly Hypothesis[]): string | undefined {
  if (ways.some(isPrintedForm)) return undefined
  for (const { process, originals } of ways)
    if (process === 'marks' && originals.kind === 'texts') return originals.texts[0]
  return undefined
}

const FRACTION = /^\d[\d.,]*[.,]\d*[1-9]\d*$/
const BELOW_ZERO = /^-\d+$/

const percentOf = (ways: readonly Hypothesis[]): Percent | undefined =>
  ways.some(({ percent }) => percent === 'hundredfold')
    ? 'hundredfold'
    : ways.find(({ percent }) => percent)?.percent

/** How many originals it leaves; a bound where these are many. */
export function countOf({ originals, process }: Hypothesis, space: Space): bigint {
  if (originals.kind === 'texts') return BigInt(originals.texts.length)
  if (originals.kind === 'subset') return roughly(originals.subset)
  // Its last digit is even, and says no more.
  if (process === CARELESS) return 2n
  const { low, high } = originals
  const numbers = numbersIn(space, originals)
  const { count } = numbers.count(low, high)
  // Of the two halves between values that are rounded one goes to each; but it may be the only original that there is.
  const halves = process === 'fifteen-rounded' || process === 'fifteen-binary64'
  return halves && count > 1n ? numbers.count(low, high - 1n).count : count
}

// Of all values those become a date that look like one: each says as much more than one of all.
function ofDates(way: Hypothesis, space: Space): bigint {
  const { originals } = way
  const many = countOf(way, space)
  if (originals.kind !== 'texts') return many
  const timesAsLikely = startingWith(space, '').count / countAlike(originals.texts[0]!)
  return timesAsLikely > 1n ? many * timesAsLikely : many
}

// Beside one value of digits, those of which the number is the front.
const timesAsLikely = (ways: readonly Hypothesis[], one: number) =>
  ways.reduce((most, { process, weight }) => {
    const times = process === 'front' ? BigInt(Math.round(weight / one)) : 1n
    return times > most ? times : most
  }, 1n)

// A few steps are counted, as a check digit leaves none of them, maybe; of many the bound will do.
const roughly = (subset: Subset) => (subset.bound <= FEW_STEPS ? subset.count : subset.bound)
