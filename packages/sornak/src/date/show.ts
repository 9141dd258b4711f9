// Calendar date -> shown text.

import { dateOf, dateText, weekday, type CalendarDate } from './calendar.js'
import { namesFor } from './names.js'
import type { DatePattern } from './pattern.js'

export interface DateTrouble {
  readonly code:
    | 'not-date'
    | 'no-such-day'
    | 'outside-years'
    | 'wrong-character'
    | 'too-short'
    | 'too-long'
    | 'empty'
    | 'wrong-weekday'
  readonly at: number
  readonly expected: string
}

export type DateShown =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly trouble: DateTrouble }

/** Shows an ISO 8601 date; fields that the pattern does not have are left out. */
export function showDate(pattern: DatePattern, given: string): DateShown {
  const date = dateOf(given)
  if (!date) {
    const shaped = /^\d{4}-\d{2}(-\d{2})?$/.test(given)
    const code = given === '' ? 'empty' : shaped ? 'no-such-day' : 'not-date'
    return refuse(code, shaped ? 5 : 0, 'a date as yyyy-MM-dd')
  }
  let text = ''
  for (const field of pattern.fields) {
    switch (field.kind) {
      case 'text':
        text += field.text
        break
      case 'year':
        if (field.digits === 'two' && (date.year < pattern.pivot || date.year > pattern.pivot + 99))
          return refuse('outside-years', 0, yearsOf(pattern))
        text += yearText(date.year, field.digits)
        break
      case 'month':
      case 'day': {
        const value = date[field.kind]
        if (value === undefined) return refuse('too-short', given.length, `a ${field.kind}`)
        text += field.digits === 'two' ? `${value}`.padStart(2, '0') : `${value}`
        break
      }
      case 'month-name':
        if (date.month === undefined) return refuse('too-short', given.length, 'a month')
        text += namesFor(field, pattern.locale)[date.month - 1]!
        break
      case 'weekday':
        if (date.day === undefined) return refuse('too-short', given.length, 'a day')
        text += namesFor(field, pattern.locale)[weekday(date)]!
    }
  }
  return { ok: true, text }
}

/** The date as far as the pattern tells it. */
export function heldBy({ fields }: DatePattern, date: CalendarDate): string {
  const has = (...kinds: string[]) => fields.some(({ kind }) => kinds.includes(kind))
  return dateText({
    year: date.year,
    month: has('month', 'month-name') ? date.month : undefined,
    day: has('day') ? date.day : undefined,
  })
}

export const yearsOf = ({ pivot }: DatePattern): string => `a year from ${pivot} to ${pivot + 99}`

function yearText(year: number, digits: 'two' | 'four' | 'any'): string {
  if (digits === 'two') return `${year % 100}`.padStart(2, '0')
  return digits === 'four' ? `${year}`.padStart(4, '0') : `${year}`
}

function refuse(code: DateTrouble['code'], at: number, expected: string): DateShown {
  return { ok: false, trouble: { code, at, expected } }
}
