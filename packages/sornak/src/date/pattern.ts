// A date pattern taken apart: the field symbols of Unicode LDML (UTS #35) that speak of calendar
// dates, and the text between them.

export type DateField =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'year'; readonly digits: 'two' | 'four' | 'any' }
  | { readonly kind: 'month' | 'day'; readonly digits: 'two' | 'any' }
  | { readonly kind: 'month-name'; readonly width: 'short' | 'long'; readonly alone: boolean }
  | { readonly kind: 'weekday'; readonly width: 'short' | 'long' }

export interface DatePattern {
  /** The pattern as written. */
  readonly text: string
  readonly fields: readonly DateField[]
  /** First of the hundred years that two digits stand for. */
  readonly pivot: number
  readonly locale: string
}

export interface PatternTrouble {
  readonly code: 'date-symbol' | 'date-fields' | 'date-quote'
  /** Offset into the pattern. */
  readonly at: number
  readonly found: string
  readonly expected: string
  /** The pattern put right. */
  readonly better: string
}

const SYMBOLS: Readonly<Record<string, DateField>> = {
  y: { kind: 'year', digits: 'any' },
  yy: { kind: 'year', digits: 'two' },
  yyyy: { kind: 'year', digits: 'four' },
  u: { kind: 'year', digits: 'any' },
  uuuu: { kind: 'year', digits: 'four' },
  M: { kind: 'month', digits: 'any' },
  MM: { kind: 'month', digits: 'two' },
  MMM: { kind: 'month-name', width: 'short', alone: false },
  MMMM: { kind: 'month-name', width: 'long', alone: false },
  L: { kind: 'month', digits: 'any' },
  LL: { kind: 'month', digits: 'two' },
  LLL: { kind: 'month-name', width: 'short', alone: true },
  LLLL: { kind: 'month-name', width: 'long', alone: true },
  d: { kind: 'day', digits: 'any' },
  dd: { kind: 'day', digits: 'two' },
  E: { kind: 'weekday', width: 'short' },
  EE: { kind: 'weekday', width: 'short' },
  EEE: { kind: 'weekday', width: 'short' },
  EEEE: { kind: 'weekday', width: 'long' },
}

/** Symbols that are taken for others: minutes for months, days of the year for days of the month. */
const MEANT: Readonly<Record<string, string>> = { m: 'M', D: 'd', Y: 'y', U: 'u', J: 'd', T: 'd' }

export const DATE_SYMBOLS = 'yyyy, yy, MM, M, MMM, MMMM, dd, d, EEE, EEEE'

export function datePattern(
  text: string,
  pivot: number,
  locale: string,
):
  | { readonly ok: true; readonly pattern: DatePattern }
  | { readonly ok: false; readonly trouble: PatternTrouble } {
  const fields: DateField[] = []
  const addText = (more: string) => {
    const last = fields.at(-1)
    if (last?.kind === 'text') fields[fields.length - 1] = { kind: 'text', text: last.text + more }
    else fields.push({ kind: 'text', text: more })
  }
  for (let at = 0; at < text.length;) {
    const char = text[at]!
    if (char === "'") {
      const close = closing(text, at)
      if (close < 0) return trouble('date-quote', at, char, 'a second quote', `${text}'`)
      addText(close === at + 1 ? "'" : text.slice(at + 1, close).replaceAll("''", "'"))
      at = close + 1
    } else if (/[A-Za-z]/.test(char)) {
      let end = at
      while (text[end] === char) end++
      const symbol = text.slice(at, end)
      const field = SYMBOLS[symbol]
      if (!field) {
        const meant = MEANT[char]?.repeat(symbol.length)
        const put = meant && SYMBOLS[meant] ? meant : /^y{3}$|^y{5,}$/.test(symbol) ? 'yyyy' : ''
        const better = put ? text.slice(0, at) + put + text.slice(end) : 'yyyy-MM-dd'
        return trouble('date-symbol', at, symbol, put, fixed(better))
      }
      fields.push(field)
      at = end
    } else {
      addText(char)
      at++
    }
  }
  return combine(text, fields, pivot, locale)
}

// A year is needed, a day needs a month, nothing may stand twice, and a number of any width cannot
// stand right before another number.
function combine(
  text: string,
  fields: readonly DateField[],
  pivot: number,
  locale: string,
): ReturnType<typeof datePattern> {
  const count = (...kinds: DateField['kind'][]) =>
    fields.filter(({ kind }) => kinds.includes(kind)).length
  const months = count('month', 'month-name')
  const whole =
    count('year') === 1 &&
    months <= 1 &&
    count('day') <= 1 &&
    count('weekday') <= 1 &&
    !(months === 0 && count('day') > 0) &&
    !(count('day') === 0 && count('weekday') > 0)
  if (!whole)
    return trouble('date-fields', 0, text, 'one year, then a month, then a day', 'yyyy-MM-dd')
  const loose = fields.findIndex(
    (field, i) => isOpen(field) && fields[i + 1] !== undefined && isNumber(fields[i + 1]!),
  )
  if (loose >= 0)
    return trouble(
      'date-fields',
      0,
      text,
      'fixed widths or a separator between numbers',
      'yyyyMMdd',
    )
  return { ok: true, pattern: { text, fields, pivot, locale } }
}

const isOpen = (field: DateField) => 'digits' in field && field.digits === 'any'
const isNumber = (field: DateField) =>
  'digits' in field || (field.kind === 'text' && /^\d/.test(field.text))

// The offset of the quote that closes the one at `at`; two quotes inside are one quote.
function closing(text: string, at: number): number {
  for (let end = at + 1; end < text.length; end++) {
    if (text[end] !== "'") continue
    if (text[end + 1] === "'" && end > at + 1) end++
    else return end
  }
  return -1
}

// A correction is offered only where it is itself a pattern.
function fixed(text: string): string {
  const again = datePattern(text, 2000, 'en')
  return again.ok ? text : 'yyyy-MM-dd'
}

function trouble(
  code: PatternTrouble['code'],
  at: number,
  found: string,
  expected: string,
  better: string,
): { readonly ok: false; readonly trouble: PatternTrouble } {
  return { ok: false, trouble: { code, at, found, expected, better } }
}
