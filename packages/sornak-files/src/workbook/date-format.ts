// Days and times as a number format shows them, with the English names of months and days.

import { decimalText, round, type Decimal } from 'sornak'
import type { Token } from './format-token.js'

export interface DateParts {
  readonly year: number
  /** From 1. */
  readonly month: number
  readonly day: number
  /** 0 for Sunday. */
  readonly weekday: number
  /** Seconds of the day. */
  readonly seconds: number
  readonly days: number
}

const MONTHS =
  'January February March April May June July August September October November December'.split(' ')
const DAYS = 'Sunday Monday Tuesday Wednesday Thursday Friday Saturday'.split(' ')
const MOST_DAYS = 2_958_465

/** The calendar day and time of a count of days (ISO/IEC 29500-1, 18.17.4); undefined beyond year 9999. */
export function dateParts(count: Decimal, since1904: boolean): DateParts | undefined {
  if (count.negative || count.whole.length > 7) return undefined
  const days = Number.parseInt(count.whole, 10)
  if (days > MOST_DAYS) return undefined
  const share = Number.parseFloat(decimalText(round({ ...count, whole: '0' }, 12)))
  // Day 60 of the calendar from 1900 is a 29 February that never was.
  if (!since1904 && days === 60)
    return { year: 1900, month: 2, day: 29, weekday: 3, seconds: Math.round(share * 86400), days }
  const from1970 = since1904 ? days - 24107 : days - (days > 60 ? 25569 : 25568)
  const date = new Date(from1970 * 86_400_000)
  return {
    year: date.getUTCFullYear(),
    month: date.getUTCMonth() + 1,
    day: date.getUTCDate(),
    weekday: date.getUTCDay(),
    seconds: Math.round(share * 86400),
    days,
  }
}

export function shownDate(tokens: readonly Token[], parts: DateParts): string | undefined {
  const half = tokens.some((one) => one.kind === 'date' && one.text === 'AM/PM')
  const { year, month, day, weekday, seconds, days } = parts
  const [hour, minute, second] = [
    Math.floor(seconds / 3600),
    Math.floor(seconds / 60) % 60,
    seconds % 60,
  ]
  const two = (n: number, text: string) => `${n}`.padStart(Math.min(2, text.length), '0')
  let out = ''
  for (const [i, token] of tokens.entries()) {
    if (token.kind === 'text') out += token.text
    else if (token.kind === 'comma') out += ','
    else if (token.kind === 'point') out += '.'
    else if (token.kind !== 'date') return undefined
    else {
      const { text } = token
      const minutes = text[0] === 'm' && text.length < 3 && besideTime(tokens, i)
      if (text === 'AM/PM') out += hour < 12 ? 'AM' : 'PM'
      else if (text === '[h]') out += `${days * 24 + hour}`
      else if (text[0] === '[') return undefined
      else if (minutes) out += two(minute, text)
      else if (text[0] === 'y') out += text.length < 3 ? two(year % 100, 'yy') : `${year}`
      else if (text[0] === 'm')
        out +=
          text.length < 3
            ? two(month, text)
            : text.length === 3
              ? MONTHS[month - 1]!.slice(0, 3)
              : MONTHS[month - 1]!
      else if (text[0] === 'd')
        out +=
          text.length < 3
            ? two(day, text)
            : text.length === 3
              ? DAYS[weekday]!.slice(0, 3)
              : DAYS[weekday]!
      else if (text[0] === 'h') out += two(half ? hour % 12 || 12 : hour, text)
      else if (text[0] === 's') out += two(second, text)
      else return undefined
    }
  }
  return out
}

// h:mm and mm:ss are minutes, all other m are months.
function besideTime(tokens: readonly Token[], at: number): boolean {
  const dates = tokens.flatMap((one, i) => (one.kind === 'date' ? [{ text: one.text, i }] : []))
  const here = dates.findIndex(({ i }) => i === at)
  return /^\[?h/.test(dates[here - 1]?.text ?? '') || dates[here + 1]?.text[0] === 's'
}
