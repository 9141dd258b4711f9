// Numbers that were shortened by a few digits, with zeros in their place: to tens or hundreds, or to hardly fewer digits than
// they have. Of values that fit this is told from rows that lie together; but none that has lost zeros at the front as well is
// to be mended as if nothing else had happened to it.

import { FEWEST_KEPT } from '../../channel/number-text.js'
import { BY_ZEROS, FEW_GONE, goneBy, toDigits } from '../ways/shortening.js'
import { bits, OUT, unlessZero, type Process } from './process.js'

/** To tens, and to hundreds. */
export const byZeros = (): Process[] => BY_ZEROS.map(shortening)

/** @param widest digits that the widest number has */
export const byDigits = (widest: number): Process[] =>
  // Counted in the widest numbers that lost a zero in front.
  FEW_GONE.map((gone) => widest - 1 - gone)
    .filter((kept) => kept >= FEWEST_KEPT)
    .map((kept) => shortening(toDigits(kept)))

const shortening = (id: string): Process => ({
  id,
  usual: 0,
  fits: unlessZero,
  leaves(bytes, start, end) {
    const gone = goneBy(id, end - start)
    // Of a number below half of what it was rounded to nothing is left.
    if (end - start === 1 && bytes[start] === ZERO) return 0
    for (let at = end - gone; at < end; at++) if (at <= start || bytes[at] !== ZERO) return OUT
    return bits(10n ** BigInt(gone))
  },
})

const ZERO = 48
