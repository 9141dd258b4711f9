// Shown text -> exact decimal, or why not. Takes the marks of the mask and its locale; spaces,
// apostrophes and minus signs that look alike stand for one another; groups must have their size.

import { decimalOf, decimalText, shift } from './decimal.js'
import { factsFor, type LocaleFacts } from './locale.js'
import type { Grouping, Quantity, QuantityRead, Trouble } from './quantity.js'
import { decimalsOf, marksOf } from './show.js'

const MARKS = /[\u061c\u200e\u200f\u2066-\u2069\ufeff]/
const SPACE = /^[\p{Zs}\t]$/u
const MINUS = /^[-\u2010-\u2015\u2212\ufe63\uff0d]$/u
const PLUS = /^[+\ufe62\uff0b]$/u
const APOSTROPHE = /^['\u2019\u02bc\uff07]$/u

/** One character of the text with its place in it. */
interface Char {
  readonly char: string
  readonly at: number
}

export function readQuantity(quantity: Quantity, text: string, reader?: string): QuantityRead {
  const facts = factsFor(quantity, reader)
  const chars: Char[] = []
  for (let at = 0; at < text.length;) {
    const char = String.fromCodePoint(text.codePointAt(at)!)
    if (!MARKS.test(char)) chars.push({ char: ascii(char, facts), at })
    at += char.length
  }
  const ends = strip(chars, quantity, facts)
  if ('code' in ends) return { ok: false, trouble: ends }
  const { body, negative } = ends
  if (body.length === 0) {
    const code = text === '' ? 'empty' : 'too-short'
    return { ok: false, trouble: { code, at: text.length, expected: 'a digit' } }
  }
  const value =
    quantity.base !== undefined
      ? readBase(quantity, body, facts)
      : quantity.scientific !== undefined
        ? readScientific(quantity, body, facts, text.length)
        : readPlain(quantity, body, facts, text.length)
  if (typeof value !== 'string') return { ok: false, trouble: value }
  const signed = decimalOf(negative ? `-${value}` : value)
  if (!signed) return { ok: false, trouble: { code: 'too-long', at: 0, expected: 'fewer digits' } }
  const scaled = quantity.percent ? shift(signed, -2) : signed
  return { ok: true, value: decimalText(scaled) }
}

// Takes off what may stand around the digits: spaces, one sign, brackets, the currency, the percent
// sign, in any order, so that a text typed a little differently still reads.
function strip(
  chars: readonly Char[],
  quantity: Quantity,
  facts: LocaleFacts,
): { body: readonly Char[]; negative: boolean } | Trouble {
  let from = 0
  let to = chars.length
  let negative: boolean | undefined
  let opened = false
  let closed = false
  let percent = false
  let currency = false
  const symbols = quantity.currency === undefined ? [] : [facts.currency ?? '', quantity.currency]
  const eat = (front: boolean): boolean => {
    const one = chars[front ? from : to - 1]
    if (!one || from >= to) return false
    const { char } = one
    const step = (count = 1) => {
      if (front) from += count
      else to -= count
      return true
    }
    if (SPACE.test(char)) return step()
    const symbol = currency
      ? undefined
      : symbols.find((text) => holds(chars, text, front, from, to))
    if (symbol !== undefined) {
      currency = true
      return step([...symbol].filter((c) => !MARKS.test(c)).length)
    }
    if (quantity.percent && !percent && (char === '%' || char === facts.percentSign)) {
      percent = true
      return step()
    }
    if (negative === undefined && isSign(char, facts)) {
      negative = MINUS.test(char) || char === bare(facts.minusSign)
      return step()
    }
    if (front && char === '(' && negative === undefined && !opened) {
      opened = negative = true
      return step()
    }
    if (!front && char === ')' && !closed) {
      closed = true
      return step()
    }
    return false
  }
  while (eat(true));
  while (eat(false));
  if (opened !== closed) {
    const at = opened ? (chars.at(-1)?.at ?? 0) + 1 : (chars[to]?.at ?? 0)
    return {
      code: opened ? 'too-short' : 'wrong-character',
      at,
      expected: opened ? '")"' : 'the end',
    }
  }
  if (quantity.percent && !percent) {
    return {
      code: 'sign-missing',
      at: chars.length ? chars.at(-1)!.at + 1 : 0,
      expected: facts.percentSign ?? '%',
    }
  }
  return { body: chars.slice(from, to), negative: negative === true }
}

function readPlain(
  quantity: Quantity,
  body: readonly Char[],
  facts: LocaleFacts,
  end: number,
): string | Trouble {
  const { point, group } = marksOf(quantity, facts)
  const mark = body.findIndex(({ char }, i) => alike(char, point) && isLast(body, point, i))
  const whole = readWhole(mark < 0 ? body : body.slice(0, mark), group, point)
  if (typeof whole !== 'string') return whole
  const after = mark < 0 ? [] : body.slice(mark + 1)
  const bad = after.find(({ char }) => !isDigit(char))
  if (bad) return { code: 'wrong-character', at: bad.at, expected: 'a digit' }
  const { min, max } = decimalsOf(quantity, facts)
  if (after.length > max)
    return { code: 'decimals', at: after[max]!.at, expected: atMost(max, 'after') }
  if (whole === '' && after.length === 0) return { code: 'too-short', at: end, expected: 'a digit' }
  const digits = whole.replace(/^0+(?=\d)/, '')
  if (quantity.whole && digits.length > quantity.whole.max)
    return { code: 'too-long', at: body[0]!.at, expected: atMost(quantity.whole.max, 'before') }
  const fraction = after.map(({ char }) => char).join('')
  let kept = fraction.length
  while (max !== Infinity && kept > min && fraction[kept - 1] === '0') kept--
  return `${digits || '0'}${min || kept ? '.' : ''}${fraction.slice(0, kept).padEnd(min, '0')}`.replace(
    /\.$/,
    '',
  )
}

// 12,345,678   every group but the first has its size
//   ^ ^^^ ^^^
function readWhole(
  chars: readonly Char[],
  group: Grouping | undefined,
  point: string,
): string | Trouble {
  const runs: { text: string; at: number }[] = [{ text: '', at: chars[0]?.at ?? 0 }]
  for (const { char, at } of chars) {
    if (isDigit(char)) runs.at(-1)!.text += char
    else if (group && alike(char, group.separator) && runs.at(-1)!.text !== '')
      runs.push({ text: '', at })
    else
      return {
        code: 'wrong-character',
        at,
        expected: group ? `a digit, "${group.separator}" or "${point}"` : `a digit or "${point}"`,
      }
  }
  for (const [i, { text, at }] of runs.entries()) {
    if (runs.length === 1 || !group) break
    const size = i === runs.length - 1 ? group.first : group.next
    if (i === 0 ? text.length > size : text.length !== size) {
      return {
        code: 'wrong-character',
        at,
        expected: `${size} digits between separators`,
      }
    }
  }
  return runs.map(({ text }) => text).join('')
}

function readScientific(
  quantity: Quantity,
  body: readonly Char[],
  facts: LocaleFacts,
  end: number,
): string | Trouble {
  const mark = body.findIndex(({ char }) => char === 'E' || char === 'e')
  if (mark < 0) return { code: 'too-short', at: end, expected: '"E" and the power of ten' }
  const coefficient = readPlain(
    {
      ...quantity,
      group: 'locale',
      decimals: { min: 0, max: quantity.scientific!, spaced: false },
    },
    body.slice(0, mark),
    facts,
    body[mark]!.at,
  )
  if (typeof coefficient !== 'string') return coefficient
  const power = body.slice(mark + 1)
  const signed = power[0] && isSign(power[0].char, facts)
  const negative =
    signed && (MINUS.test(power[0]!.char) || power[0]!.char === bare(facts.minusSign))
  const digits = signed ? power.slice(1) : power
  const bad = digits.find(({ char }) => !isDigit(char))
  if (bad) return { code: 'wrong-character', at: bad.at, expected: 'a digit' }
  if (digits.length === 0) return { code: 'too-short', at: end, expected: 'a digit' }
  if (digits.length > 4)
    return { code: 'too-long', at: digits[4]!.at, expected: 'a power of at most four digits' }
  const moved = decimalOf(
    `${coefficient}e${negative ? '-' : ''}${digits.map(({ char }) => char).join('')}`,
  )
  if (!moved) return { code: 'too-long', at: body[0]!.at, expected: 'a smaller power' }
  // Zeros at the end of the coefficient say how precise it was, not what it is.
  const text = decimalText(moved)
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text
}

function readBase(quantity: Quantity, body: readonly Char[], facts: LocaleFacts): string | Trouble {
  const base = quantity.base!
  const { group } = marksOf(quantity, facts)
  let digits = ''
  for (const { char, at } of body) {
    const value = Number.parseInt(char, base)
    if (/^[0-9A-Fa-f]$/.test(char) && !Number.isNaN(value)) digits += char
    else if (!group || !alike(char, group.separator))
      return { code: 'wrong-character', at, expected: `a digit of base ${base}` }
  }
  if (digits.length > 4000)
    return { code: 'too-long', at: body[4000]!.at, expected: 'at most 4000 digits' }
  const prefix = base === 16 ? '0x' : base === 8 ? '0o' : '0b'
  return BigInt(prefix + digits).toString()
}

const isDigit = (char: string) => char >= '0' && char <= '9' && char.length === 1

const isSign = (char: string, facts: LocaleFacts) =>
  MINUS.test(char) ||
  PLUS.test(char) ||
  char === bare(facts.minusSign) ||
  char === bare(facts.plusSign)

const bare = (sign: string) => [...sign].filter((char) => !MARKS.test(char)).join('')

/** Spaces stand for spaces, apostrophes for apostrophes; every other mark for itself. */
function alike(char: string, mark: string): boolean {
  return (
    char === mark ||
    (SPACE.test(char) && SPACE.test(mark)) ||
    (APOSTROPHE.test(char) && APOSTROPHE.test(mark))
  )
}

const isLast = (body: readonly Char[], point: string, i: number) =>
  !body.slice(i + 1).some(({ char }) => alike(char, point))

function holds(chars: readonly Char[], symbol: string, front: boolean, from: number, to: number) {
  const wanted = [...symbol].filter((char) => !MARKS.test(char))
  if (wanted.length === 0 || to - from < wanted.length) return false
  const start = front ? from : to - wanted.length
  return wanted.every((char, i) => {
    const there = chars[start + i]!.char
    return there === char || (SPACE.test(there) && SPACE.test(char))
  })
}

function ascii(char: string, { digits }: LocaleFacts): string {
  const digit = digits.indexOf(char)
  return digit < 0 ? char : String.fromCharCode(48 + digit)
}

const atMost = (n: number, where: 'before' | 'after') =>
  n === 0
    ? `no digit ${where} the point`
    : `at most ${n} digit${n === 1 ? '' : 's'} ${where} the point`
