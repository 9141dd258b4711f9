// What the widths of values say of so many characters that were cut, where a definition has several widths: nothing is
// known of how often each of them comes, so every mixture is as likely as any other.

import type { Space } from '../../identifier/space.js'
import type { Process } from '../evidence/process.js'
import type { ShortGroup } from '../short/group.js'

/** Bits that it says for a cut of all values that none of these has a width that it never leaves. */
export function widestMissing(
  { widths }: Space,
  { lost = 0, kept = Infinity }: Pick<Process, 'lost' | 'kept'>,
  fits: number,
): number {
  const isLeft = (width: number) => (lost ? widths.includes(width + lost) : width <= kept)
  const left = widths.filter(isLeft).length
  if (left === 0) return 0
  let bits = 0
  for (let i = left; i < widths.length; i++) bits += Math.log2((fits + i) / i)
  return bits
}

/** Bits against so many characters cut: the more lengths they leave, the less likely is it that these came out. */
export function lengthsMissing({ widths }: Space, lost: number, { values }: ShortGroup): number {
  const counts = new Map<number, number>()
  // What is nothing at all is no value.
  for (const width of widths)
    if (width > lost && !widths.includes(width - lost)) counts.set(width - lost, 0)
  for (const { digits, count } of values) {
    const known = counts.get(digits.length)
    if (known !== undefined) counts.set(digits.length, known + count)
  }
  // The rows come in some order: after each the lengths that came are likelier.
  let bits = 0
  let all = 0
  for (const count of counts.values())
    for (let i = 0; i < count; i++) bits += Math.log2((all++ + counts.size) / (i + 1))
  return bits
}
