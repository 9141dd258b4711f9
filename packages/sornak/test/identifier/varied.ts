// Made-up values of a definition: a sample with its digits and some letters changed, until it fits.

import { fit, type Definition } from 'sornak'

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'

/** @param next a whole number below the one given */
export function varied(definition: Definition, sample: string, next: (below: number) => number) {
  for (let tries = 0; tries < 400; tries++) {
    const text = Array.from(sample, (char) => {
      if (/\d/.test(char) && next(3)) return `${next(10)}`
      return /[A-Z]/.test(char) && next(4) === 0 ? LETTERS[next(26)]! : char
    }).join('')
    if (fit(definition, text).ok) return text
    // The last digit makes a check digit right.
    for (let last = 0; last < 10; last++) {
      const other = text.replace(/\d(?=\D*$)/, `${last}`)
      if (fit(definition, other).ok) return other
    }
  }
  return sample
}

/** The same numbers every time. */
export function steps(seed: number): (below: number) => number {
  let state = seed
  return (below) => (state = (state * 48271) % 2147483647) % below
}
