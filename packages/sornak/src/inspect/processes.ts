// The processes that a column is watched for, and what a value that fits says of each: that it could have
// printed it (in favour by as much as it is rare otherwise), or that it could not.

import {
  BINARY32,
  BINARY64,
  decimalBehind,
  isShortest,
  nearestFloat,
  roundedTo,
  singlePrinted,
} from '../channel/binary-float.js'
import { FIFTEEN } from '../channel/fifteen-digits.js'
import { INTEGER_TYPES, type IntegerType } from '../channel/integer-limits.js'
import { fromSignificant } from '../channel/significant.js'
import type { Definition } from '../identifier/definition.js'
import { spaceOf, widestNumber, type Space } from '../identifier/space.js'
import { ROW_BITS } from './weights.js'

/** Evidence is counted in 1/256 bit. */
export const UNIT = 256
export const OUT: number = -ROW_BITS * UNIT
export const IN: number = ROW_BITS * UNIT
/** One row says no more than this. */
export const MOST: number = 20 * UNIT

export interface Process {
  readonly id: string
  /** What a value that fits says, where `fits` is not asked. */
  readonly usual: 0 | typeof OUT
  /** What this value says, which fits and lies in the bytes from `start` to `end`. */
  readonly fits?: (bytes: Uint8Array, start: number, end: number) => number
  /**
   * What values of digits have in common that have this length, do not start with a zero, and start with these four
   * digits (all of them where there are fewer), and for which `fits` says the same; null where that cannot be told.
   * Where it is left out, `fits` says the same for all of them.
   */
  readonly alike?: (length: number, front: number) => Alike | null
  /** A reader of numbers, which may refuse what has a letter in it: such a value says nothing of it. */
  readonly ofDigits?: true
  /** The value may be the rounding of another: repeats of it are no evidence. */
  readonly rounds?: true
  /** So many characters are cut. */
  readonly lost?: number
  /** All characters behind so many are cut, where values have several widths. */
  readonly kept?: number
  /** Integer types: the largest value. */
  readonly max?: bigint
  /** What exactly this value says, where that stands for all beyond it and hardly one has it by chance. */
  readonly exactly?: number
  /** Where it prints values up to a limit: from here on they are near it. */
  readonly nearly?: bigint
}

/** Conditions under which values are alike. */
export interface Alike {
  /** The last digit is not zero. */
  readonly lastDigit?: boolean
  /** The value is no multiple of this power of two, of 1 to 8. */
  readonly bits?: number
  /** There are fewer zeros at the end than this. */
  readonly zeros?: number
}

/** Forms in which numbers are printed, and marks: no value that fits stands in them. */
export const FORMS: readonly string[] = [
  'exponent',
  'decimal-tail',
  'grouped',
  'scaled',
  'stray-mark',
  'hidden-character',
  'foreign-digit',
  'display-stored',
]

/** A reader of octal digits that stops at an 8 or 9. */
export const STOPS = 'octal as far as it goes'

export function processesOf(definition: Definition): Process[] {
  const space = spaceOf(definition)
  const never = (id: string): Process => ({ id, usual: OUT })
  const list: Process[] = [
    ...FORMS.map((code) => never(`form ${code}`)),
    ...['marks', 'display', 'look-alike', 'letter-case', 'sign'].map(never),
    ...unlessHeld(space, 'evaluated', unlessCode, 69, 101),
    ...unlessHeld(space, 'arithmetic', unless(45, 47), 45, 47),
    ...unlessHeld(space, 'base-sixty', unless(58), 58),
    ...unlessHeld(space, 'date-guess', unless(45, 47), 45, 47, 77),
  ]
  const { widths } = space
  for (let lost = 1; lost < Math.min(widths.at(-1) ?? 0, 25); lost++)
    list.push(cutShort(lost, widths))
  for (let kept = 1; widths.length > 1 && kept < Math.min(widths.at(-1)!, 25); kept++)
    list.push({
      id: `cut-short to ${kept}`,
      usual: 0,
      kept,
      fits: (_, start, end) => (end - start > kept ? OUT : 0),
    })
  const { fronts, integers } = space
  if (fronts)
    list.push(integers.count > 0n ? { id: 'front', usual: 0, fits: unlessBare } : never('front'))
  if (integers.count === 0n && !fronts) return list
  return [...list, ...numeric(space)]
}

