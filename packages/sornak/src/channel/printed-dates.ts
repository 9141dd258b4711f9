// Dates as programs print them: figures in any usual order, or names of months, with a weekday in front or a time behind.

import { dateOf, daysIn } from '../date/calendar.js'
import { daysFrom } from '../date/day-number.js'
import { monthNamed } from './month-words.js'

/** What is known of the date; a year that nobody wrote is the year in which it was read. */
export interface Guess {
  readonly year: number | undefined
  readonly month: number
  readonly day: number | undefined
  /** Of the year only two digits are written. */
  readonly shortYear?: true
  /** Days were counted as few programs do. */
  readonly seldom?: true
  /** The month stands as this word. */
  readonly word?: string
}

/** The year that two digits stand for, as most programs have it. */
export const century = (two: number): number => (two < 30 ? 2000 + two : 1900 + two)

/** Every date that the text may print; where it has a time, that is midnight. */
export function datesSeen(seen: string): Guess[] {
  const text = withoutTime(withoutWeekday(seen))
  const iso = dateOf(text.replace(YEAR_FIRST, '$1-$2-$3'))
  if (iso?.month !== undefined && iso.day !== undefined)
    return [{ year: iso.year, month: iso.month, day: iso.day }]
  const figures = /^(\d{1,2})([-/.])(\d{1,2})\2(\d{4}|\d{2})$/.exec(text)
  if (figures) {
    const [a, b] = [figures[1], figures[3]].map(Number) as [number, number]
    const year = yearOf(figures[4])
    return [
      { ...year, month: a, day: b },
      { ...year, month: b, day: a },
    ].filter(exists)
  }
  const dayFirst = DAY_FIRST.exec(text)
  const monthFirst = MONTH_FIRST.exec(text)
  if (dayFirst) {
    const [, day, word = '', year] = dayFirst
    return [{ ...yearOf(year), month: monthNamed(word), day: Number(day), word }].filter(exists)
  }
  if (monthFirst) {
    const [, word = '', number, year] = monthFirst
    const month = monthNamed(word)
    const withDay = { ...yearOf(year), month, day: Number(number), word }
    return (
      year === undefined ? [{ ...yearOf(number), month, day: undefined, word }, withDay] : [withDay]
    ).filter(exists)
  }
  return []
}

/** A day and a month in figures, in either order, with no year. */
export function daysOfNoYear(seen: string): Guess[] {
  const [, a, b] = /^(\d{1,2})[-/.](\d{1,2})\.?$/.exec(seen) ?? []
  if (a === undefined || b === undefined) return []
  return [
    { year: undefined, month: Number(a), day: Number(b) },
    { year: undefined, month: Number(b), day: Number(a) },
  ].filter(exists)
}

const YEAR_FIRST = /^(\d{4})(?:[/.]|(?=\d{4}$))(\d\d)[/.]?(\d\d)$/
const DAY_FIRST = /^(\d{1,2})(?:\. |[-. ]| de )?(\p{L}{3,10})\.?(?:(?:[-. ]| de )(\d{2}|\d{4}))?$/u
const MONTH_FIRST = /^(\p{L}{3,10})\.?[-. ]?(\d{1,2}|\d{4})(?:, (\d{4}))?$/u

const withoutWeekday = (text: string) =>
  text.replace(/^(?:(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?),? +/i, '')

const MIDNIGHT = '(?:0?0:00(?::00(?:\\.0+)?)?|12:00(?::00)?[ \\u202f]AM)'
const ZONE = '(?: ?(?:Z|UTC|(?:GMT)?[+-]\\d\\d:?(?:\\d\\d)?(?: \\(.+\\))?|GMT))?'
const TIME_BEHIND = new RegExp(`(?:T|, | )${MIDNIGHT}${ZONE}$`)
const TIME_INSIDE = new RegExp(`^(\\p{L}{3}) +(\\d{1,2}) ${MIDNIGHT}${ZONE} (\\d{4})$`, 'u')

// Mar  7 00:00:00 UTC 2026 has it in front of the year.
const withoutTime = (text: string) =>
  text
    .replace(TIME_INSIDE, '$1 $2, $3')
    .replace(/^(\p{L}{3}) +(\d{1,2}) (\d{4})(?= |$)/u, '$1 $2, $3')
    .replace(TIME_BEHIND, '')

function yearOf(digits: string | undefined): Pick<Guess, 'year' | 'shortYear'> {
  if (digits === undefined) return { year: undefined }
  const year = Number(digits)
  return digits.length === 4 ? { year } : { year: century(year), shortYear: true }
}

const exists = ({ month, day }: Guess) =>
  month >= 1 && month <= 12 && (day === undefined || (day >= 1 && day <= daysIn(2024, month)))

const FROM_1970 = daysFrom('1970-01-01')
const SECONDS = 86_400n

/** The day of which a number is the first second, or the first millisecond, as they are counted from 1970. */
export function secondsSeen(seen: string): Guess[] {
  if (!/^\d{9,13}$/.test(seen)) return []
  return [SECONDS, SECONDS * 1000n].flatMap((unit) => {
    const day = BigInt(seen) % unit === 0n ? FROM_1970.dayOf(BigInt(seen) / unit) : undefined
    return day && day.year > 1970 && day.year < 2100 ? [day] : []
  })
}
