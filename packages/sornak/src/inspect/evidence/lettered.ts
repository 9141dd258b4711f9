// Texts of digits and of letters that are digits of base sixteen: whether they were printed in that base, or are codes of another
// kind. A word has letters only, and codes have them in front or behind, as a rule.

import { isDigits } from '../../channel/number-text.js'
import { ofUnmarkedDigits } from '../../channel/other-digits.js'
import type { Space } from '../../identifier/space.js'

export interface Lettered {
  /** How many there are with a letter in them. */
  readonly count: number
  /** Those of them that stand for a value, with two letters among their digits. */
  readonly among: number
  /** These, each once, and not more than it takes. */
  readonly texts: readonly string[]
}

export interface LetteredCounter {
  /** A value that does not fit. */
  take(seen: string): void
  lettered(): Lettered
}

const AMONG = /^(?![a-f]+\d+$|\d+[a-f]+$)(?=.*\d).*[a-f].*[a-f]/i
/** Fewer texts are chance; and so few among all are those of codes. */
const FEW_TEXTS = 3
const SELDOM = 16

export function letteredCounter(space: Space, from?: Lettered): LetteredCounter {
  let { count, among } = from ?? { count: 0, among: 0 }
  const texts = new Set(from?.texts)
  return {
    take(seen) {
      const value = isDigits(seen) ? undefined : ofUnmarkedDigits(seen)
      if (value === undefined) return
      count++
      // Many short codes come to a number with zeros in front.
      if (!AMONG.test(seen) || `${value}`.length < space.widest - 1) return
      if (space.count(value, value).count === 0n) return
      among++
      if (texts.size < FEW_TEXTS) texts.add(seen)
    },
    lettered: () => ({ count, among, texts: [...texts] }),
  }
}

export const joinedLettered = (a: Lettered, b: Lettered): Lettered => ({
  count: a.count + b.count,
  among: a.among + b.among,
  texts: [...new Set([...a.texts, ...b.texts])].slice(0, FEW_TEXTS),
})

/** Numbers were printed in base sixteen, or some of them may have been. */
export const areOfSixteen = ({ count, among, texts }: Lettered): boolean =>
  texts.length >= FEW_TEXTS && among * SELDOM >= count
