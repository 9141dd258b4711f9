// Column evidence -> what a report says of it and what a judgement needs: the runs that stand out, the
// process that explains each best, and how far every process gains or loses there.

import type { FindingCode } from '../channel/channel.js'
import type { Definition } from '../identifier/definition.js'
import { spaceOf, type Space } from '../identifier/space.js'
import type { RecordPlace } from '../rows/reader.js'
import { settled, type EvidenceState, type Sums } from './column-evidence.js'
import { bits, IN, OUT, processesOf, UNIT, type Process } from './processes.js'
import { rivals, type Rivals, type ShortGroup } from './short/rivals.js'
import { runsOf, type Mark, type Run } from './run-state.js'
import type { Lift } from './weigh.js'
import { EACH, RUN_BITS, TOGETHER } from './weights.js'

export interface EvidenceRun {
  /** The process that explains its rows best. */
  readonly process: string
  readonly channel: string
  /** The first and the last record in which it was at work, and where the last one begins. */
  readonly from: RecordPlace
  readonly to: RecordPlace
  /** Evidence in bits. */
  readonly bits: number
  /** What the rows say of each process, beside digits that were read as a number. */
  readonly lift: Lift
  /** How often an original starts as this one does, beside any other start; undefined where it cannot be told. */
  readonly usual: ((text: string) => number) | undefined
  /** Long numbers stand with so many digits in its rows; 0 where too few say so. */
  readonly digits: number
  /** Values that fit may be others than they were. */
  readonly suspect: boolean
  /** Bits for the process that explains it best, and for the run by itself where nothing else happened. */
  readonly evidence: number
  readonly alone: number
  /** By how many bits its process explains its rows better than that of another run. */
  beyond(other: EvidenceRun): number
}

export interface ColumnRuns {
  /** Runs worth a line of their own, in order. */
  readonly told: readonly EvidenceRun[]
  /** The run in which a record lies: of several, the one that explains it best; the whole column where none does. */
  around(index: number): EvidenceRun
  /** Runs in which values that fit are doubted. */
  readonly suspects: readonly EvidenceRun[]
  /** Bits that say zeros at the front are missing throughout; 0 where nothing says so. */
  readonly zerosAbsent: number
}

export function columnRuns(definition: Definition, state: EvidenceState): ColumnRuns {
  const whole = settled(definition, state)
  const inRuns = whole.runs.map((state) => runsOf(state))
  const compare = comparison(definition, whole, inRuns, usualStarts(whole))
  const ofEach = compare.processes.map((own, i) =>
    inRuns[i]!.map(({ from, to, score }) => ({
      ...compare.over(from, to, own, score),
      own: own.id,
      short: to.known.short - from.known.short,
    })),
  )
  const every = ofEach.flat()
  const isForm = ({ own }: { own: string }) => own.startsWith('form ') || own === 'marks'
  const cores = every.filter((run) => !isForm(run))
  const outside = compare.everywhere()
  // The widest first; a narrower one inside takes its place where it explains its rows so much better
  // that saying so is worth a run of its own.
  const covering = coveringRuns(ofEach.filter(([first]) => first && !isForm(first)))
  const likeliest = (index: number) => {
    let best: EvidenceRun = outside
    for (const run of covering(index))
      if (
        run.process === best.process
          ? best === outside
          : run.beyond(best) > RUN_BITS || (best === outside && run.alone > best.evidence)
      )
        best = run
    return best
  }
  const around = betweenEdges(
    cores.flatMap(({ from, to }) => [from.index, to.index + 1]),
    likeliest,
  )
  const told = every.filter((run) =>
    isForm(run)
      ? run.own !== 'marks'
      : run.process === run.own && (run.own !== 'number-read' || run.short > 0),
  )
  told.sort((a, b) => a.from.index - b.from.index || b.bits - a.bits)
  return {
    told: told.filter(
      (run, i) =>
        !told.some(
          (other, k) =>
            k !== i &&
            inside(run, other) &&
            (covers(other, run) || (k < i && other.channel === run.channel)),
        ),
    ),
    around,
    suspects: cores.filter(({ suspect }) => suspect),
    zerosAbsent: zerosAbsent(definition, whole),
  }
}

