// With how many digits numbers stand, told from how many stand with each.

import { FIFTEEN } from '../../channel/fifteen-digits.js'
import { MOST_DIGITS, type Sums } from '../evidence/sums.js'
import { CHOOSING, MEND_ODDS, OTHER_KIND } from '../ways/weights.js'
import { beyondChance } from './rounded-among.js'

/** Fewer numbers tell nothing of the others. */
const FEW_SHOWN = 3

/** The most digits that one in twenty stands with; -1 where none does. */
export function usualDigits(from: readonly number[], to: readonly number[], least = 0): number {
  const counts = to.map((count, k) => count - from[k]!)
  const all = counts.reduce((sum, count) => sum + count, 0)
  return counts.findLastIndex((count) => count >= least && count > 0 && count * 20 >= all)
}

/** Digits that most numbers stand with before an exponent, so that others lack zeros at the end; 0 where too few tell it. */
export function mostShown(from: readonly number[], to: readonly number[]): number {
  const counts = to.map((count, k) => count - from[k]!)
  const all = counts.reduce((sum, count) => sum + count, 0)
  return Math.max(
    0,
    counts.findIndex((count) => count >= FEW_SHOWN && count * 2 > all),
  )
}

/**
 * Bits that numbers which show so many of their digits, or fewer, were shortened to them, where others show more: hardly so
 * many of those have zeros in the place of the rest.
 */
export function shortenedTo(from: Sums, to: Sums, shown: number): number {
  const more = to.digits.map((count, k) => (k > shown ? count - from.digits[k]! : 0))
  const usual = usualDigits(NONE, more)
  if (usual < 0) return 0
  const fewer = usual - shown
  const sum = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0)
  const some = sum(to.partial.slice(0, shown + 1)) - sum(from.partial.slice(0, shown + 1))
  // Zeros behind, or in front, or both; twice as often, as some show a digit less anyway.
  const chance = Math.min(1, (2 * (fewer + 1)) / 10 ** fewer)
  return beyondChance(some, some + sum(more), chance)
}

/**
 * Numbers of so many digits have an exponent there because that is shorter, and all their digits before it: none has kept a zero in
 * front, so that they were read as numbers, all others stand in full, and no more have an exponent than end in as many zeros.
 */
export function exponentWhereShorter(from: Sums, to: Sums, digits: number = FEWEST_SAVED): boolean {
  const of = (key: 'fits' | 'spelt' | 'misfits' | 'formed' | 'short' | 'zeros') =>
    to[key] - from[key]
  const unformed = of('misfits') - of('formed')
  const inFull = of('fits') - of('spelt') + unformed
  if (digits > FIFTEEN || of('zeros') > 0 || Math.min(of('short'), unformed) < FEW_SHORT)
    return false
  const some = to.digits.reduce((sum, count, k) => sum + count - from.digits[k]!, 0)
  const expected = inFull / 10 ** Math.min(digits - 1, FEWEST_SAVED)
  // Each of another program costs as much as any other kind of rows; and few programs choose what is shorter.
  const said = OTHER_KIND.scattered - some * Math.max(0, Math.log2(some / expected))
  return said + Math.log2(CHOOSING) >= -Math.log2(1 - MEND_ODDS)
}

/** So many values that lost zeros at the front were read as numbers. */
const FEW_SHORT = 8
/** Where an exponent makes a number shorter, so many of its digits are zeros, or all but the first. */
const FEWEST_SAVED = 6

const NONE: readonly number[] = Array<number>(MOST_DIGITS + 1).fill(0)
