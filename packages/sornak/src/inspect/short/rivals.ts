// Digits that became too short lost their zeros, as a rule. Where another conversion explains those of a column or
// of a run as well, that is no proof: here all such stories are told over the same values, and what each needs to
// be believed is counted in bits.

import { isHeld, WRAPPING_TYPES } from '../../channel/integer-limits.js'
import type { Definition } from '../../identifier/definition.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import { OTHER_KIND, ROW_BITS, TOGETHER } from '../ways/weights.js'
import { alike } from './alike.js'
import { bounded } from './bounded.js'
import { amongHeads, fewBlocks } from './few-blocks.js'
import { rowsIn, type ShortGroup } from './group.js'
import { breaksOrder } from './in-order.js'
import { learned } from './learned.js'
import {
  apart,
  around,
  flat,
  ofAnyLength,
  rangeOf,
  zerosKept,
  type Population,
} from './population.js'
import { rivalsOfWidths } from './several-widths.js'
import { storiesOf, zerosLost } from './stories.js'
import { isPlain, MOST_OFTEN, type Story } from './story.js'
import { atStake, ofColumn } from './throughout.js'

/** By how many bits the short values of a group speak for another process rather than for lost zeros. */
export type Rivals = (process: string) => number | undefined

/** Bits: what is not told from the same original any more. */
const LEAST_OTHER = 60
/** Of fewer rows nothing is told beyond the weights of each value, unless clean values say where originals lie. */
const FEW_ROWS = 4
/** Values that a story is told over. */
const MOST_VALUES = 256

const UNKNOWN = () => undefined

/** The stories of short values, beside that of zeros lost; `undefined` for a process that has none. */
export function rivals(definition: Definition, group: ShortGroup): Rivals {
  const space = spaceOf(definition)
  // What is held at a limit shows by itself, and that nothing wrapped round.
  const others = group.values.filter(({ digits }) => !isHeld(digits, space.widest))
  const all = rowsIn(others)
  const held = rowsIn(group.values) - all
  if (all === 0 || space.integers.count === 0n) return UNKNOWN
  const few = all < FEW_ROWS
  const step = Math.ceil(others.length / MOST_VALUES)
  const values = others.filter((_, i) => i % step === 0)
  const rows = rowsIn(values)
  // That digits were read as a number is the commonest of a column: not of a few rows among many that were not.
  const hardlyRead = few && keepsZeros(group, FEW_KEPT) && !group.picked
  const isSpared = few && group.octalSpared && keepsZeros(group, FEW_SPARED)
  const ofOctal = hardlyRead || isSpared ? ofColumn(TOGETHER.otherBase) : atStake(rows)
  if (space.widths.length > 1)
    return all > 1 ? rivalsOfWidths(definition, group, values, ofOctal) : UNKNOWN
  if (!isPlain(space) || (few && !(group.clean && rangeOf(space, group.clean)))) return UNKNOWN
  let base: number | undefined
  const known = new Map<string, number | undefined>()
  const beyondValues = (process: string, told: number) => {
    if (few) return 0
    if (process.startsWith('cut-short')) return alike(space, group, told)
    const type = WRAPPING_TYPES.find(({ name }) => process === `wrapped ${name}`)
    return type ? bounded(space, group, type, told) : 0
  }
  const lengths = new Set(values.map(({ digits }) => digits.length))
  const isOther = (process: string) => group.inOrder && breaksOrder(process)
  const stories = storiesOf(space, lengths, group.printed)
  return (process) => {
    if (isOther(process)) return -LEAST_OTHER
    if (!known.has(process)) {
      const own = stories.get(process)
      // None has as many digits as it would have left, and none that they lost is told of.
      if (!own && process.startsWith('cut-short')) return -Infinity
      const isOctal = process.startsWith('octal')
      const isWrapped = process.startsWith('wrapped')
      const ofWrapped = isWrapped && hardlyRead && all > 1 ? ofColumn(TOGETHER.wrapped) : 0
      const stake = isOctal ? ofOctal : ofWrapped
      // Most runs are never asked.
      base ??= evidence(space, zerosLost(space), values, group)
      const { clean, between, share, printed } = group
      // A run has a part of them only; what was printed in another form is not among them; and of a few rows they do not say
      // how many were struck.
      const still = clean && !between && !printed && !hardlyRead
      const told = own?.map((story) => {
        const fits = still ? (story.clean?.(clean, share) ?? 0) : 0
        return evidence(space, story, values, group) - base! + stake + fits
      })
      // Where neither could leave such digits there is nothing to tell.
      const best = told?.reduce<number | undefined>(
        (most, one) => (Number.isNaN(one) ? most : Math.max(most ?? -Infinity, one)),
        undefined,
      )
      const against = isWrapped ? held * ROW_BITS : 0
      // That where clean values lie suits octal digits better is too little for a lone value.
      const said = best !== undefined && all === 1 && isOctal ? Math.min(stake, best) : best
      known.set(process, said === undefined ? said : said + beyondValues(process, said) - against)
    }
    return known.get(process)
  }
}