// What readers of numbers do.
function numeric(space: Space): Process[] {
  const widest = widestNumber(space)
  const nearly = (8n ** BigInt(widest - 1) * 3n) / 4n
  const list: Process[] = [
    { id: 'number-read', usual: 0, fits: unlessZero },
    { id: 'octal', usual: 0, fits: unlessOctal, nearly },
    { id: 'octal or decimal', usual: 0, fits: unlessZero, nearly },
    { id: STOPS, usual: 0, fits: unlessBare, nearly },
    { id: 'short-display', usual: OUT },
    { id: 'repadded', usual: OUT },
  ]
  for (const type of INTEGER_TYPES) {
    if (10n ** BigInt(widest) <= type.max) continue
    list.push(wraps(type), holds(type, space))
  }
  if (widest > 7) list.push(rounds('binary32', space, single))
  if (widest > FIFTEEN)
    list.push(
      rounds('binary64', space, double),
      rounds('fifteen-cut', space, fifteen('cut')),
      rounds('fifteen-rounded', space, fifteen('rounded')),
      rounds('fifteen-binary64', space, behind),
    )
  return list.map((process) => (process.id === STOPS ? process : { ...process, ofDigits: true }))
}

const leadingZero = (bytes: Uint8Array, start: number, end: number) =>
  end - start > 1 && (bytes[start] === 48 || bytes[start] === 43)

function unlessZero(bytes: Uint8Array, start: number, end: number): number {
  return leadingZero(bytes, start, end) ? OUT : 0
}

// A reader that stops at the first character that is no digit leaves digits alone, and nothing else.
function unlessBare(bytes: Uint8Array, start: number, end: number): number {
  return leadingZero(bytes, start, end) || !isDigits(bytes, start, end) ? OUT : 0
}

/** Whether a value holds nothing but digits. */
export function isDigits(bytes: Uint8Array, start: number, end: number): boolean {
  for (let at = start; at < end; at++) if (bytes[at]! < 48 || bytes[at]! > 57) return false
  return true
}

// A reader of octal digits leaves 0891 alone.
function unlessOctal(bytes: Uint8Array, start: number, end: number): number {
  if (!leadingZero(bytes, start, end)) return 0
  for (let at = start; at < end; at++) if (bytes[at]! > 55) return 0
  return OUT
}

function unless(...codes: number[]): NonNullable<Process['fits']> {
  return (bytes, start, end) => {
    for (let at = start + 1; at < end; at++) if (codes.includes(bytes[at]!)) return OUT
    return 0
  }
}

// Watched for only where values can hold such characters at all.
function unlessHeld(
  space: Space,
  id: string,
  fits: NonNullable<Process['fits']>,
  ...codes: number[]
): Process[] {
  const holds = space.layouts.some(({ places }) =>
    places.some(({ chars }) => codes.some((code) => chars.includes(code))),
  )
  return holds ? [{ id, usual: 0, fits }] : []
}

// 12E5: digits, an E, digits.
function unlessCode(bytes: Uint8Array, start: number, end: number): number {
  let letters = 0
  for (let at = start; at < end; at++) {
    const byte = bytes[at]!
    if (byte >= 48 && byte <= 57) continue
    if ((byte !== 69 && byte !== 101) || at === start || at === end - 1 || letters++) return 0
  }
  return letters ? OUT : 0
}

// So many characters are gone. Where values have several widths, what is left of a wide one fits as well.
function cutShort(lost: number, widths: readonly number[]): Process {
  const bare: Process = { id: `cut-short by ${lost}`, usual: OUT, lost }
  return widths.some((width) => widths.includes(width + lost))
    ? { ...bare, fits: (_, start, end) => (widths.includes(end - start + lost) ? 0 : OUT) }
    : bare
}

function wraps({ name, max }: IntegerType): Process {
  const most = max.toString()
  return {
    id: `wrapped ${name}`,
    usual: OUT,
    max,
    nearly: nearlyOf(max),
    alike: besideLimits(max),
    fits: (bytes, start, end) =>
      leadingZero(bytes, start, end) ||
      compare(bytes, start, end, most) > 0 ||
      isLimit(bytes, start, end)
        ? OUT
        : 0,
  }
}

