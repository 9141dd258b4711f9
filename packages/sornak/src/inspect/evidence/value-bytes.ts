// A value as the bytes of its digits: what can be told without making a number of it.

/** Whether a value holds nothing but digits. */
export function isDigits(bytes: Uint8Array, start: number, end: number): boolean {
  for (let at = start; at < end; at++) if (bytes[at]! < 48 || bytes[at]! > 57) return false
  return true
}

/** Of a number the first digit that is no zero, or the last one. */
export function firstDigit(bytes: Uint8Array, start: number, end: number): number {
  let at = start
  while (at < end - 1 && bytes[at] === 48) at++
  return at
}

export const leadingZero = (bytes: Uint8Array, start: number, end: number): boolean =>
  end - start > 1 && (bytes[start] === 48 || bytes[start] === 43)

/** Digits, a point or comma, digits: read as a number it loses a zero in front, or one behind. */
export function losesZeros(bytes: Uint8Array, start: number, end: number): boolean {
  let at = start
  while (at < end && isDigits(bytes, at, at + 1)) at++
  const isPoint = bytes[at] === 46 || bytes[at] === 44
  if (!isPoint || at === start || at === end - 1 || !isDigits(bytes, at + 1, end)) return false
  return (at > start + 1 && bytes[start] === 48) || bytes[end - 1] === 48
}

export function holdsZero(bytes: Uint8Array, start: number, end: number): boolean {
  for (let at = start; at < end; at++) if (bytes[at] === 48) return true
  return false
}

export function compare(bytes: Uint8Array, start: number, end: number, text: string): number {
  const longer = end - start - text.length
  if (longer !== 0) return longer
  for (let i = 0; i < text.length; i++) {
    const order = bytes[start + i]! - text.charCodeAt(i)
    if (order !== 0) return order
  }
  return 0
}

// The remainder by a power of two, kept small at every digit.
export function lowBits(bytes: Uint8Array, start: number, end: number, count: number): number {
  const mask = (1 << count) - 1
  let rest = 0
  for (let at = start; at < end; at++) rest = (rest * 10 + bytes[at]! - 48) & mask
  return rest
}

const DIGITS = '0123456789'

export function valueOf(bytes: Uint8Array, start: number, end: number): bigint {
  let text = ''
  for (let at = start; at < end; at++) {
    const byte = bytes[at]!
    if (byte < 48 || byte > 57) return 0n
    text += DIGITS[byte - 48]
  }
  return text === '' ? 0n : BigInt(text)
}

/** Values that start with no two digits, and what stands before the first value. */
export const NO_START = -1

/** The first two digits: 0 to 99; of a single one it and a zero. */
export function startOf(bytes: Uint8Array, from: number, to: number): number {
  const digit = bytes[from]! - 48
  const next = to - from > 1 ? bytes[from + 1]! - 48 : 0
  return digit >= 0 && digit <= 9 && next >= 0 && next <= 9 ? digit * 10 + next : NO_START
}

/** The same of a text of digits; none of a single one, which has no second. */
export const startOfText = (digits: string): number =>
  digits.length > 1 ? Number(digits.slice(0, 2)) : NO_START

export const startsWithoutZero = (start: number): boolean => start >= 10
