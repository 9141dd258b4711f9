// Evidence -> the values of digits that are too short, and what stands beside them.

import type { EvidenceState } from '../evidence/evidence-state.js'
import { firstWhere } from '../evidence/row-lookup.js'
import type { Mark } from '../evidence/run-state.js'
import type { Sums } from '../evidence/sums.js'
import type { ShortGroup } from '../short/group.js'
import { goOnInOrder } from '../short/in-order.js'
import { against, isPrinted } from './left-alone.js'

/** The short values of a run, or of all rows; `place` tells where each process stands. */
export function groupOf(
  whole: EvidenceState,
  widest: number,
  beside: Pick<ShortGroup, 'negatives' | 'octalSpared' | 'scattered'>,
  from?: Mark<Sums>,
  to?: Mark<Sums>,
  place?: ReadonlyMap<string, number>,
): ShortGroup {
  const { shorts, sums, clean } = whole
  if (!from || !to)
    return {
      ...beside,
      values: shorts.map(({ digits, rows }) => ({ digits, count: rows.length })),
      share: shareOf(sums.short, sums.wide + sums.zeros),
      printed: sums.formed * 2 > sums.misfits,
      clean,
      between: undefined,
      apart: false,
      inOrder: false,
      picked: false,
    }
  const values = shorts.flatMap(({ digits, rows }) => {
    const before = (place: Mark<Sums>) => firstWhere(rows.length, (i) => rows[i]! >= place.row)
    const count = before(to) - before(from)
    return count ? [{ digits, count }] : []
  })
  const [a, b] = [from.known, to.known]
  const short = Math.max(1, b.short - a.short)
  const kept = b.zeros - a.zeros
  const printed = isPrinted(a, b)
  // Where others stand unprinted too, these were struck here and there only.
  const few = printed && (b.fits - a.fits - kept) * 10 <= kept
  const rows = b.fits + b.misfits - a.fits - a.misfits
  const inside = totalOf(values.map(({ count }) => count))
  const outside = totalOf(shorts.map(({ rows }) => rows.length)) - inside
  return {
    ...beside,
    values,
    apart: rows * 2 < sums.fits + sums.misfits && outside * MOST_INSIDE < inside,
    share: shareOf(b.short - a.short, b.wide + b.zeros - a.wide - a.zeros),
    printed,
    inOrder: goOnInOrder(
      shorts,
      { from: from.row, to: to.row },
      short + kept,
      leastOf(whole, widest),
    ),
    picked: false,
    clean,
    between: {
      kept: kept / short,
      octal: octalsKept(place, a, b) / short,
      unprinted: few ? -Math.log2(shareOf(short + kept, b.wide - a.wide)) : 0,
    },
  }
}

/** So many short values of a run, for each one outside it, are all but a few. */
const MOST_INSIDE = 8

// The smallest that is complete, as far as it is known of those that stand in a printed form.
function leastOf({ clean, formedStarts }: EvidenceState, widest: number): bigint | undefined {
  const start = formedStarts.findIndex((count) => count > 0)
  const printed = start < 0 || widest < 2 ? [] : [BigInt(start) * 10n ** BigInt(widest - 2)]
  const own = /^\d+$/.test(clean.least) ? [BigInt(clean.least)] : []
  return [...own, ...printed].sort((a, b) => (a < b ? -1 : 1))[0]
}

const totalOf = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0)

const shareOf = (some: number, others: number) => (some === 0 ? 0 : some / (some + others))

// Values that fit and that an octal reader would have changed.
function octalsKept(place: ReadonlyMap<string, number> | undefined, from: Sums, to: Sums): number {
  const i = place?.get('octal')
  if (i === undefined) return 0
  return against(i, from, to)
}

/** Values of some rows that do not fit, each short one counted once, however often it is there. */
export const differentIn = ({ values }: ShortGroup, from: Sums, to: Sums): number =>
  to.misfits - from.misfits - (to.short - from.short) + values.length
