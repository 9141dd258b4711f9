// Any number comes to one in digits of another base, and in a type that wraps round: that this is a value says something only where
// hardly a text is.

import type { Space } from '../../identifier/space.js'

/** Processes that lead from any number to another. */
export const leadsAnywhere = (process: string): boolean =>
  /^(?:octal|wrapped|base-sixteen)/.test(process)

/** How often a text of digits, as wide as values are, is one of them: 0 to 1. */
export const oftenValue = ({ integers, widest }: Space): number =>
  Math.min(1, Number(integers.count) / 10 ** widest)

/**
 * How often so many different numbers are all right by chance; 0 where that does not tell, as nearly all texts of digits are
 * values, or none is.
 */
export function allByChance(space: Space, different: number): number {
  const often = oftenValue(space)
  return often > 0 && often <= FEW_RIGHT ? often ** Math.max(1, different) : 0
}

/** As a check digit leaves. */
const FEW_RIGHT = 0.2
