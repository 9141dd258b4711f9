// Codes that look like dates become dates: 01/17, 3-4, MAR07 are printed as 17-Jan, Mar-07, 2007-03-01,
// or as the serial number of a day.

import { dateOf, dateText, daysIn } from '../date/calendar.js'
import { daysFrom } from '../date/day-number.js'
import type { Channel, Preimage } from './channel.js'
import { codesOf } from './date-codes.js'
import { monthInEnglish, SHORT } from './month-words.js'
import { century, datesSeen, secondsSeen, type Guess } from './printed-dates.js'

/** Forward, a year that is not written is this one. */
const NOW = 2026
const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const FROM_1970 = daysFrom('1970-01-01')
const SUNDAY = daysFrom('1970-01-04')
const two = (n: number) => `${n}`.padStart(2, '0')

export const dateGuess: Channel = {
  id: 'date-guess',
  finding: 'date-made',
  title: 'Taken for a date',
  describe:
    'A code that looks like a day and a month, a month and a year, or a whole date becomes a date.',
  met: 'opening a CSV file in a spreadsheet, pasting into cells, readers that guess dates',
  prevent: 'Declare the column as text before the data is read.',
  example: { before: 'MAR07', after: '7-Mar', form: 'd-MMM' },
  forms: [
    'd-MMM',
    'MMM-yy',
    'yyyy-MM-dd',
    'yyyy-MM-dd 00:00:00',
    'M/d/yyyy',
    'dd.MM.yyyy',
    'yyyyMMdd',
    'MMM d, yyyy',
    'EEE MMM dd yyyy 00:00:00 GMT+0000',
    'EEE, dd MMM yyyy 00:00:00 GMT',
    'seconds',
    'serial',
  ],
  forward(text, form) {
    const guess = guessOf(text)
    if (!guess) return text
    const { month } = guess
    const [year, day] = [guess.year ?? NOW, guess.day ?? 1]
    const name = SHORT[month - 1]!
    const date = { year, month, day }
    const weekday = WEEKDAYS[Number((SUNDAY.numberOf(date) % 7n) + 7n) % 7]!
    switch (form) {
      case 'd-MMM':
        return guess.day === undefined || guess.year !== undefined ? text : `${day}-${name}`
      case 'MMM-yy':
        return guess.day === undefined ? `${name}-${two(year % 100)}` : text
      case 'yyyy-MM-dd':
        return dateText(date)
      case 'yyyy-MM-dd 00:00:00':
        return `${dateText(date)} 00:00:00`
      case 'M/d/yyyy':
        return `${month}/${day}/${year}`
      case 'dd.MM.yyyy':
        return `${two(day)}.${two(month)}.${year}`
      case 'yyyyMMdd':
        return dateText(date).replaceAll('-', '')
      case 'MMM d, yyyy':
        return `${name} ${day}, ${year}`
      case 'EEE MMM dd yyyy 00:00:00 GMT+0000':
        return `${weekday} ${name} ${two(day)} ${year} 00:00:00 GMT+0000`
      case 'EEE, dd MMM yyyy 00:00:00 GMT':
        return `${weekday}, ${two(day)} ${name} ${year} 00:00:00 GMT`
      case 'seconds':
        return year >= 1974 ? `${FROM_1970.numberOf(date) * 86_400n}` : text
      default:
        return `${SPREADSHEETS[0].numberOf(date)}`
    }
  },
  inverse(seen) {
    const texts = datesOf(seen).flatMap(codesOf)
    return texts.length
      ? [
          {
            kind: 'texts',
            texts: [...new Set(texts)].filter((text) => text !== seen),
          } satisfies Preimage,
        ]
      : []
  },
}

// The date that a reader takes a code for; day first where the month would be too large.
function guessOf(text: string): Guess | undefined {
  const digits = /^(\d{1,2})([-/.])(\d{1,2})$/.exec(text)
  if (digits) {
    const [a, b] = [Number(digits[1]), Number(digits[3])]
    if (a >= 1 && a <= 12 && b >= 1 && b <= daysIn(NOW, a))
      return { year: undefined, month: a, day: b }
    if (b >= 1 && b <= 12 && a >= 1 && a <= daysIn(NOW, b))
      return { year: undefined, month: b, day: a }
    if (a >= 1 && a <= 12 && b > 31) return { year: century(b), month: a, day: undefined }
    return undefined
  }
  const year = /^(\d{1,2})[-/](\d{4})$/.exec(text)
  if (year) {
    const month = Number(year[1])
    return month >= 1 && month <= 12 ? { year: Number(year[2]), month, day: undefined } : undefined
  }
  const compact = /^(\d{4}|\d{2})(\d{2})(\d{2})$/.exec(text)
  if (compact) {
    const [y, m, d] = compact.slice(1).map(Number) as [number, number, number]
    const date = { year: compact[1]!.length === 2 ? century(y) : y, month: m, day: d }
    const isMet = date.year >= FIRST_YEAR && date.year <= LAST_YEAR
    return isMet && dateOf(dateText(date)) ? date : undefined
  }
  const named = /^([A-Za-z]{3,9})[- ]?(\d{1,2})$/.exec(text)
  const turned = /^(\d{1,2})[- ]?([A-Za-z]{3,9})$/.exec(text)
  const word = named?.[1] ?? turned?.[2]
  const month = word === undefined ? 0 : monthInEnglish(word)
  if (month === 0) return undefined
  const number = Number(named?.[2] ?? turned?.[1])
  if (number >= 1 && number <= daysIn(NOW, month)) return { year: undefined, month, day: number }
  return named && number > 31 ? { year: century(number), month, day: undefined } : undefined
}

/** Two ways of counting days are met: from 1899-12-30, and four years later. */
const SPREADSHEETS = [daysFrom('1899-12-30'), daysFrom('1904-01-01')] as const
/** Digits are taken for a date, and dates for those of codes, from one year to the other. */
const FIRST_YEAR = 1930
const LAST_YEAR = 2199

/** Every date that a text may stand for, printed or counted. */
export const datesOf = (seen: string): Guess[] => [
  ...datesSeen(seen),
  ...serialDates(seen),
  ...secondsSeen(seen),
]

const serialDates = (seen: string): Guess[] =>
  /^\d{5}$/.test(seen)
    ? SPREADSHEETS.flatMap((count, i): Guess[] => {
        const day = count.dayOf(BigInt(seen))
        if (!day || day.year > LAST_YEAR) return []
        return [i === 0 ? day : { ...day, seldom: true }]
      })
    : []
