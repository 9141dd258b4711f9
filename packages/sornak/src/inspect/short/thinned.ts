// What values that still fit say of numbers that wrapped here and there: where originals are spread evenly, those
// beyond the limit thin out, and those below it grow. Lost zeros thin out what starts with a zero, and nothing else.

import type { IntegerType } from '../../channel/integer-limits.js'
import type { Space } from '../../identifier/space.js'
import { flat, type Clean } from './population.js'
import { below, FEW_STEPS, MOST_OFTEN } from './story.js'

/**
 * Bits for numbers that wrapped in a type rather than lost their zeros; 0 unless the clean values are as that has it.
 * @param share of short values among all rows: 0 to 1
 */
export function thinned(space: Space, type: IntegerType, clean: Clean, share: number): number {
  const { widest } = space
  const { max } = type
  const modulus = 1n << BigInt(type.bits)
  const end = 10n ** BigInt(widest) - 1n
  if (type.signed || end <= max || (end - max) / modulus > FEW_STEPS) return 0
  const any = flat(space)
  // How many come out between two numbers, of those beyond the limit.
  const into = (low: bigint, high: bigint) => {
    let sum = 0
    for (let from = modulus; from <= end; from += modulus)
      sum += any.share(from + low, from + (high < max ? high : max))
    return low > max ? 0 : sum
  }
  const kept = (low: bigint, high: bigint) => any.share(low, high < max ? high : max)
  const zeros = any.share(0n, below(space))
  const strikes = {
    wrapped: Math.min(MOST_OFTEN, share / (zeros + into(0n, below(space)))),
    lost: Math.min(MOST_OFTEN, share / zeros),
  }
  const bins = clean.fronts.slice(0, 10 * widest).map((count, i) => {
    const [zero, digit] = [Math.floor(i / 10), BigInt(i % 10)]
    const unit = 10n ** BigInt(widest - zero - 1)
    const [low, high] = [digit * unit, (digit + 1n) * unit - 1n]
    // Behind zeros there is another digit, but in zero itself.
    const all = digit === 0n && zero < widest - 1 ? 0 : any.share(low, high)
    const still = zero > 0 || digit === 0n ? 0 : kept(low, high) + into(low, high)
    return {
      count,
      wrapped: (1 - strikes.wrapped) * all + strikes.wrapped * still,
      lost: all * (zero > 0 ? 1 - strikes.lost : 1),
    }
  })
  const total = bins.reduce((sum, { count }) => sum + count, 0)
  // Bits beyond what the counts themselves would take, if the values came so.
  const beyond = (story: 'wrapped' | 'lost') => {
    const whole = bins.reduce((sum, one) => sum + one[story], 0)
    return bins.reduce((sum, one) => {
      if (one.count === 0) return sum
      return sum + one.count * Math.log2((one.count * whole) / (total * one[story]))
    }, 0)
  }
  const own = beyond('wrapped')
  const usual = (bins.filter(({ count }) => count > 0).length * Math.log2(total)) / 2
  return own <= usual ? Math.max(0, Math.min(usual, beyond('lost') - own)) : 0
}
