// What it says of a number that others of its column have fractions.

import type { Context } from './context.js'
import type { Hypothesis } from './ways/hypothesis.js'

/** Fewer are amounts, or slips, among identifiers. */
const FEW_FRACTIONS = 8

// Nearly all numbers with a fraction are values when they are counted by hundredths.
export function areHundredths({ inForm = () => 0 }: Context): boolean {
  const fractions = inForm('fraction')
  return fractions >= FEW_FRACTIONS && inForm('scaled') * 10 >= fractions * 9
}

// Of numbers that were divided, or went wrong as they were printed, some come out without a fraction: that one has none says
// nothing where others have one.
export function isWorkedOut(
  { inForm = () => 0, inColumn = () => 0, different = FEW_FRACTIONS }: Context,
  seen: string,
  ways: readonly Hypothesis[],
): boolean {
  const form = ways.some(({ findings }) => findings.includes('decimal-tail'))
    ? 'decimal-tail'
    : 'bare'
  const isWhole = form === 'decimal-tail' || /^\d+$/.test(seen)
  // Of a few rows, or of few numbers that come again and again, the whole column tells.
  const areFew = inForm(form) < FEW_FRACTIONS || different < FEW_FRACTIONS
  const count = areFew ? inColumn : inForm
  const fractions = count('fraction')
  return isWhole && fractions >= FEW_FRACTIONS && fractions * 2 >= count(form)
}
