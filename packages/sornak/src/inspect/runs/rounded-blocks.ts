// Blocks of rows whose numbers all end in a zero or two, where others end in any digit: they were rounded, whatever it was
// that did it.

import type { RecordPlace } from '../../rows/reader.js'
import {
  isOfSequence,
  MANY_HEADS,
  type Streak,
  type ZeroEndings,
} from '../evidence/zero-endings.js'
import { RUN_BITS } from '../ways/weights.js'

export interface RoundedBlock {
  readonly from: RecordPlace
  readonly to: RecordPlace
  readonly bits: number
  /** The zeros that they end in: one beside them may do so by chance, in fewer. */
  readonly zeros: number
}

/** A list that has more of them is made of parts. */
const MOST_BLOCKS = 4
/** So many numbers stand on each side: one list may stand behind another. In few lists all numbers end in two zeros. */
const FEW_BESIDE = 20
/** Of fewer others it is not told how often they end in a zero; and where it is more than this, round numbers are usual. */
const FEW_OTHERS = 100
const USUAL = 1 / 5
/** Of so many numbers one may repeat the one before it, where those of a block do that were rounded. */
const SELDOM = 100
/** Fewer in a row may have been chosen. */
const FEW_ROWS = 16

export function roundedBlocks(endings: ZeroEndings): RoundedBlock[] {
  const { numbers, ending, first, last, long } = endings
  const repeatsSpeak = endings.again * SELDOM <= numbers - ending
  const isRounded = (one: Streak) => isLong(one) || (repeatsSpeak && isSequence(one))
  const streaks = [first, ...long, last].flatMap((one) => (one && isRounded(one) ? [one] : []))
  const inside = streaks.reduce((sum, { count }) => sum + count, 0)
  const others = numbers - inside
  const usual = (ending - inside + 1) / (others + 2)
  if (streaks.length > MOST_BLOCKS || others < FEW_OTHERS || usual > USUAL) return []
  return streaks.flatMap((streak) => {
    const { from, to, count, before, more, again } = streak
    const zeros = 1 + more.filter((some) => some * 8 >= count * 7).length
    // Of a sequence each number says once what it ends in.
    const said = isLong(streak) ? count : (count - again) * zeros
    const bits = said * -Math.log2(usual)
    const isBetween = Math.min(before, numbers - before - count) >= FEW_BESIDE
    return (isBetween || zeros > 1) && bits > RUN_BITS ? [{ from, to, bits, zeros }] : []
  })
}

// A sequence says it by its steps, where nothing else repeats itself.
const isSequence = ({ count, again }: Streak) => count >= FEW_ROWS && isOfSequence(count, again)

// Few numbers that come again and again say little, however often they come.
const isLong = ({ count, heads }: Streak) => count >= FEW_ROWS && heads.length >= MANY_HEADS
