// What the rows of a column say together: for each process the runs of rows that speak for it, and what is counted of all
// rows, one row at a time.

import { isDigit } from '../../identifier/codes.js'
import type { Definition } from '../../identifier/definition.js'
import { remembered } from '../../identifier/remembered.js'
import { spaceOf, widestNumber } from '../../identifier/space.js'
import type { RecordPlace } from '../../rows/reader.js'
import { collector } from '../short/short-values.js'
import { saysNothing } from '../ways/no-value.js'
import { cleanValues } from './clean-values.js'
import type { EvidenceState, Place } from './evidence-state.js'
import { firstDigits } from './first-digits.js'
import { fitReader } from './fit-evidence.js'
import { goingOn } from './going-on.js'
import { handCounter } from './hand-counter.js'
import { countDigits, countMisfit, isShort } from './misfit-counts.js'
import { misfitReader, type Misfit } from './misfit-evidence.js'
import { letteredCounter } from './lettered.js'
import { narrowBlocks, ownWidths } from './narrow-blocks.js'
import { bytesOf, textOf } from './printed-digits.js'
import { IN, type Process } from './process.js'
import { processRuns } from './process-runs.js'
import { processesOf } from './processes.js'
import { sequence, type Again } from './sequence.js'
import { copyOf, noSums } from './sums.js'
import { usualClasses, usualValues, type Answer } from './usual.js'
import { firstDigit, isDigits, startOf } from './value-bytes.js'
import { zeroEndings } from './zero-endings.js'

export interface ColumnEvidence {
  readonly definition: Definition
  readonly processes: readonly Process[]
  /** A value that fits. True where it is exactly the limit of a type: such a one has to be judged as well. */
  fits(bytes: Uint8Array, start: number, end: number, place: RecordPlace): boolean
  /** A value that does not fit. One that is blank, or a word or mark in place of a value, says nothing. */
  misfit(seen: string, place: RecordPlace): void
  state(): EvidenceState
}

/** What stands for a value that is not there, or that a type could not hold, as often as for itself. */
const MINUS_ONE = '-1'
type Found = Misfit['found']
type Said = Answer['said'][number]

// What reads the values of a definition, and learns of them as they come; nothing of it depends on the rows before.
const readersOf = remembered((definition: Definition) => {
  const processes = processesOf(definition)
  const mixed = spaceOf(definition).layouts.some(({ places }) =>
    places.some(({ chars }) => !chars.every(isDigit)),
  )
  const fitting = fitReader(processes, mixed)
  const classes = usualClasses(processes, mixed, fitting.says)
  const saysOf = misfitReader(definition, processes)
  return { processes, mixed, fitting, classes, saysOf, goesOn: goingOn(processes) }
})

