// Ways of damage that are undone on a printed number: its form first, then what was lost of its digits,
// then what its reading as a number took away.

import type { FindingCode } from '../../channel/channel.js'
import { codesFor, powersBehind } from '../../channel/evaluated.js'
import { throughFloat } from '../../channel/binary-float.js'
import { shortened } from '../../channel/exponent.js'
import { formsIn, integerOf, type NumberText } from '../../channel/number-text.js'
import type { Interval } from '../../channel/significant.js'
import type { Definition } from '../../identifier/definition.js'
import { holds } from '../../identifier/holds.js'
import { startingWith } from '../../identifier/parts-of-space.js'
import { shareOfOne, type Numbers, type Space } from '../../identifier/space.js'
import { asShown, shownBelowZero } from './from-shown.js'
import { ends } from './from-cut.js'
import { octals } from './from-octal.js'
import { between, limits, shortenedBelowZero, signed, wraps } from './from-types.js'
import { frontWeight, holdsCodes } from './front-weight.js'
import type { Bare, Hypothesis } from './hypothesis.js'
import { isShort, readings, repadded } from './readings.js'
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
    channels: printed.length ? [...printed, bare.channel] : [bare.channel],
    findings: [
      ...printed,
      ...(bare.shown ? (['display-stored'] as const) : []),
      ...(bare.finding ? [bare.finding] : []),
    ],
    quiet: bare.quiet ?? false,
    weight: number.likeDigits ? bare.weight * TOGETHER.otherBase : bare.weight,
    per: bare.per,
    ...(bare.shown && { shown: bare.shown }),
  })
  // 99999999.99: as many nines as a column of decimals holds.
  if (value === undefined) return limits(space, wholeOf(number)).map(whole)
  if (number.negative && isShort(number))
    return shortenedBelowZero(space, throughFloat(shortened(number)))
      .map(whole)
      .map((one) => ({ ...one, findings: [...one.findings, 'digits-rounded'] }))
  if (number.negative) {
    // Some programs fill it up to as many digits as the largest number of the type has.
    const filled = number.padded ? number.before : undefined
    const typed = [
      ...wraps(space, -value, filled),
      ...limits(space, -value),
      ...shownBelowZero(space, -value),
    ]
    const none = value === 1n && !number.padded ? forNone(space) : []
    return [...typed, ...signed(space, value), ...none].map(whole)
  }
  const { fronts } = space
  const found: Bare[] = []
  // A number that is printed has no zeros at the front, unless it was filled up to a narrower width.
  const padded = number.padded && !number.exponent
  const ways = padded ? [repadded(value)] : readings(number, value)
  for (const { low, high, channel, process, weight, per = 'original' } of ways) {
    const rounded = low !== high
    const finding = rounded ? ('digits-rounded' as const) : undefined
    const common = { channel, process, weight, per, finding }
    // Written out: to copy an object here takes as long as all else that is done for a value.
    if (space.integers.count > 0n)
      found.push({
        channel,
        process,
        weight,
        per,
        finding,
        originals: { kind: 'integers', low, high },
      })
    if (holdsCodes(space)) found.push(...asCode(definition, space, { low, high }, rounded))
    if (fronts && !padded) found.push(...asFront(space, fronts, { low, high }, common))
  }
  found.push(...asShown(space, ways, isShort(number)))
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

function asCode(
  definition: Definition,
  space: Space,
  interval: Interval,
  rounded: boolean,
): Bare[] {
  const longest = space.widths.at(-1) ?? 0
  const values = rounded
    ? [interval]
    : powersBehind(interval.low).map((value) => ({ low: value, high: value }))
  const texts = values
    .flatMap((each) => codesFor(each, longest, Math.min(4, longest)))
    .filter((code) => holds(definition, code))
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

// Of a value of nothing but zeros there is one; zero stands for any that is not known, and so does -1.
function forNone(space: Space): Bare[] {
  const subset = startingWith(space, '')
  const common = { channel: 'cut-short', finding: 'missing-mark', per: 'original' } as const
  const originals = { kind: 'subset', subset } as const
  return [{ ...common, process: 'unread', weight: EACH.unread, originals }]
}
