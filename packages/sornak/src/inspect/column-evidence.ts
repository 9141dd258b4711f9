// What the rows of a column say together: for each process the runs of rows that speak for it, and how
// the processes compare over such a run. The state of two parts joins into that of the whole.

import { FIFTEEN } from '../channel/fifteen-digits.js'
import { integerOf, numberTexts, plainDigits } from '../channel/number-text.js'
import { unscaled } from '../channel/scaled.js'
import { unmark } from '../channel/text-marks.js'
import type { Definition } from '../identifier/definition.js'
import { holds } from '../identifier/holds.js'
import type { Subset } from '../identifier/parts-of-space.js'
import { spaceOf, type Space } from '../identifier/space.js'
import type { RecordPlace } from '../rows/reader.js'
import type { Hypothesis } from './hypothesis.js'
import { hypotheses } from './originals.js'
import type { Clean } from './short/population.js'
import { bits, FORMS, IN, isDigits, OUT, processesOf, UNIT, type Process } from './processes.js'
import { collector, joinedShorts, type ShortValues } from './short/short-values.js'
import { FEW_STEPS, isPlain } from './short/story.js'
import { hasHeads, headCounter, joinedHeads } from './short/heads.js'
import { limitsOf } from './short/limits.js'
import { faded, joined, noRows, withRow, type Mark, type RunState } from './run-state.js'
import { usualValues, type Answer } from './usual.js'
import { REPEAT, RUN_BITS, TOGETHER } from './weights.js'

/** Figures that stand in sums over rows; those of a run are the difference of two places. */
export interface Sums {
  /** Where the row is, or that behind it. */
  readonly place: RecordPlace
  /** Values that fit, and that do not. */
  readonly fits: number
  readonly misfits: number
  /** Values of digits, printed in any form: shorter than they should be, and of full width without zeros at the front. */
  readonly short: number
  readonly wide: number
  /** Values that fit and start with a zero. */
  readonly zeros: number
  /** For each process, in 1/256 bit: its evidence beyond what is usual, and what the number of originals adds. */
  readonly scores: readonly number[]
  readonly extra: readonly number[]
  /** Of the short ones, those of at most half the width. */
  readonly tiny: number
  /** Values with a percent sign, and those of them that end as a number does that counts a hundred times as much. */
  readonly percents: number
  readonly hundreds: number
  /** Digits that do not fit and start with a zero, as no number is printed. */
  readonly padded: number
  /** Values that do not fit and stand in a printed form: with a tail, an exponent, a grouping. */
  readonly formed: number
  /** For each process, values that do not fit and that it explains. */
  readonly hits: readonly number[]
  /** Values that do not fit and that only lost zeros, maybe; for each process, those of them that it explains too. */
  readonly reads: number
  readonly readsToo: readonly number[]
  /** What the number of originals of these adds. */
  readonly readsExtra: readonly number[]
  /** How many values are printed with an exponent and so many digits. */
  readonly digits: readonly number[]
  /** How many long numbers stand without an exponent, all their digits counted or those before a row of zeros. */
  readonly plain: readonly number[]
  /** Those of them that end in a row of zeros, as a shortened one does. */
  readonly ending: readonly number[]
  /**
   * For each process that rounds, values that fit and it could have printed: how many new ones, those that go on from the
   * last counted twice; and what those that repeat it would say if others did not, in 1/256 bit.
   */
  readonly fresh: readonly number[]
  readonly again: readonly number[]
  /** For each process, values that an integer type holds, and those near its limit. */
  readonly held: readonly number[]
  readonly near: readonly number[]
}

export type Place = Mark<Sums>

export interface ColumnEvidence {
  readonly definition: Definition
  readonly processes: readonly Process[]
  /** A value that fits. */
  fits(bytes: Uint8Array, start: number, end: number, place: RecordPlace): void
  /** A value that does not fit and is not blank. */
  misfit(seen: string, place: RecordPlace): void
  state(): EvidenceState
}

