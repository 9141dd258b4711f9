// A number shown as a date: days are counted from a day on which programs agree, or do not. 20417 is 24 November 1955.

import { dateText, daysIn } from '../date/calendar.js'
import { daysFrom, type Day, type DayCount } from '../date/day-number.js'
import type { Channel } from './channel.js'
import { bareDigits, isDigits } from './number-text.js'
import { SHORT } from './month-words.js'
import { datesSeen, type Guess } from './printed-dates.js'
import type { Interval } from './significant.js'

/** Where days are counted from, as the evidence of a column knows it. */
export const COUNTED = ['days from 1900', 'days from 1904', 'days from 1970'] as const
export type Counted = (typeof COUNTED)[number]

interface Count {
  readonly by: Counted
  readonly days: DayCount
  readonly most?: bigint
}

const COUNTS: readonly Count[] = [
  { by: 'days from 1900', days: daysFrom('1899-12-30') },
  { by: 'days from 1904', days: daysFrom('1904-01-01') },
  { by: 'days from 1970', days: daysFrom('1970-01-01') },
]

/** Some count a day that there never was, 29 February 1900, so that the first two months lie a day later. */
const FIRST_MONTHS: Count = { by: 'days from 1900', days: daysFrom('1899-12-31'), most: 59n }

const two = (n: number) => `${n}`.padStart(2, '0')

const STYLES: ReadonlyMap<string, (day: Day) => string> = new Map([
  ['yyyy-MM-dd', (day: Day) => dateText(day)],
  ['yyyy-MM-dd 00:00:00', (day) => `${dateText(day)} 00:00:00`],
  ['M/d/yyyy', ({ year, month, day }) => `${month}/${day}/${year}`],
  ['dd/MM/yyyy', ({ year, month, day }) => `${two(day)}/${two(month)}/${year}`],
  ['dd.MM.yyyy', ({ year, month, day }) => `${two(day)}.${two(month)}.${year}`],
  ['d-MMM-yy', ({ year, month, day }) => `${day}-${SHORT[month - 1]}-${two(year % 100)}`],
  ['MMM-yy', ({ year, month }) => `${SHORT[month - 1]}-${two(year % 100)}`],
])

/** Years of four digits: programs show no number beyond them as a date. */
const YEARS = { first: 1899, last: 9999 }

export const dayCount: Channel = {
  id: 'day-count',
  finding: 'date-made',
  title: 'Shown as a date',
  describe: 'A number is taken for a count of days and shown as the date that it leads to.',
  met: 'cells and columns that have the format of a date, and were exported as they are shown',
  prevent: 'Format the column as text before values are entered, and export what is stored.',
  example: { before: '20417', after: '1955-11-24', form: 'yyyy-MM-dd, days from 1900' },
  forms: COUNTS.flatMap(({ by }) => [...STYLES.keys()].map((style) => `${style}, ${by}`)),
  forward(text, form) {
    const [style = '', by] = form.split(', ')
    const count = COUNTS.find((one) => one.by === by)
    const print = STYLES.get(style)
    if (!count || !print || !isDigits(text)) return text
    const day = count.days.dayOf(BigInt(bareDigits(text)))
    const last = /\byyyy/.test(style) ? YEARS.last : CENTURIES.at(-1)! + 99
    return day && isShown(day) && day.year <= last ? print(day) : text
  },
  inverse(seen) {
    const isPrinted = ({ low }: Interval) =>
      dayCount.forms.some((form) => dayCount.forward(`${low}`, form) === seen)
    return daysCounted(seen)
      .filter(isPrinted)
      .map(({ low, high }) => ({ kind: 'integers', low, high }))
  },
}

const isShown = ({ year }: Day) => year >= YEARS.first && year <= YEARS.last

/** The numbers that a date may have been shown for in whatever style, by each way of counting. */
export function daysCounted(seen: string): (Interval & { readonly by: Counted })[] {
  const days = datesSeen(seen).flatMap(daysOf)
  return [...COUNTS, FIRST_MONTHS].flatMap(({ by, days: count, most }) =>
    days.flatMap(([first, last]) => {
      const [from, to] = [count.numberOf(first), count.numberOf(last)]
      const low = from < 0n ? 0n : from
      const high = most !== undefined && to > most ? most : to
      return low > high ? [] : [{ low, high, by }]
    }),
  )
}

// Of a month any day; of a year of two digits any century that is shown.
function daysOf({ year, month, day, shortYear }: Guess): [first: Day, last: Day][] {
  if (year === undefined) return []
  const years = shortYear ? CENTURIES.map((hundred) => hundred + (year % 100)) : [year]
  return years.flatMap((one): [Day, Day][] => {
    const first = { year: one, month, day: day ?? 1 }
    const last = { year: one, month, day: day ?? daysIn(one, month) }
    return isShown(first) && last.day <= daysIn(one, month) ? [[first, last]] : []
  })
}

const CENTURIES = [1800, 1900, 2000, 2100]
