// Values that fit where a process was at work: those that it would have changed, those that it may have left, and those that
// it would have printed like the others.

import { IN, OUT, type Process } from '../evidence/process.js'
import type { Sums } from '../evidence/sums.js'
import { STOPS } from '../ways/hypothesis.js'

/** Values that fit and that a process would have changed, where others say nothing of it. */
export function against(i: number, from: Sums | undefined, to: Sums): number {
  const hits = to.hits[i]! - (from?.hits[i] ?? 0)
  return (hits * (IN - OUT) - to.scores[i]! + (from?.scores[i] ?? 0)) / -OUT
}

/** Every value that fits may be what a process left, and some do. */
export function allLeft(i: number, from: Sums, to: Sums): boolean {
  const left = leftIn(i, from, to)
  return left > 0 && left === to.fits - from.fits
}

/** Values that fit and may be what a process left that leaves none as a rule. */
export function leftIn(i: number, from: Sums | undefined, to: Sums): number {
  const hits = to.hits[i]! - (from?.hits[i] ?? 0)
  return (to.scores[i]! - (from?.scores[i] ?? 0) - hits * (IN - OUT)) / -OUT
}

// Most of what does not fit stands in a printed form, or has marks around it.
export const isPrinted = (from: Sums, to: Sums): boolean =>
  (to.formed - from.formed) * 2 > to.misfits - from.misfits

// Values that fit, among others that stand in printed forms, were not printed with them; but a reader of
// octal digits leaves 0891 as it is, and a reader of numbers what is none, unless it stops there.
export function passedBy(process: Process, i: number, from: Sums, to: Sums): boolean {
  // What a rounding printed shows in the values that fit: they count for themselves.
  if (process.rounds) return false
  return isPrinted(from, to) && passed(process, from, to) * 10 > to.hits[i]! - from.hits[i]!
}

// Values that a process would have printed as well. What stands behind marks was, maybe.
export function passed({ id, ofDigits }: Process, from: Sums, to: Sums): number {
  const zeros = id === 'octal' ? to.zeros - from.zeros : 0
  const spelt = ofDigits && id !== STOPS ? to.spelt - from.spelt : 0
  return Math.max(0, to.fits - from.fits - (to.marked - from.marked) - zeros - spelt)
}
