// Typing numbers. What is kept are the digits, one point and one minus; groups, currency and percent signs
// are drawn around them and move by themselves. No digit ever passes through a binary number.

import { factsFor, type Affixes } from '../quantity/locale.js'
import { decimalsOf, marksOf } from '../quantity/show.js'
import { isSeparator } from '../mask/separator.js'
import type { Mask } from '../mask/mask.js'
import { singleOf } from '../mask/single.js'
import type { NumberSlot } from '../mask/tree.js'
import { plainly } from './as-given.js'
import { cleaned, plainer } from './clean.js'
import { reasons } from './reasons.js'
import { NOTHING, type Raw, type Reason, type Rendered, type Typed, type Typing } from './state.js'

/** Whole digits where the mask sets no limit: as many as decimal128 holds (IEEE 754). */
const MOST_WHOLE = 34
const MINUS = /^[-\u2010-\u2015\u2212\ufe63\uff0d]$/u

export function quantityTyping(mask: Mask, slot: NumberSlot, reader: string | undefined): Typing {
  const { quantity } = slot
  const { before, after } = singleOf(mask.nodes, slot)
  const facts = factsFor(quantity, reader)
  const { point, group, groupFrom } = marksOf(quantity, facts)
  const base = quantity.base ?? 10
  const scientific = quantity.scientific
  const places = quantity.base
    ? 0
    : (scientific ?? Math.min(decimalsOf(quantity, facts).max, MOST_WHOLE))
  const whole =
    scientific !== undefined ? 1 : Math.min(quantity.whole?.max ?? MOST_WHOLE, MOST_WHOLE)
  const digit = base === 16 ? '[0-9A-F]' : base === 8 ? '[0-7]' : base === 2 ? '[01]' : '\\d'
  const grammar = new RegExp(
    `^-?(${digit}*)` +
      (places ? `(?:\\.(\\d*))?` : '') +
      (scientific === undefined ? '' : `(?:E[+-]?(\\d{0,4}))?`) +
      '$',
  )

  /** The mark as it is kept; undefined for anything that is not. */
  function kept(char: string): string | undefined {
    const local = facts.digits.indexOf(char)
    if (local >= 0) return `${local}`
    const plain = plainer(char) ?? char
    const upper = plain.toUpperCase()
    if (/^[0-9]$/.test(plain) || (base === 16 && /^[A-F]$/.test(upper))) return upper
    if (char === point || (plain === '.' && group?.separator !== '.')) return '.'
    if (MINUS.test(plain) || (quantity.negative === 'brackets' && plain === '(')) return '-'
    if (scientific !== undefined && (upper === 'E' || plain === '+')) return upper
    return undefined
  }

  const affixes = (raw: Raw): Affixes => {
    const { positive, negative, plus } = facts
    if (raw.chars[0] === '-')
      return quantity.negative === 'brackets' ? [`(${positive[0]}`, `${positive[1]})`] : negative
    return quantity.sign === undefined ? positive : plus
  }

  // The same marks are drawn more than once for one keystroke.
  const drawn = new WeakMap<Raw, Rendered>()
  function render(raw: Raw): Rendered {
    let known = drawn.get(raw)
    if (!known) drawn.set(raw, (known = draw(raw)))
    return known
  }

  function draw(raw: Raw): Rendered {
    const { chars } = raw
    if (raw.asGiven) return plainly(chars, 'a number')
    const starts: number[] = []
    const ends: number[] = []
    const rest = chars.length ? '' : mask.outline
    if (chars.length === 0)
      return {
        text: '',
        starts: [0],
        ends,
        plain: '',
        status: 'empty',
        expected: 'a digit',
        rest,
        fits: [0],
      }
    const [front, back] = affixes(raw)
    let text = before
    const negative = chars[0] === '-'
    if (negative) {
      starts.push(text.length)
      text += front
      ends.push(text.length)
    } else text += front
    const from = negative ? 1 : 0
    const mark = chars.findIndex((char) => char === '.' || char === 'E')
    const size = (mark < 0 ? chars.length : mark) - from
    for (let i = from; i < chars.length; i++) {
      const left = size - (i - from)
      if (group && i > from && left > 0 && size >= group.first + groupFrom && boundary(left, group))
        text += group.separator
      starts.push(text.length)
      const char = chars[i]!
      text +=
        char === '.'
          ? point
          : char === '-'
            ? facts.minusSign
            : char >= '0' && char <= '9'
              ? facts.digits[char.charCodeAt(0) - 48]!
              : char
      ends.push(text.length)
    }
    starts.push(text.length)
    text += back + after
    const read = mask.read(text)
    const shared = { text, starts, ends, rest, fits: [0], expected: room(raw) ? 'a digit' : '' }
    if (read.ok) return { ...shared, plain: read.plain, status: 'complete' }
    const bare = chars.join('')
    if (grammarFits(bare) === undefined) return { ...shared, plain: bare, status: 'partial' }
    return plainly(chars, 'a number')
  }

  const room = ({ chars }: Raw) => grammarFits(`${chars.join('')}0`) === undefined

  /** What keeps this from being the beginning of a number; undefined where nothing does. */
  function grammarFits(text: string): 'shape' | 'whole' | 'places' | undefined {
    const found = grammar.exec(text)
    if (!found) return 'shape'
    if (found[1]!.length > whole) return 'whole'
    return places && (found[2] ?? '').length > places ? 'places' : undefined
  }

  function type(raw: Raw, at: number, char: string, offset: number): Typed {
    const move = throughText(raw, at, char, offset)
    if (move !== undefined) return { ok: true, move }
    const held = kept(char)
    if (held === undefined) {
      if (group && isGroup(char, group.separator)) return refuse(groups(offset, char, point))
      return refuse(
        isSeparator(char)
          ? reasons.separator(offset, char)
          : reasons.wrong(offset, char, 'a digit'),
      )
    }
    const chars = [...raw.chars.slice(0, at), held, ...raw.chars.slice(at)]
    if (held === '-' && at > 0 && scientific === undefined)
      return refuse({ code: 'wrong-character', at: offset, message: 'A minus goes in front.' })
    const trouble = grammarFits(chars.join(''))
    if (trouble === undefined) return { ok: true, raw: { ...NOTHING, chars }, at: at + 1 }
    return refuse(
      trouble === 'places'
        ? { code: 'full', at: offset, message: `No more than ${places} decimals fit.` }
        : trouble === 'whole'
          ? {
              code: 'full',
              at: offset,
              message: `No more than ${whole} digits fit before the decimal mark.`,
            }
          : reasons.wrong(offset, char, held === '.' && !places ? 'a whole number' : 'a digit'),
    )
  }

  // 1,|234   a separator or sign typed where it stands: the caret goes through
  function throughText(raw: Raw, at: number, char: string, offset: number): number | undefined {
    const { text, starts, ends } = render(raw)
    if (raw.chars.length === 0)
      return char === '+' || (before + affixes(raw)[0]).includes(char) ? 0 : undefined
    const from = at ? ends[at - 1]! : 0
    const to = at === raw.chars.length ? text.length : starts[at]!
    const place = text.indexOf(char, Math.max(from, offset))
    if (place >= 0 && place < to) return place + char.length
    const point = text.slice(to, ends[at] ?? to)
    return raw.chars[at] === '.' && kept(char) === '.' && point ? ends[at] : undefined
  }

  function marks(text: string): Raw {
    const inner = text.startsWith(before) ? text.slice(before.length) : text
    const chars = [...inner].map(kept).filter((char) => char !== undefined)
    return { ...NOTHING, chars: chars.filter((char) => char !== '+') }
  }

  function read(given: string): Raw | undefined {
    const text = cleaned(given).trim()
    if (text === '') return NOTHING
    for (const whole of [text, `${text}%`, before + text + after])
      if (mask.read(whole).ok) return marks(whole)
    let raw = NOTHING
    for (const char of text) {
      const typed = type(raw, raw.chars.length, char, render(raw).text.length)
      if (!typed.ok) return undefined
      if ('raw' in typed) raw = typed.raw
    }
    return raw
  }

  function left(given: Raw): { readonly raw: Raw; readonly rendered: Rendered } {
    const { status, plain } = render(given)
    const shown = status === 'complete' ? mask.show(plain) : undefined
    const raw = shown?.ok ? marks(shown.text) : given
    return { raw, rendered: render(raw) }
  }

  return {
    render,
    type,
    read,
    left,
    inputMode: base === 16 || scientific !== undefined ? 'text' : places ? 'decimal' : 'numeric',
  }
}

const groups = (at: number, char: string, point: string): Reason => ({
  code: 'separator',
  at,
  message: `“${char}” groups digits and comes by itself; the decimal mark is “${point}”.`,
})

const refuse = (reason: Reason): Typed => ({ ok: false, reason })

const boundary = (left: number, { first, next }: { first: number; next: number }) =>
  left === first || (left > first && (left - first) % next === 0)

const isGroup = (char: string, separator: string) =>
  char === separator || (/^\s$/u.test(char) && /^\s$/u.test(separator))