/** @param from what the rows before have said; nothing at the start of a part */
export function columnEvidence(definition: Definition, from?: EvidenceState): ColumnEvidence {
  const { processes, mixed, fitting, saysOf, classes, goesOn } = readersOf(definition)
  const space = spaceOf(definition)
  const widest = space.widest || widestNumber(space)
  const wide = processes.some(({ rounds }) => rounds)
  const count = processes.length
  const zeros = () => Array<number>(count).fill(0)
  const now = copyOf(from?.sums ?? noSums(count))
  const runs = processRuns(processes, now, from?.runs)
  // The row's place is the reader's and changes: what is kept of it is a copy.
  const { place } = now
  const arrive = ({ index, line, offset }: RecordPlace) => {
    place.index = index
    place.line = line
    place.offset = offset
  }
  let rows = from?.rows ?? 0
  const digits = firstDigits(now, widest, from)
  const clean = cleanValues(space, from?.clean)
  const padding = definition.zeros === 'padding'
  const narrow = narrowBlocks(ownWidths(definition), from?.narrow)
  const endings = zeroEndings(from?.endings)
  const lettered = letteredCounter(space, from?.lettered)
  const shorts = collector(from?.shorts)
  const standing = new Map(from?.standing)
  const hands = handCounter(processes, widest, from?.hands)
  const could = from ? [...from.could] : zeros()
  const untouched = from ? [...from.untouched] : zeros()
  const markedCould = from ? [...from.markedCould] : zeros()
  const markedUntouched = from ? [...from.markedUntouched] : zeros()
  const atLimit = from ? [...from.atLimit] : zeros()
  let others = from?.others ?? 0
  let repeats = from?.repeats ?? 0
  let first = from?.first
  let alone = from === undefined
  const before = sequence(from?.last)
  let lastMisfit = from?.lastMisfit ?? ''

  const usual = usualValues(classes)

  const mark = (): Place => ({ row: rows, known: copyOf(now) })

  // Bits for each process for which this row speaks, in order; `end` counts the row.
  function row(said: readonly Said[], end: () => void): void {
    settle()
    const count = () => {
      end()
      rows++
    }
    runs.row(said, { mark, count })
  }

  // What many said is added as what one says, so many times.
  function note({ said, held, near }: Answer, count: number): void {
    for (const i of held) now.held[i]! += count
    for (const i of near) now.near[i]! += count
    for (const [i, more] of said) {
      now.scores[i]! += more * count
      runs.owe(i, more * count)
    }
    countRounded(said, count, could, untouched)
  }
  function countRounded(
    said: Answer['said'],
    count: number,
    could: number[],
    untouched: number[],
  ): void {
    for (const [i, more] of said) {
      const { rounds, usual } = processes[i]!
      if (!rounds) continue
      if (more + usual > 0) could[i]! += count
      else untouched[i]! += count
    }
  }
  const settle = () => usual.drain(note)

  // `shown`: processes that the marks around it speak for.
  function fit(bytes: Uint8Array, from: number, to: number, shown: Found = []): boolean {
    let limit = false
    const digit = bytes[from]! - 48
    const start = startOf(bytes, from, to)
    digits.fits(start)
    narrow.take(to - (padding ? firstDigit(bytes, from, to) : from), start, place)
    const number = !mixed || isDigits(bytes, from, to)
    if (!number) now.spelt++
    if (digit === 0 && to - from > 1) now.zeros++
    else if (digit >= 0 && digit <= 9) now.wide++
    clean.take(bytes, from, to, number)
    endings.take(bytes, from, to, number, place)
    if (shown.length === 0 && usual.take(bytes, from, to)) {
      if (wide) other(before.goesOn(bytes, from, to))
      now.fits++
      rows++
    } else
      limit = speak(
        classes.answerTo(bytes, from, to),
        wide ? before.goesOn(bytes, from, to) : 'no',
        shown,
        bytes,
        from,
        to,
      )
    if (wide) before.keep(bytes, from, to)
    return limit
  }

  const withShown = (said: readonly Said[], shown: Found): Said[] =>
    [...said, ...shown.map(([i]): Said => [i, IN - processes[i]!.usual])].sort(([a], [b]) => a - b)

  function other(how: Again): void {
    others++
    if (how === 'same') repeats++
  }

  // A value that may speak for a process; not if it repeats what the row before it said. That it does is to be weighed
  // later, when it is known whether others repeat as well. True where it is exactly the limit of a type.
  function speak(
    answer: Answer,
    how: Again,
    shown: Found,
    bytes: Uint8Array,
    from: number,
    to: number,
  ): boolean {
    const { said, held, near } = answer
    // Where it speaks for none it is counted like a usual one.
    if (shown.length === 0 && !said.some(([i, more]) => more + processes[i]!.usual > 0)) {
      note(answer, 1)
      if (wide) other(how)
      now.fits++
      rows++
      return false
    }
    let limit = false
    const seen = () => textOf(bytes, from, to)
    for (const i of held) now.held[i]!++
    for (const i of near) now.near[i]!++
    countRounded(said, 1, could, untouched)
    if (shown.length > 0) countRounded(said, 1, markedCould, markedUntouched)
    const { printed, going, fresh, isNoFilling } = goesOn(said, how)
    if (wide && printed.length === 0) other(how)
    const told = shown.length === 0 ? fresh : withShown(fresh, shown)
    const speaking: Said[] = []
    for (const [i, more] of told) {
      const { usual, exactly } = processes[i]!
      if (more + usual === exactly) {
        limit = true
        atLimit[i]!++
      }
      const score = more + usual + (going.get(i) ?? 0)
      if (score > 0) speaking.push([i, score])
      else runs.owe(i, more)
    }
    const end = () => {
      now.fits++
      for (const [i, more] of told) now.scores[i]! += more
      for (const [i] of shown) now.hits[i]!++
      if (printed.some(([i]) => processes[i]!.id === 'short-display') && how !== 'same')
        countDigits(now, seen())
      for (const one of printed) {
        const [i] = one
        now.again[i]! += going.get(i) ?? 0
        if (how === 'same') continue
        now.coarser[i]! += processes[i]!.coarser?.(bytes, from, to) ?? 0
        const isAlone = how === 'no' && !isNoFilling(one, seen) && !before.isNear(bytes, from, to)
        now.fresh[i]! += isAlone ? 1 : 2
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
    const misfit = saysOf(seen)
    const { marked, found, quiet, bare, way } = misfit
    const short = isShort(misfit, widest)
    standing.set(way, (standing.get(way) ?? 0) + 1)
    if (marked !== undefined) {
      const bytes = bytesOf(marked)
      now.marked++
      if (bytes[0] === 48 && bytes.length > 1) now.markedZeros++
      fit(bytes, 0, bytes.length, found)
      lastMisfit = ''
      return
    }
    narrow.misfit(place)
    lettered.take(seen)
    row(
      found.map(([i]) => [i, quiet.get(i) ?? IN]),
      () => {
        countMisfit(now, processes, widest, seen, misfit, seen === lastMisfit)
        if (short) shorts.add(bare!, rows)
        hands.take(seen, misfit, seen === lastMisfit, rows)
        digits.misfit(seen, misfit, short)
      },
    )
    before.forget()
    lastMisfit = seen
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
        digits.fits(startOf(bytes, start, end), true)
        if (wide) before.keep(bytes, start, end)
        return fitting.isLimit(bytes, start, end)
      }
      return fit(bytes, start, end)
    },
    misfit(seen, where) {
      if (saysNothing(seen) || seen === MINUS_ONE) return
      arrive(where)
      if (alone) {
        alone = false
        first = { kind: 'misfit', text: seen, place: { ...where } }
        lastMisfit = seen
        const misfit = saysOf(seen)
        digits.firstMisfit(misfit, isShort(misfit, widest))
      } else misfitRow(seen)
    },
    state() {
      settle()
      return {
        first,
        rows,
        sums: mark().known,
        runs: runs.all(),
        ...digits.kept(),
        clean: clean.clean(),
        narrow: narrow.blocks(),
        endings: endings.endings(),
        lettered: lettered.lettered(),
        standing: [...standing].sort(([a], [b]) => a - b),
        shorts: shorts.values(),
        hands: hands.hands(),
        could: [...could],
        untouched: [...untouched],
        markedCould: [...markedCould],
        markedUntouched: [...markedUntouched],
        atLimit: [...atLimit],
        others,
        repeats,
        last: before.last(),
        lastMisfit,
      }
    },
  }
}
