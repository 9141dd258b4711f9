// What values that still fit say of numbers that wrapped here and there: where originals are spread evenly, those
// beyond the limit thin out, and those below it grow. Lost zeros thin out what starts with a zero, and nothing else.

import type { IntegerType } from '../../channel/integer-limits.js'
import type { Space } from '../../identifier/space.js'
import { binsOf, block, flat, type Clean, type Population } from './population.js'
import { below, FEW_STEPS, MOST_OFTEN } from './story.js'

/**
 * Bits for numbers that wrapped in a type rather than lost their zeros; below 0 where the clean values are as they are
 * when zeros were lost, and 0 where they are spread in another way altogether.
 * @param share of short values among all rows: 0 to 1
 */
export function thinned(space: Space, type: IntegerType, clean: Clean, share: number): number {
  const { widest } = space
  const { max } = type
  const modulus = 1n << BigInt(type.bits)
  const end = 10n ** BigInt(widest) - 1n
  const none = clean.fronts.every((count) => count === 0)
  if (none || end <= max || (end - max) / modulus > FEW_STEPS) return 0
  const counts = clean.fronts.slice(0, 10 * widest)
  const total = counts.reduce((sum, count) => sum + count, 0)
  const bins = binsOf(widest, counts)
  // Bits beyond what the counts themselves would take, if the values came so.
  const beyond = (shares: readonly number[]) => {
    const whole = shares.reduce((sum, one) => sum + one, 0)
    return bins.reduce((sum, { count }, i) => {
      if (count === 0) return sum
      return sum + count * Math.log2((count * whole) / (total * shares[i]!))
    }, 0)
  }
  // Behind zeros there is another digit, but in zero itself.
  const all = (population: Population) =>
    bins.map(({ zeros, digit, low, high }) =>
      digit === 0 && zeros < widest - 1 ? 0 : population.share(low, high),
    )
  const lost = () => {
    const any = flat(space)
    const some = bins.some(({ zeros, count }) => zeros > 0 && count > 0)
    const strikes = some ? Math.min(MOST_OFTEN, share / any.share(0n, below(space))) : 1
    return beyond(all(any).map((one, i) => one * (bins[i]!.zeros > 0 ? 1 - strikes : 1)))
  }
  const wrapped = (population: Population) => {
    const kept = (low: bigint, high: bigint) => population.share(low, high < max ? high : max)
    // How many come out between two numbers, of those beyond the limit.
    const into = (low: bigint, high: bigint) => {
      let sum = 0
      for (let from = modulus; from <= end; from += modulus)
        sum += population.share(from + low, from + (high < max ? high : max))
      return low > max ? 0 : sum
    }
    const short = population.share(0n, below(space)) + into(0n, below(space))
    const strikes = Math.min(MOST_OFTEN, share / short)
    const shares = all(population).map((one, i) => {
      const { zeros, digit, low, high } = bins[i]!
      const still = zeros > 0 || digit === 0 ? 0 : kept(low, high) + into(low, high)
      return (1 - strikes) * one + strikes * still
    })
    return population.cost + beyond(shares)
  }
  // What it takes to say any other way in which they are spread.
  const other = (bins.filter(({ count }) => count > 0).length * Math.log2(total)) / 2
  return Math.min(other, lost()) - Math.min(other, ...startingFrom(space).map(wrapped))
}

// All values of a definition, or those that start with some digit or a larger one: telephone numbers with none below 2.
const startingFrom = (space: Space): Population[] => [
  flat(space),
  ...FIRST_DIGITS.flatMap((digit) => {
    const unit = 10n ** BigInt(space.widest - 1)
    const [low, high] = [digit * unit, 10n * unit - 1n]
    return space.count(low, high).count > 0n ? [block(space, low, high, Math.log2(10))] : []
  }),
]
const FIRST_DIGITS = [1n, 2n, 3n, 4n]
