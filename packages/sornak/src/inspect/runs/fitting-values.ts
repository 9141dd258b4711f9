// What the rows of a run say of those of their values that fit: whether these were converted as well, and how many of them.

import type { Space } from '../../identifier/space.js'
import { IN, OUT, UNIT, type Process } from '../evidence/process.js'
import type { Sums } from '../evidence/sums.js'
import { rowsIn, type ShortGroup } from '../short/group.js'
import { DOUBT_BITS } from '../ways/weights.js'
import { leftIn } from './left-alone.js'

/** So many values that fit are doubted for each that was cut. */
const MOST_LEFT = 5
/** Of fewer others nothing is told of how often a value starts with a zero; and of fewer that do, it is chance. */
const FEW_OTHERS = 20
const FEW_ZEROS = 3
/** So few that are too short are slips, maybe. */
const FEW_SHORT = 5

/**
 * Values that were rounded, and fit, are such as the rounding prints; what starts with a zero may be no number to it. One
 * at the edge of a run may look so by chance.
 *
 * @param again what values say that repeat the one before, in 1/256 bit
 */
export function fitsSpeak(
  { usual }: Process,
  i: number,
  from: Sums,
  to: Sums,
  again: number,
): boolean {
  const hits = to.hits[i]! - from.hits[i]!
  const said = to.scores[i]! - from.scores[i]! - hits * (IN - OUT) + again
  const told = said + usual * (to.fits - from.fits) - OUT * (to.zeros - from.zeros)
  return told > DOUBT_BITS * UNIT
}

/** What is left of wide values may fit: where many others do not. */
export const oftenCut = (i: number, from: Sums, to: Sums): boolean =>
  (to.hits[i]! - from.hits[i]!) * MOST_LEFT >= to.fits - from.fits

/**
 * Of numbers that wrapped, some fit again. Their share follows from the type and the definition, and how many there are
 * from those that do not fit.
 */
export function wrappedShare(
  space: Space,
  { id, max }: Process,
  i: number,
  from: Sums,
  to: Sums,
): number | undefined {
  if (max === undefined || !id.startsWith('wrapped')) return undefined
  const range = Number(max + 1n) * (id.includes('uint') ? 1 : 2)
  const { zeros } = space.definition
  const again = space.widths.reduce((sum, width) => {
    const least = zeros === 'padding' ? 0n : 10n ** BigInt(width - 1)
    const most = 10n ** BigInt(width) - 1n
    return sum + Number(space.count(least, most < max ? most : max).count) / range
  }, 0)
  // What has a letter in it was no number to it.
  const fits = leftIn(i, from, to) - (to.spelt - from.spelt)
  if (fits <= 0 || again >= 1) return undefined
  return Math.min(1, ((to.hits[i]! - from.hits[i]!) * again) / (1 - again) / fits)
}

/**
 * Bits for what stands behind marks and fits lacking a zero as well, maybe: as many do as it takes for none of them to have kept
 * one by chance, as others have.
 */
export function noneKept({ definition }: Space, from: Sums, to: Sums, all: Sums): number {
  if (definition.zeros !== 'significant' || to.markedZeros > from.markedZeros) return 0
  const others = all.fits - all.marked
  const zeros = all.zeros - all.markedZeros
  const tooShort = to.short > from.short ? 1 / 10 : 0
  // Where no other starts with a zero either, those that are too short tell that some did.
  const usual = others >= FEW_OTHERS && (zeros > 0 || tooShort === 0) ? zeros / others : tooShort
  return (to.marked - from.marked) * -Math.log2(1 - Math.min(usual, 1 / 2))
}

/**
 * Values of several widths fit without the zeros they had. That a run lost them shows where such values
 * stand elsewhere in the column, or where many have become too short: of all, or of those of the narrowest width, of which
 * one in ten does.
 *
 * @param narrowest how many values of the column that fit have that width
 */
export function lostZeros(
  { definition, widths }: Space,
  short: ShortGroup | undefined,
  from: Sums,
  to: Sums,
  all: Sums,
  narrowest: number,
): boolean {
  if (definition.zeros !== 'significant') return false
  const elsewhere = all.zeros - (to.zeros - from.zeros)
  const { values = [] } = short ?? {}
  const tooShort = rowsIn(values.filter(({ digits }) => digits.length < widths[0]!))
  const share = tooShort / Math.max(1, rowsIn(values))
  const gone = share * (to.short - from.short)
  const ofNarrowest = all.zeros === 0 && gone >= FEW_SHORT && gone * 20 >= narrowest
  return elsewhere >= FEW_ZEROS || ofNarrowest || gone * 50 >= to.fits - from.fits
}