// The runs in which a row lies, the widest first; those of one list are apart and in order.
function coveringRuns(lists: readonly (readonly EvidenceRun[])[]): (row: number) => EvidenceRun[] {
  const width = ({ from, to }: EvidenceRun) => to.index - from.index
  return (row) =>
    lists
      .flatMap((list) => {
        const run = list[firstWhere(list.length, (i) => list[i]!.from.index > row) - 1]
        return run && row <= run.to.index ? [run] : []
      })
      .sort((a, b) => width(b) - width(a))
}

// Of places in order, the first for which this holds, as it does for all behind it.
function firstWhere(length: number, holds: (at: number) => boolean): number {
  let low = 0
  for (let high = length; low < high;) {
    const middle = (low + high) >> 1
    if (holds(middle)) high = middle
    else low = middle + 1
  }
  return low
}

// What is the same for all rows between two edges is worked out once.
function betweenEdges<T>(edges: readonly number[], of: (row: number) => T): (row: number) => T {
  const sorted = [...new Set(edges)].sort((a, b) => a - b)
  const known: (T | undefined)[] = []
  let [at, from, to] = [0, 0, -1]
  return (row) => {
    if (row < from || row >= to) {
      at = firstWhere(sorted.length, (i) => sorted[i]! > row)
      from = sorted[at - 1] ?? 0
      to = sorted[at] ?? Infinity
    }
    return (known[at] ??= of(row))
  }
}

// An exponent is how few digits are printed, and binary numbers too: one line says it.
const covers = (other: EvidenceRun, run: EvidenceRun) =>
  run.process === 'form exponent' && !other.process.startsWith('form ')

const inside = (a: EvidenceRun, b: EvidenceRun) =>
  b.from.index <= a.from.index && a.to.index <= b.to.index

interface Comparison {
  readonly processes: readonly Process[]
  over(from: Mark<Sums>, to: Mark<Sums>, own: Process, score: number): EvidenceRun
  /** All rows, as one run in which nothing is doubted. */
  everywhere(): EvidenceRun
}

