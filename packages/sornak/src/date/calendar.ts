// Calendar dates of the Gregorian calendar (ISO 8601), without time and without a time zone. A date is
// text: yyyy-MM-dd, or yyyy-MM for a month, or yyyy for a year.

export interface CalendarDate {
  readonly year: number
  readonly month: number | undefined
  readonly day: number | undefined
}

const ISO = /^(\d{4})(?:-(\d{2})(?:-(\d{2}))?)?$/

/** The date of an ISO 8601 text; undefined for any other text and for days that do not exist. */
export function dateOf(text: string): CalendarDate | undefined {
  const found = ISO.exec(text)
  if (!found) return undefined
  const [year, month, day] = found
    .slice(1)
    .map((part) => (part === undefined ? undefined : Number(part)))
  const date = { year: year!, month, day }
  return exists(date) ? date : undefined
}

export function dateText({ year, month, day }: CalendarDate): string {
  const two = (n: number | undefined) => (n === undefined ? '' : `-${`${n}`.padStart(2, '0')}`)
  return `${year}`.padStart(4, '0') + two(month) + two(day)
}

export function exists({ year, month, day }: CalendarDate): boolean {
  if (month === undefined) return true
  if (month < 1 || month > 12) return false
  return day === undefined || (day >= 1 && day <= daysIn(year, month))
}

export function daysIn(year: number, month: number): number {
  if (month === 2) return (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0 ? 29 : 28
  return [4, 6, 9, 11].includes(month) ? 30 : 31
}

/**
 * Which of two dates comes first: negative, zero or positive, as a sort wants it. A month counts as its
 * last day and a year as its last month, as an expiry does. Dates are ISO 8601 texts.
 *
 * @throws {RangeError} for a text that is not a date
 * @example
 * compareDates('2026-02', '2026-02-28') // 0
 * compareDates('2025-12', '2026-01-01') < 0 // true
 */
export function compareDates(a: string, b: string): number {
  const [first, second] = [lastDay(a), lastDay(b)]
  return first < second ? -1 : first > second ? 1 : 0
}

/**
 * The last day of a year, month or day, as yyyy-MM-dd: the day on which an expiry runs out.
 *
 * @throws {RangeError} for a text that is not a date
 * @example
 * lastDay('2028-02') // '2028-02-29'
 */
export function lastDay(text: string): string {
  const date = dateOf(text)
  if (!date) throw new RangeError(`"${text}" is not a date; write yyyy-MM-dd, yyyy-MM or yyyy.`)
  const month = date.month ?? 12
  return dateText({ year: date.year, month, day: date.day ?? daysIn(date.year, month) })
}

/** 0 for Monday to 6 for Sunday. */
export function weekday({ year, month = 1, day = 1 }: CalendarDate): number {
  // Days since a Monday, counted with years that start in March.
  const y = month < 3 ? year - 1 : year
  const m = month < 3 ? month + 9 : month - 3
  const days = 365 * y + Math.floor(y / 4) - Math.floor(y / 100) + Math.floor(y / 400)
  const all = days + Math.floor((153 * m + 2) / 5) + day - 1
  return (((all + 2) % 7) + 7) % 7
}
