// How likely it is that a number is what a reader left that stopped at the first character that is no digit.

import { remembered } from '../identifier/remembered.js'
import type { Space } from '../identifier/space.js'
import { FEW_ROWS_ALIKE, ofColumn } from './short/throughout.js'
import { GOING_ON, MEND_ODDS, TOGETHER } from './weights.js'

/** Before the column has spoken. */
export function frontWeight(space: Space): number {
  // Where no value is digits only, and none looks like a number, little else than readers that stop leaves one.
  if (space.integers.count === 0n && !holdsCodes(space)) return TOGETHER.onlyFront
  return TOGETHER.front * (isMixed(space) ? GOING_ON : 1)
}

/** Of values that are digits only, and others that go on behind a number, each has a shape of its own. */
export const isOwnShape = (space: Space): boolean => space.integers.count > 0n && !isMixed(space)

/**
 * By how many bits it is likelier in a column, where of the values that were left alone so many go on behind a number: a
 * shape was there as often as it still is. Where none was left alone, nothing tells whether it was there.
 *
 * @param some how many do
 * @param others how many are digits only
 * @param short how many lost their zeros, at least
 */
export function inUse(space: Space, some: number, others: number, short: number): number {
  if (!isOwnShape(space)) return 0
  const often = (some + 1 / GOING_ON) / (others + 1)
  const throughout = some === 0 && short >= FEW_ROWS_ALIKE ? ofColumn(TOGETHER.front) : 0
  return Math.log2(GOING_ON * Math.min(1, often)) + throughout
}

/** In a column whose values gain so many bits it is not sure that nothing stood behind them. */
export const isUnsure = (space: Space, used: number): boolean =>
  isOwnShape(space) && TOGETHER.front * 2 ** used > 1 - MEND_ODDS

// A letter or a digit may stand in one place, as where a check digit of eleven kinds may be an X.
const isMixed = remembered(({ layouts }: Space): boolean =>
  layouts.some(
    ({ places }) =>
      places.every(({ chars }) => chars.some(isDigit)) &&
      places.some(({ chars }) => !chars.every(isDigit)),
  ),
)

/** Whether a value can hold a character that makes a code look like a number: 12E5, 0x1F, 1_000. */
export const holdsCodes: (space: Space) => boolean = remembered(({ layouts }: Space) =>
  layouts.some(({ places }) =>
    places
      .slice(1, -1)
      .some(({ chars }) => [69, 101, 120, 88, 95].some((code) => chars.includes(code))),
  ),
)

const isDigit = (code: number) => code >= 48 && code <= 57