/** All that is known of some rows; a plain value that can be stored and joined. */
export interface EvidenceState {
  /**
   * The first value: whether it repeats what stands before it can be told only when that is known.
   * It is not in the figures.
   */
  readonly first: Row | undefined
  readonly rows: number
  readonly sums: Sums
  readonly runs: readonly RunState<Sums>[]
  /** How many values that fit start with each two digits, `00` to `99`. */
  readonly starts: readonly number[]
  /** The same of numbers of full width that stand in another form, or with marks around them. */
  readonly formedStarts: readonly number[]
  /** Where they lie. */
  readonly clean: Clean
  /** Digits that are too short. */
  readonly shorts: ShortValues
  /** For each process that rounds: how many values that fit it could have printed, and how many it would not change. */
  readonly could: readonly number[]
  readonly untouched: readonly number[]
  /** Values that fit and no rounding could have printed, and those of them that repeat the last value. */
  readonly others: number
  readonly repeats: number
  /** The last value where it fits. */
  readonly last: string
}

interface Row {
  readonly kind: 'fits' | 'misfit'
  readonly text: string
  readonly place: RecordPlace
}

const PENALTY = RUN_BITS * UNIT
const NONE: ReadonlyMap<number, number> = new Map()

/** How a value goes on from the one before it: not at all, as the same one, by a step of people, or of binary numbers. */
type Again = 'no' | 'same' | 'decimal' | 'binary'

/** Two values go on from each other that differ in no more than so many last characters. */
const STEP_DIGITS = 4