function comparison(
  definition: Definition,
  whole: EvidenceState,
  inRuns: readonly (readonly Run<Sums>[])[],
  usual: EvidenceRun['usual'],
): Comparison {
  const all = whole.sums
  const processes = processesOf(definition)
  const place = new Map(processes.map(({ id }, i) => [id, i]))
  const nothing = nothingOf(all)
  const alike = new Set(spaceOf(definition).layouts.map(({ places }) => places.length)).size === 1
  const isFair = (process: Process, i: number, from: Sums, to: Sums) =>
    // Where values have several widths, what an octal reading changed may fit and is not among those counted.
    (alike || !process.id.startsWith('octal')) && isEven(process, i, from, to, all)
  const even = processes.map((process, i) => isFair(process, i, nothing, all))
  const core = processes.map(({ id }) => !id.startsWith('form ') && id !== 'marks')
  const totals = (from: Sums, to: Sums) =>
    processes.map((process, i) => {
      const fair = isFair(process, i, from, to) || (process.max !== undefined && even[i]!)
      return Math.max(
        total(definition, process, i, from, to, fair),
        scattered(definition, process, i, from, to, fair),
      )
    })
  const bestOf = (sums: readonly number[]) => {
    let best = -1
    let most = -Infinity
    for (let i = 0; i < processes.length; i++) {
      const weighed = sums[i]! / UNIT + Math.log2(prior(processes[i]!.id))
      if (core[i] && weighed > most) [best, most] = [i, weighed]
    }
    return { best, most }
  }
  const ofAll = rivals(definition, groupOf(whole))
  const ofShort = (id: string, ofRun: Rivals | undefined): number | undefined => {
    const everywhere = ofAll(id)
    const own = ofRun?.(id)
    if (everywhere === undefined || own === undefined) return own ?? everywhere
    // That the rows of a run are an exception costs as much as any run: both where the whole column tells this
    // story, and where it does not.
    return everywhere > 0
      ? Math.min(everywhere, own + RUN_BITS)
      : own - Math.min(RUN_BITS, -everywhere)
  }
  // A signed type shows by its minus signs, of which the short values know nothing.
  const signed = (id: string, from: Sums, to: Sums) => {
    const hits = (name: string) => {
      const i = place.get(name)
      return i === undefined ? 0 : to.hits[i]! - from.hits[i]!
    }
    return id.startsWith('wrapped int') && hits(id) > hits(id.replace('int', 'uint'))
  }
  const lifted = (sums: readonly number[], from: Sums, to: Sums, ofRun?: Rivals): Lift => {
    const base = sums[place.get('number-read') ?? place.get('evaluated') ?? place.get('display')!]!
    return (id) => {
      const i = place.get(id)
      if (i === undefined) return 0
      const own = (sums[i]! - base) / UNIT
      // Where leading zeros are read as octal, a reader that stops at an 8 or 9 is hardly less likely.
      const most =
        id === STOPS ? Math.max(own, (sums[place.get('octal')!]! - base) / UNIT - 8) : own
      const rival = ofShort(id, ofRun)
      if (rival === undefined) return most
      // Such evidence takes away certainty, and gives none.
      const doubt = Math.min(rival, -Math.log2(prior(id)))
      if (id.startsWith('octal')) return Math.max(doubt, Math.min(most, rival))
      const told = id.startsWith('cut-short') || (id.startsWith('wrapped') && !signed(id, from, to))
      return Math.max(doubt, told ? most + Math.min(0, rival) : most)
    }
  }
  // Of all rows a process may also explain some runs and leave the rest to others.
  const everything = () =>
    totals(nothing, all).map((sum, i) =>
      Math.max(sum, runwise(processes[i]!, i, inRuns[i]!, all, even[i]!)),
    )
  const over = (
    from: Sums,
    to: Sums,
    own: Process | undefined,
    score: number,
    ofRun?: Rivals,
  ): EvidenceRun => {
    const sums = own ? totals(from, to) : everything()
    const { best, most } = bestOf(sums)
    const form = own?.id.startsWith('form ') === true
    const process = form ? own : processes[best]!
    return {
      process: process.id,
      channel: channelOf(process.id),
      from: from.place,
      to: to.place,
      bits: Math.round(score / UNIT),
      lift: lifted(sums, from, to, ofRun),
      usual,
      digits: usualDigits(from.plain, to.plain, 20),
      evidence: most,
      alone: score / UNIT - RUN_BITS + Math.log2(prior((own ?? process).id)),
      suspect:
        own !== undefined &&
        !form &&
        (process.rounds === true ||
          process.max !== undefined ||
          (process.id === 'number-read' && !alike && lostZeros(definition, from, to, all))),
      beyond(other) {
        const i = place.get(other.process)!
        return most - sums[i]! / UNIT - Math.log2(prior(other.process))
      },
    }
  }
  return {
    processes,
    over: (from, to, own, score) =>
      over(from.known, to.known, own, score, rivals(definition, groupOf(whole, from, to, place))),
    everywhere: () => over(nothing, all, undefined, 0),
  }
}