// What is exactly the limit of a type was held there, and did not come round to it.
const isLimit = (bytes: Uint8Array, start: number, end: number) =>
  LIMITS.some((limit) => compare(bytes, start, end, limit) === 0)

const LIMITS = INTEGER_TYPES.map(({ max }) => max.toString())

// Exactly the limit stands for all that lies beyond it.
function holds({ max }: IntegerType, space: Space): Process {
  const most = max.toString()
  const beyond = bits(space.count(max, 10n ** 60n).count)
  return {
    id: `clamped ${most}`,
    usual: OUT,
    max,
    ...(beyond >= MOST && { exactly: beyond }),
    nearly: nearlyOf(max),
    alike: besideLimits(max),
    fits(bytes, start, end) {
      if (leadingZero(bytes, start, end)) return OUT
      const order = compare(bytes, start, end, most)
      return order > 0 ? OUT : order === 0 ? beyond : 0
    },
  }
}

const nearlyOf = (max: bigint) => max - max / 16n

// On the same side of a limit, and of where values come near it.
function besideLimits(max: bigint): NonNullable<Process['alike']> {
  const limits = [max, nearlyOf(max)].map(String)
  const [most = ''] = limits
  const fronts = limits.map((text) => Number.parseInt(text.slice(0, 4), 10))
  return (length, front) => (length === most.length && fronts.includes(front) ? null : {})
}

function compare(bytes: Uint8Array, start: number, end: number, text: string): number {
  const longer = end - start - text.length
  if (longer !== 0) return longer
  for (let i = 0; i < text.length; i++) {
    const order = bytes[start + i]! - text.charCodeAt(i)
    if (order !== 0) return order
  }
  return 0
}

/** What a rounding prints. */
interface Image {
  /** What the value is the rounding of: undefined where it changes nothing, `out` where it cannot be one. */
  readonly of: (bytes: Uint8Array, start: number, end: number) => Interval | 'out' | undefined
  readonly alike: NonNullable<Process['alike']>
}
interface Interval {
  readonly low: bigint
  readonly high: bigint
}

function rounds(id: string, space: Space, image: Image): Process {
  const { alike } = image
  return {
    id,
    usual: OUT,
    rounds: true,
    alike,
    fits(bytes, start, end) {
      if (leadingZero(bytes, start, end)) return OUT
      const preimage = image.of(bytes, start, end)
      if (preimage === undefined) return 0
      if (preimage === 'out') return OUT
      return bits(space.count(preimage.low, preimage.high).count)
    },
  }
}

function fifteen(how: 'cut' | 'rounded'): Image {
  return {
    alike: (length) => (length <= FIFTEEN ? {} : { lastDigit: true }),
    of(bytes, start, end) {
      const lost = end - start - FIFTEEN
      if (lost <= 0) return undefined
      for (let at = end - lost; at < end; at++) if (bytes[at] !== 48) return 'out'
      return halfOpen(fromSignificant(valueOf(bytes, start, end), 10n ** BigInt(lost), how), how)
    },
  }
}

// Of the two halves between values that are rounded one goes to each.
const halfOpen = ({ low, high }: Interval, how: 'cut' | 'rounded'): Interval =>
  how === 'cut' ? { low, high } : { low, high: high - 1n }

// Binary64 numbers of so many digits are multiples of this power of two, at the least.
const spacingBits = (digits: number) => (digits <= 17 ? 1 : digits === 18 ? 4 : 7)

/** Up to 2^53, which starts with these digits, every integer is a binary64 number. */
const SAFE_FRONT = 9007

// Most values are told from their last bits or digits; only what passes becomes an exact integer.
const double: Image = {
  alike(length, front) {
    if (length < 16 || (length === 16 && front < SAFE_FRONT)) return {}
    if (length === 16 && front === SAFE_FRONT) return null
    return { lastDigit: true, bits: spacingBits(length) }
  },
  of(bytes, start, end) {
    const digits = end - start
    if (digits < 16 || (digits === 16 && bytes[start] !== 57)) return undefined
    if (bytes[end - 1] !== 48 && lowBits(bytes, start, end, spacingBits(digits)) !== 0)
      return compare(bytes, start, end, '9007199254740992') <= 0 ? undefined : 'out'
    const value = valueOf(bytes, start, end)
    if (value < 1n << 53n) return undefined
    const float = nearestFloat(value, BINARY64)
    const printed = value === float || isShortest(value, float, BINARY64)
    return printed ? roundedTo(float, BINARY64) : 'out'
  },
}

