// Numbers that have an exponent because they are shorter so: a program that prints 100000 as 1e+05 prints 100001 in full.

import { shownDigits } from './evidence/printed-digits.js'
import type { Context } from './context.js'
import type { Hypothesis } from './ways/hypothesis.js'
import { MEND_ODDS } from './ways/weights.js'

/**
 * Few digits stand before its exponent because the others are zeros.
 *
 * @param whole the digits of the number
 */
export const isChosen = (seen: string, whole: string, context: Context | undefined): boolean =>
  seen.length < whole.length &&
  shownDigits(seen) !== undefined &&
  context?.exponentWhereShorter?.(whole.length) === true

/** The ways of such a number: hardly one in which digits were lost. */
export const ofChosen = (ways: readonly Hypothesis[]): readonly Hypothesis[] =>
  ways.map((way) => (LOSES_DIGITS.includes(way.process) ? { ...way, ...HARDLY } : way))

/** What the neighbours say of all but these. */
export const besideChosen = (context: Context): Context => ({
  ...context,
  lift: (id) => (LOSES_DIGITS.includes(id) ? 0 : context.lift(id)),
})

/** Roundings after which few digits stand before an exponent. */
const LOSES_DIGITS: readonly string[] = ['short-display', 'binary32']
const HARDLY = { weight: (1 - MEND_ODDS) / 10, per: 'all' } as const
