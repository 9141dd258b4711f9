// What the rows of a column say together: for each process the runs of rows that speak for it, and what is counted of all
// rows, one row at a time.

import { plainDigits } from '../channel/number-text.js'
import type { Definition } from '../identifier/definition.js'
import { spaceOf, widestNumber } from '../identifier/space.js'
import type { RecordPlace } from '../rows/reader.js'
import { NOTHING, type EvidenceState, type Place, type Sums } from './evidence-state.js'
import { misfitReader } from './misfit-evidence.js'
import { bytesOf, shownDigits, textOf } from './printed-digits.js'
import { bits, IN, isDigits, OUT, processesOf, UNIT, type Process } from './processes.js'
import { faded, noRows, withRow } from './run-state.js'
import { hasHeads, headCounter } from './short/heads.js'
import { limitsOf } from './short/limits.js'
import { collector } from './short/short-values.js'
import { isPlain } from './short/story.js'
import { usualValues, type Answer } from './usual.js'
import { saysNothing } from './verdict.js'
import { REPEAT, RUN_BITS } from './weights.js'

export interface ColumnEvidence {
  readonly definition: Definition
  readonly processes: readonly Process[]
  /** A value that fits. True where it is exactly the limit of a type: such a one has to be judged as well. */
  fits(bytes: Uint8Array, start: number, end: number, place: RecordPlace): boolean
  /** A value that does not fit. One that is blank, or a word or mark in place of a value, says nothing. */
  misfit(seen: string, place: RecordPlace): void
  state(): EvidenceState
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
  const asked = processes.flatMap((process, i) => (process.fits ? [{ i, fits: process.fits }] : []))
  const saysOf = misfitReader(definition, processes)
  const nearTexts = processes.map(({ nearly }) => `${nearly ?? ''}`)
  const unasked = processes.flatMap(({ fits, usual, ofDigits }, i) =>
    ofDigits && !fits && usual !== 0 ? [[i, -usual] as const] : [],
  )
  const space = spaceOf(definition)
  const widest = space.widest || widestNumber(space)
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
    spelt,
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
  const atLimit = copy(from?.atLimit)
  let others = from?.others ?? 0
  let repeats = from?.repeats ?? 0
  let first = from?.first
  let alone = from === undefined
  const before = new Uint8Array(64)
  let beforeLength = -1
  if (from?.last) keepText(from.last)
  let lastMisfit = from?.lastMisfit ?? ''

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
      spelt,
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

  const isLimit = (bytes: Uint8Array, from: number, to: number) =>
    processes.some(
      ({ exactly, fits: ask }) => exactly !== undefined && ask!(bytes, from, to) === exactly,
    )

  function fit(bytes: Uint8Array, from: number, to: number): boolean {
    let limit = false
    const digit = bytes[from]! - 48
    const next = to - from > 1 ? bytes[from + 1]! - 48 : 0
    if (digit >= 0 && digit <= 9 && next >= 0 && next <= 9) starts[digit * 10 + next]!++
    const number = !mixed || isDigits(bytes, from, to)
    if (!number) spelt++
    if (digit === 0 && to - from > 1) {
      zeroed++
      behindZeros(bytes, from, to)
    } else if (digit >= 0 && digit <= 9) {
      full++
      if (digit < fronts.length) fronts[digit]!++
    }
    // What ends in a letter, as a check digit of eleven kinds may, is no number.
    if (number && digit >= 0 && digit <= 9) limits.take(bytes, from, to)
    if (heads && to - from === space.widest) heads.take(bytes, from)
    if (usual.take(bytes, from, to)) {
      if (wide) other(againOf(bytes, from, to))
      fits++
      rows++
    } else limit = speak(answer(bytes, from, to), wide ? againOf(bytes, from, to) : 'no')
    if (wide) keep(bytes, from, to)
    return limit
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
  // later, when it is known whether others repeat as well. True where it is exactly the limit of a type.
  function speak({ said, held: within, near: close }: Answer, how: Again): boolean {
    let limit = false
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
      const { usual, exactly } = processes[i]!
      if (more + usual === exactly) {
        limit = true
        atLimit[i]!++
      }
      const score = more + usual + (going.get(i) ?? 0)
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
    return limit
  }

  function misfitRow(seen: string): void {
    const { found, quiet, isRead, inForm, percent, isShortened, bare, stands } = saysOf(seen)
    // The same value again: that many originals come out as it is said already, but of one that is held at a limit.
    const repeated = seen === lastMisfit
    row(
      found.map(([i]) => [i, quiet.get(i) ?? IN]),
      () => {
        misfits++
        if (isRead) reads++
        if (inForm) formed++
        if (percent) percents++
        if (percent === 'hundredfold') hundreds++
        if (isShortened && !repeated) countDigits(seen)
        if (/^0\d+$/.test(seen)) padded++
        if (bare !== undefined && bare.length < widest && !stands) {
          narrow++
          shorts.add(bare, rows)
          if (bare.length * 2 <= widest) tiny++
        } else if (bare !== undefined) {
          full++
          if (bare.length === widest && bare.length > 1)
            formedStarts[Number.parseInt(bare.slice(0, 2), 10)]!++
        }
        for (const [i, many] of found) {
          scores[i]! += IN - OUT
          hits[i]!++
          const more = repeated && !processes[i]!.id.startsWith('clamped') ? 0 : bits(many)
          extra[i]! += more
          if (isRead) {
            readsToo[i]!++
            readsExtra[i]! += more
          }
          const { nearly, max } = processes[i]!
          // A signed type has as many numbers below zero.
          const size = max === undefined ? bare : (bare ?? /^-(\d+)$/.exec(seen)?.[1])
          if (nearly === undefined || size === undefined) continue
          if (max === undefined && size.length >= widest) continue
          held[i]!++
          if (BigInt(size) >= nearly) near[i]!++
        }
      },
    )
    beforeLength = -1
    lastMisfit = seen
  }

  function countDigits(seen: string): void {
    const shown = shownDigits(seen)
    const long = plainDigits(seen)
    if (shown !== undefined) digits[Math.min(MOST_DIGITS, shown)]!++
    else if (long > 0) {
      plain[Math.min(MOST_DIGITS, long)]!++
      if (long < seen.length) ending[long]!++
    }
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
      lastMisfit = ''
      if (alone) {
        alone = false
        const text = textOf(bytes, start, end)
        first = { kind: 'fits', text, place: { ...where } }
        if (wide) keepText(text)
        return isLimit(bytes, start, end)
      }
      return fit(bytes, start, end)
    },
    misfit(seen, where) {
      if (saysNothing(seen)) return
      arrive(where)
      if (alone) {
        alone = false
        first = { kind: 'misfit', text: seen, place: { ...where } }
        lastMisfit = seen
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
        atLimit: [...atLimit],
        others,
        repeats,
        last: beforeLength < 0 ? '' : textOf(before, 0, beforeLength),
        lastMisfit,
      }
    },
  }
}

const isNear = (bytes: Uint8Array, start: number, end: number, text: string): boolean => {
  if (end - start !== text.length) return end - start > text.length
  for (let i = 0; i < text.length; i++) {
    const order = bytes[start + i]! - text.charCodeAt(i)
    if (order !== 0) return order > 0
  }
  return true
}

const MOST_DIGITS = 18

const isDigit = (code: number) => code >= 48 && code <= 57
