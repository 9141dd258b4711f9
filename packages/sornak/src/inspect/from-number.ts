// Ways of damage that are undone on a printed number: its form first, then what was lost of its digits,
// then what its reading as a number took away.

import {
  BINARY32,
  BINARY64,
  decimalBehind,
  nearestFloat,
  roundedInto,
  roundedEitherWay,
  shortest,
  singlePrinted,
  throughFloat,
} from '../channel/binary-float.js'
import type { FindingCode } from '../channel/channel.js'
import { codesFor } from '../channel/evaluated.js'
import { shortened } from '../channel/exponent.js'
import { FIFTEEN } from '../channel/fifteen-digits.js'
import {
  formsIn,
  integerOf,
  ofThousands,
  plainDigits,
  type NumberText,
} from '../channel/number-text.js'
import { fromSignificant, toSignificant, type Interval } from '../channel/significant.js'
import type { Definition } from '../identifier/definition.js'
import { holds } from '../identifier/holds.js'
import { startingWith } from '../identifier/parts-of-space.js'
import { remembered } from '../identifier/remembered.js'
import { shareOfOne, type Numbers, type Space } from '../identifier/space.js'
import { frontWeight, holdsCodes } from './front-weight.js'
import { formsOf, readIn, restore } from './forms.js'
import { ends } from './from-cut.js'
import { octals } from './from-octal.js'
import { between, limits, signed, wraps } from './from-types.js'
import type { MaskList } from '../mask/list.js'
import type { Bare, Hypothesis } from './hypothesis.js'
import { CARELESS } from './process.js'
import { EACH, TOGETHER } from './weights.js'

export function fromNumber(
  definition: Definition,
  space: Space,
  number: NumberText,
  marks: readonly FindingCode[],
): Hypothesis[] {
  const printed = [...marks, ...formsIn(number)]
  const value = integerOf(number)
  if (value === undefined && !isNines(number)) return []
  const whole = (bare: Bare): Hypothesis => ({
    originals: bare.originals,
    process: bare.process,
    channels: [...printed, bare.channel],
    findings: bare.finding ? [...printed, bare.finding] : printed,
    quiet: bare.quiet ?? false,
    weight: bare.weight,
    per: bare.per,
  })
  // 99999999.99: as many nines as a column of decimals holds.
  if (value === undefined) return limits(space, wholeOf(number)).map(whole)
  if (number.negative)
    return [...wraps(space, -value), ...limits(space, -value), ...signed(space, value)].map(whole)
  const { fronts } = space
  const found: Bare[] = []
  // A number that is printed has no zeros at the front, unless it was filled up to a narrower width.
  const padded = number.padded && !number.exponent
  const ways = padded ? [repadded(value)] : readings(number, value)
  for (const { low, high, channel, process, weight, per = 'original', quiet = false } of ways) {
    const rounded = low !== high
    const finding = rounded ? { finding: 'digits-rounded' as const } : {}
    const common = { channel, process, weight, per, quiet, ...finding }
    if (space.integers.count > 0n)
      found.push({ ...common, originals: { kind: 'integers', low, high } })
    if (holdsCodes(space)) found.push(...asCode(definition, space, { low, high }, rounded))
    if (fronts && !padded) found.push(...asFront(space, fronts, { low, high }, common))
    if (!rounded) found.push(...asDisplayedNumber(definition, low, channel))
  }
  if (!number.exponent || number.power <= 0) {
    // A type that is printed with a plus and all its digits.
    if (padded && number.plus) found.push(...wraps(space, value, number.before))
    if (!padded)
      found.push(
        ...wraps(space, value),
        ...limits(space, value),
        ...octals(definition, space, value),
        ...ends(space, value, printed.length > 0),
      )
  }
  if (value === 0n) found.push(...(fronts ? unread(space, found) : forNone(space)))
  return found.map(whole)
}

const isNines = ({ coefficient, exponent, negative }: NumberText) =>
  !exponent && !negative && /^9+$/.test(`${coefficient}`)

const wholeOf = ({ coefficient, power }: NumberText) => coefficient / 10n ** BigInt(-power)

interface Reading extends Interval {
  readonly channel: string
  readonly process: string
  readonly weight: number
  /** For each original where it is left out. */
  readonly per?: Bare['per']
  readonly quiet?: boolean
}

const repadded = (value: bigint): Reading => ({
  low: value,
  high: value,
  channel: 'number-read',
  process: 'repadded',
  weight: EACH.repadded,
})

