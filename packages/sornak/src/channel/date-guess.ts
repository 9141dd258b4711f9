// Codes that look like dates become dates: 01/17, 3-4, MAR07 are printed as 17-Jan, Mar-07, 2007-03-01,
// or as the serial number of a day.

import { dateOf, dateText, daysIn } from '../date/calendar.js'
import type { Channel, Preimage } from './channel.js'

const SHORT = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const LONG = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

/** What is known of the date; a year that nobody wrote is the year in which it was read. */
interface Guess {
  readonly year: number | undefined
  readonly month: number
  readonly day: number | undefined
}

/** Forward, a year that is not written is this one. */
const NOW = 2026
const two = (n: number) => `${n}`.padStart(2, '0')

export const dateGuess: Channel = {
  id: 'date-guess',
  finding: 'date-made',
  title: 'Taken for a date',
  describe: 'A code that looks like a day and a month, or a month and a year, becomes a date.',
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
    'serial',
  ],
  forward(text, form) {
    const guess = guessOf(text)
    if (!guess) return text
    const { month } = guess
    const [year, day] = [guess.year ?? NOW, guess.day ?? 1]
    switch (form) {
      case 'd-MMM':
        return guess.day === undefined ? text : `${day}-${SHORT[month - 1]}`
      case 'MMM-yy':
        return guess.day === undefined ? `${SHORT[month - 1]}-${two(year % 100)}` : text
      case 'yyyy-MM-dd':
        return dateText({ year, month, day })
      case 'yyyy-MM-dd 00:00:00':
        return `${dateText({ year, month, day })} 00:00:00`
      case 'M/d/yyyy':
        return `${month}/${day}/${year}`
      case 'dd.MM.yyyy':
        return `${two(day)}.${two(month)}.${year}`
      default:
        return `${serial(year, month, day)}`
    }
  },
  inverse(seen) {
    const texts = datesSeen(seen).flatMap(codesOf)
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
  const named = /^([A-Za-z]{3,9})[- ]?(\d{1,2})$/.exec(text)
  const turned = /^(\d{1,2})[- ]?([A-Za-z]{3,9})$/.exec(text)
  const word = named?.[1] ?? turned?.[2]
  const month = word === undefined ? 0 : monthNamed(word)
  if (month === 0) return undefined
  const number = Number(named?.[2] ?? turned?.[1])
  if (number >= 1 && number <= daysIn(NOW, month)) return { year: undefined, month, day: number }
  return named && number > 31 ? { year: century(number), month, day: undefined } : undefined
}

const century = (two: number) => (two < 30 ? 2000 + two : 1900 + two)

function monthNamed(word: string): number {
  const lower = word.toLowerCase()
  if (lower === 'sept') return 9
  return (
    1 +
    SHORT.findIndex((short, i) => lower === short.toLowerCase() || lower === LONG[i]!.toLowerCase())
  )
}

// Every date that the text may print. An English month name, or figures in any usual order.
function datesSeen(seen: string): Guess[] {
  const text = seen.replace(/[T ]00:00(?::00(?:\.0+)?)?(?:Z|[+-]00:?00)?$/, '')
  const iso = dateOf(text)
  if (iso?.month !== undefined && iso.day !== undefined)
    return [{ year: iso.year, month: iso.month, day: iso.day }]
  const figures = /^(\d{1,2})([-/.])(\d{1,2})\2(\d{4}|\d{2})$/.exec(text)
  if (figures) {
    const [a, b, y] = [figures[1], figures[3], figures[4]].map(Number) as [number, number, number]
    const year = figures[4]!.length === 2 ? century(y) : y
    return [
      { year, month: a, day: b },
      { year, month: b, day: a },
    ].filter(exists)
  }
  const dayFirst = /^(\d{1,2})[-. ]?([A-Za-z]{3,9})(?:[-. ](\d{2}|\d{4}))?$/.exec(text)
  const monthFirst = /^([A-Za-z]{3,9})[-. ]?(\d{1,2}|\d{4})$/.exec(text)
  if (dayFirst) {
    const month = monthNamed(dayFirst[2]!)
    const y = dayFirst[3]
    const year = y === undefined ? undefined : y.length === 2 ? century(Number(y)) : Number(y)
    return [{ year, month, day: Number(dayFirst[1]) }].filter(exists)
  }
  if (monthFirst) {
    const month = monthNamed(monthFirst[1]!)
    const number = Number(monthFirst[2])
    const year = monthFirst[2]!.length === 4 ? number : century(number)
    return [
      { year, month, day: undefined },
      { year: undefined, month, day: number },
    ].filter(exists)
  }
  return /^\d{5}$/.test(text) ? serialDates(Number(text)) : []
}

const exists = ({ month, day }: Guess) =>
  month >= 1 && month <= 12 && (day === undefined || (day >= 1 && day <= daysIn(2024, month)))

// Every code that may have been taken for this date.
function codesOf({ year, month, day }: Guess): string[] {
  const texts: string[] = []
  const names = [SHORT[month - 1]!, LONG[month - 1]!, ...(month === 9 ? ['Sept'] : [])].flatMap(
    (name) => [name, name.toUpperCase(), name.toLowerCase()],
  )
  const months = [`${month}`, two(month)]
  const join = (a: readonly string[], b: readonly string[], between: readonly string[]) => {
    for (const x of a)
      for (const y of b) for (const s of between) texts.push(`${x}${s}${y}`, `${y}${s}${x}`)
  }
  if (day !== undefined) {
    const days = [`${day}`, two(day)]
    join(months, days, ['-', '/', '.'])
    join(names, days, ['', '-', ' '])
    if (year !== undefined) {
      const years = [`${year}`, two(year % 100)]
      for (const s of ['-', '/', '.'])
        for (const y of years)
          for (const m of months)
            for (const d of days)
              texts.push(`${d}${s}${m}${s}${y}`, `${m}${s}${d}${s}${y}`, `${y}${s}${m}${s}${d}`)
    }
  }
  if (year !== undefined && (day === undefined || day === 1)) {
    const years = [`${year}`, two(year % 100), `${year % 100}`]
    join(months, years, ['-', '/', '.'])
    join(names, years, ['', '-', ' '])
  }
  return [...new Set(texts)]
}

/** Days from the last day but one of 1899, as spreadsheets count them. */
function serial(year: number, month: number, day: number): number {
  let days = 2
  for (let y = 1900; y < year; y++) days += daysIn(y, 2) === 29 ? 366 : 365
  for (let m = 1; m < month; m++) days += daysIn(year, m)
  return days + day - 1
}

// Two ways of counting are met: from 1899-12-30, and four years later.
function serialDates(count: number): Guess[] {
  return [count, count + 1462].flatMap((days): Guess[] => {
    let year = 1900
    let left = days - 2
    for (; left >= (daysIn(year, 2) === 29 ? 366 : 365); year++)
      left -= daysIn(year, 2) === 29 ? 366 : 365
    if (left < 0 || year > 2199) return []
    let month = 1
    for (; left >= daysIn(year, month); month++) left -= daysIn(year, month)
    return [{ year, month, day: left + 1 }]
  })
}
