// By how many bits some rows speak for a process, rather than for digits that were read as a number: at work on all of them,
// on a part, or here and there.

import { printsRound } from '../evidence/process-channel.js'
import { UNIT } from '../evidence/process.js'
import { inUse } from '../short/front-in-use.js'
import { STOPS } from '../ways/hypothesis.js'
import { ROW_BITS, RUN_BITS } from '../ways/weights.js'
import { lengthsMissing } from './cut-widths.js'
import { rarity } from './prior.js'
import { against as leftAlone } from './left-alone.js'
import { fewerShown } from './many-originals.js'
import { TEXTS_OF_BINARY } from './rounded-among.js'
import type { Column, Rows } from './rows-between.js'

/**
 * What rows of a column say for each process.
 *
 * @param among for each process: bits for rows that it rounded here and there
 */
export function rowsSay(column: Column, among: readonly number[]) {
  const { space, whole, processes, place, alike } = column
  const numberRead = place.get('number-read') ?? place.get('evaluated') ?? place.get('display')!
  const octal = place.get('octal')
  // How many were left alone is told from the zeros that were.
  const used = () => {
    const { fits, spelt, zeros, short, reads } = whole.sums
    const others = ((fits - spelt) * zeros) / Math.max(1, zeros + short)
    return inUse(space, spelt, others, fits === 0 ? Math.max(short, reads) : short)
  }
  return (rows: Rows) => {
    const base = rows.sums[numberRead]!
    const missing = new Map<number, number>()
    const widthsMissing = (lost: number) => {
      if (!missing.has(lost)) missing.set(lost, lengthsMissing(space, lost, rows.short))
      return missing.get(lost)!
    }
    return (i: number): number => {
      const { id, lost } = processes[i]!
      const said = Math.max(
        (rows.sums[i]! - base) / UNIT +
          (id === 'front' ? used() : 0) -
          (lost === undefined || alike ? 0 : widthsMissing(lost)),
        inPart(column, rows, i),
        id === 'evaluated' ? ofReader(rows, i) : -Infinity,
        Math.min(among[i]!, rarity(id)) || -Infinity,
      )
      if (printsRound(id)) return Math.min(said, mostRound(rows))
      // Where leading zeros are read as octal, a reader that stops at an 8 or 9 is hardly less likely.
      return id === STOPS ? Math.max(said, (rows.sums[octal!]! - base) / UNIT - 8) : said
    }
  }
}

// Rows that were damaged here and there went through several conversions, maybe: a part of those that read as
// numbers was rounded, where so many originals come out as each that it is worth saying so.
function inPart({ space, processes }: Column, { from, to }: Rows, i: number): number {
  const { id } = processes[i]!
  const all = to.reads - from.reads
  const some = to.readsToo[i]! - from.readsToo[i]!
  if (some === 0 || !ROUNDED_IN_PART.includes(id)) return -Infinity
  const others = some < all ? (all - some) * Math.log2(1 - some / all) : 0
  const originals = (to.readsExtra[i]! - from.readsExtra[i]!) / UNIT
  const fewer = id === 'short-display' ? fewerShown(space, from, to) / UNIT : 0
  const isBinary = id.startsWith('binary')
  // Fewer may be one number that comes again and again.
  if (isBinary && some * 10 < all) return -Infinity
  const twice = isBinary ? some * Math.log2(TEXTS_OF_BINARY) : 0
  const said = originals + some * Math.log2(some / all) + others - fewer - twice - RUN_BITS
  return said > 0 ? said : -Infinity
}

// What these printed shows by the zeros at its end, or by the bits.
const ROUNDED_IN_PART: readonly string[] = [
  'short-display',
  'fifteen-cut',
  'fifteen-rounded',
  'fifteen-binary64',
  'binary64',
  'binary32',
]

// A reader of numbers takes codes for them as well; where it struck rows here and there, it left some codes alone.
function ofReader({ from, to }: Rows, i: number): number {
  const struck = to.reads - from.reads
  const often = struck / Math.max(1, struck + to.fits - from.fits)
  return -leftAlone(i, from, to) * Math.min(ROW_BITS, -Math.log2(1 - often))
}

/** Fewer values that end in zeros, again and again, may be all there are. */
const FEW_VALUES = 8

// Where all rows hold a few values again and again, each says once what its zeros say.
function mostRound({ short: { values }, from, to }: Rows): number {
  const exponents = to.digits.some((count, k) => count > from.digits[k]!)
  // Of several widths only the narrowest are too short.
  const areAll = (to.short - from.short) * 2 >= to.misfits - from.misfits
  const few = values.length > 0 && values.length < FEW_VALUES && areAll && to.fits === from.fits
  if (exponents || !few) return Infinity
  const zeros = values.reduce((sum, { digits }) => sum + /0*$/.exec(digits)![0].length, 0)
  return zeros * Math.log2(10)
}
