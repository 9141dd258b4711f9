// What a short value says by itself, beside the clean ones of its column: others may have been damaged in another way.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { rowsIn, type ShortGroup } from '../short/group.js'
import { rivals, type Rivals } from '../short/rivals.js'
import type { Lift } from '../ways/scales.js'
import { rarity } from './prior.js'

/**
 * By how far each process gains or loses for this value; undefined where it is hardly too short.
 *
 * @param exception bits that it costs to say that others tell nothing of it
 */
export type LoneValue = (seen: string, exception: number) => Lift | undefined

/** Of values spread evenly one in ten thousand starts with so many zeros; fewer prove nothing. */
const MANY = 4
/** One in ten of those that lost a zero lacks so many. */
const SOME = 2

interface Told {
  readonly by: Rivals
  /** Bits. */
  readonly cost: number
}

export function loneValues(definition: Definition, whole: EvidenceState): LoneValue {
  const { widest, widths } = spaceOf(definition)
  const { shorts, sums, clean } = whole
  const rivalsOf = (values: ShortGroup['values']) =>
    rivals(definition, {
      values,
      share: rowsIn(values) / (rowsIn(values) + sums.wide + sums.zeros),
      printed: false,
      clean,
      between: undefined,
      negatives: false,
      octalSpared: false,
      apart: false,
      scattered: true,
      inOrder: false,
      picked: true,
    })
  const every = shorts.map(({ digits, rows }) => ({ digits, count: rows.length }))
  // What those say that lack as many zeros as this one, where others lack more or fewer, and that it is they.
  const all = rowsIn(every)
  const alike = (length: number): Told[] => {
    const some = every.filter(({ digits }) => digits.length === length)
    const rows = rowsIn(some)
    return rows > 1 && rows < all ? [{ by: rivalsOf(some), cost: bitsToChoose(rows, all) }] : []
  }
  const known = new Map<number, Told[]>()
  return (seen, exception) => {
    const lacks = widest - seen.length
    if (!/^\d+$/.test(seen) || lacks < SOME) return undefined
    if (widths.length === 1 && !known.has(seen.length)) known.set(seen.length, alike(seen.length))
    const told = [
      ...(known.get(seen.length) ?? []),
      ...(lacks < MANY ? [] : [{ by: rivalsOf([{ digits: seen, count: 1 }]), cost: exception }]),
    ]
    if (told.length === 0) return undefined
    // Such evidence takes away certainty, and gives none.
    const bits = (process: string) =>
      Math.max(...told.map(({ by, cost }) => (by(process) ?? -Infinity) - cost))
    return (process) => Math.min(bits(process), rarity(process))
  }
}

// So many bits it takes, at the most, to say which of them.
const bitsToChoose = (some: number, all: number): number =>
  some * Math.log2(all / some) + (all - some) * Math.log2(all / (all - some))
