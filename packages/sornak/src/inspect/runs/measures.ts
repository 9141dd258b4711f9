// What some rows say for each process: at work on all of them, in some runs of them, or here and there; and which process
// they speak for most.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { OUT, UNIT, type Process } from '../evidence/process.js'
import { processesOf } from '../evidence/processes.js'
import { repeatsSpeak } from '../evidence/repeating.js'
import type { Run } from '../evidence/run-state.js'
import { noSums, type Sums } from '../evidence/sums.js'
import { rangeOf } from '../short/population.js'
import { isOwnShape } from '../ways/front-weight.js'
import { TOGETHER } from '../ways/weights.js'
import { noneBehind, noneSpelt } from './behind-numbers.js'
import { evenness, type Evenness } from './evenness.js'
import { priorIn } from './prior.js'
import { runwise, scattered, total } from './process-totals.js'
import type { Setting } from './setting.js'

/** Of the rows between two places. All sums are in 1/256 bit. */
export interface Measures extends Evenness {
  readonly setting: Setting
  /** How likely a process is by itself. */
  likely(id: string): number
  /** A signed type shows by its minus signs. */
  signed(id: string, from: Sums, to: Sums): boolean
  /** A type shows by what it prints. */
  showsItself(process: Process, i: number, from: Sums, to: Sums): boolean
  /** What values say that repeat others. */
  again(i: number, from: Sums, to: Sums): number
  /** Bits for a reader that stopped where values elsewhere go on behind a number. */
  cutBehind(i: number, from: Sums, to: Sums): number
  /** For a process at work on all rows, and here and there. */
  both(process: Process, i: number, from: Sums, to: Sums, fair?: boolean): [number, number]
  /** It was rather at work on all rows than here and there. */
  onAllRows(process: Process, i: number, from: Sums, to: Sums): boolean
  /** For each process. */
  totals(from: Sums, to: Sums): number[]
  /** Of all rows. */
  everything(): number[]
  /** The process of which these sums say most, and how many bits. */
  bestOf(
    sums: readonly number[],
    from: Sums,
    to: Sums,
  ): { readonly best: number; readonly most: number }
}

