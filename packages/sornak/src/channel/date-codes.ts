// The codes that may have been taken for a date.

import { daysIn } from '../date/calendar.js'
import { inAnyCase, monthInEnglish, namesOf } from './month-words.js'
import { century, type Guess } from './printed-dates.js'

const two = (n: number) => `${n}`.padStart(2, '0')

/** Those of which the date says all that they say, or the first day of the month that they name. */
export function codesOf(date: Guess): string[] {
  const { year, month, day } = date
  const texts = day !== undefined && isReadThen(date) ? codesWith(date, DAYS, day) : []
  if (day !== undefined && year !== undefined) texts.push(...whole({ year, month, day }))
  if (year !== undefined && (day === undefined || day === 1))
    texts.push(...codesWith(date, YEARS_WRITTEN, year))
  return [...new Set(texts)]
}

/** Years in which a code is read of which the date has no year, and those that readers take where none is written. */
const READ_IN = { first: 2000, last: 2030, else: [1899, 1900, 1904, 1970] }

const isReadThen = ({ year }: Guess) =>
  year === undefined ||
  (year >= READ_IN.first && year <= READ_IN.last) ||
  READ_IN.else.includes(year)

/** Codes that a reader filled up to a date, or of which a part is not shown. */
export interface Filled {
  /** No less likely than the others. */
  readonly likely: readonly string[]
  /** Of readers that hardly anybody has: they fill in the day on which they read, or count on into the next month. */
  readonly odd: readonly string[]
}

/**
 * Other codes that may have led to the date: day and month in a year other than that in which it was read; a month and a
 * year, of which the day was filled in, or the year is not shown; a day of which the month is shown and the year.
 *
 * @param holds whether there are codes like this one: a form in which none is possible is not gone through
 */
export function filledCodes(date: Guess, holds: (code: string) => boolean): Filled {
  const { year, month, day, word } = date
  const likely: string[] = []
  const odd: string[] = []
  if (day === undefined) {
    // In English a month has a capital.
    if (word !== undefined && monthInEnglish(word) > 0 && !/^[A-Z][a-z]/.test(word))
      return { likely, odd }
    // Mar-26 is the month of a day in that year, maybe.
    const all = Array.from({ length: daysIn(2024, month) }, (_, i) => i + 1)
    const days = likeSample(date, DAYS, all, holds)
    ;(isReadThen(date) ? likely : odd).push(...days)
    return { likely, odd }
  }
  if (!isReadThen(date)) odd.push(...codesWith(date, DAYS, day))
  if (year === undefined) {
    const years = likeSample(date, YEARS_WRITTEN, YEARS, holds)
    ;(day === 1 ? likely : odd).push(...years)
  } else if (day !== 1) odd.push(...codesWith(date, YEARS_WRITTEN, year))
  const before = month === 1 ? 12 : month - 1
  const onwards = day + daysIn(year ?? READ_IN.last, before)
  if (onwards < 100)
    (onwards <= LONGEST ? likely : odd).push(
      ...codesWith({ ...date, month: before }, DAYS, onwards),
    )
  return { likely, odd }
}

/**
 * How a code ends of which a reader takes a word for nothing that it does not know: it is the first of a year, or of a month of
 * the year that is taken where none is written.
 */
export function endsBehindWords({ year, month, day }: Guess): string[] {
  if (year === undefined || day !== 1) return []
  const numbers = [
    ...(month === 1 ? [two(year % 100), `${year}`] : []),
    ...(year === YEAR_NOT_WRITTEN ? [two(month), `${month}`] : []),
  ]
  return numbers.flatMap((number) => SEPARATORS.map((s) => s + number))
}

const YEAR_NOT_WRITTEN = 2001

/** How many codes look like dates as this one does, about. */
export const countAlike = (code: string): bigint => (/\d\D\d+\D\d/.test(code) ? 110_000n : 4_500n)

const LONGEST = 31
const YEARS = Array.from({ length: 200 }, (_, i) => 1900 + i)

/** A number, as it is written. */
type Writing = (number: number) => string

const DAYS: readonly Writing[] = [two, (day) => `${day}`]
const YEARS_WRITTEN: readonly Writing[] = [
  (year) => `${year}`,
  (year) => two(year % 100),
  (year) => `${year % 100}`,
]

const SEPARATORS = ['-', '/', '.']
const GLUE = ['', '-', ' ', '/', '.']

// The ways to write a month and a number in one code.
function ways({ month, word }: Guess, writings: readonly Writing[]): readonly Writing[] {
  const numbers = [`${month}`, two(month)]
  const names = namesOf(month, word).flatMap(inAnyCase)
  const join = (months: readonly string[], between: readonly string[]) =>
    months.flatMap((x) =>
      between.flatMap((s) =>
        writings.flatMap((write): Writing[] => [
          (number) => x + s + write(number),
          (number) => write(number) + s + x,
        ]),
      ),
    )
  return [...join(numbers, SEPARATORS), ...join(names, GLUE)]
}

const codesWith = (date: Guess, writings: readonly Writing[], number: number) =>
  ways(date, writings).map((write) => write(number))

// The same for many numbers, in those ways only in which one of a few of them is a code.
function likeSample(
  date: Guess,
  writings: readonly Writing[],
  numbers: readonly number[],
  holds: (code: string) => boolean,
): string[] {
  const samples = [0, 0.3, 0.7].map((part) => numbers[Math.floor(part * numbers.length)]!)
  const kept = ways(date, writings).filter((write) => samples.some((one) => holds(write(one))))
  return kept.flatMap((write) => numbers.map(write))
}

function whole({ year, month, day }: Record<'year' | 'month' | 'day', number>): string[] {
  const texts: string[] = []
  const years = [`${year}`, two(year % 100)]
  for (const s of SEPARATORS)
    for (const y of years)
      for (const m of [`${month}`, two(month)])
        for (const d of [`${day}`, two(day)])
          texts.push(`${d}${s}${m}${s}${y}`, `${m}${s}${d}${s}${y}`, `${y}${s}${m}${s}${d}`)
  const compact = two(month) + two(day)
  texts.push(`${year}`.padStart(4, '0') + compact)
  if (century(year % 100) === year) texts.push(two(year % 100) + compact)
  return texts
}