/** The integers a printed number may have stood for before digits were lost. */
function readings(number: NumberText, value: bigint): Reading[] {
  const short = number.exponent && number.power > 0
  const found: Reading[] = [
    {
      low: value,
      high: value,
      channel: number.exponent ? 'exponent-form' : 'number-read',
      process: 'number-read',
      weight: short ? EACH.shortExact : EACH.exact,
    },
  ]
  if (value === 0n) return found
  const digits = value.toString()
  const add = (channel: string, process: string, weight: number, interval: Interval) => {
    if (interval.low < interval.high) found.push({ ...interval, channel, process, weight })
  }
  const double = nearestFloat(value, BINARY64)
  const named =
    value === double ||
    value === shortest(double, BINARY64) ||
    value === shortest(double, BINARY64, 'no-half')
  // Seventeen digits are printed by some where fewer would do; each names its number. Where no zeros stand for
  // others, all of its digits are there. More of them are its own.
  const { significant } = number
  const filled = number.exponent || significant < digits.length
  const own = significant <= 17 || isRoundedTo(value, double, significant)
  const fromDouble = named || (filled && significant >= 16 && own)
  if (fromDouble) add('binary64', 'binary64', EACH.binary64, roundedEitherWay(double, BINARY64))
  // Where its digits are worked out carelessly the last one is right, at the least: a number beyond 2^53 is even.
  const inForm = number.grouped || number.decimals !== undefined
  if (inForm && value % 2n === 0n && value > SAFE)
    found.push({
      ...around(double),
      channel: 'binary64',
      process: CARELESS,
      weight: TOGETHER.carelessly,
      per: 'all',
    })
  const single = singlePrinted(value)
  if (single !== undefined)
    add(
      'binary32',
      'binary32',
      number.exponent ? EACH.shortRounded : EACH.binary32,
      roundedEitherWay(single, BINARY32),
    )
  // More of its digits than it takes to name it.
  const near = nearestFloat(value, BINARY32)
  if (short && significant > 9 && single === undefined && isRoundedTo(value, near, significant))
    add('binary32', 'binary32', EACH.binary32, roundedEitherWay(near, BINARY32))
  // Some print a fixed number of digits, which several numbers may share, or a digit more than it takes to name one; zeros
  // at the end may be left out.
  if (short && significant <= 9) {
    const behind = Math.max(0, digits.length - Math.max(7, significant))
    const shown = fromSignificant(value, 10n ** BigInt(behind), 'rounded')
    const weight = single === undefined ? EACH.shortRounded : EACH.shortCut
    add('binary32', 'binary32', weight, roundedInto(shown, BINARY32))
  }
  // Fifteen digits that went through a binary number and were printed with all of its own.
  const decimal = digits.length > FIFTEEN ? decimalBehind(value, FIFTEEN) : undefined
  if (decimal !== undefined)
    add(
      'fifteen-digits',
      'fifteen-binary64',
      EACH.fifteenBinary64,
      throughFloat(fromSignificant(decimal, 10n ** BigInt(digits.length - FIFTEEN), 'rounded')),
    )
  if (short) {
    const unit = 10n ** BigInt(number.power)
    add('short-display', 'short-display', EACH.shortRounded, throughFloat(shortened(number)))
    add(
      'short-display',
      'short-display',
      EACH.shortCut,
      throughFloat(fromSignificant(value, unit, 'cut')),
    )
    return found
  }
  const zeros = digits.length - digits.replace(/0+$/, '').length
  if (digits.length > FIFTEEN && zeros >= digits.length - FIFTEEN) {
    const unit = 10n ** BigInt(digits.length - FIFTEEN)
    add(
      'fifteen-digits',
      'fifteen-cut',
      EACH.fifteenCut,
      throughFloat(fromSignificant(value, unit, 'cut')),
    )
    add(
      'fifteen-digits',
      'fifteen-rounded',
      EACH.fifteenRounded,
      throughFloat(fromSignificant(value, unit, 'rounded')),
    )
  }
  const kept = plainDigits(digits)
  // A long row of zeros at the end, longer than fifteen digits leave, speaks for fewer digits.
  if (zeros >= 5 && digits.length - zeros <= 12 && digits.length > 7) {
    add(
      'short-display',
      'short-display',
      EACH.shortPlain,
      fromSignificant(value, 10n ** BigInt(zeros), 'rounded'),
    )
  } else if (kept > 0 && kept < digits.length)
    found.push(...shortenedTo('short-display', value, zeros))
  if (ofThousands(digits)) found.push(...shortenedTo('thousands', value, 3))
  return found
}

