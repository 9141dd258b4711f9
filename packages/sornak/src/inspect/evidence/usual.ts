// Of values that fit, nearly all say the same of every process as others of their length and first digits do: they
// are past all limits or below them, and no rounding could have printed them. Such values are only counted; what
// they said is added up when somebody wants to know.

import type { Alike, Process } from './process.js'
import { holdsZero, isDigits, losesZeros, lowBits } from './value-bytes.js'

/** What a value says: what it adds to the score of each process, and which limits it comes up to. */
export interface Answer {
  readonly said: readonly (readonly [process: number, more: number])[]
  readonly held: readonly number[]
  readonly near: readonly number[]
}

/** The classes into which values fall, as far as they were met. */
export interface UsualClasses {
  /** The number of the class to which a value belongs that is a usual one; undefined for others. */
  numberOf(bytes: Uint8Array, start: number, end: number): number | undefined
  answerOf(number: number): Answer
  /** What a value says that is no usual one. */
  answerTo(bytes: Uint8Array, start: number, end: number): Answer
}

export interface UsualValues {
  /** Counts the value, where it is a usual one. */
  take(bytes: Uint8Array, start: number, end: number): boolean
  /** Hands over each answer, and how many values gave it since this was asked last. */
  drain(each: (answer: Answer, count: number) => void): void
}

interface Class {
  readonly alike: Alike
  readonly answer: Answer
  readonly number: number
  /** Processes of which a value may say another thing that is not as usual as those of the class. */
  readonly asked: readonly number[]
  /** What those of the class say of all others. */
  readonly rest: readonly Said[]
}

type Said = Answer['said'][number]

/** Values of digits of one length. */
interface Fronts {
  /** The slot of each front: those in one have the same in common. */
  readonly slots: Uint8Array
  /** The classes of each slot, as far as values of it were met. */
  readonly met: (Class | undefined)[]
}

const LONGEST = 24
/** Values of a length by their first digits, so many of them; */
const FRONT = 4
/** those that start with a zero by whether they hold an 8 or 9. */
const ZERO = 0
const ZERO_HIGH = 1
const FIRST = 2
/** A front whose values have nothing in common. */
const ALONE = 255
/**
 * Values with other characters than digits say nothing of numbers: what they say goes by the separators in them, whether they
 * hold a zero, and whether they would lose one.
 */
const SEPARATORS = [45, 47, 58]

export function usualValues({ numberOf, answerOf }: UsualClasses): UsualValues {
  const counts: number[] = []
  let counted: number[] = []
  return {
    take(bytes, start, end) {
      const number = numberOf(bytes, start, end)
      if (number === undefined) return false
      const before = counts[number] ?? 0
      counts[number] = before + 1
      if (before === 0) counted.push(number)
      return true
    },
    drain(each) {
      for (const number of counted) {
        each(answerOf(number), counts[number]!)
        counts[number] = 0
      }
      counted = []
    },
  }
}

/**
 * @param mixed values may hold other characters than digits
 * @param ask what one value says
 */
