// Dates as programs print them, with English names of months or figures in any usual order.

import { dateOf, daysIn } from '../date/calendar.js'

export const SHORT: readonly string[] = [
  'Jan',
  'Feb',
  'Mar',
  'Apr',
  'May',
  'Jun',
  'Jul',
  'Aug',
  'Sep',
  'Oct',
  'Nov',
  'Dec',
]
export const LONG: readonly string[] = [
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
export interface Guess {
  readonly year: number | undefined
  readonly month: number
  readonly day: number | undefined
  /** Of the year only two digits are written. */
  readonly shortYear?: true
}

/** The year that two digits stand for, as most programs have it. */
export const century = (two: number): number => (two < 30 ? 2000 + two : 1900 + two)

/** 1 to 12, or 0 for a word that is no month. */
export function monthNamed(word: string): number {
  const lower = word.toLowerCase()
  if (lower === 'sept') return 9
  return (
    1 +
    SHORT.findIndex((short, i) => lower === short.toLowerCase() || lower === LONG[i]!.toLowerCase())
  )
}

/** Every date that the text may print; where it has a time, that is midnight. */
export function datesSeen(seen: string): Guess[] {
  const text = seen.replace(/[T ]00:00(?::00(?:\.0+)?)?(?:Z|[+-]00:?00)?$/, '')
  const iso = dateOf(text)
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
  const dayFirst = /^(\d{1,2})[-. ]?([A-Za-z]{3,9})(?:[-. ](\d{2}|\d{4}))?$/.exec(text)
  const monthFirst = /^([A-Za-z]{3,9})[-. ]?(\d{1,2}|\d{4})$/.exec(text)
  if (dayFirst) {
    const month = monthNamed(dayFirst[2]!)
    return [{ ...yearOf(dayFirst[3]), month, day: Number(dayFirst[1]) }].filter(exists)
  }
  if (monthFirst) {
    const month = monthNamed(monthFirst[1]!)
    return [
      { ...yearOf(monthFirst[2]), month, day: undefined },
      { year: undefined, month, day: Number(monthFirst[2]) },
    ].filter(exists)
  }
  return []
}

function yearOf(digits: string | undefined): Pick<Guess, 'year' | 'shortYear'> {
  if (digits === undefined) return { year: undefined }
  const year = Number(digits)
  return digits.length === 4 ? { year } : { year: century(year), shortYear: true }
}

const exists = ({ month, day }: Guess) =>
  month >= 1 && month <= 12 && (day === undefined || (day >= 1 && day <= daysIn(2024, month)))
