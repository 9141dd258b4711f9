// What it says for a process that many originals come out as one value: not where its neighbours show more digits.

import { widestNumber, type Space } from '../../identifier/space.js'
import { MOST, UNIT } from '../evidence/process.js'
import type { Sums } from '../evidence/sums.js'
import { exponentWhereShorter, usualDigits } from './usual-digits.js'

// What it adds that many originals come out as one value. A long number that ends in zeros was not shortened where
// its neighbours stand with all their digits.
export function manyOriginals(space: Space, id: string, i: number, from: Sums, to: Sums): number {
  const extra = to.extra[i]! - from.extra[i]!
  if (id !== 'short-display') return extra
  const all = usualDigits(from.plain, to.plain)
  const dropped = fewerDigits(from.ending, to.ending, all, all)
  return extra - fewerShown(space, from, to) - dropped
}

/** The same of those that stand with an exponent, of which most show all digits or do not. */
export function fewerShown(space: Space, from: Sums, to: Sums): number {
  // Where the exponent is only shorter all digits are there.
  if (exponentWhereShorter(from, to))
    return fewerDigits(from.digits, to.digits, widestNumber(space), widestNumber(space))
  const usual = usualDigits(from.digits, to.digits)
  const shown = to.digits.reduce((sum, count, k) => sum + count - from.digits[k]!, 0)
  const isComplete = (to.complete - from.complete) * 2 > shown
  return fewerDigits(from.digits, to.digits, usual, isComplete ? usual : widestNumber(space))
}

// Zeros at the end of a coefficient may be dropped: such a value was shortened to as many digits as its
// neighbours, and not to fewer. What its originals, of so many digits, were counted for is too much by so many bits.
function fewerDigits(
  from: readonly number[],
  to: readonly number[],
  usual: number,
  width: number,
): number {
  // Both halves between two printed numbers were counted for each of them.
  const counted = (digits: number) =>
    digits < width ? Math.min(MOST, Math.log2(10 ** (width - digits) + 1) * UNIT) : 0
  return to.reduce(
    (sum, count, k) => (k < usual ? sum + (count - from[k]!) * (counted(k) - counted(usual)) : sum),
    0,
  )
}
