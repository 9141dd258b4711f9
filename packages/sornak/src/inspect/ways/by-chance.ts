// Any number comes to one in octal digits, and in a type that wraps round: that this is a value says something only where
// hardly a text is.

import type { Space } from '../../identifier/space.js'

/** Processes that lead from any number to another. */
export const leadsAnywhere = (process: string): boolean => /^(?:octal|wrapped)/.test(process)

/** How often a text of digits, as wide as values are, is one of them: 0 to 1. */
export const oftenValue = ({ integers, widest }: Space): number =>
  Math.min(1, Number(integers.count) / 10 ** widest)