export function usualClasses(
  processes: readonly Process[],
  mixed: boolean,
  ask: (bytes: Uint8Array, start: number, end: number) => Answer,
): UsualClasses {
  const tables: (Fronts | undefined)[] = []
  /** Values with other characters, by their length and the separators in them. */
  const others: Class[][] = []
  const classes = new Map<string, Class>()
  const answers: Answer[] = []

  function alikeOf(length: number, front: number): Alike {
    let all: Alike = {}
    for (const { alike } of processes) {
      const one = alike?.(length, front) ?? {}
      all = {
        lastDigit: all.lastDigit === true || one.lastDigit === true,
        bits: Math.min(all.bits ?? 31, one.bits ?? 31),
        zeros: Math.min(all.zeros ?? LONGEST, one.zeros ?? LONGEST),
      }
    }
    return all
  }

  // Between two numbers at which a process turns all fronts say the same; those of the two stand for themselves.
  function frontsOf(length: number): Fronts {
    const turns = processes
      .flatMap((process) => process.turns ?? [])
      .filter((turn) => turn.length === length)
      .map((turn) => Number.parseInt(turn.slice(0, FRONT), 10))
    const slots = new Uint8Array(10 ** FRONT)
    let [slot, from] = [FIRST, 0]
    for (const turn of [...new Set(turns)].sort((a, b) => a - b)) {
      slots.fill(slot++, from, turn)
      slots[turn] = ALONE
      from = turn + 1
    }
    return { slots: slots.fill(slot, from), met: [] }
  }

  function classOf(
    alike: Alike,
    asked: readonly number[],
    bytes: Uint8Array,
    start: number,
    end: number,
  ): Class {
    const answer = ask(bytes, start, end)
    const key = JSON.stringify([alike, asked, answer])
    let one = classes.get(key)
    if (!one) {
      const rest = answer.said.filter(([i]) => !asked.includes(i))
      classes.set(key, (one = { alike, answer, number: answers.length, asked, rest }))
      answers.push(answer)
    }
    return one
  }

  function numberOf(bytes: Uint8Array, start: number, end: number): number | undefined {
    const length = end - start
    if (length === 0 || length > LONGEST) return undefined
    if (mixed && !isDigits(bytes, start, end)) return otherNumber(bytes, start, end)
    const fronts = (tables[length] ??= frontsOf(length))
    const at = placeIn(fronts, bytes, start, end)
    if (at < 0) return undefined
    let found = fronts.met[at]
    if (found === undefined) {
      const isZero = at < 2 * FIRST
      const front = frontOf(bytes, start, end)
      const alike = isZero ? {} : alikeOf(length, front)
      if (!isUsual(alike, bytes, start, end)) return undefined
      const asked = isZero ? [] : askedOf(length, front)
      fronts.met[at] = found = classOf(alike, asked, bytes, start, end)
    }
    return isUsual(found.alike, bytes, start, end) ? found.number : undefined
  }

  function answerTo(bytes: Uint8Array, start: number, end: number): Answer {
    const fronts = tables[end - start]
    const isNumber = fronts && !(mixed && !isDigits(bytes, start, end))
    const place = isNumber ? placeIn(fronts, bytes, start, end) : -1
    const met = place < 0 ? undefined : fronts!.met[place]
    if (!met) return ask(bytes, start, end)
    const { answer, asked, rest } = met
    const said: Said[] = []
    let at = 0
    for (const i of asked) {
      const { usual, fits } = processes[i]!
      const score = fits!(bytes, start, end)
      if (score === usual) continue
      while (at < rest.length && rest[at]![0] < i) said.push(rest[at++]!)
      said.push([i, score - usual])
    }
    while (at < rest.length) said.push(rest[at++]!)
    return { ...answer, said }
  }

  const askedOf = (length: number, front: number) =>
    processes.flatMap(({ alike }, i) =>
      alike && Object.keys(alike(length, front)).length > 0 ? [i] : [],
    )

  function otherNumber(bytes: Uint8Array, start: number, end: number): number | undefined {
    let shape = Number(holdsZero(bytes, start, end)) << SEPARATORS.length
    shape |= Number(losesZeros(bytes, start, end)) << (SEPARATORS.length + 1)
    for (let at = start + 1; at < end; at++) {
      const byte = bytes[at]!
      // What may be a power of ten is looked at one by one.
      if (byte === 69 || byte === 101) return undefined
      const place = SEPARATORS.indexOf(byte)
      if (place >= 0) shape |= 1 << place
    }
    const table = (others[end - start] ??= [])
    return (table[shape] ??= classOf({}, [], bytes, start, end)).number
  }

  return { numberOf, answerOf: (number) => answers[number]!, answerTo }
}

function frontOf(bytes: Uint8Array, start: number, end: number): number {
  let front = 0
  for (let at = start; at < end && at < start + FRONT; at++) front = front * 10 + bytes[at]! - 48
  return front
}

// Each slot twice: without a zero anywhere, and with one. Negative for a front by itself.
function placeIn({ slots }: Fronts, bytes: Uint8Array, start: number, end: number): number {
  const zero = end - start > 1 && bytes[start] === 48
  if (zero) return 2 * (holdsHigh(bytes, start, end) ? ZERO_HIGH : ZERO) + 1
  const slot = slots[frontOf(bytes, start, end)]!
  return slot === ALONE ? -1 : 2 * slot + Number(holdsZero(bytes, start, end))
}

function isUsual(
  { lastDigit, bits = 31, zeros = LONGEST }: Alike,
  bytes: Uint8Array,
  start: number,
  end: number,
): boolean {
  if (lastDigit === true && bytes[end - 1] === 48) return false
  if (zeros < LONGEST && endsInZeros(bytes, start, end, zeros)) return false
  // What is left over of a power of two up to 2^8 is told by the last eight digits.
  return bits > 8 || lowBits(bytes, Math.max(start, end - 8), end, bits) !== 0
}

function endsInZeros(bytes: Uint8Array, start: number, end: number, count: number): boolean {
  for (let at = end - count; at < end; at++) if (at < start || bytes[at] !== 48) return false
  return true
}

function holdsHigh(bytes: Uint8Array, start: number, end: number): boolean {
  for (let at = start; at < end; at++) if (bytes[at]! > 55) return true
  return false
}
