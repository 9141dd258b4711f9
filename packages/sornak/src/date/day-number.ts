// Dates of the Gregorian calendar (ISO 8601) and the days from one to another, exactly and in integers.

import { dateOf } from './calendar.js'

/** A day that is written in full. */
export interface Day {
  readonly year: number
  readonly month: number
  readonly day: number
}

/** Days from 1 March of the year 0 to the first of a month, in a year that starts with March. */
const toMonth = (month: bigint) => (153n * month + 2n) / 5n
const CENTURIES = 146097n
const FOUR_YEARS = 1461n

/** Days from 1 March of the year 0, which is day 0. */
function fromMarch({ year, month, day }: Day): bigint {
  const [y, m] = month < 3 ? [year - 1, month + 9] : [year, month - 3]
  const years = BigInt(y)
  return (
    365n * years + years / 4n - years / 100n + years / 400n + toMonth(BigInt(m)) + BigInt(day) - 1n
  )
}

function atMarch(days: bigint): Day {
  const era = days / CENTURIES
  const inEra = days % CENTURIES
  // What the days of leap years add up to is taken off before years are counted.
  const year =
    (inEra - inEra / (FOUR_YEARS - 1n) + inEra / 36524n - inEra / (CENTURIES - 1n)) / 365n
  const inYear = inEra - (365n * year + year / 4n - year / 100n)
  const month = (5n * inYear + 2n) / 153n
  const day = Number(inYear - toMonth(month)) + 1
  const late = month > 9n
  const y = Number(era * 400n + year) + (late ? 1 : 0)
  return { year: y, month: Number(month) + (late ? -9 : 3), day }
}

/** A calendar that counts days from one on. */
export interface DayCount {
  numberOf(day: Day): bigint
  /** The day of a number; undefined before the year 1 and behind 9999. */
  dayOf(count: bigint): Day | undefined
}

/** @param first day 0, as yyyy-MM-dd */
export function daysFrom(first: string): DayCount {
  const { year, month = 1, day = 1 } = dateOf(first)!
  const zero = fromMarch({ year, month, day })
  return {
    numberOf: (one) => fromMarch(one) - zero,
    dayOf(count) {
      const days = zero + count
      if (days < 306n) return undefined
      const found = atMarch(days)
      return found.year <= 9999 ? found : undefined
    },
  }
}
