// How values start, by their first two digits: how often in each way, and how one goes on from the one before it. In a
// sorted list that tells whether a value belongs where it stands.

import type { EvidenceState } from './evidence-state.js'
import type { Misfit } from './misfit-evidence.js'
import type { Tally } from './sums.js'
import { NO_START, startOfText, startsWithoutZero } from './value-bytes.js'

type Kept = 'starts' | 'formedStarts' | 'belowStarts' | 'lastStart' | 'lastShort'

export interface FirstDigits {
  /** A value that fits and starts so; the first of all says only what the next goes on from. */
  fits(start: number, isFirst?: boolean): void
  /** One that does not fit; `short` where it is too short. */
  misfit(seen: string, misfit: Misfit, short: boolean): void
  firstMisfit(misfit: Misfit, short: boolean): void
  kept(): Pick<EvidenceState, Kept>
}

/**
 * @param now what is counted of all rows so far
 * @param widest digits of the widest number
 */
export function firstDigits(
  now: Tally,
  widest: number,
  from?: Pick<EvidenceState, Kept>,
): FirstDigits {
  const hundred = (before: readonly number[] | undefined) =>
    before ? [...before] : Array<number>(100).fill(0)
  const starts = hundred(from?.starts)
  const formedStarts = hundred(from?.formedStarts)
  const belowStarts = hundred(from?.belowStarts)
  let lastStart = from?.lastStart ?? NO_START
  let lastShort = from?.lastShort ?? NO_START

  // One of them is short.
  function pair(start: number, other: number): void {
    if (start === NO_START || other === NO_START) return
    now.pairs++
    if (start === other) now.alike++
  }

  function follow(start: number): void {
    pair(start, lastShort)
    if (start < lastStart) now.downs++
    else if (start === lastStart) now.levels++
    else if (lastStart >= 0) now.ups++
  }

  const shortStart = ({ bare }: Misfit, short: boolean) => (short ? startOfText(bare!) : NO_START)

  return {
    fits(start, isFirst = false) {
      if (start >= 0 && !isFirst) {
        starts[start]!++
        follow(start)
      }
      lastStart = start
      lastShort = NO_START
    },
    misfit(seen, misfit, short) {
      const { bare } = misfit
      if (short) {
        if (startsWithoutZero(lastStart)) now.back++
        pair(startOfText(bare!), lastStart)
      } else if (bare !== undefined && bare.length === widest && bare.length > 1)
        formedStarts[Number.parseInt(bare.slice(0, 2), 10)]!++
      if (/^-\d\d+$/.test(seen) && seen.length === widest + 1)
        belowStarts[Number.parseInt(seen.slice(1, 3), 10)]!++
      lastStart = NO_START
      lastShort = shortStart(misfit, short)
    },
    firstMisfit(misfit, short) {
      lastShort = shortStart(misfit, short)
    },
    kept: () => ({
      starts: [...starts],
      formedStarts: [...formedStarts],
      belowStarts: [...belowStarts],
      lastStart,
      lastShort,
    }),
  }
}