// The short values of a run, or of all rows.
function groupOf(
  { shorts, sums, clean }: EvidenceState,
  from?: Mark<Sums>,
  to?: Mark<Sums>,
  place?: ReadonlyMap<string, number>,
): ShortGroup {
  if (!from || !to)
    return {
      values: shorts.map(({ digits, rows }) => ({ digits, count: rows.length })),
      share: shareOf(sums.short, sums.wide + sums.zeros),
      printed: sums.formed * 2 > sums.misfits,
      clean,
      between: undefined,
    }
  const values = shorts.flatMap(({ digits, rows }) => {
    const before = (place: Mark<Sums>) => firstWhere(rows.length, (i) => rows[i]! >= place.row)
    const count = before(to) - before(from)
    return count ? [{ digits, count }] : []
  })
  const [a, b] = [from.known, to.known]
  const short = Math.max(1, b.short - a.short)
  const kept = b.zeros - a.zeros
  return {
    values,
    share: shareOf(b.short - a.short, b.wide + b.zeros - a.wide - a.zeros),
    printed: isPrinted(a, b),
    clean,
    between: {
      kept: kept / short,
      octal: octalsKept(place, a, b) / short,
    },
  }
}

const shareOf = (some: number, others: number) => (some === 0 ? 0 : some / (some + others))

// Values that fit and that an octal reader would have changed.
function octalsKept(place: ReadonlyMap<string, number> | undefined, from: Sums, to: Sums): number {
  const i = place?.get('octal')
  if (i === undefined) return 0
  const hits = to.hits[i]! - from.hits[i]!
  return (hits * (IN - OUT) - to.scores[i]! + from.scores[i]!) / -OUT
}

// Values of several widths fit without the zeros they had. That a run lost them shows where such values
// stand elsewhere in the column, or where many have become too short.
function lostZeros({ zeros }: Definition, from: Sums, to: Sums, all: Sums): boolean {
  const elsewhere = all.zeros - (to.zeros - from.zeros)
  const tooShort = (to.short - from.short) * 50 >= to.fits - from.fits
  return zeros === 'significant' && (elsewhere >= 3 || tooShort)
}

// The share of values that a process changes so that they do not fit any more.
function shows(definition: Definition, id: string, max: bigint | undefined): number {
  const space = spaceOf(definition)
  const all = space.integers.count
  if (all === 0n) return 1
  const below = 10n ** BigInt(Math.max(0, space.widest - 1)) - 1n
  const share = (part: bigint, whole: bigint) =>
    Math.min(1, Math.max(0.001, Number((part * 4096n) / whole) / 4096))
  const zeros = share(space.count(0n, below).count, all)
  if (id === 'number-read' || id.startsWith('octal')) return zeros
  if (max === undefined) return 1
  if (id.startsWith('clamped')) return share(space.count(max + 1n, 10n ** 60n).count, all)
  const short = share(below < max ? below : max, max)
  return id.includes('uint') ? short : (1 + short) / 2
}

const STOPS = 'octal as far as it goes'

const nothingOf = (sums: Sums): Sums => {
  const zeros = sums.scores.map(() => 0)
  return {
    ...sums,
    fits: 0,
    misfits: 0,
    short: 0,
    wide: 0,
    zeros: 0,
    formed: 0,
    padded: 0,
    tiny: 0,
    scores: zeros,
    extra: zeros,
    hits: zeros,
    digits: sums.digits.map(() => 0),
    plain: sums.plain.map(() => 0),
    held: zeros,
    near: zeros,
  }
}

// Columns are seldom even. That all values lie below a limit says something only where they come up to
// it; that short ones do, only where wider ones stand between them.
function isEven({ id, max, nearly }: Process, i: number, from: Sums, to: Sums, all: Sums): boolean {
  if (id.startsWith('cut-short')) {
    // All are of one length. Of texts that were cut one in ten starts with a zero, as no number does;
    // or there are clean values, and none of them starts with the zeros that would have been lost.
    const hits = to.hits[i]! - from.hits[i]!
    const padded = to.padded - from.padded
    if ((to.short - from.short - hits) * 20 > hits) return false
    const clean = all.wide >= 20 && all.zeros === 0
    return padded > 0 ? padded * 50 >= hits : clean || (all.misfits < 30 && all.fits === 0)
  }
  if (nearly === undefined) return true
  const held = to.held[i]! - from.held[i]!
  const near = to.near[i]! - from.near[i]!
  if (max !== undefined) return held >= 32 && near * 32 >= held
  const short = to.short - from.short
  const between = short >= 3 && to.wide - from.wide >= 4 * short
  // What stops at an 8 or 9 leaves short numbers of any length.
  return between && (id === STOPS ? (to.tiny - from.tiny) * 4 >= short : near * 8 >= short)
}

