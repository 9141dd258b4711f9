// What is seen -> every way it could have come about, as sets of originals with a weight. Undoes a
// chain from the outside in: text marks, printed form, precision, number read.

import type { FindingCode } from '../channel/channel.js'
import { BINARY64, roundedInto } from '../channel/binary-float.js'
import { binary64 } from '../channel/binary64.js'
import { codesFor } from '../channel/evaluated.js'
import { FIFTEEN } from '../channel/fifteen-digits.js'
import { integerOf, numberTexts, type NumberText } from '../channel/number-text.js'
import { fromSignificant, type Interval } from '../channel/significant.js'
import { unmark, type Unmarked } from '../channel/text-marks.js'
import { shortened } from '../channel/exponent.js'
import type { Definition } from '../identifier/definition.js'
import { fit } from '../identifier/fit.js'
import { spaceOf, type Space } from '../identifier/space.js'
import type { MaskList } from '../mask/list.js'
import { WEIGHTS } from './weights.js'

export type Originals =
  | { readonly kind: 'texts'; readonly texts: readonly string[] }
  | ({ readonly kind: 'integers' } & Interval)

/** One way in which the value could have come about. */
export interface Hypothesis {
  readonly originals: Originals
  /** Channel ids, outermost first. */
  readonly channels: readonly string[]
  readonly findings: readonly FindingCode[]
  readonly weight: number
}

export function hypotheses(definition: Definition, seen: string): Hypothesis[] {
  const space = spaceOf(definition)
  return unmark(seen).flatMap((unmarked) => [
    ...asItStands(definition, unmarked),
    ...asDisplayed(definition, unmarked),
    ...asNumber(definition, space, unmarked),
  ])
}

function asItStands(definition: Definition, { text, findings }: Unmarked): Hypothesis[] {
  if (findings.length === 0 || !fit(definition, text).ok) return []
  return [
    {
      originals: { kind: 'texts', texts: [text] },
      channels: findings,
      findings,
      weight: WEIGHTS.marked,
    },
  ]
}

function asDisplayed(definition: Definition, { text, findings }: Unmarked): Hypothesis[] {
  return formsOf(definition).flatMap((form): Hypothesis[] => {
    const read = form.read(text)
    if (!read.ok) return []
    const original = restore(definition, read.plain)
    if (original === undefined || original === text) return []
    return [
      {
        originals: { kind: 'texts', texts: [original] },
        channels: [...findings, 'display'],
        findings: [...findings, 'display-stored'],
        weight: read.strict ? WEIGHTS.displayed : WEIGHTS.displayedLoosely,
      },
    ]
  })
}

function asNumber(
  definition: Definition,
  space: Space,
  { text, findings: marks }: Unmarked,
): Hypothesis[] {
  return numberTexts(text).flatMap((number) => {
    if (number.negative) return []
    const printed: FindingCode[] = [...marks]
    if (number.exponent) printed.push('exponent')
    else if (number.grouped) printed.push('grouped')
    if (number.decimals !== undefined && !number.exponent) printed.push('decimal-tail')
    return readings(number).flatMap(({ low, high, channel, weight }) => {
      const rounded = low !== high
      const findings: FindingCode[] = rounded ? [...printed, 'digits-rounded'] : printed
      const channels = [...printed, channel]
      const found: Hypothesis[] = []
      if (space.integers.count > 0n) {
        found.push({ originals: { kind: 'integers', low, high }, channels, findings, weight })
      }
      if (holdsCodes(space))
        found.push(...asCode(definition, space, { low, high }, findings, channels))
      if (!rounded) found.push(...asDisplayedNumber(definition, low, findings, channels))
      return found
    })
  })
}

interface Reading extends Interval {
  readonly channel: string
  readonly weight: number
}

