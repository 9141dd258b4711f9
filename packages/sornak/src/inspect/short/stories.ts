// The ways in which digits become too short, by the process that they tell of.

import { INTEGER_TYPES, wrappingTypes } from '../../channel/integer-limits.js'
import type { Interval } from '../../channel/significant.js'
import { remembered } from '../../identifier/remembered.js'
import type { Space } from '../../identifier/space.js'
import { ROW_BITS, THROUGHOUT } from '../ways/weights.js'
import { sumOver, timesAround } from './beyond-limit.js'
import { fewBlocks } from './few-blocks.js'
import { besideClean } from './places.js'
import { around, block, type Population } from './population.js'
import { below, FEW_STEPS, single, type Story } from './story.js'
import { wrapped } from './wrapped.js'

/**
 * Stories by the process that they tell of, for values of these lengths; of several the best one counts.
 *
 * @param printed numbers stand in a printed form: they were read, and are no texts that were cut behind
 */
export function storiesOf(space: Space, lengths: ReadonlySet<number>, printed = false): Stories {
  const known = knownOf(space)
  const key = `${printed} ${[...lengths].sort((a, b) => a - b).join(' ')}`
  let stories = known.get(key)
  if (!stories) {
    if (known.size >= MOST_KNOWN) known.clear()
    known.set(key, (stories = allStories(space, lengths, printed)))
  }
  return stories
}

type Stories = ReadonlyMap<string, readonly Story[]>

// Of lone values each asks for those of its length, and there may be very many of them.
const knownOf = remembered((_: Space) => new Map<string, Stories>())
const MOST_KNOWN = 64

function allStories(space: Space, lengths: ReadonlySet<number>, printed: boolean): Stories {
  return new Map<string, readonly Story[]>([
    ...OCTAL.map((id) => [id, [octal(space, id)]] as const),
    ...wrappingTypes(space.widest).map(
      (type) => [`wrapped ${type.name}`, [wrapped(space, type)]] as const,
    ),
    ...INTEGER_TYPES.map(({ max }) => [`clamped ${max}`, [held(space, max)]] as const),
    ...[...lengths].map(
      (length) =>
        [
          `cut-short by ${space.widest - length}`,
          [
            ...(printed ? [] : [cutBehind(space, length, lengths.size > 1)]),
            cutBefore(space, length, lengths.size > 1),
          ],
        ] as const,
    ),
  ])
}

const OCTAL = ['octal', 'octal or decimal', 'octal as far as it goes'] as const

// So many rows for each short one were left alone that a story would have changed: the conversion struck only so often.
const left = (count: number): number =>
  count === 0 ? 0 : -Math.log2(1 + count) - count * Math.log2(1 + 1 / count)

// So few rows for each short one were left alone that a story leaves alone so often: of more, others are of another kind.
function among(count: number, rate: number): number {
  if (count * rate >= 1 - rate) return 0
  const chosen = (1 + count) * Math.log2(1 + count) - (count > 0 ? count * Math.log2(count) : 0)
  return Math.max(-ROW_BITS, Math.log2(rate) + count * Math.log2(1 - rate) + chosen)
}

const zeroed = (space: Space, population: Population) => population.share(0n, below(space))

/** What it is as a rule. */
export function zerosLost(space: Space): Story {
  return {
    onlyZeros: true,
    back: (value, population) => single(population, value),
    short: (population) => zeroed(space, population),
    first: (value) => value,
  }
}