/** @param from what the rows before have said; nothing at the start of a part */
export function columnEvidence(definition: Definition, from?: EvidenceState): ColumnEvidence {
  const processes = processesOf(definition)
  const index = new Map(processes.map(({ id }, i) => [id, i]))
  const asked = processes.flatMap((process, i) => (process.fits ? [{ i, fits: process.fits }] : []))
  const nearTexts = processes.map(({ nearly }) => `${nearly ?? ''}`)
  const arithmetic = index.get('arithmetic') ?? -1
  const front = index.get('front') ?? -1
  // Where no value is digits only, what was read stands in front of something else.
  const asNumber =
    spaceOf(definition).integers.count > 0n ? (index.get('number-read') ?? -1) : front
  const unasked = processes.flatMap(({ fits, usual, ofDigits }, i) =>
    ofDigits && !fits && usual !== 0 ? [[i, -usual] as const] : [],
  )
  const space = spaceOf(definition)
  const wide = processes.some(({ rounds }) => rounds)
  const count = processes.length
  const zeros = () => Array<number>(count).fill(0)
  const runs = from ? [...from.runs] : processes.map(() => noRows<Sums>())
  const copy = (list: readonly number[] | undefined) => (list ? [...list] : zeros())
  const { sums } = from ?? {}
  const scores = copy(sums?.scores)
  const extra = copy(sums?.extra)
  const hits = copy(sums?.hits)
  const readsToo = copy(sums?.readsToo)
  const readsExtra = copy(sums?.readsExtra)
  const digits = sums ? [...sums.digits] : Array<number>(MOST_DIGITS + 1).fill(0)
  const plain = sums ? [...sums.plain] : Array<number>(MOST_DIGITS + 1).fill(0)
  const ending = sums ? [...sums.ending] : Array<number>(MOST_DIGITS + 1).fill(0)
  const fresh = copy(sums?.fresh)
  const again = copy(sums?.again)
  const held = copy(sums?.held)
  const near = copy(sums?.near)
  let {
    fits,
    misfits,
    short: narrow,
    wide: full,
    zeros: zeroed,
    formed,
    padded,
    tiny,
    percents,
    hundreds,
    reads,
  } = sums ?? NOTHING
  // The row's place is the reader's and changes: what is kept of it is a copy.
  const place = { ...(sums ?? NOTHING).place }
  const arrive = ({ index, line, offset }: RecordPlace) => {
    place.index = index
    place.line = line
    place.offset = offset
  }
  let rows = from?.rows ?? 0
  /** Rows after which each process was last brought up to date. */
  const fitsAt = Array<number>(count).fill(fits)
  const misfitsAt = Array<number>(count).fill(misfits)
  /** What rows that said less than usual still take from each process: runs that are open lose it later. */
  const owed = zeros()
  const starts = from ? [...from.starts] : Array<number>(100).fill(0)
  const formedStarts = from ? [...from.formedStarts] : Array<number>(100).fill(0)
  const fronts = from ? [...from.clean.fronts] : Array<number>(10 * space.widest).fill(0)
  const limits = limitsOf(from?.clean)
  const heads =
    isPlain(space) && hasHeads(space.widest) && headCounter(space.widest, from?.clean.heads)
  const shorts = collector(from?.shorts)
  const could = copy(from?.could)
  const untouched = copy(from?.untouched)
  let others = from?.others ?? 0
  let repeats = from?.repeats ?? 0
  let first = from?.first
  let alone = from === undefined
  const before = new Uint8Array(64)
  let beforeLength = -1
  if (from?.last) keepText(from.last)

  const mixed = space.layouts.some(({ places }) =>
    places.some(({ chars }) => !chars.every(isDigit)),
  )
  const usual = usualValues(processes, mixed, answer)

  const mark = (): Place => ({
    row: rows,
    known: {
      place: { ...place },
      fits,
      misfits,
      short: narrow,
      wide: full,
      zeros: zeroed,
      formed,
      padded,
      tiny,
      percents,
      hundreds,
      scores: [...scores],
      extra: [...extra],
      hits: [...hits],
      reads,
      readsToo: [...readsToo],
      readsExtra: [...readsExtra],
      digits: [...digits],
      plain: [...plain],
      ending: [...ending],
      fresh: [...fresh],
      again: [...again],
      held: [...held],
      near: [...near],
    },
  })

  // Rows that went by without being asked for were usual ones, or had nothing for the process.
  function catchUp(i: number): void {
    const passed =
      processes[i]!.usual * (fits - fitsAt[i]!) + OUT * (misfits - misfitsAt[i]!) + owed[i]!
    runs[i] = faded(runs[i]!, passed)
    owed[i] = 0
    fitsAt[i] = fits
    misfitsAt[i] = misfits
  }

  // Bits for each process for which this row speaks, in order; `end` counts the row.
  function row(said: readonly (readonly [i: number, score: number])[], end: () => void): void {
    settle()
    const start = mark()
    let stop: Place | undefined
    for (const [i] of said) catchUp(i)
    end()
    rows++
    for (const [i, score] of said) {
      fitsAt[i] = fits
      misfitsAt[i] = misfits
      runs[i] = withRow(
        runs[i]!,
        score,
        PENALTY,
        () => start,
        () => (stop ??= mark()),
      )
    }
  }

  function answer(bytes: Uint8Array, from: number, to: number): Answer {
    const said: [number, number][] = []
    const held: number[] = []
    const near: number[] = []
    const number = !mixed || isDigits(bytes, from, to)
    for (const { i, fits: ask } of asked) {
      const { max, usual, ofDigits } = processes[i]!
      const score = number || !ofDigits ? ask(bytes, from, to) : 0
      if (max !== undefined && number && score >= 0) {
        held.push(i)
        if (score > 0 || isNear(bytes, from, to, nearTexts[i]!)) near.push(i)
      }
      if (score !== usual) said.push([i, score - usual])
    }
    if (!number) {
      for (const [i, more] of unasked) said.push([i, more])
      said.sort(([a], [b]) => a - b)
    }
    return { said, held, near }
  }

  // What many said is added as what one says, so many times.
  function note({ said, held: within, near: close }: Answer, count: number): void {
    for (const i of within) held[i]! += count
    for (const i of close) near[i]! += count
    for (const [i, more] of said) {
      scores[i]! += more * count
      owed[i]! += more * count
    }
    countRounded(said, count)
  }
  function countRounded(said: Answer['said'], count: number): void {
    for (const [i, more] of said) {
      const { rounds, usual } = processes[i]!
      if (!rounds) continue
      if (more + usual > 0) could[i]! += count
      else untouched[i]! += count
    }
  }
  const settle = () => usual.drain(note)

  function fit(bytes: Uint8Array, from: number, to: number): void {
    const digit = bytes[from]! - 48
    const next = to - from > 1 ? bytes[from + 1]! - 48 : 0
    if (digit >= 0 && digit <= 9 && next >= 0 && next <= 9) starts[digit * 10 + next]!++
    if (digit === 0 && to - from > 1) {
      zeroed++
      behindZeros(bytes, from, to)
      bound(bytes, from, to)
    } else if (digit >= 0 && digit <= 9) {
      full++
      if (digit < fronts.length) fronts[digit]!++
      bound(bytes, from, to)
    }
    if (heads && to - from === space.widest) heads.take(bytes, from)
    if (usual.take(bytes, from, to)) {
      if (wide) other(againOf(bytes, from, to))
      fits++
      rows++
    } else speak(answer(bytes, from, to), wide ? againOf(bytes, from, to) : 'no')
    if (wide) keep(bytes, from, to)
  }

  // What ends in a letter, as a check digit of eleven kinds may, is no number.
  function bound(bytes: Uint8Array, from: number, to: number): void {
    if (!mixed || isDigits(bytes, from, to)) limits.take(bytes, from, to)
  }

  function behindZeros(bytes: Uint8Array, from: number, to: number): void {
    let at = from
    while (at < to - 1 && bytes[at] === 48) at++
    const place = (at - from) * 10 + bytes[at]! - 48
    if (place < fronts.length) fronts[place]!++
  }

  // The more originals come out as one, the sooner a sequence repeats itself. That it comes by one says nothing, but that
  // a run may begin here.
  const againBits =
    (how: Again) =>
    ([i, more]: readonly [number, number]): [number, number] => {
      const bits = Math.round((more + processes[i]!.usual) * REPEAT.share)
      return [i, how === 'same' ? Math.min(REPEAT.most * UNIT, bits) : 1]
    }

  function other(how: Again): void {
    others++
    if (how === 'same') repeats++
  }

  // A value that may speak for a process; not if it repeats what the row before it said. That it does is to be weighed
  // later, when it is known whether others repeat as well.
  function speak({ said, held: within, near: close }: Answer, how: Again): void {
    for (const i of within) held[i]!++
    for (const i of close) near[i]!++
    countRounded(said, 1)
    const rounded = ([i, more]: readonly [number, number]) =>
      processes[i]!.rounds === true && more + processes[i]!.usual > 0
    const follows = ([i]: readonly [number, number]) =>
      how !== 'no' && !(how === 'binary' && processes[i]!.id.startsWith('binary'))
    const told = said.map((one): [number, number] =>
      rounded(one) && follows(one) ? [one[0], -processes[one[0]]!.usual] : [...one],
    )
    const printed = said.filter(rounded)
    if (wide && printed.length === 0) other(how)
    const going = how === 'no' ? NONE : new Map(printed.filter(follows).map(againBits(how)))
    const speaking: [number, number][] = []
    for (const [i, more] of told) {
      const score = more + processes[i]!.usual + (going.get(i) ?? 0)
      if (score > 0) speaking.push([i, score])
      else owed[i]! += more
    }
    const end = () => {
      fits++
      for (const [i, more] of told) scores[i]! += more
      for (const [i] of printed) {
        again[i]! += going.get(i) ?? 0
        if (how !== 'same') fresh[i]! += how === 'no' ? 1 : 2
      }
    }
    if (speaking.length) row(speaking, end)
    else {
      end()
      rows++
    }
  }

  function misfitRow(seen: string): void {
    const ways = hypotheses(definition, seen)
    const found = new Map<number, bigint>()
    const marked = ways.some(({ process }) => process === 'marks')
    for (const way of ways) {
      const i = index.get(way.process)
      // A space in front says more by itself than by its place in a form that leaves separators open.
      const loosely = way.process === 'display' && way.weight === TOGETHER.displayedLoosely
      if (i === undefined || (loosely && marked)) continue
      const many = countOf(way, space)
      const before = found.get(i) ?? 0n
      if (many > before) found.set(i, many)
      for (const code of way.findings) {
        const form = FORMS.includes(code) ? index.get(`form ${code}`) : undefined
        if (many > 0n && form !== undefined) found.set(form, 1n)
      }
    }
    // A wide value leaves no more behind than a narrow one does, though more of them are possible.
    const cuts = [...found].filter(([i]) => processes[i]!.id.startsWith('cut-short'))
    const narrowest = cuts.reduce<bigint>(
      (least, [, many]) => (many < least ? many : least),
      cuts[0]?.[1] ?? 0n,
    )
    for (const [i] of cuts) found.set(i, narrowest)
    const isRead = found.has(asNumber)
    // However much may stand behind a number, it is one of as many numbers: each shape is as likely as any other.
    if (isRead && front !== asNumber) {
      if (found.has(arithmetic)) found.set(arithmetic, 1n)
      if (found.has(front)) found.set(front, timesAsLikely(ways))
    }
    const inForm = [...found.keys()].some((i) => processes[i]!.id.startsWith('form '))
    const bare = printed(seen, space)
    const stands = bare !== undefined && holds(definition, bare)
    // What leaves a value alone that stands behind marks says as little as of one that fits.
    const quiet = bare === undefined ? undefined : leaveAlone(bare, stands, found)
    // A reader that stops at the first letter takes a power of ten as one too.
    if (front >= 0 && found.has(index.get('evaluated') ?? -1) && !found.has(front))
      found.set(front, 1n)
    const short = index.get('short-display')
    // Few digits are no fewer than all there are, where these make a value.
    if (
      short !== undefined &&
      found.has(index.get('form exponent')!) &&
      isRead &&
      !found.has(short)
    )
      found.set(short, 1n)
    row(
      [...found.keys()].sort((a, b) => a - b).map((i) => [i, quiet?.get(i) ?? IN] as const),
      () => {
        misfits++
        if (isRead) reads++
        if (inForm) formed++
        if (ways.some(({ percent }) => percent)) percents++
        if (ways.some(({ percent }) => percent === 'hundredfold')) hundreds++
        if (short !== undefined && found.has(short)) {
          const shown = shownDigits(seen)
          const long = plainDigits(seen)
          if (shown !== undefined) digits[Math.min(MOST_DIGITS, shown)]!++
          else if (long > 0) {
            plain[Math.min(MOST_DIGITS, long)]!++
            if (long < seen.length) ending[long]!++
          }
        }
        if (/^0\d+$/.test(seen)) padded++
        if (bare !== undefined && bare.length < space.widest && !stands) {
          narrow++
          shorts.add(bare, rows)
          if (bare.length * 2 <= space.widest) tiny++
        } else if (bare !== undefined) {
          full++
          if (bare.length === space.widest && bare.length > 1)
            formedStarts[Number.parseInt(bare.slice(0, 2), 10)]!++
        }
        for (const [i, many] of found) {
          scores[i]! += IN - OUT
          hits[i]!++
          extra[i]! += bits(many)
          if (isRead) {
            readsToo[i]!++
            readsExtra[i]! += bits(many)
          }
          const { nearly, max } = processes[i]!
          // A signed type has as many numbers below zero.
          const size = max === undefined ? bare : (bare ?? /^-(\d+)$/.exec(seen)?.[1])
          if (nearly === undefined || size === undefined) continue
          if (max === undefined && size.length >= space.widest) continue
          held[i]!++
          if (BigInt(size) >= nearly) near[i]!++
        }
      },
    )
    beforeLength = -1
  }

  // Behind a tail or grouping stands a number: a process that leaves it as it is explains it too. Where it
  // fits, that is every process that leaves it alone; else those that are about large numbers only. Returned is
  // what those say that only left it alone.
  function leaveAlone(
    bare: string,
    stands: boolean,
    found: Map<number, bigint>,
  ): ReadonlyMap<number, number> {
    const quiet = new Map<number, number>()
    if (!stands && !found.has(asNumber)) return quiet
    const bytes = bytesOf(bare)
    for (const { i, fits: ask } of asked) {
      const { rounds, max } = processes[i]!
      if (found.has(i) || (!stands && rounds !== true && max === undefined)) continue
      const score = ask(bytes, 0, bytes.length)
      if (score < 0) continue
      found.set(i, 1n)
      if (stands) quiet.set(i, score)
    }
    // Few digits are printed as they are.
    const short = index.get('short-display')
    if (!stands && short !== undefined && bare.length < 12 && !found.has(short))
      found.set(short, 1n)
    if (!stands) return quiet
    // Programs that print fifteen digits print fewer as they are.
    if (short !== undefined && bare.length >= 12 && bare.length <= FIFTEEN && !found.has(short)) {
      found.set(short, 1n)
      quiet.set(short, 0)
    }
    for (const [i, { id, usual, fits: ask }] of processes.entries())
      if (!ask && usual === 0 && !id.startsWith('form ') && !found.has(i)) {
        found.set(i, 1n)
        quiet.set(i, 0)
      }
    return quiet
  }

  // The same value again, or the next of a sequence: not a second piece of evidence. Numbers that people issue go on by
  // ones, tens or hundreds, though, and binary ones by 32 or 64.
  function againOf(bytes: Uint8Array, from: number, to: number): Again {
    if (to - from !== beforeLength) return 'no'
    const alike = Math.max(1, to - from - STEP_DIGITS)
    for (let i = 0; i < alike; i++) if (before[i] !== bytes[from + i]) return 'no'
    let step = 0
    for (let i = alike; i < to - from; i++) step = step * 10 + bytes[from + i]! - before[i]!
    if (step === 0) return 'same'
    return step % 10 === 0 ? 'decimal' : 'binary'
  }

  function keep(bytes: Uint8Array, from: number, to: number): void {
    beforeLength = Math.min(64, to - from)
    for (let i = 0; i < beforeLength; i++) before[i] = bytes[from + i]!
  }

  function keepText(text: string): void {
    const bytes = bytesOf(text)
    keep(bytes, 0, bytes.length)
  }

  return {
    definition,
    processes,
    fits(bytes, start, end, where) {
      arrive(where)
      if (alone) {
        alone = false
        const text = textOf(bytes, start, end)
        first = { kind: 'fits', text, place: { ...where } }
        if (wide) keepText(text)
      } else fit(bytes, start, end)
    },
    misfit(seen, where) {
      arrive(where)
      if (alone) {
        alone = false
        first = { kind: 'misfit', text: seen, place: { ...where } }
      } else misfitRow(seen)
    },
    state() {
      settle()
      for (let i = 0; i < count; i++) catchUp(i)
      return {
        first,
        rows,
        sums: mark().known,
        runs: [...runs],
        starts: [...starts],
        formedStarts: [...formedStarts],
        clean: { fronts: [...fronts], ...limits.texts(), heads: heads ? heads.heads() : [] },
        shorts: shorts.values(),
        could: [...could],
        untouched: [...untouched],
        others,
        repeats,
        last: beforeLength < 0 ? '' : textOf(before, 0, beforeLength),
      }
    },
  }
}

