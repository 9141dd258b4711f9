// Numbers that wrapped round: how many of them come out as one value, and what it says that all lie below the limit.

import { shareOfOne, spaceOf } from '../../identifier/space.js'
import { bits, UNIT, type Process } from '../evidence/process.js'
import type { Sums } from '../evidence/sums.js'
import { allOfOneKind } from '../short/chance-of-counts.js'
import { leftIn } from './left-alone.js'
import { areSorted } from './list-order.js'
import type { Setting } from './setting.js'

// How many values wrap round to one, in 1/256 bit. Where clean ones lie beyond the limit, but not everywhere, those of the
// others do as well.
export function wrapsOf({ definition, goesOn, largest }: Setting, id: string, max: bigint): number {
  const space = spaceOf(definition)
  const modulus = (max + 1n) * (id.includes('uint') ? 1n : 2n)
  const { integers, fronts } = space
  const behind = goesOn ? fronts : undefined
  const share = behind?.share(0n, 10n ** BigInt(behind.widest) - 1n) ?? 0
  const inFront = share > 0 ? BigInt(Math.round(share / shareOfOne(space))) : 0n
  const bare =
    largest !== undefined && largest > max ? space.count(0n, largest).count : integers.count
  return Math.max(0, bits(((bare + inFront) * 4096n) / modulus) - 12 * UNIT)
}

/**
 * What it takes away from a run of numbers that wrapped, in bits, that others lie below the limit as they are: what each
 * says of it that fits is no more than how seldom others do.
 */
export function belowAnyway(
  setting: Setting,
  { id, max }: Process,
  i: number,
  from: Sums,
  to: Sums,
  all: Sums,
): number {
  if (max === undefined) return 0
  const { inside, said } = belowHere(i, from, to, all)
  return Math.max(0, (inside * wrapsOf(setting, id, max)) / UNIT - said)
}

/** Bits that it says for values that wrapped, and fit, that all of them lie below the limit and others hardly do. */
export function belowOnlyHere({ id }: Process, i: number, from: Sums, to: Sums, all: Sums): number {
  const { inside, said } = belowHere(i, from, to, all)
  const tells = id.startsWith('wrapped') && !areSorted(from, to)
  return tells && inside === to.fits - from.fits ? said : 0
}

// How many that fit lie below the limit, and how many bits it says that all of them do, since others do so seldom.
function belowHere(i: number, from: Sums, to: Sums, all: Sums) {
  const inside = leftIn(i, from, to)
  const others = all.fits - all.zeros - (to.fits - from.fits - (to.zeros - from.zeros))
  const below = leftIn(i, undefined, all) - inside
  return { inside, said: allOfOneKind(inside, below, Math.max(0, others - below)) }
}