// Zeros stand in place of so many digits.
const shortenedTo = (
  process: 'short-display' | 'thousands',
  value: bigint,
  zeros: number,
): Reading[] =>
  (['cut', 'rounded'] as const).map((how) => ({
    ...throughFloat(fromSignificant(value, 10n ** BigInt(zeros), how)),
    channel: 'short-display',
    process,
    weight: process === 'thousands' ? TOGETHER.thousands : TOGETHER.shortened,
    per: 'all',
  }))

/** Up to here every integer is a binary64 number. */
const SAFE = 1n << 53n
/** Digits that a program works out in binary64 go wrong by so many of its numbers, at the most. */
const MOST_CARELESS = 4n

// The originals of the numbers around one of binary64.
function around(double: bigint): Interval {
  const { low, high } = roundedEitherWay(double, BINARY64)
  const more = (high - low) * MOST_CARELESS
  return { low: low - more, high: high + more }
}

const isRoundedTo = (value: bigint, from: bigint, digits: number) =>
  toSignificant(from, digits, 'rounded') === value

function asCode(
  definition: Definition,
  space: Space,
  interval: Interval,
  rounded: boolean,
): Bare[] {
  const longest = space.widths.at(-1) ?? 0
  const texts = codesFor(interval, longest, Math.min(4, longest)).filter((code) =>
    holds(definition, code),
  )
  if (texts.length === 0 || rounded) return []
  return [
    {
      originals: { kind: 'texts', texts },
      channel: 'evaluated',
      process: 'evaluated',
      finding: 'evaluated',
      weight: TOGETHER.evaluated,
      per: 'all',
    },
  ]
}

// 3 <- 3E7: a reader that stops at the first character that is no digit. What it has read is a number like any other:
// it may be all there was, and may have been rounded as those around it were.
function asFront(
  space: Space,
  fronts: Numbers,
  { low, high }: Interval,
  common: Omit<Bare, 'originals'>,
): Bare[] {
  const subset = between(fronts, low, high)
  const stopped: Bare = {
    ...common,
    channel: 'cut-short',
    finding: 'cut-short',
    originals: { kind: 'subset', subset },
  }
  if (subset.count === 0n && low < high) return []
  // As many times as likely as one value of digits, where each shape of a value is as likely as any other.
  const times = fronts.share(low, high) / shareOfOne(space)
  if (low < high) return [{ ...stopped, weight: common.weight * times, per: 'all' }]
  const weight = frontWeight(space)
  const all = { process: 'front', weight, per: 'all' } as const
  if (space.integers.count === 0n) return subset.count === 0n ? [] : [{ ...stopped, ...all }]
  return [
    { ...stopped, ...all, weight: weight * Math.max(1, times) },
    { ...common, ...all, originals: { kind: 'integers', low, high } },
  ]
}

// Nothing at the front could be read: a program that gives zero then gives it for any value, whatever it does to numbers.
function unread(space: Space, found: readonly Bare[]): Bare[] {
  const subset = startingWith(space, '')
  const common = { channel: 'cut-short', finding: 'cut-short', per: 'all' } as const
  const processes = new Map(found.map(({ process, weight }) => [process, weight]))
  processes.set('front', TOGETHER.unread)
  return [...processes].map(([process, weight]) => ({
    ...common,
    process,
    weight,
    originals: { kind: 'subset', subset },
  }))
}

// Of a value of nothing but zeros there is one; zero stands for any that is not known.
function forNone(space: Space): Bare[] {
  const subset = startingWith(space, '')
  const common = { channel: 'cut-short', finding: 'missing-mark', per: 'original' } as const
  const originals = { kind: 'subset', subset } as const
  return [{ ...common, process: 'unread', weight: EACH.unread, originals }]
}

// A display form that was read as a number: its plus sign and leading zeros went first.
function asDisplayedNumber(definition: Definition, value: bigint, channel: string): Bare[] {
  const texts = new Set<string>()
  for (const form of formsOf(definition)) {
    for (const text of [`${value}`, `+${value}`]) {
      if (text.length < fewestOf(form)) continue
      const read = readIn(form, text)
      const original = read && restore(definition, read.plain)
      // The digits as they stand are the stored form, not another one.
      if (original !== undefined && original !== `${value}`) texts.add(original)
    }
  }
  if (texts.size === 0) return []
  return [
    {
      originals: { kind: 'texts', texts: [...texts] },
      channel,
      process: 'display',
      finding: 'display-stored',
      weight: TOGETHER.displayedLoosely,
      per: 'all',
    },
  ]
}

// So many characters at least stand in the slots of a form.
const fewestOf = remembered(({ masks }: MaskList) =>
  Math.min(...masks.map(({ program }) => program.slots.reduce((sum, { min }) => sum + min, 0))),
)
