// How a value that fits goes on from the one before it.

import { bytesOf, textOf } from './printed-digits.js'

/** Not at all, as the same one, or by a step that ends in so many zeros. */
export type Again = 'no' | 'same' | number

export interface Sequence {
  /**
   * The same value again is not a second piece of evidence, and of the next of a sequence that goes on by tens or hundreds
   * its last zeros are none: people issue numbers so. Binary ones go on by 32 or 64.
   */
  goesOn(bytes: Uint8Array, start: number, end: number): Again
  /** It may be the next of a sequence in which more of the last digits were lost. */
  isNear(bytes: Uint8Array, start: number, end: number): boolean
  keep(bytes: Uint8Array, start: number, end: number): void
  /** What comes next goes on from nothing. */
  forget(): void
  /** The value that was kept; empty where there is none. */
  last(): string
}

/** Two values go on from each other that differ in no more than so many last characters. */
const STEP_DIGITS = 4
/** Of long ones so many differ where these were rounded; and no two have so many in common by chance. */
const NEAR_DIGITS = 7
const FEWEST_ALIKE = 6
const LONGEST = 64

/** @param from the last value so far; empty where there is none */
export function sequence(from = ''): Sequence {
  const before = new Uint8Array(LONGEST)
  let length = -1
  const keep = (bytes: Uint8Array, start: number, end: number) => {
    length = Math.min(LONGEST, end - start)
    for (let i = 0; i < length; i++) before[i] = bytes[start + i]!
  }
  const text = bytesOf(from)
  if (from) keep(text, 0, text.length)
  return {
    goesOn(bytes, start, end) {
      if (end - start !== length) return 'no'
      const alike = Math.max(1, length - STEP_DIGITS)
      for (let i = 0; i < alike; i++) if (before[i] !== bytes[start + i]) return 'no'
      let step = 0
      for (let i = alike; i < length; i++) step = step * 10 + bytes[start + i]! - before[i]!
      if (step === 0) return 'same'
      let zeros = 0
      for (; step % 10 === 0; step /= 10) zeros++
      return zeros
    },
    isNear(bytes, start, end) {
      const alike = length - NEAR_DIGITS
      if (end - start !== length || alike < FEWEST_ALIKE) return false
      for (let i = 0; i < alike; i++) if (before[i] !== bytes[start + i]) return false
      return true
    },
    keep,
    forget() {
      length = -1
    },
    last: () => (length < 0 ? '' : textOf(before, 0, length)),
  }
}
