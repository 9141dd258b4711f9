// How likely it is that a number is what a reader left that stopped at the first character that is no digit.

import { isDigit } from '../../identifier/codes.js'
import { remembered } from '../../identifier/remembered.js'
import type { Space } from '../../identifier/space.js'
import { GOING_ON, TOGETHER } from './weights.js'

/** Before the column has spoken. */
export function frontWeight(space: Space): number {
  // Where no value is digits only, and none looks like a number, little else than readers that stop leaves one.
  if (space.integers.count === 0n && !holdsCodes(space)) return TOGETHER.onlyFront
  return TOGETHER.front * (isMixed(space) ? GOING_ON : 1)
}

/** Of values that are digits only, and others that go on behind a number, each has a shape of its own. */
export const isOwnShape = (space: Space): boolean => space.integers.count > 0n && !isMixed(space)

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
