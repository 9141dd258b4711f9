// Exact decimal -> shown text.

import { decimalOf, isZero, round, shift, type Decimal } from './decimal.js'
import { factsFor, type LocaleFacts } from './locale.js'
import type { Grouping, Quantity, QuantityShown, Trouble } from './quantity.js'

/** Numbers with more digits than this are not turned into another base. */
const MOST_BASE_DIGITS = 4000

export function showQuantity(quantity: Quantity, given: string, reader?: string): QuantityShown {
  const decimal = decimalOf(given)
  if (!decimal)
    return refuse(given === '' ? 'empty' : 'not-decimal', 0, 'a decimal such as -1234.50')
  const facts = factsFor(quantity, reader)
  if (quantity.base) return showBase(quantity, decimal, given, facts)
  if (quantity.scientific !== undefined) return showScientific(quantity, decimal, facts)
  const scaled = quantity.percent ? shift(decimal, 2) : decimal
  const { min, max } = decimalsOf(quantity, facts)
  const rounded = round(scaled, max, quantity.round)
  // Where nothing is said of decimals, those that the value has are shown, zeros too.
  const body = digitsText(
    quantity,
    facts,
    rounded,
    max === Infinity ? rounded.fraction.length : min,
  )
  if (body === undefined)
    return refuse('too-long', 0, `at most ${quantity.whole!.max} digits before the point`)
  const text = sign(quantity, facts, rounded, body)
  return { ok: true, text, rounded: hasMore(scaled, rounded) }
}

/** How many digits stand after the point: as the mask says, else as the currency has, else all. */
export function decimalsOf(
  { decimals }: Quantity,
  facts: LocaleFacts,
): { readonly min: number; readonly max: number } {
  if (decimals) return decimals
  return facts.decimals === undefined
    ? { min: 0, max: Infinity }
    : { min: facts.decimals, max: facts.decimals }
}

/** The grouping and decimal mark in force. */
export function marksOf(
  { group, point }: Quantity,
  facts: LocaleFacts,
): { readonly point: string; readonly group: Grouping | undefined; readonly groupFrom: number } {
  return {
    point: point ?? facts.point,
    group: group === 'locale' ? facts.group : group,
    groupFrom: group === 'locale' ? facts.groupFrom : 1,
  }
}

function digitsText(
  quantity: Quantity,
  facts: LocaleFacts,
  { whole, fraction }: Decimal,
  fewest: number,
): string | undefined {
  const { whole: wholes, decimals } = quantity
  const { point, group, groupFrom } = marksOf(quantity, facts)
  const shownWhole = wholes?.min === 0 && whole === '0' ? '' : whole.padStart(wholes?.min ?? 1, '0')
  if (wholes && shownWhole.length > wholes.max) return undefined
  const shownFraction = trimZeros(fraction, fewest).padEnd(fewest, '0')
  let before = grouped(shownWhole, group, groupFrom)
  let after = shownFraction ? point + shownFraction : ''
  if (before === '' && after === '') before = '0'
  if (wholes?.spaced && wholes.max !== Infinity)
    before = before.padStart(grouped('0'.repeat(wholes.max), group, groupFrom).length)
  if (decimals?.spaced && decimals.max > 0 && decimals.max !== Infinity)
    after = after.padEnd(point.length + decimals.max)
  return localDigits(before + after, facts)
}

// Zeros at the end beyond the fewest digits say nothing.
function trimZeros(fraction: string, fewest: number): string {
  let end = fraction.length
  while (end > fewest && fraction[end - 1] === '0') end--
  return fraction.slice(0, end)
}

export function grouped(digits: string, group: Grouping | undefined, from = 1): string {
  if (!group || group.separator === '' || digits.length < group.first + from) return digits
  const parts = [digits.slice(-group.first)]
  for (let end = digits.length - group.first; end > 0; end -= group.next)
    parts.push(digits.slice(Math.max(0, end - group.next), end))
  return parts.reverse().join(group.separator)
}

function sign(quantity: Quantity, facts: LocaleFacts, value: Decimal, body: string): string {
  const zero = isZero(value)
  const plus = quantity.sign === 'always' || (quantity.sign === 'nonzero' && !zero)
  if (value.negative && quantity.negative === 'brackets')
    return `(${facts.positive[0]}${body}${facts.positive[1]})`
  const [before, after] = value.negative ? facts.negative : plus ? facts.plus : facts.positive
  // A space that a missing digit left gives way to the sign, so that points still line up.
  const lead = /^ */.exec(body)![0].length
  const added = before.length - facts.positive[0].length
  const room = quantity.whole?.spaced ? Math.min(lead, Math.max(0, added)) : 0
  const blank = ' '.repeat(lead - room)
  return blank + before + body.slice(lead) + after
}

function showBase(
  quantity: Quantity,
  decimal: Decimal,
  given: string,
  facts: LocaleFacts,
): QuantityShown {
  if (/[1-9]/.test(decimal.fraction))
    return refuse('not-whole', given.indexOf('.'), 'a whole number')
  if (decimal.whole.length > MOST_BASE_DIGITS)
    return refuse('too-long', 0, `at most ${MOST_BASE_DIGITS} digits`)
  const digits = BigInt(decimal.whole).toString(quantity.base).toUpperCase()
  const whole = digits.padStart(quantity.whole?.min ?? 1, '0')
  if (quantity.whole && whole.length > quantity.whole.max)
    return refuse('too-long', 0, `at most ${quantity.whole.max} digits in base ${quantity.base}`)
  const { group } = marksOf(quantity, facts)
  return { ok: true, text: sign(quantity, facts, decimal, grouped(whole, group)), rounded: false }
}

//  1234567890123, scientific 2 -> 1.23E+12
function showScientific(quantity: Quantity, decimal: Decimal, facts: LocaleFacts): QuantityShown {
  const places = quantity.scientific!
  const digits = (decimal.whole + decimal.fraction).replace(/^0+/, '')
  let power = digits === '' ? 0 : decimal.whole.length - 1
  if (digits !== '' && decimal.whole === '0') power = -(/^0*/.exec(decimal.fraction)![0].length + 1)
  const coefficient = round(shift(decimal, -power), places, quantity.round)
  const over = coefficient.whole.length > 1
  const shown = over ? shift(coefficient, -1) : coefficient
  if (over) power++
  const { point } = marksOf(quantity, facts)
  const fraction = shown.fraction.slice(0, places).padEnd(places, '0')
  const body =
    localDigits(shown.whole + (places ? point + fraction : ''), facts) +
    'E' +
    (power < 0 ? facts.minusSign : facts.plusSign) +
    localDigits(`${Math.abs(power)}`, facts)
  return {
    ok: true,
    text: sign(quantity, facts, shown, body),
    rounded: hasMore(shift(decimal, -power), shown),
  }
}

const hasMore = (before: Decimal, after: Decimal) =>
  before.whole !== after.whole ||
  /[1-9]/.test(before.fraction.slice(after.fraction.length)) ||
  before.fraction.slice(0, after.fraction.length) !==
    after.fraction.slice(0, before.fraction.length)

function localDigits(text: string, { digits }: LocaleFacts): string {
  return digits[0] === '0'
    ? text
    : text.replace(/[0-9]/g, (digit) => digits[digit.charCodeAt(0) - 48]!)
}

function refuse(code: Trouble['code'], at: number, expected: string): QuantityShown {
  return { ok: false, trouble: { code, at, expected } }
}
