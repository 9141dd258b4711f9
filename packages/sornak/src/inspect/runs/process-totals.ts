// What some rows say for one process: at work on all of them, in some runs of them, or here and there. In 1/256 bit.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf, widestNumber } from '../../identifier/space.js'
import { areCoarser } from '../evidence/coarser.js'
import { IN, OUT, UNIT, type Process } from '../evidence/process.js'
import type { Run } from '../evidence/run-state.js'
import type { Sums } from '../evidence/sums.js'
import { OTHER_KIND, RUN_BITS } from '../ways/weights.js'
import { wrapsOf } from './below-limit.js'
import { widestMissing } from './cut-widths.js'
import { against, allLeft, isPrinted, leftIn, passed, passedBy } from './left-alone.js'
import { manyOriginals } from './many-originals.js'
import type { Setting } from './setting.js'
import { tooOften } from './short-beside.js'

// Evidence for a process that was at work on all rows between two places.
export function total(
  setting: Setting,
  process: Process,
  i: number,
  from: Sums,
  to: Sums,
  fair: boolean,
): number {
  const { id, usual, max, rounds, lost, kept } = process
  if (areCoarser(i, from, to)) return -Infinity
  const misfits = to.misfits - from.misfits
  const hits = to.hits[i]! - from.hits[i]!
  // One repaired row breaks no run; many values that the process would have changed say it was not at
  // work on all rows. So do those that fit among others that stand in printed forms.
  const contrary = usual === 0 ? against(i, from, to) : 0
  const printed = !rounds && isPrinted(from, to)
  if (contrary * 10 > hits || passedBy(process, i, from, to)) return -Infinity
  const flat = printed
    ? IN * hits + OUT * (misfits - hits + Math.max(contrary, passed(process, from, to)))
    : to.scores[i]! - from.scores[i]! + usual * (to.fits - from.fits) + OUT * misfits
  const space = spaceOf(setting.definition)
  if (id.startsWith('wrapped') && max !== undefined) {
    const beyond = to.fits - from.fits - leftIn(i, from, to)
    if (beyond * 10 > to.held[i]! - from.held[i]!) return -Infinity
    // Even numbers wrap round as often as the type has it; others have to be of two kinds.
    return fair
      ? flat + wrapsOf(setting, id, max) * (to.held[i]! - from.held[i]!)
      : flat - apart(hits, to.fits - from.fits)
  }
  // What is left of a wide value fits where values have several widths: how many do not must be said.
  if ((lost !== undefined || kept !== undefined) && space.widths.length > 1) {
    const fits = to.fits - from.fits
    const every = kept === undefined ? allLeft(i, from, to) : contrary === 0
    const missing = every ? widestMissing(space, process, fits) * UNIT : 0
    return (
      flat +
      (fair ? manyOriginals(space, id, i, from, to) : 0) +
      missing -
      apart(hits, fits) +
      tooOften(setting.all, from, to)
    )
  }
  // Where few could be, which of all values were worked out must be said as well.
  if (id === 'arithmetic' && !setting.goesOn) return flat - apart(hits, to.fits - from.fits)
  if (!fair) return flat
  const narrow = id === 'octal' ? Math.round(Math.log2(1.25) * (widestNumber(space) - 1) * UNIT) : 0
  return flat + manyOriginals(space, id, i, from, to) + narrow * (to.short - from.short)
}

// The same for a process that was at work in some runs.
export function runwise(
  setting: Setting,
  process: Process,
  i: number,
  runs: readonly Run<Sums>[],
  all: Sums,
  fair: boolean,
): number {
  let sum = OUT * all.misfits
  let some = false
  for (const { from, to, score } of runs) {
    if (passedBy(process, i, from.known, to.known)) continue
    some = true
    sum += score - RUN_BITS * UNIT - OUT * (to.known.misfits - from.known.misfits)
    if (!fair) continue
    const { id, max } = process
    sum +=
      id.startsWith('wrapped') && max !== undefined
        ? wrapsOf(setting, id, max) * (to.known.held[i]! - from.known.held[i]!)
        : manyOriginals(spaceOf(setting.definition), id, i, from.known, to.known)
  }
  return some ? sum : -Infinity
}

// The same for a process that was at work here and there: each value that it explains was met as often
// as it strikes, each that fits as often as it does not.
export function scattered(
  setting: Setting,
  process: Process,
  i: number,
  from: Sums,
  to: Sums,
  fair: boolean,
): number {
  const { id, max, kept } = process
  const hits = to.hits[i]! - from.hits[i]!
  const fits = to.fits - from.fits
  const misfits = to.misfits - from.misfits
  if (hits === 0) return OUT * misfits
  const rate = hits / (fits + misfits + 1)
  // That so many values are shown to be damaged sets the rate; what speaks for a process is which ones.
  // A printed form or a mark shows by itself.
  const formed = isPrinted(from, to)
  // More than it ever shows can not be its doing alone.
  const seldom = Math.max(rate, shows(setting.definition, process))
  const usual = formed ? 0 : -Math.log2(seldom)
  // Values that kept their zeros say how often they were lost.
  const strike = hits / (hits + to.zeros - from.zeros)
  const reads = losesZeros(process)
  const seen = reads ? Math.min(usual, Math.log2(strike / rate)) : usual
  // Hardly one that was rounded lost so many zeros besides.
  const showing = seen * UNIT * (process.rounds ? Math.max(0, hits - (to.tiny - from.tiny)) : hits)
  const many =
    id.startsWith('wrapped') && max !== undefined
      ? wrapsOf(setting, id, max) * hits
      : manyOriginals(spaceOf(setting.definition), id, i, from, to)
  // A field that is too narrow cuts all values that go through it.
  const seldomThere = kept === undefined ? 0 : OTHER_KIND.scattered * UNIT
  return (
    (IN + Math.log2(rate) * UNIT) * hits -
    seldomThere +
    OUT * (misfits - hits) +
    Math.log2(1 - rate) * UNIT * fits +
    (fair ? many + showing : reads ? showing : 0)
  )
}

// What it changes does not fit any more where a zero was at the front, and mostly there only: rounded values fit.
const losesZeros = ({ id, rounds, leaves }: Process) =>
  id === 'number-read' || id === 'front' || rounds === true || leaves !== undefined

// The share of values that a process changes so that they do not fit any more.
function shows(definition: Definition, process: Process): number {
  const { id, max } = process
  const space = spaceOf(definition)
  const all = space.integers.count
  if (all === 0n) return 1
  const below = 10n ** BigInt(Math.max(0, space.widest - 1)) - 1n
  const share = (part: bigint, whole: bigint) =>
    Math.min(1, Math.max(0.001, Number((part * 4096n) / whole) / 4096))
  const zeros = share(space.count(0n, below).count, all)
  if (losesZeros(process) || id.startsWith('octal')) return zeros
  if (max === undefined) return 1
  if (id.startsWith('clamped')) return share(space.count(max + 1n, 10n ** 60n).count, all)
  const short = share(below < max ? below : max, max)
  return id.includes('uint') ? short : (1 + short) / 2
}

// What it takes to say which of all rows are of one kind and which are of the other.
function apart(some: number, others: number): number {
  const all = some + others
  const part = (count: number) => (count === 0 ? 0 : count * Math.log2(all / count))
  return (part(some) + part(others)) * UNIT
}