// Evidence for a process that was at work on all rows between two places.
function total(
  definition: Definition,
  process: Process,
  i: number,
  from: Sums,
  to: Sums,
  fair: boolean,
): number {
  const { id, usual, max, rounds } = process
  const misfits = to.misfits - from.misfits
  const hits = to.hits[i]! - from.hits[i]!
  // One repaired row breaks no run; many values that the process would have changed say it was not at
  // work on all rows. So do those that fit among others that stand in printed forms.
  const against = usual === 0 ? (hits * (IN - OUT) - to.scores[i]! + from.scores[i]!) / -OUT : 0
  const printed = !rounds && isPrinted(from, to)
  if (against * 10 > hits || passedBy(process, i, from, to)) return -Infinity
  const flat = printed
    ? IN * hits + OUT * (misfits - hits + against)
    : to.scores[i]! - from.scores[i]! + usual * (to.fits - from.fits) + OUT * misfits
  const space = spaceOf(definition)
  if (id.startsWith('wrapped') && max !== undefined)
    return flat + (fair ? wrapsOf(space, id, max) * (to.held[i]! - from.held[i]!) : 0)
  if (!fair) return flat
  if (id === 'short-display') return flat + more(id, i, from, to) - dropped(from.digits, to.digits)
  const narrow = id === 'octal' ? Math.round(Math.log2(1.25) * (space.widest - 1) * UNIT) : 0
  return flat + more(id, i, from, to) + narrow * (to.short - from.short)
}

// Most of what does not fit stands in a printed form, or has marks around it.
const isPrinted = (from: Sums, to: Sums) =>
  (to.formed - from.formed) * 2 > to.misfits - from.misfits

// Values that fit, among others that stand in printed forms, were not printed with them; but a reader of
// octal digits leaves 0891 as it is.
function passedBy({ id, rounds }: Process, i: number, from: Sums, to: Sums): boolean {
  // What a rounding printed shows in the values that fit: they count for themselves.
  if (rounds) return false
  const left = id === 'octal' ? to.zeros - from.zeros : 0
  return isPrinted(from, to) && (to.fits - from.fits - left) * 10 > to.hits[i]! - from.hits[i]!
}

// What it adds that many originals come out as one value. A long number that ends in zeros was not shortened where
// its neighbours stand with all their digits.
const more = (id: string, i: number, from: Sums, to: Sums): number =>
  to.extra[i]! - from.extra[i]! - (id === 'short-display' ? dropped(from.plain, to.plain) : 0)

// Zeros at the end of a coefficient may be dropped: such a value was shortened to as many digits as its
// neighbours, and not to fewer.
function dropped(from: readonly number[], to: readonly number[]): number {
  const usual = usualDigits(from, to)
  return to.reduce((sum, count, k) => {
    const fewer = Math.max(0, usual - k)
    return sum + (count - from[k]!) * fewer * Math.log2(10) * UNIT
  }, 0)
}

// The most digits that one in twenty stands with.
function usualDigits(from: readonly number[], to: readonly number[], least = 0): number {
  const counts = to.map((count, k) => count - from[k]!)
  const all = counts.reduce((sum, count) => sum + count, 0)
  return counts.findLastIndex((count) => count >= least && count > 0 && count * 20 >= all)
}

// The same for a process that was at work in some runs.
function runwise(
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
    if (fair) sum += more(process.id, i, from.known, to.known)
  }
  return some ? sum : -Infinity
}

// How many values wrap round to one, in 1/256 bit.
function wrapsOf(space: Space, id: string, max: bigint): number {
  const modulus = (max + 1n) * (id.includes('uint') ? 1n : 2n)
  return Math.max(0, bits((space.integers.count * 4096n) / modulus) - 12 * UNIT)
}

