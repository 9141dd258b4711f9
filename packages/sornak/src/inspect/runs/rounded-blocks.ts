// Blocks of rows whose numbers all end in a zero or two, where others end in any digit: they were rounded, whatever it was
// that did it.

import type { RecordPlace } from '../../rows/reader.js'
import { MANY_HEADS, type Streak, type ZeroEndings } from '../evidence/zero-endings.js'
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
/** Fewer in a row may have been chosen. */
const FEW_ROWS = 16

export function roundedBlocks({ numbers, ending, first, last, long }: ZeroEndings): RoundedBlock[] {
  const streaks = [first, ...long, last].flatMap((one) => (one && isLong(one) ? [one] : []))
  const inside = streaks.reduce((sum, { count }) => sum + count, 0)
  const others = numbers - inside
  const usual = (ending - inside + 1) / (others + 2)
  if (streaks.length > MOST_BLOCKS || others < FEW_OTHERS || usual > USUAL) return []
  return streaks.flatMap(({ from, to, count, before, more }) => {
    const bits = count * -Math.log2(usual)
    const zeros = 1 + more.filter((some) => some * 8 >= count * 7).length
    const isBetween = Math.min(before, numbers - before - count) >= FEW_BESIDE
    return (isBetween || zeros > 1) && bits > RUN_BITS ? [{ from, to, bits, zeros }] : []
  })
}

// Few numbers that come again and again say little, however often they come.
const isLong = ({ count, heads }: Streak) => count >= FEW_ROWS && heads.length >= MANY_HEADS