/** So many clean values that start with a zero show that a conversion struck some rows only. */
const FEW_KEPT = 20
/** Fewer show it where all of them hold an 8 or a 9, and a conversion that leaves those alone explains the others. */
const FEW_SPARED = 3

const keepsZeros = ({ clean }: ShortGroup, least: number): boolean =>
  clean !== undefined && zerosKept(clean) >= least

// The best that a story can do, whatever the population.
function evidence(
  space: Space,
  story: Story,
  values: ShortGroup['values'],
  { clean, between, share, negatives }: ShortGroup,
): number {
  // No number is printed with a zero at the front.
  const rows = values.map(({ digits, count }) => ({
    digits,
    count,
    value: BigInt(digits),
    told: story.zeros === true || !/^0./.test(digits),
  }))
  const numbers = rows.filter(({ told }) => told).map(({ value }) => value)
  const firsts = numbers.map((one) => story.first(one)).filter((one) => one !== undefined)
  const known = clean ? learned(space, clean) : []
  const range = clean && rangeOf(space, clean)
  const own = [
    flat(space),
    ofAnyLength(space),
    ...(firsts.length
      ? [...around(space, firsts), ...fewBlocks(space, () => ({ originals: firsts, cost: 0 }))]
      : []),
    ...(story.populations?.(numbers, range) ?? []),
  ]
  const least = -Math.log2(Number(space.integers.count)) - ROW_BITS
  const all = rowsIn(values)
  const noneKept = clean !== undefined && zerosKept(clean) === 0
  const allStruck = story.onlyZeros && noneKept
  const howOften = 1 + Math.log2(all / share) / 2
  // Rows of another kind than the clean ones: those of a run, as far as they are short as often as such rows are;
  // else those here and there. Where all zeros are gone, only how often there was one has to be said.
  const ofOtherKind = (short: number) =>
    Math.min(
      OTHER_KIND.scattered,
      allStruck ? howOften : Infinity,
      between ? OTHER_KIND.run + all * beside(share, short) : Infinity,
    )
  // Where every zero is gone, lost zeros struck all they could; a conversion that strikes any value struck some, and how
  // many follows from nothing else.
  const allGone = between ? between.kept === 0 : noneKept
  const some = allGone && !story.onlyZeros && share < MOST_OFTEN ? howOften : 0
  const toSay = (population: Population, short: number) => {
    if (known.length === 0) return population.cost
    if (!population.clean) {
      const other = apart(population, ofOtherKind(short), range)
      return some + Math.min(other, amongHeads(space, population, clean!.heads) ?? other)
    }
    // More short values than a story can make of the clean ones are of another kind, wherever they lie; and so are
    // fewer, where it struck every value that it could.
    const unlike = share > short || allStruck
    return (
      some + population.cost + (unlike ? Math.min(ofOtherKind(1), all * beside(share, short)) : 0)
    )
  }
  let best = -Infinity
  for (const population of [...known, ...own]) {
    const short = story.short(population)
    if (short <= 0) continue
    // Where none stands below zero, those that would have are not there.
    const shows = short + (negatives ? 0 : (story.negative?.(population) ?? 0))
    // Where every row was struck, between clean ones, nothing else is to be said.
    const more = population.clean && share >= MOST_OFTEN ? 0 : (story.cost ?? 0)
    let sum = -toSay(population, short) - more
    let [every, same] = [0, 0]
    for (const { digits, count, value, told } of rows) {
      const chance = told ? story.back(value, population, digits) : 0
      sum += count * Math.max(least, chance > 0 ? Math.log2(chance / shows) : least)
      every += count * chance
      if (told && story.same) same += count * story.same(value, population)
    }
    if (same > 0) sum += Math.max(-LEAST_OTHER, Math.log2(Math.max(0, 1 - same / every)))
    if (between && story.between) sum += all * story.between(between, short, population)
    best = Math.max(best, sum)
  }
  return best
}

// Bits for each short value of rows that are short so often, if they should be that often.
function beside(share: number, usual: number): number {
  const often = Math.min(usual, MOST_OFTEN)
  if (share >= often && usual >= MOST_OFTEN) return 0
  const rest = share < 1 ? ((1 - share) / share) * Math.log2((1 - share) / (1 - often)) : 0
  return Math.log2(share / often) + rest
}
