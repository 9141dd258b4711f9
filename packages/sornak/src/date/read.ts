// Shown text -> calendar date. Strict: exactly as the pattern shows it. Loose: separators may vary, and
// where the pattern writes a number without leading zero it may have one.

import { dateText, exists, weekday, type CalendarDate } from './calendar.js'
import { namesFor } from './names.js'
import type { DateField, DatePattern } from './pattern.js'
import { showDate, type DateTrouble } from './show.js'

export type DateRead =
  | { readonly ok: true; readonly value: string; readonly strict: boolean }
  | { readonly ok: false; readonly trouble: DateTrouble }

const SEPARATOR = /^[\p{Zs}\t\p{Pd}\u2212./\\,]$/u

/** The date as ISO 8601 text: yyyy-MM-dd, yyyy-MM or yyyy, as the pattern has fields. */
export function readDate(pattern: DatePattern, text: string, strictly: boolean): DateRead {
  const found = parse(pattern, text)
  if (!found.ok) return found
  const { date, places } = found
  if (!exists(date)) {
    const part = date.month! < 1 || date.month! > 12 ? 'month' : 'day'
    return refuse(
      'no-such-day',
      places[part] ?? 0,
      part === 'month' ? 'a month from 01 to 12' : 'a day of that month',
    )
  }
  const named = pattern.fields.find(({ kind }) => kind === 'weekday')
  if (named && date.day !== undefined && found.weekday !== weekday(date)) {
    const name = namesFor(named as DateField & { kind: 'weekday' }, pattern.locale)[weekday(date)]!
    return refuse('wrong-weekday', places.weekday ?? 0, name)
  }
  const value = dateText(date)
  const shown = showDate(pattern, value)
  const strict = shown.ok && shown.text === text
  if (strictly && !strict) {
    const at = shown.ok ? firstDifference(shown.text, text) : 0
    return refuse('wrong-character', at, shown.ok ? `"${shown.text}"` : pattern.text)
  }
  return { ok: true, value, strict }
}

interface Parsed {
  readonly ok: true
  readonly date: CalendarDate
  readonly weekday: number | undefined
  readonly places: { month?: number; day?: number; weekday?: number }
}

function parse(pattern: DatePattern, text: string): Parsed | { ok: false; trouble: DateTrouble } {
  let at = 0
  let year = 0
  let month: number | undefined
  let day: number | undefined
  let on: number | undefined
  const places: Parsed['places'] = {}
  if (text === '') return refuse('empty', 0, pattern.text)
  for (const field of pattern.fields) {
    if (field.kind === 'text') {
      const end = passText(field.text, text, at)
      if (end < 0)
        return refuse(at >= text.length ? 'too-short' : 'wrong-character', at, `"${field.text}"`)
      at = end
    } else if (field.kind === 'month-name' || field.kind === 'weekday') {
      const found = passName(namesFor(field, pattern.locale), text, at)
      const what = field.kind === 'weekday' ? 'a weekday' : 'the name of a month'
      if (!found) return refuse(at >= text.length ? 'too-short' : 'wrong-character', at, what)
      if (field.kind === 'weekday') {
        places.weekday = at
        on = found.index
      } else {
        places.month = at
        month = found.index + 1
      }
      at = found.end
    } else {
      const least = field.digits === 'four' ? 4 : field.digits === 'two' ? 2 : 1
      const most = field.kind !== 'year' ? 2 : field.digits === 'two' ? 2 : 4
      let end = at
      while (end < text.length && end - at < most && /[0-9]/.test(text[end]!)) end++
      if (end - at < least) {
        const code = end >= text.length ? 'too-short' : 'wrong-character'
        return refuse(code, end, `a digit of the ${field.kind}`)
      }
      const value = Number.parseInt(text.slice(at, end), 10)
      if (field.kind === 'year')
        year = field.digits === 'two' ? inHundred(value, pattern.pivot) : value
      else if (field.kind === 'month') month = value
      else day = value
      if (field.kind !== 'year') places[field.kind] = at
      at = end
    }
  }
  if (at < text.length) return refuse('too-long', at, 'the end')
  return { ok: true, date: { year, month, day }, weekday: on, places }
}

// Text between fields: separators stand for one another, letters and digits for themselves.
function passText(wanted: string, text: string, from: number): number {
  let at = from
  let separated = false
  for (const char of wanted) {
    if (SEPARATOR.test(char)) {
      if (separated) continue
      const start = at
      while (at < text.length && SEPARATOR.test(text[at]!)) at++
      if (at === start) return -1
      separated = true
    } else {
      separated = false
      if (!text.startsWith(char, at)) return -1
      at += char.length
    }
  }
  return at
}

function passName(names: readonly string[], text: string, at: number) {
  const rest = text.slice(at, at + 40).toLowerCase()
  const fits = names
    .map((name, index) => ({ index, name: name.toLowerCase() }))
    .filter(({ name }) => rest.startsWith(name))
    .sort((a, b) => b.name.length - a.name.length)
  return fits[0] && { index: fits[0].index, end: at + fits[0].name.length }
}

function inHundred(two: number, pivot: number): number {
  const base = pivot - (pivot % 100) + two
  return base < pivot ? base + 100 : base
}

function firstDifference(a: string, b: string): number {
  let at = 0
  while (at < a.length && a[at] === b[at]) at++
  return at
}

function refuse(
  code: DateTrouble['code'],
  at: number,
  expected: string,
): { ok: false; trouble: DateTrouble } {
  return { ok: false, trouble: { code, at, expected } }
}
