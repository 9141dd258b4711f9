// Columns of round numbers: whether they were issued so, or were shortened.

import { dateOf } from '../../date/calendar.js'
import type { Space } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { printsRound } from '../evidence/process-channel.js'
import { UNIT, type Process } from '../evidence/process.js'
import type { Sums } from '../evidence/sums.js'
import { MANY_HEADS, type ZeroEndings } from '../evidence/zero-endings.js'
import { RUN_BITS } from '../ways/weights.js'
import { usualDigits } from './usual-digits.js'

/** So many values are no chance; and so many others show that a column is not of round ones alone. */
const FEW_TOGETHER = 16
const FEW_ROUND = 20
/** Numbers of so many digits, of which the first twelve at most are shown, and at least so many zeros behind them. */
const LONG = 13
const MOST_SHOWN = 12
const MANY_ZEROS = 6

/**
 * Round numbers are what a column has, maybe: where they are few, or hardly any other stands in it.
 *
 * @param sums what the rows say of each process, in 1/256 bit
 */
export function mayBeRound(
  { widths, definition }: Space,
  processes: readonly Process[],
  best: number,
  sums: readonly number[],
  from: Sums,
  to: Sums,
  whole: EvidenceState,
): boolean {
  if (!printsRound(processes[best]!.id)) return false
  const inside = to.fits - from.fits
  const misfits = to.hits[best]! - from.hits[best]!
  if (inside + misfits < FEW_TOGETHER) return true
  // Nobody issues round numbers with a wrong check digit.
  if (definition.check && misfits >= FEW_TOGETHER && misfits > inside) return false
  const shown = usualDigits(from.plain, to.plain)
  const heads = headsOfAll(whole.endings)
  if (areTimes(heads, whole.starts, shown)) return true
  if (whole.sums.fits - inside >= FEW_ROUND) return false
  const others = processes.some(
    ({ id, rounds }, i) => rounds && !printsRound(id) && sums[i]! > RUN_BITS * UNIT,
  )
  return !others && !(areLong(widths[0] ?? 0, shown) && heads.length >= MANY_HEADS)
}

// What they start with, where all numbers end in zeros; nothing where some do not.
const headsOfAll = ({ numbers, first }: ZeroEndings): readonly string[] =>
  first && first.count === numbers ? first.heads : []

// Nobody issues numbers so long of which only the first few digits are in use; but a few of them may have been chosen.
const areLong = (width: number, shown: number): boolean =>
  width >= LONG && shown >= 0 && shown <= Math.min(MOST_SHOWN, width - MANY_ZEROS)

/** Digits of a day, with its year; and of the seconds since 1970, in the years from 2001 to 2033. */
const DAY = 8
const SECONDS = 10

// Days, or whole seconds, that are counted in smaller units.
function areTimes(heads: readonly string[], starts: readonly number[], shown: number): boolean {
  if (heads.length === 0) return false
  if (shown === SECONDS) return starts.every((count, start) => count === 0 || isSecond(start))
  return shown <= DAY && heads.every(isDay)
}

const isSecond = (start: number) => start >= 10 && start <= 20
const isDay = (digits: string) => {
  const [, year, month, day] = /^((?:19|20|21)\d\d)(\d\d)(\d\d)/.exec(digits) ?? []
  return year !== undefined && dateOf(`${year}-${month}-${day}`) !== undefined
}
