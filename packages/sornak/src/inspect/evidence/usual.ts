// Of values that fit, nearly all say the same of every process as others of their length and first digits do: they
// are past all limits or below them, and no rounding could have printed them. Such values are only counted; what
// they said is added up when somebody wants to know.

import type { Alike, Process } from './process.js'
import { holdsZero, isDigits } from './value-bytes.js'

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
}

const LONGEST = 24
/** Values of a length by their first digits, up to so many; */
const FRONT = 4
const FRONTS = 10 ** FRONT
/** those that start with a zero are told apart by whether they hold an 8 or 9. */
const ZERO = FRONTS
const ZERO_HIGH = FRONTS + 1
/** Each front twice: without a zero anywhere, and with one. */
const SLOTS = 2 * (FRONTS + 2)
/** Values with other characters than digits say nothing of numbers: what they say goes by the separators in them. */
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
  const tables: (Class | null | undefined)[][] = []
  /** Values with other characters, by their length and the separators in them. */
  const others: Class[][] = []
  const classes = new Map<string, Class>()
  const answers: Answer[] = []

  // Null where values of this length and front have nothing in common.
  function alikeOf(length: number, slot: number): Alike | null {
    if (slot >= FRONTS) return {}
    let all: Alike = {}
    for (const { alike } of processes) {
      const one = alike ? alike(length, slot) : {}
      if (one === null) return null
      all = {
        lastDigit: all.lastDigit === true || one.lastDigit === true,
        bits: Math.min(all.bits ?? 31, one.bits ?? 31),
        zeros: Math.min(all.zeros ?? LONGEST, one.zeros ?? LONGEST),
      }
    }
    return all
  }

  function classOf(alike: Alike, bytes: Uint8Array, start: number, end: number): Class {
    const answer = ask(bytes, start, end)
    const key = JSON.stringify([alike, answer])
    let one = classes.get(key)
    if (!one) {
      classes.set(key, (one = { alike, answer, number: answers.length }))
      answers.push(answer)
    }
    return one
  }

  function numberOf(bytes: Uint8Array, start: number, end: number): number | undefined {
    const length = end - start
    if (length === 0 || length > LONGEST) return undefined
    if (mixed && !isDigits(bytes, start, end)) return otherNumber(bytes, start, end)
    let front = 0
    for (let at = start; at < end && at < start + FRONT; at++) front = front * 10 + bytes[at]! - 48
    // What is left over of a power of two up to 2^8 is told by the last eight digits.
    let low = 0
    for (let at = Math.max(start, end - 8); at < end; at++) low = low * 10 + bytes[at]! - 48
    let zeros = 0
    while (zeros < length && bytes[end - 1 - zeros] === 48) zeros++
    const high = bytes[start] === 48 && holdsHigh(bytes, start, end)
    const slot = length > 1 && bytes[start] === 48 ? (high ? ZERO_HIGH : ZERO) : front
    const table = (tables[length] ??= Array<Class | undefined>(SLOTS).fill(undefined))
    const at = 2 * slot + Number(holdsZero(bytes, start, end))
    let found = table[at]
    if (found === undefined) {
      const alike = alikeOf(length, slot)
      if (alike && !isUsual(alike, low, zeros)) return undefined
      table[at] = found = alike && classOf(alike, bytes, start, end)
    }
    if (found === null || !isUsual(found.alike, low, zeros)) return undefined
    return found.number
  }

  function otherNumber(bytes: Uint8Array, start: number, end: number): number | undefined {
    let shape = Number(holdsZero(bytes, start, end)) << SEPARATORS.length
    for (let at = start + 1; at < end; at++) {
      const byte = bytes[at]!
      // What may be a power of ten is looked at one by one.
      if (byte === 69 || byte === 101) return undefined
      const place = SEPARATORS.indexOf(byte)
      if (place >= 0) shape |= 1 << place
    }
    const table = (others[end - start] ??= [])
    return (table[shape] ??= classOf({}, bytes, start, end)).number
  }

  return { numberOf, answerOf: (number) => answers[number]! }
}

function isUsual(
  { lastDigit, bits = 31, zeros: most = LONGEST }: Alike,
  low: number,
  zeros: number,
) {
  if (lastDigit === true && zeros > 0) return false
  return zeros < most && (bits > 8 || (low & ((1 << bits) - 1)) !== 0)
}

function holdsHigh(bytes: Uint8Array, start: number, end: number): boolean {
  for (let at = start; at < end; at++) if (bytes[at]! > 55) return true
  return false
}
