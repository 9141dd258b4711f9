// What a cell's number format shows (ISO/IEC 29500-1, 18.8.30 and 18.8.31), worked out in exact decimals. A
// code that this cannot follow gives undefined, never a guess.

import { decimalOf, round, roundSignificant, shift, type Decimal } from 'sornak'
import { dateParts, shownDate } from './date-format.js'
import type { Token } from './format-token.js'

export interface NumberFormat {
  /** The numbers are days and times. */
  readonly date: boolean
  /** @param stored a number as it stands in the file */
  show(stored: string): string | undefined
}

/** Formats that have a number and no code in the file. */
const BUILT_IN: Readonly<Record<string, string>> = {
  0: 'General',
  1: '0',
  2: '0.00',
  3: '#,##0',
  4: '#,##0.00',
  9: '0%',
  10: '0.00%',
  11: '0.00E+00',
  14: 'mm-dd-yy',
  15: 'd-mmm-yy',
  16: 'd-mmm',
  17: 'mmm-yy',
  18: 'h:mm AM/PM',
  19: 'h:mm:ss AM/PM',
  20: 'h:mm',
  21: 'h:mm:ss',
  22: 'm/d/yy h:mm',
  37: '#,##0 ;(#,##0)',
  38: '#,##0 ;[Red](#,##0)',
  39: '#,##0.00;(#,##0.00)',
  40: '#,##0.00;[Red](#,##0.00)',
  45: 'mm:ss',
  46: '[h]:mm:ss',
  47: 'mmss.0',
  48: '##0.0E+0',
  49: '@',
}

/** Such programs keep and show this many digits. */
const SIGNIFICANT = 15
/** A general number of more digits than this is shown with a power of ten. */
const GENERAL = 11

export function builtInFormat(id: string): string | undefined {
  return BUILT_IN[id]
}

/** @param since1904 days are counted from 1904-01-01 */
export function numberFormat(code: string, since1904 = false): NumberFormat {
  const sections = sectionsOf(code)
  const parsed = sections.map(tokensOf)
  const date = parsed[0]?.some(({ kind }) => kind === 'date') ?? false
  return {
    date,
    show(stored) {
      const decimal = decimalOf(stored)
      if (!decimal || parsed.includes(undefined)) return undefined
      if (date) {
        const parts = dateParts(decimal, since1904)
        return parts && shownDate(parsed[0]!, parts)
      }
      const zero = /^[0.]*$/.test(decimal.whole + decimal.fraction)
      const which =
        decimal.negative && sections.length > 1 ? 1 : zero && sections.length > 2 ? 2 : 0
      const bare = which === 1 ? { ...decimal, negative: false } : decimal
      return showNumber(parsed[which]!, bare)
    },
  }
}

function sectionsOf(code: string): string[] {
  const found = ['']
  let quoted = false
  for (let i = 0; i < code.length; i++) {
    const char = code[i]!
    if (char === '\\' && !quoted) {
      found[found.length - 1] += char + (code[++i] ?? '')
      continue
    }
    if (char === '"') quoted = !quoted
    if (char === ';' && !quoted) found.push('')
    else found[found.length - 1] += char
  }
  return found
}

const TOKEN =
  /"([^"]*)"|\\(.)|_(.)|\*(.)|\[\$([^\]-]*)[^\]]*\]|\[([^\]]*)\]|(General)|(AM\/PM|A\/P)|([Ee][+-])|([0#?])|(\.)|(,)|(%)|(@)|(y+|m+|d+|h+|s+|b+|g+|e+)|([-$+/(): !^&'~{}<>=]|[^\x20-\x7e])/giy

// Undefined for a code with a condition, a fraction, or anything unknown.
function tokensOf(section: string): Token[] | undefined {
  const tokens: Token[] = []
  TOKEN.lastIndex = 0
  while (TOKEN.lastIndex < section.length) {
    const found = TOKEN.exec(section)
    if (!found) return undefined
    const [
      ,
      quoted,
      escaped,
      space,
      ,
      currency,
      bracket,
      general,
      half,
      power,
      digit,
      point,
      comma,
    ] = found
    const [percent, at, date, literal] = found.slice(13)
    if (bracket !== undefined) {
      if (/^[hms]+$/i.test(bracket))
        tokens.push({ kind: 'date', text: `[${bracket.toLowerCase()}]` })
      else if (!/^(black|blue|cyan|green|magenta|red|white|yellow|color ?\d+)$/i.test(bracket))
        return undefined
    } else if (general) tokens.push({ kind: 'general' })
    else if (half) tokens.push({ kind: 'date', text: 'AM/PM' })
    else if (power) tokens.push({ kind: 'power', text: power })
    else if (digit) tokens.push({ kind: 'digit', text: digit as '0' })
    else if (point) tokens.push({ kind: 'point' })
    else if (comma) tokens.push({ kind: 'comma' })
    else if (percent) tokens.push({ kind: 'percent' })
    else if (at) tokens.push({ kind: 'value' })
    else if (date) tokens.push({ kind: 'date', text: date.toLowerCase() })
    else if (space !== undefined) tokens.push({ kind: 'text', text: ' ' })
    else {
      const text = quoted ?? escaped ?? currency ?? literal ?? ''
      if (text) tokens.push({ kind: 'text', text })
    }
  }
  const digits = tokens.some(({ kind }) => kind === 'digit')
  const slash = tokens.some((one) => one.kind === 'text' && one.text === '/')
  return digits && slash ? undefined : tokens
}