/** What two parts say, one behind the other: the same as if all rows had been one part. */
export function joinedEvidence(
  definition: Definition,
  a: EvidenceState,
  b: EvidenceState,
): EvidenceState {
  if (!b.first) return a
  if (!a.first) return b
  return behind(fed(definition, a, b.first), b)
}

/** The state of all rows there are: the first value has nothing before it. */
export function settled(definition: Definition, state: EvidenceState): EvidenceState {
  if (!state.first) return state
  const empty = columnEvidence(definition).state()
  return { ...behind(fed(definition, empty, state.first), state), first: undefined }
}

function fed(definition: Definition, state: EvidenceState, row: Row): EvidenceState {
  const evidence = columnEvidence(definition, state)
  const bytes = bytesOf(row.text)
  if (row.kind === 'fits') evidence.fits(bytes, 0, bytes.length, row.place)
  else evidence.misfit(row.text, row.place)
  return evidence.state()
}

function behind(a: EvidenceState, b: EvidenceState): EvidenceState {
  const move = ({ row, known }: Place): Place => ({
    row: row + a.rows,
    known: added(a.sums, known),
  })
  return {
    first: a.first,
    rows: a.rows + b.rows,
    sums: added(a.sums, b.sums),
    runs: a.runs.map((run, i) => joined(run, b.runs[i]!, move)),
    starts: sumOf(a.starts, b.starts),
    formedStarts: sumOf(a.formedStarts, b.formedStarts),
    clean: joinedClean(a.clean, b.clean),
    shorts: joinedShorts(a.shorts, b.shorts, a.rows),
    could: sumOf(a.could, b.could),
    untouched: sumOf(a.untouched, b.untouched),
    others: a.others + b.others,
    repeats: a.repeats + b.repeats,
    last: b.rows > 0 || b.last ? b.last : a.last,
  }
}

