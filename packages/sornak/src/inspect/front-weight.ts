// How likely it is that a number is what a reader left that stopped at the first character that is no digit.

import { remembered } from '../identifier/remembered.js'
import type { Space } from '../identifier/space.js'
import { GOING_ON, TOGETHER } from './weights.js'

/** Before the column has spoken. */
export const frontWeight = (space: Space): number =>
  TOGETHER.front * (isMixed(space) ? GOING_ON : 1)

/** Of values that are digits only, and others that go on behind a number, each has a shape of its own. */
export const isOwnShape = (space: Space): boolean => space.integers.count > 0n && !isMixed(space)

/**
 * By how many bits it is likelier in a column, where of the values that were left alone so many go on behind a number: a
 * shape was there as often as it still is.
 *
 * @param some how many do
 * @param others how many are digits only
 */
export function inUse(space: Space, some: number, others: number): number {
  if (!isOwnShape(space)) return 0
  const often = (some + 1 / GOING_ON) / (others + 1)
  return Math.log2(GOING_ON * Math.min(1, often))
}

// A letter or a digit may stand in one place, as where a check digit of eleven kinds may be an X.
const isMixed = remembered(({ layouts }: Space): boolean =>
  layouts.some(
    ({ places }) =>
      places.every(({ chars }) => chars.some(isDigit)) &&
      places.some(({ chars }) => !chars.every(isDigit)),
  ),
)

const isDigit = (code: number) => code >= 48 && code <= 57