const single: Image = {
  alike(length, front) {
    if (length < 8 || (length === 8 && front < 1677)) return {}
    if (length === 8) return front === 1677 ? null : { bits: 1 }
    return { lastDigit: length > 16, zeros: length - 8, bits: length === 9 ? 3 : 6 }
  },
  of(bytes, start, end) {
    const digits = end - start
    if (digits < 8 || compare(bytes, start, end, '16777216') <= 0) return undefined
    const least = digits === 8 ? 1 : digits === 9 ? 3 : 6
    const zeros = digits - 8
    let last = end
    while (bytes[last - 1] === 48) last--
    const round = digits > 8 && end - last >= zeros
    // More zeros than it leaves are of round numbers: they say nothing where they alone put it among the binary ones.
    if (10 ** (end - last) >= 2 ** least && end - last > zeros) return undefined
    // A number so long may also be printed as the binary64 number that it is, whose last digits are zeros.
    // It lies as near to a binary32 number as binary64 numbers lie to each other, and those of binary32 lie far apart.
    const doubled = digits > 16 && bytes[end - 1] === 48 && nearMultiple(bytes, start, end)
    if (!round && !doubled && lowBits(bytes, start, end, least) !== 0) return 'out'
    const float = singlePrinted(valueOf(bytes, start, end))
    return float === undefined ? 'out' : roundedTo(float, BINARY32)
  },
}

// Fifteen digits that were printed again from a binary number, with digits of its own behind them.
const behind: Image = {
  alike(length, front) {
    if (length <= FIFTEEN) return {}
    if (length === 16 && front <= SAFE_FRONT)
      return front === SAFE_FRONT ? null : { lastDigit: true }
    return { bits: spacingBits(length) }
  },
  of(bytes, start, end) {
    const lost = end - start - FIFTEEN
    if (lost <= 0) return undefined
    const digits = end - start
    if (lowBits(bytes, start, end, spacingBits(digits)) !== 0) return 'out'
    const value = valueOf(bytes, start, end)
    const decimal = decimalBehind(value, FIFTEEN)
    if (decimal === undefined) return 'out'
    return halfOpen(fromSignificant(decimal, 10n ** BigInt(lost), 'rounded'), 'rounded')
  },
}

// The remainder by a power of two, kept small at every digit.
function lowBits(bytes: Uint8Array, start: number, end: number, count: number): number {
  const mask = (1 << count) - 1
  let rest = 0
  for (let at = start; at < end; at++) rest = (rest * 10 + bytes[at]! - 48) & mask
  return rest
}

// Near a multiple of 2^24, by the spacing of binary64 numbers of 20 digits and fewer.
function nearMultiple(bytes: Uint8Array, start: number, end: number): boolean {
  const rest = lowBits(bytes, start, end, 24)
  return end - start > 20 || rest <= 8192 || rest >= (1 << 24) - 8192
}

const DIGITS = '0123456789'

function valueOf(bytes: Uint8Array, start: number, end: number): bigint {
  let text = ''
  for (let at = start; at < end; at++) {
    const byte = bytes[at]!
    if (byte < 48 || byte > 57) return 0n
    text += DIGITS[byte - 48]
  }
  return text === '' ? 0n : BigInt(text)
}

/** How many bits it says that so many originals come out as this one. */
export function bits(count: bigint): number {
  if (count <= 1n) return 0
  if (count < 1n << 30n) return Math.min(MOST, Math.round(Math.log2(Number(count)) * UNIT))
  const digits = count.toString(2)
  const head = Number.parseInt(digits.slice(0, 30), 2)
  return Math.min(
    MOST,
    Math.round((Math.log2(head) + digits.length - Math.min(30, digits.length)) * UNIT),
  )
}