const joinedClean = (a: Clean, b: Clean): Clean => ({
  fronts: sumOf(a.fronts, b.fronts),
  least: !b.least || (a.least && a.least < b.least) ? a.least : b.least,
  most: a.most > b.most ? a.most : b.most,
  heads: joinedHeads(a.heads, b.heads),
})

/** Of no rows, what is counted for all processes together. */
export const NOTHING = {
  fits: 0,
  misfits: 0,
  short: 0,
  wide: 0,
  zeros: 0,
  formed: 0,
  padded: 0,
  tiny: 0,
  percents: 0,
  hundreds: 0,
  reads: 0,
  place: { index: 0, line: 0, offset: 0 },
}

const sumOf = (a: readonly number[], b: readonly number[]) => a.map((one, i) => one + b[i]!)

function added(a: Sums, b: Sums): Sums {
  return {
    place: b.place,
    fits: a.fits + b.fits,
    misfits: a.misfits + b.misfits,
    short: a.short + b.short,
    wide: a.wide + b.wide,
    zeros: a.zeros + b.zeros,
    formed: a.formed + b.formed,
    padded: a.padded + b.padded,
    tiny: a.tiny + b.tiny,
    percents: a.percents + b.percents,
    hundreds: a.hundreds + b.hundreds,
    scores: sumOf(a.scores, b.scores),
    extra: sumOf(a.extra, b.extra),
    hits: sumOf(a.hits, b.hits),
    reads: a.reads + b.reads,
    readsToo: sumOf(a.readsToo, b.readsToo),
    readsExtra: sumOf(a.readsExtra, b.readsExtra),
    digits: sumOf(a.digits, b.digits),
    plain: sumOf(a.plain, b.plain),
    ending: sumOf(a.ending, b.ending),
    fresh: sumOf(a.fresh, b.fresh),
    again: sumOf(a.again, b.again),
    held: sumOf(a.held, b.held),
    near: sumOf(a.near, b.near),
  }
}

