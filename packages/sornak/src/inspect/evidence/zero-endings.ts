// Rows one behind the other whose numbers all end in a zero, as one in ten does by chance: what rounding leaves, to however
// many digits. What two parts know joins into what the whole would.

import type { RecordPlace } from '../../rows/reader.js'
import { textOf } from './printed-digits.js'
import { sumOf } from './sums.js'

/** Numbers one behind the other that end in a zero. */
export interface Streak {
  /** The first of them and the last. */
  readonly from: RecordPlace
  readonly to: RecordPlace
  readonly count: number
  /** Numbers before it. */
  readonly before: number
  /** How many of them end in two zeros, and in three. */
  readonly more: readonly number[]
  /** What they start with, without their last digits: each once, and not more than it takes. */
  readonly heads: readonly string[]
  /** How many are the number before them again; and what the first and the last of them are. */
  readonly again: number
  readonly begins: string
  readonly ends: string
}

export interface ZeroEndings {
  /** Values that are numbers, and how many of them end in a zero. */
  readonly numbers: number
  readonly ending: number
  /** Numbers that end in none and are the one before them again; and what the first and the last number are. */
  readonly again: number
  readonly begins: string
  readonly ends: string
  /** The streak with which they begin, where the first ends in a zero; and the one with which they end. */
  readonly first: Streak | undefined
  readonly last: Streak | undefined
  /** The longest of those between that differ in their heads, or repeat themselves as a rounded sequence does. */
  readonly long: readonly Streak[]
}

export interface ZeroEndingsCounter {
  /** A value that fits. @param number it holds nothing but digits */
  take(bytes: Uint8Array, start: number, end: number, number: boolean, place: RecordPlace): void
  endings(): ZeroEndings
}

/** Numbers that are issued one after the other differ in their last digits: they may go on by tens. */
const TAIL = 4
/** So many different heads are no few numbers that come again and again. */
export const MANY_HEADS = 12
const MOST_KEPT = 16
const LONGEST = 64
const ZERO = 48

/** @param from what is known so far; nothing at the start of a part */
export function zeroEndings(from: ZeroEndings = NO_ENDINGS): ZeroEndingsCounter {
  let { numbers, ending, first, long } = from
  let othersAgain = from.again
  let open = from.last !== undefined
  let isFirst = from.last === undefined ? numbers === 0 : isAll(from)
  const begin = { ...NOWHERE, ...from.last?.from }
  const last = { ...NOWHERE, ...from.last?.to }
  let { count = 0, before = 0 } = from.last ?? {}
  let more = [...(from.last?.more ?? NO_MORE)]
  let heads = [...(from.last?.heads ?? [])]
  let { again = 0, begins = '' } = from.last ?? {}
  let firstNumber = from.begins
  // The number before this one, and the first: no texts are made of them before they are asked for.
  const now = new Uint8Array(LONGEST)
  let width = 0
  for (const char of from.ends) now[width++] = char.charCodeAt(0)
  // Most streaks are of one number: no text is made of its head.
  const alone = new Uint8Array(LONGEST)
  let length = 0

  const known = () => {
    if (heads.length === 0) heads.push(textOf(alone, 0, length))
    return heads
  }
  const streak = (): Streak => ({
    from: { ...begin },
    to: { ...last },
    count,
    before,
    more: [...more],
    heads: [...known()],
    again,
    begins: begins || textOf(now, 0, width),
    ends: textOf(now, 0, width),
  })

  function close(): void {
    if (isFirst) first = streak()
    else if (heads.length >= MANY_HEADS || isOfSequence(count, again))
      long = kept([...long, streak()])
    open = false
  }

  function isSame(bytes: Uint8Array, start: number, end: number): boolean {
    if (Math.min(end - start, LONGEST) !== width) return false
    for (let i = width - 1; i >= 0; i--) if (bytes[start + i] !== now[i]) return false
    return true
  }

  function remember(bytes: Uint8Array, start: number, end: number): void {
    width = Math.min(end - start, LONGEST)
    for (let i = 0; i < width; i++) now[i] = bytes[start + i]!
  }

  return {
    take(bytes, start, end, number, place) {
      if (!number) return
      if (numbers === 0) firstNumber = textOf(bytes, start, Math.min(end, start + LONGEST))
      // What starts with a zero is as it was: a number that was rounded has none.
      const isRound = bytes[end - 1] === ZERO && bytes[start] !== ZERO
      if (!isRound) {
        if (open) close()
        else if (isSame(bytes, start, end)) othersAgain++
        isFirst = false
        numbers++
        remember(bytes, start, end)
        return
      }
      if (!open) {
        copy(place, begin)
        open = true
        count = 0
        before = numbers
        more = [...NO_MORE]
        heads = []
        again = 0
        begins = ''
      } else if (isSame(bytes, start, end)) again++
      else if (begins === '') begins = textOf(now, 0, width)
      remember(bytes, start, end)
      copy(place, last)
      count++
      numbers++
      ending++
      for (let i = 0; i < more.length && bytes[end - 2 - i] === ZERO; i++) more[i]!++
      const behind = Math.max(start + 1, end - TAIL)
      if (count === 1) {
        length = Math.min(LONGEST, behind - start)
        for (let i = 0; i < length; i++) alone[i] = bytes[start + i]!
      } else if (heads.length < MANY_HEADS) {
        const head = textOf(bytes, start, behind)
        if (!known().includes(head)) heads.push(head)
      }
    },
    endings() {
      const end = open ? streak() : undefined
      return {
        numbers,
        ending,
        again: othersAgain,
        begins: firstNumber,
        ends: textOf(now, 0, width),
        first: open && isFirst ? end : first,
        last: end,
        long,
      }
    },
  }
}