/** The integers a printed number may have stood for before digits were lost. */
function readings(number: NumberText): Reading[] {
  const value = integerOf(number)
  if (value === undefined) return []
  const found: Reading[] = [
    {
      low: value,
      high: value,
      channel: number.exponent ? 'exponent-form' : 'number-read',
      weight: number.exponent && number.power > 0 ? WEIGHTS.shortExact : WEIGHTS.exact,
    },
  ]
  if (value === 0n) return found
  const digits = value.toString()
  const add = (channel: string, weight: number, interval: Interval) => {
    if (interval.low < interval.high) found.push({ ...interval, channel, weight })
  }
  for (const preimage of binary64.inverse(digits)) {
    if (preimage.kind === 'integers') add('binary64', WEIGHTS.binary64, preimage)
  }
  if (number.exponent && number.power > 0) {
    const unit = 10n ** BigInt(number.power)
    add('short-display', WEIGHTS.shortRounded, throughFloat(shortened(number)))
    add('short-display', WEIGHTS.shortCut, throughFloat(fromSignificant(value, unit, 'cut')))
    return found
  }
  const zeros = digits.length - digits.replace(/0+$/, '').length
  if (digits.length > FIFTEEN && zeros >= digits.length - FIFTEEN) {
    const unit = 10n ** BigInt(digits.length - FIFTEEN)
    add('fifteen-digits', WEIGHTS.fifteenCut, throughFloat(fromSignificant(value, unit, 'cut')))
    add(
      'fifteen-digits',
      WEIGHTS.fifteenRounded,
      throughFloat(fromSignificant(value, unit, 'rounded')),
    )
  }
  // A long row of zeros at the end, longer than fifteen digits leave, speaks for fewer digits.
  if (zeros >= 5 && digits.length - zeros <= 12 && digits.length > 7) {
    add(
      'short-display',
      WEIGHTS.shortPlain,
      fromSignificant(value, 10n ** BigInt(zeros), 'rounded'),
    )
  }
  return found
}

// Most programs round to a binary number before they print few digits of it, which widens the interval
// a little where numbers lie far apart.
function throughFloat(interval: Interval): Interval {
  if (interval.high < 1n << 53n) return interval
  const { low, high } = roundedInto(interval, BINARY64)
  return low > high
    ? interval
    : {
        low: low < interval.low ? low : interval.low,
        high: high > interval.high ? high : interval.high,
      }
}

function asCode(
  definition: Definition,
  space: Space,
  interval: Interval,
  findings: readonly FindingCode[],
  channels: readonly string[],
): Hypothesis[] {
  const longest = space.layouts.reduce((most, { places }) => Math.max(most, places.length), 0)
  const texts = codesFor(interval, longest, Math.min(4, longest)).filter(
    (code) => fit(definition, code).ok,
  )
  if (texts.length === 0) return []
  return [
    {
      originals: { kind: 'texts', texts },
      channels: [...channels, 'evaluated'],
      findings: [...findings, 'evaluated'],
      weight: WEIGHTS.evaluated,
    },
  ]
}

// A display form that was read as a number: its plus sign and leading zeros went first.
function asDisplayedNumber(
  definition: Definition,
  value: bigint,
  findings: readonly FindingCode[],
  channels: readonly string[],
): Hypothesis[] {
  const texts = new Set<string>()
  for (const form of formsOf(definition)) {
    for (const text of [`${value}`, `+${value}`]) {
      const read = form.read(text)
      const original = read.ok ? restore(definition, read.plain) : undefined
      if (original !== undefined) texts.add(original)
    }
  }
  if (texts.size === 0) return []
  return [
    {
      originals: { kind: 'texts', texts: [...texts] },
      channels: [...channels, 'display'],
      findings: [...findings, 'display-stored'],
      weight: WEIGHTS.displayedLoosely,
    },
  ]
}

/** Every form in which a value may be shown or come in, its own stored form read loosely included. */
function formsOf({ stored, displays, alsoRead }: Definition): MaskList[] {
  return [...new Set([stored, ...displays.values(), ...(alsoRead ? [alsoRead] : [])])]
}

/** The stored text of a plain value, where it fits. */
function restore(definition: Definition, plain: string): string | undefined {
  const stored = definition.stored.show(plain)
  return stored.ok && fit(definition, stored.text).ok ? stored.text : undefined
}

// Whether a value can hold a character that makes a code look like a number: 12E5, 0x1F, 1_000.
const codes = new WeakMap<Space, boolean>()
function holdsCodes(space: Space): boolean {
  let holds = codes.get(space)
  if (holds === undefined) {
    holds = space.layouts.some(({ places }) =>
      places
        .slice(1, -1)
        .some(({ chars }) => [69, 101, 120, 88, 95].some((code) => chars.includes(code))),
    )
    codes.set(space, holds)
  }
  return holds
}