// The same for a process that was at work here and there: each value that it explains was met as often
// as it strikes, each that fits as often as it does not.
function scattered(
  definition: Definition,
  { id, max }: Process,
  i: number,
  from: Sums,
  to: Sums,
  fair: boolean,
): number {
  const hits = to.hits[i]! - from.hits[i]!
  const fits = to.fits - from.fits
  const misfits = to.misfits - from.misfits
  if (hits === 0) return OUT * misfits
  const rate = hits / (fits + misfits + 1)
  // That so many values are shown to be damaged sets the rate; what speaks for a process is which ones.
  // A printed form or a mark shows by itself.
  const formed = isPrinted(from, to)
  // More than it ever shows can not be its doing alone.
  const seldom = Math.max(rate, shows(definition, id, max))
  const usual = formed ? 0 : -Math.log2(seldom)
  // Values that kept their zeros say how often they were lost.
  const strike = hits / (hits + to.zeros - from.zeros)
  const seen = id === 'number-read' ? Math.min(usual, Math.log2(strike / rate)) : usual
  const showing = seen * UNIT * hits
  const many =
    id.startsWith('wrapped') && max !== undefined
      ? wrapsOf(spaceOf(definition), id, max) * hits
      : more(id, i, from, to)
  return (
    (IN + Math.log2(rate) * UNIT) * hits +
    OUT * (misfits - hits) +
    Math.log2(1 - rate) * UNIT * fits +
    (fair ? many + showing : id === 'number-read' ? showing : 0)
  )
}

function prior(id: string): number {
  if (id.startsWith('wrapped')) return TOGETHER.wrapped
  if (id.startsWith('octal')) return TOGETHER.otherBase
  if (id.startsWith('cut-short') || id === 'front') return TOGETHER.cutShort
  if (id === 'short-display') return EACH.shortPlain
  if (id === 'binary32') return EACH.binary32
  if (id === 'repadded') return EACH.repadded
  return 1
}

/** The channel that a process belongs to. */
export function channelOf(process: string): string {
  if (process.startsWith('form ')) return FORM_CHANNELS[process.slice(5)] ?? process.slice(5)
  if (process.startsWith('fifteen')) return 'fifteen-digits'
  if (process.startsWith('octal') || process === 'base-sixty') return 'other-base'
  if (process === 'front') return 'cut-short'
  return process.split(' ')[0]!
}

const FORM_CHANNELS: Partial<Record<FindingCode, string>> & Record<string, string> = {
  exponent: 'exponent-form',
  grouped: 'grouping',
  'display-stored': 'display',
}

// What clean values start with tells which originals are likely; but only where those that start with
// zeros are among them: a column that was read as numbers has none left.
function usualStarts({ sums, starts }: EvidenceState): EvidenceRun['usual'] {
  const all = starts.reduce((sum, count) => sum + count, 0)
  if (all < 20 || sums.zeros * 5 < all) return undefined
  return (text) => {
    const two = /^\d\d/.exec(text)
    return two ? (100 * (starts[Number.parseInt(two[0], 10)]! + 0.5)) / (all + 50) : 1
  }
}

// One in ten should start with a zero; that none does says something only where all other digits are
// about as frequent as they should be.
function zerosAbsent(definition: Definition, { sums, starts }: EvidenceState): number {
  const space = spaceOf(definition)
  const { widest } = space
  if (widest < 2 || sums.zeros > 0 || sums.short > 0) return 0
  const share =
    Number(
      (space.count(0n, 10n ** BigInt(widest - 1) - 1n).count * 10_000n) /
        (space.integers.count || 1n),
    ) / 10_000
  const others = Array.from({ length: 9 }, (_, i) =>
    starts.slice((i + 1) * 10, (i + 2) * 10).reduce((sum, count) => sum + count, 0),
  )
  const even = others.every((count) => count * 27 >= sums.fits)
  return share > 0.02 && share < 0.5 && even ? Math.floor(-Math.log2(1 - share) * sums.fits) : 0
}