/** Of a sequence that was rounded several come out as one, and as many as these do not. */
const FEW_STEPS = 4
const OFTEN = 4
export const isOfSequence = (count: number, again: number): boolean =>
  again * OFTEN >= count && count - again >= FEW_STEPS

const NO_MORE: readonly number[] = [0, 0]
const NOWHERE: RecordPlace = { index: 0, line: 0, offset: 0 }
const NO_ENDINGS: ZeroEndings = {
  numbers: 0,
  ending: 0,
  again: 0,
  begins: '',
  ends: '',
  first: undefined,
  last: undefined,
  long: [],
}

function copy(
  { index, line, offset }: RecordPlace,
  to: { -readonly [K in keyof RecordPlace]: RecordPlace[K] },
): void {
  to.index = index
  to.line = line
  to.offset = offset
}

/** All numbers are in one streak. */
const isAll = ({ numbers, last }: ZeroEndings) => last !== undefined && last.count === numbers

// The longest, of those that are as long the first.
const kept = (streaks: readonly Streak[]): readonly Streak[] =>
  [...streaks].sort((a, b) => b.count - a.count || a.before - b.before).slice(0, MOST_KEPT)

export function joinedEndings(a: ZeroEndings, b: ZeroEndings): ZeroEndings {
  if (b.numbers === 0) return a
  if (a.numbers === 0) return b
  const moved = (one: Streak): Streak => ({ ...one, before: one.before + a.numbers })
  const between = together(a.last, b.first && moved(b.first))
  const isLong =
    between && (between.heads.length >= MANY_HEADS || isOfSequence(between.count, between.again))
  const inside = isLong && !isAll(a) && !isAll(b)
  return {
    numbers: a.numbers + b.numbers,
    ending: a.ending + b.ending,
    again: a.again + b.again + (!a.last && !b.first && a.ends === b.begins ? 1 : 0),
    begins: a.begins,
    ends: b.ends,
    first: isAll(a) ? between : a.first,
    last: isAll(b) ? between : b.last && moved(b.last),
    long: kept([...a.long, ...b.long.map(moved), ...(inside ? [between] : [])]),
  }
}

const together = (a: Streak | undefined, b: Streak | undefined): Streak | undefined =>
  a && b
    ? {
        from: a.from,
        to: b.to,
        count: a.count + b.count,
        before: a.before,
        more: sumOf(a.more, b.more),
        heads: [...new Set([...a.heads, ...b.heads])].slice(0, MANY_HEADS),
        again: a.again + b.again + (a.ends === b.begins ? 1 : 0),
        begins: a.begins,
        ends: b.ends,
      }
    : (a ?? b)
