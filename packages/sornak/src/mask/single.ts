// Masks that hold one number or one date, with nothing but text around it.

import { dateOf } from '../date/calendar.js'
import { readDate } from '../date/read.js'
import { heldBy, showDate } from '../date/show.js'
import { readQuantity } from '../quantity/read.js'
import { showQuantity } from '../quantity/show.js'
import { isSeparator } from './separator.js'
import { fillClash, fillUp, isLonger, stripFill } from './frame.js'
import { misfit, type MisfitCode, type NoFit, type Read, type Shown } from './misfit.js'
import type { ReadOptions } from './read.js'
import type { Given } from './show.js'
import type { DateSlot, Node, NumberSlot } from './tree.js'

export interface Single {
  readonly before: string
  readonly after: string
  readonly slot: NumberSlot | DateSlot
}

export function singleOf(nodes: readonly Node[], slot: NumberSlot | DateSlot): Single {
  const at = nodes.indexOf(slot)
  const text = (list: readonly Node[]) =>
    list.map((node) => (node.kind === 'literal' ? node.text : '')).join('')
  return { before: text(nodes.slice(0, at)), after: text(nodes.slice(at + 1)), slot }
}

/** A decimal (text, bigint or number) or an ISO 8601 date. */
export function showSingle({ before, after, slot }: Single, value: Given, reader?: string): Shown {
  const given = `${value}`
  const shown =
    slot.kind === 'number' ? showQuantity(slot.quantity, given, reader) : showDate(slot.date, given)
  if (!shown.ok) return worded(shown.trouble, given)
  const clash = fillClash(shown.text, slot)
  if (clash) return clash
  return {
    ok: true,
    text: before + fillUp(shown.text, slot) + after,
    ...(isLonger(shown.text, slot) && { longer: true }),
    ...('rounded' in shown && shown.rounded ? { rounded: true } : {}),
  }
}

export function readSingle(
  single: Single,
  text: string,
  { strict = false }: ReadOptions,
  reader?: string,
): Read {
  const { before, after, slot } = single
  const from = passFront(before, text, strict)
  if (from < 0) return misfit('wrong-character', text, -from - 1, `"${before}"`)
  const to = passBack(after, text, from, strict)
  if (to < 0)
    return misfit('wrong-character', text, Math.min(from, text.length), `"${after}" at the end`)
  const inner = stripFill(text.slice(from, to), slot)
  const read =
    slot.kind === 'number'
      ? readQuantity(slot.quantity, inner.text, reader)
      : readDate(slot.date, inner.text, false)
  if (!read.ok) {
    const { code, at, expected } = read.trouble
    return misfit(code, text, from + inner.offset + at, expected)
  }
  const canon = canonSingle(single, read.value, reader)
  if (!canon.ok) return canon
  const again = showSingle(single, canon.plain, reader)
  const exact = again.ok && again.text === text
  if (strict && !exact) {
    if (!again.ok) return again
    let at = 0
    while (at < text.length && again.text[at] === text[at]) at++
    return misfit('wrong-character', text, at, `"${again.text}"`)
  }
  return { ok: true, plain: canon.plain, strict: exact }
}

/** The value as the mask keeps it: rounded, or without the fields that the pattern does not have. */
export function canonSingle(single: Single, value: Given, reader?: string): Read {
  const { slot } = single
  if (slot.kind === 'date') {
    const shown = showDate(slot.date, `${value}`)
    if (!shown.ok) return worded(shown.trouble, `${value}`)
    return { ok: true, plain: heldBy(slot.date, dateOf(`${value}`)!), strict: true }
  }
  const shown = showQuantity(slot.quantity, `${value}`, reader)
  if (!shown.ok) return worded(shown.trouble, `${value}`)
  const read = readQuantity(slot.quantity, shown.text, reader)
  return read.ok ? { ok: true, plain: read.value, strict: true } : worded(read.trouble, shown.text)
}

function worded(
  { code, at, expected }: { code: MisfitCode; at: number; expected: string },
  text: string,
): NoFit {
  const whole = code === 'not-decimal' || code === 'not-date'
  return misfit(code, text, at, expected, ...(whole ? [text.slice(0, 40)] : []))
}

// Letters, digits and marks of a literal must be there; separators may vary or vanish. The end of the
// literal, or minus one minus the place where it is not there.
function passFront(literal: string, text: string, strict: boolean): number {
  if (text.startsWith(literal)) return literal.length
  if (strict) return -1
  let at = 0
  for (const char of literal) {
    if (isSeparator(char)) {
      if (text.startsWith(char, at)) at += char.length
    } else if (text.startsWith(char, at)) at += char.length
    else return -at - 1
  }
  return at
}

function passBack(literal: string, text: string, from: number, strict: boolean): number {
  if (text.endsWith(literal) && text.length - literal.length >= from)
    return text.length - literal.length
  if (strict) return -1
  let at = text.length
  for (const char of [...literal].reverse()) {
    const there = at - char.length >= from && text.endsWith(char, at)
    if (there) at -= char.length
    else if (!isSeparator(char)) return -1
  }
  return at
}