// Values that fit and are watched this closely are digits, letters and separators of ASCII.
const textOf = (bytes: Uint8Array, start: number, end: number) =>
  String.fromCharCode(...bytes.subarray(start, Math.min(end, start + 64)))
const bytesOf = (text: string) => Uint8Array.from(text, (char) => char.charCodeAt(0) & 0xff)

const MOST_DIGITS = 18

// Digits before an exponent.
function shownDigits(seen: string): number | undefined {
  for (const { text } of unmark(seen))
    for (const { exponent, significant } of numberTexts(text)) if (exponent) return significant
  return undefined
}

// The digits of a printed integer, the reading that can be a value where there are several; undefined for
// anything else.
function printed(seen: string, space: Space): string | undefined {
  let first: bigint | undefined
  for (const { text } of unmark(seen)) {
    if (/^\d+$/.test(text)) return text
    const values = numberTexts(text).map((number) =>
      number.negative ? undefined : integerOf(number),
    )
    for (const value of [...values, ...unscaled(text).map((one) => one.value)]) {
      if (value === undefined) continue
      if (space.count(value, value).count > 0n) return value.toString()
      first ??= value
    }
  }
  return first?.toString()
}

const isNear = (bytes: Uint8Array, start: number, end: number, text: string): boolean => {
  if (end - start !== text.length) return end - start > text.length
  for (let i = 0; i < text.length; i++) {
    const order = bytes[start + i]! - text.charCodeAt(i)
    if (order !== 0) return order > 0
  }
  return true
}

function countOf({ originals }: Hypothesis, space: Space): bigint {
  if (originals.kind === 'texts') return BigInt(originals.texts.length)
  if (originals.kind === 'subset') return roughly(originals.subset)
  return space.count(originals.low, originals.high).count
}

// Beside one value of digits, those of which the number is the front.
const timesAsLikely = (ways: readonly Hypothesis[]) =>
  ways.reduce((most, { process, weight }) => {
    const times = process === 'front' ? BigInt(Math.round(weight / TOGETHER.front)) : 1n
    return times > most ? times : most
  }, 1n)

// A few steps are counted, as a check digit leaves none of them, maybe; of many the bound will do.
const roughly = (subset: Subset) => (subset.bound <= FEW_STEPS ? subset.count : subset.bound)

const isDigit = (code: number) => code >= 48 && code <= 57