function showNumber(tokens: readonly Token[], given: Decimal): string | undefined {
  const decimal = roundSignificant(given, SIGNIFICANT)
  if (tokens.some(({ kind }) => kind === 'general' || kind === 'value'))
    return tokens
      .map((one) =>
        one.kind === 'text' ? one.text : one.kind === 'percent' ? '%' : general(decimal),
      )
      .join('')
  if (tokens.some(({ kind }) => kind === 'date')) return undefined
  if (tokens.some(({ kind }) => kind === 'power')) return powered(tokens, decimal)
  const percent = tokens.filter(({ kind }) => kind === 'percent').length
  const scaled = shift(decimal, 2 * percent - 3 * trailingCommas(tokens))
  return placed(tokens, scaled)
}

/** A number as a cell without a format shows it, where it is wide enough. */
export function general(decimal: Decimal): string {
  const { negative, whole, fraction } = decimal
  const sign = negative ? '-' : ''
  const first = /[1-9]/.exec(fraction)?.index ?? 0
  if (whole.length > GENERAL || (whole === '0' && first >= 4)) {
    const power = whole === '0' ? -(first + 1) : whole.length - 1
    const digits = shift({ ...decimal, negative: false }, -power)
    const { whole: one, fraction: rest } = trimmed(round(digits, 5))
    const [front, tens] = one === '10' ? ['1', power + 1] : [one, power]
    const size = `${Math.abs(tens)}`.padStart(2, '0')
    return `${sign}${front}${rest && `.${rest}`}E${tens < 0 ? '-' : '+'}${size}`
  }
  const room = Math.max(0, GENERAL - 1 - whole.length)
  const shown = trimmed(round(decimal, room))
  return `${sign}${shown.whole}${shown.fraction && `.${shown.fraction}`}`
}

const trimmed = (decimal: Decimal): Decimal => ({
  ...decimal,
  fraction: decimal.fraction.replace(/0+$/, ''),
})

// 0.00E+00: as many digits before the point as the code has, and the power after it.
function powered(tokens: readonly Token[], decimal: Decimal): string {
  const at = tokens.findIndex(({ kind }) => kind === 'power')
  const front = tokens.slice(0, at)
  const point = front.findIndex(({ kind }) => kind === 'point')
  const digits = (list: readonly Token[]) => list.filter(({ kind }) => kind === 'digit').length
  const whole = Math.max(1, digits(point < 0 ? front : front.slice(0, point)))
  const places = point < 0 ? 0 : digits(front.slice(point))
  const text = decimal.whole + decimal.fraction
  const first = /[1-9]/.exec(text)?.index
  let power = first === undefined ? 0 : decimal.whole.length - 1 - first
  // Several places before the point: powers in steps of as many.
  power = Math.floor(power / whole) * whole
  let moved = round(shift(decimal, -power), places)
  if (moved.whole.length > whole) {
    power += whole
    moved = round(shift(decimal, -power), places)
  }
  const { text: sign } = tokens[at] as { text: string }
  const size = `${Math.abs(power)}`.padStart(digits(tokens.slice(at)), '0')
  return `${placed(front, moved)}E${power < 0 ? '-' : sign[1] === '+' ? '+' : ''}${size}`
}

function trailingCommas(tokens: readonly Token[]): number {
  const last = tokens.findLastIndex(({ kind }) => kind === 'digit')
  let count = 0
  while (tokens[last + 1 + count]?.kind === 'comma') count++
  return count
}

// The digits into their places: before the point from the right, what is left over before the first place.
function placed(tokens: readonly Token[], decimal: Decimal): string {
  const point = tokens.findIndex(({ kind }) => kind === 'point')
  const before = point < 0 ? tokens : tokens.slice(0, point)
  const after = point < 0 ? [] : tokens.slice(point + 1)
  const count = (list: readonly Token[]) => list.filter(({ kind }) => kind === 'digit').length
  const { negative, whole, fraction } = round(decimal, count(after))
  const lastDigit = before.findLastIndex(({ kind }) => kind === 'digit')
  const grouped = before.some(({ kind }, i) => kind === 'comma' && i < lastDigit)
  const digits = whole === '0' ? '' : whole
  let out = ''
  let used = 0
  let left = count(before)
  const put = (digit: string) => {
    if (grouped && used > 0 && used % 3 === 0) out = `,${out}`
    out = digit + out
    used++
  }
  for (const token of [...before].reverse()) {
    if (token.kind === 'text') out = token.text + out
    else if (token.kind === 'percent') out = `%${out}`
    else if (token.kind === 'digit') {
      left--
      const digit = digits[digits.length - 1 - used]
      if (digit !== undefined) put(digit)
      else if (token.text === '0') put('0')
      else if (token.text === '?') put(' ')
      if (left === 0) while (used < digits.length) put(digits[digits.length - 1 - used]!)
    }
  }
  let tail = ''
  let place = 0
  for (const token of after) {
    if (token.kind === 'text') tail += token.text
    else if (token.kind === 'percent') tail += '%'
    else if (token.kind === 'digit') {
      const rest = fraction.slice(place)
      const digit = fraction[place++] ?? '0'
      if (token.text === '0' || /[1-9]/.test(rest)) tail += digit
      else if (token.text === '?') tail += ' '
    }
  }
  const shown = /\d/.test(out + tail)
  return `${negative && shown ? '-' : ''}${out}${point < 0 ? '' : '.'}${tail}`
}
