// Where the values of a column lie that fit: what they start with, the smallest and the largest.

import type { Space } from '../../identifier/space.js'
import { hasHeads, headCounter } from '../short/heads.js'
import { limitsOf } from '../short/limits.js'
import type { Clean } from '../short/population.js'
import { isPlain } from '../short/story.js'
import { firstDigit } from './value-bytes.js'

export interface CleanValues {
  /** @param number it holds nothing but digits */
  take(bytes: Uint8Array, start: number, end: number, number: boolean): void
  clean(): Clean
}

/** @param from what is known so far; nothing at the start of a part */
export function cleanValues(space: Space, from?: Clean): CleanValues {
  const { widest } = space
  const fronts = from ? [...from.fronts] : Array<number>(10 * widest).fill(0)
  const limits = limitsOf(from)
  const heads = isPlain(space) && hasHeads(widest) && headCounter(widest, from?.heads)
  return {
    take(bytes, start, end, number) {
      const first = bytes[start]! - 48
      const isDigit = first >= 0 && first <= 9
      if (isDigit) {
        const at = firstDigit(bytes, start, end)
        const front = (at - start) * 10 + bytes[at]! - 48
        if (front < fronts.length) fronts[front]!++
      }
      // What ends in a letter, as a check digit of eleven kinds may, is no number.
      if (number && isDigit) limits.take(bytes, start, end)
      if (heads && end - start === widest) heads.take(bytes, start)
    },
    clean: () => ({ fronts: [...fronts], ...limits.texts(), heads: heads ? heads.heads() : [] }),
  }
}