/** @param inRuns for each process the runs that speak for it */
export function measures(
  definition: Definition,
  whole: EvidenceState,
  inRuns: readonly (readonly Run<Sums>[])[],
): Measures {
  const all = whole.sums
  const space = spaceOf(definition)
  const processes = processesOf(definition)
  const place = new Map(processes.map(({ id }, i) => [id, i]))
  const setting = {
    definition,
    all,
    goesOn: all.spelt * 10 > all.fits || !isOwnShape(space),
    largest: rangeOf(space, whole.clean) && BigInt(whole.clean.most),
  }
  const nothing = noSums(processes.length)
  const even = evenness(definition, whole, nothing)
  const { isFair, isUntold, signedRows } = even
  const read = place.get('number-read')
  const core = processes.map(({ id }) => !id.startsWith('form ') && id !== 'marks')
  // A signed type shows by its minus signs, of which the short values know nothing.
  const signed = (id: string, from: Sums, to: Sums) =>
    id.startsWith('wrapped int') && signedRows(id, from, to) > 0
  // No even spread is needed to know a type by what it prints: exactly its limit, or numbers below zero.
  const showsItself = (process: Process, i: number, from: Sums, to: Sums) =>
    process.exactly !== undefined ||
    (process.id.startsWith('wrapped int') &&
      signedRows(process.id, from, to) >= FEW_NEGATIVE &&
      !even.gainedMinus(process, i, from, to))
  // Numbers that only gained a minus lie where others do; those that wrapped round come near the limit.
  const spansItself = (process: Process, i: number, from: Sums, to: Sums) =>
    process.exactly !== undefined ||
    (showsItself(process, i, from, to) && to.near[i]! > from.near[i]!)
  const speak = repeatsSpeak(whole)
  const again = (i: number, from: Sums, to: Sums) => (speak ? to.again[i]! - from.again[i]! : 0)
  // What wrapped round in a type does not lie, all of it, in one of half its bits.
  const narrower = processes.map(({ id }) => {
    const [, bits = ''] = /^wrapped u?int(32|64)$/.exec(id) ?? []
    const half = bits === '64' ? '32' : '16'
    return bits ? ['int', 'uint'].flatMap((sign) => place.get(`wrapped ${sign}${half}`) ?? []) : []
  })
  const inNarrower = (i: number, from: Sums, to: Sums) => {
    const hits = to.hits[i]! - from.hits[i]!
    return hits >= FEW_WRAPPED && narrower[i]!.some((k) => hits === to.hits[k]! - from.hits[k]!)
  }
  // For a process at work on all rows, and here and there.
  const both = (
    process: Process,
    i: number,
    from: Sums,
    to: Sums,
    fair = isFair(process, i, from, to) || spansItself(process, i, from, to),
  ): [number, number] =>
    isUntold(process.id) || inNarrower(i, from, to)
      ? [-Infinity, -Infinity]
      : [
          total(setting, process, i, from, to, fair) + again(i, from, to),
          scattered(setting, process, i, from, to, fair),
        ]
  const stops = place.get('front')
  const cutBehind = (i: number, from: Sums, to: Sums) =>
    i === stops ? noneBehind(i, read, all, from, to) : 0
  const { fronts, integers } = space
  const spelt =
    fronts && integers.count > 0n ? fronts.share(0n, 10n ** BigInt(fronts.widest) - 1n) : 1
  const unspelt = (i: number, from: Sums, to: Sums) =>
    i === stops && read !== undefined ? noneSpelt(spelt, i, read, from, to) : 0
  const partBelow = (from: Sums, to: Sums) =>
    (to.belowZero - from.belowZero) / Math.max(1, all.belowZero)
  const totals = (from: Sums, to: Sums) =>
    processes.map((process, i) => {
      const behind = Math.max(cutBehind(i, from, to), unspelt(i, from, to))
      const added = process.id === 'sign' ? even.minusAdded * partBelow(from, to) : 0
      return Math.max(...both(process, i, from, to)) + (behind + added) * UNIT
    })
  // What was at work here and there says nothing of values that fit. What starts with a zero may be no number to it.
  const onAllRows = (process: Process, i: number, from: Sums, to: Sums) => {
    const [all, some] = both(process, i, from, to)
    const refused = process.rounds ? OUT * (to.zeros - from.zeros) : 0
    return all - refused >= some
  }
  const likely = (id: string) => priorIn(space, id)
  const bestOf = (sums: readonly number[], from: Sums, to: Sums) => {
    let best = -1
    let most = -Infinity
    for (let i = 0; i < processes.length; i++) {
      const { id } = processes[i]!
      const usual = signed(id, from, to) ? TOGETHER.negativeWrapped : likely(id)
      const weighed = sums[i]! / UNIT + Math.log2(usual)
      if (core[i] && weighed > most) [best, most] = [i, weighed]
    }
    return { best, most }
  }
  const evenIn = (i: number) => even.everywhere[i]! || processes[i]!.exactly !== undefined
  // Of all rows a process may also explain some runs and leave the rest to others.
  const everything = () =>
    totals(nothing, all).map((sum, i) =>
      isUntold(processes[i]!.id) || inNarrower(i, nothing, all)
        ? sum
        : Math.max(sum, runwise(setting, processes[i]!, i, inRuns[i]!, all, evenIn(i))),
    )
  return {
    ...even,
    setting,
    likely,
    signed,
    showsItself,
    again,
    cutBehind,
    both,
    onAllRows,
    totals,
    everything,
    bestOf,
  }
}

/** A minus may come in front of fewer in another way. */
const FEW_NEGATIVE = 3
/** Fewer may lie there by chance, where numbers are short. */
const FEW_WRAPPED = 8
