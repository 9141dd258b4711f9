// Numbers that wrapped round in an integer type too narrow for them: every so many originals come out as one.

import type { IntegerType } from '../../channel/integer-limits.js'
import { remembered } from '../../identifier/remembered.js'
import type { Space } from '../../identifier/space.js'
import { sumOver, timesAround } from './beyond-limit.js'
import { fewBlocks } from './few-blocks.js'
import { together } from './places.js'
import type { Clean, Population } from './population.js'
import { below, FEW_STEPS, single, type Story } from './story.js'
import { thinned } from './thinned.js'

export function wrapped(space: Space, type: IntegerType): Story {
  const { bits, max } = type
  const modulus = 1n << BigInt(bits)
  const end = 10n ** BigInt(space.widest) - 1n
  const top = below(space) < max ? below(space) : max
  // Of the numbers from 0 to this one, how many leave a rest below a limit; and one that is short and not below zero.
  const restsTo = (value: bigint, limit: bigint) => {
    const rest = (value + 1n) % modulus
    return ((value + 1n) / modulus) * limit + (rest < limit ? rest : limit)
  }
  const shortTo = (value: bigint) => restsTo(value, top + 1n)
  // How often the numbers of a definition go around, and the share of a population that does and comes out short.
  const times = end / modulus
  const around = ({ share }: Population) => {
    let sum = 0
    for (let from = modulus; from <= end; from += modulus) sum += share(from, from + top)
    return sum
  }
  const printed = end > max ? Number(shortTo(end) - shortTo(max)) / Number(end - max) : 0
  const steps = (low: bigint, value: bigint) => {
    const from = low > max + 1n ? low : max + 1n
    return from <= value ? 0n : (from - value + modulus - 1n) / modulus
  }
  const rest = remembered(({ share }: Population) => share(max + 1n, end))
  // Sums over blocks, of what each has beyond the limit; and the share beyond it that lies in none.
  const overBlocks = (population: Population, count: (from: bigint, to: bigint) => bigint) =>
    sumOver(population.parts, max, rest(population), count)
  // Of numbers that lie all over the type as many come out below zero as above; of blocks it is known how many.
  const negativeTo = (value: bigint) => value + 1n - restsTo(value, max + 1n)
  const belowZero = (population: Population) => {
    const blocks = overBlocks(population, (from, to) => negativeTo(to) - negativeTo(from - 1n))
    if (blocks) return blocks.sum + blocks.elsewhere / 2
    // All of a narrow one is taken to be short.
    return population.high - population.low < modulus ? 0 : rest(population) / 2
  }
  return {
    same: (value, population) => (value > max ? 0 : single(population, value)),
    back(value, population) {
      if (value > max) return 0
      const same = single(population, value)
      const { low, high } = population
      const first = steps(low, value)
      const last = (high - value) / modulus
      if (high < value || last < first) return same
      const blocks = overBlocks(population, (from, to) => timesAround(value, from, to, modulus))
      if (blocks) return same + blocks.sum + blocks.elsewhere / Number(modulus)
      if (last - first > FEW_STEPS) return same + rest(population) / Number(modulus)
      let sum = same
      for (let step = first === 0n ? 1n : first; step <= last; step++)
        sum += single(population, value + step * modulus)
      return sum
    },
    short(population) {
      const { low, high, share } = population
      const blocks = overBlocks(population, (from, to) => shortTo(to) - shortTo(from - 1n))
      if (blocks) return share(0n, top) + blocks.sum + blocks.elsewhere * printed
      // A block narrower than the type comes out as a block: that all of it is short is seen from the rows.
      if (high - low < modulus) return share(0n, top) + rest(population)
      return share(0n, top) + (times > FEW_STEPS ? rest(population) * printed : around(population))
    },
    ...(type.signed && { negative: belowZero }),
    first: () => undefined,
    clean: (values, share) => thinnedIn(values)(space, type, share),
    populations(values, clean) {
      return [
        ...inFewBlocks(space, type, values),
        ...together(space, values, modulus, max + 1n, clean),
      ]
    },
  }
}

// Each of the lone values of a column asks for the same.
const thinnedIn = remembered((values: Clean) => {
  const known = new Map<string, number>()
  return (space: Space, type: IntegerType, share: number) => {
    const key = `${type.name} ${share}`
    let bits = known.get(key)
    if (bits === undefined) known.set(key, (bits = thinned(space, type, values, share)))
    return bits
  }
})

// Those that start alike went around as often as it takes for their originals to start alike.
function inFewBlocks(
  space: Space,
  { bits, max }: IntegerType,
  values: readonly bigint[],
): Population[] {
  const modulus = 1n << BigInt(bits)
  const end = 10n ** BigInt(space.widest) - 1n
  const times = end / modulus
  if (times === 0n || times > FEW_STEPS) return []
  return fewBlocks(space, (digits) => {
    const unit = 10n ** BigInt(space.widest - digits)
    const groups = new Map<bigint, bigint[]>()
    for (const value of values) {
      const group = groups.get(value / unit)
      if (group) group.push(value)
      else groups.set(value / unit, [value])
    }
    if (groups.size > MOST_GROUPS) return { originals: [], cost: 0 }
    const originals = [...groups.values()].flatMap((group) => {
      let best: readonly bigint[] = []
      let fewest = Infinity
      for (let around = 1n; around <= times; around++) {
        const from = group.map((value) => value + around * modulus)
        if (from.some((value) => value > end || value <= max)) continue
        const starts = new Set(from.map((value) => value / unit)).size
        if (starts < fewest) [best, fewest] = [from, starts]
      }
      return best
    })
    return { originals, cost: groups.size * Math.log2(Number(times)) }
  })
}

/** So many groups of values that start alike are no few blocks. */
const MOST_GROUPS = 16