function octal(space: Space, id: (typeof OCTAL)[number]): Story {
  const digits = (value: bigint) => {
    const text = BigInt(value).toString(8)
    return text.length < space.widest ? BigInt(text) : undefined
  }
  const decimal = (value: bigint) => (/[89]/.test(value.toString()) ? value : undefined)
  const whole = (population: Population) => zeroed(space, population)
  // Behind the digits that were read an 8 or 9, and anything after that.
  const longer = (value: bigint): Interval[] => {
    const front = digits(value)
    if (front === undefined) return []
    const found: Interval[] = []
    const width = value === 0n ? 0 : front.toString().length
    for (let more = 0; width + more + 1 < space.widest; more++) {
      const unit = 10n ** BigInt(more)
      found.push({ low: (front * 10n + 8n) * unit, high: (front * 10n + 10n) * unit - 1n })
    }
    return found
  }
  const back = (value: bigint, population: Population): number => {
    const own = single(population, digits(value))
    if (id === 'octal') return own
    if (id === 'octal or decimal') return own + single(population, decimal(value))
    return longer(value).reduce((sum, { low, high }) => sum + population.share(low, high), own)
  }
  return {
    onlyZeros: true,
    back,
    ...(id === 'octal or decimal' && {
      same: (value: bigint, population: Population) => single(population, decimal(value)),
    }),
    short: id === 'octal' ? ({ octal }) => octal : whole,
    first: (value) => (id === 'octal or decimal' ? decimal(value) : undefined) ?? digits(value),
    // What has an 8 or 9 is left alone: it shows where there is none, and explains those that are there where they
    // come from the same population.
    between({ kept, octal, unprinted }, share, population) {
      if (id !== 'octal') return 0
      const apart = Math.max(0, kept - octal) * unprinted
      const rate = Math.min(1, share / whole(population))
      if (kept > 0 && !population.clean) return apart + among(Math.max(0, kept - octal), rate)
      const said = Math.max(-ROW_BITS, Math.log2(rate)) + left(octal) - left(kept)
      // Many with an 8 or 9 for each short one are too many; but what is usual in a stretch is known so far only.
      const others = kept > octal ? (kept - octal) * Math.log2(1 - rate) : 0
      return Math.max(Math.min(said, 0), said + others) + apart
    },
  }
}

// Exactly the limit stands for all that lies beyond it, as often as it comes.
function held(space: Space, max: bigint): Story {
  const beyond = (population: Population) =>
    population.share(max + 1n, 10n ** BigInt(space.widest) - 1n)
  return {
    back: (value, population) =>
      single(population, value) + (value === max ? beyond(population) : 0),
    short: (population) =>
      zeroed(space, population) + (max <= below(space) ? beyond(population) : 0),
    first: (value) => value,
  }
}

// What is left of a number, or what was read of it: its zeros at the front are gone then.
const isLeft = (digits: string, length: number) =>
  digits.length === length || (digits.length < length && !digits.startsWith('0'))

// The last characters are gone.
function cutBehind(space: Space, length: number, several: boolean): Story {
  const unit = 10n ** BigInt(space.widest - length)
  return {
    zeros: true,
    back: (value, population, digits) =>
      isLeft(digits, length) ? population.share(value * unit, (value + 1n) * unit - 1n) : 0,
    short: () => 1,
    first: () => undefined,
    populations: (values) => [
      withoutZeros(space),
      ...around(
        space,
        values.flatMap((value) => [value * unit, (value + 1n) * unit - 1n]),
      ),
      ...fewBlocks(space, () => ({ originals: values.map((value) => value * unit), cost: 0 })),
    ],
    // It was a text that was cut, and then a number that was read.
    ...(several && { cost: asNumbers(space, length) - Math.log2(THROUGHOUT) }),
  }
}

// That values of several lengths are parts of longer ones, and not numbers of so many digits, must be said.
const asNumbers = (space: Space, length: number) => (space.widest - length) * Math.log2(10)

// The first characters are gone. Read as a number, what is left has lost the zeros that it then starts with.
function cutBefore(space: Space, length: number, several: boolean): Story {
  const unit = 10n ** BigInt(length)
  return {
    zeros: true,
    back: (value, population, digits) =>
      isLeft(digits, length) ? endings(population, value, unit) : 0,
    short: () => 1,
    first: () => undefined,
    populations: (values, clean) => [
      withoutZeros(space),
      ...besideClean(space, values, unit, unit, clean),
    ],
    ...(several && { cost: asNumbers(space, length) }),
  }
}

// Numbers that start with no zero.
function withoutZeros(space: Space): Population {
  const from = 10n ** BigInt(space.widest - 1)
  return block(space, from, 10n * from - 1n, 2)
}

// The share of a population that ends in these digits.
function endings(population: Population, value: bigint, unit: bigint): number {
  const { low, high } = population
  const blocks = sumOver(population.parts, -1n, 1, (from, to) => timesAround(value, from, to, unit))
  if (blocks) return blocks.sum + blocks.elsewhere / Number(unit)
  const first = low <= value ? 0n : (low - value + unit - 1n) / unit
  if (high < value) return 0
  const last = (high - value) / unit
  if (last - first > FEW_STEPS) return 1 / Number(unit)
  let sum = 0
  for (let step = first; step <= last; step++) sum += single(population, value + step * unit)
  return sum
}
