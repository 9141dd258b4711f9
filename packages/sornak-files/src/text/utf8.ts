// Tests bytes that come in pieces for UTF-8 (RFC 3629), and says on which line the first wrong one stands.

import { unreadable } from '../problem.js'

const strict = new TextDecoder('utf-8', { fatal: true })

export function isUtf8(bytes: Uint8Array): boolean {
  try {
    strict.decode(bytes)
    return true
  } catch {
    return false
  }
}

export interface Utf8Check {
  feed(bytes: Uint8Array): void
  end(): void
}

export function utf8Check(name: string): Utf8Check {
  let carry: Uint8Array = new Uint8Array(0)
  let line = 1
  const test = (bytes: Uint8Array) => {
    if (!isUtf8(bytes)) throw notUtf8(name, bytes, line)
  }
  return {
    feed(bytes) {
      const whole = carry.length ? joined(carry, bytes) : bytes
      const cut = whole.length - openTail(whole)
      test(whole.subarray(0, cut))
      for (let at = whole.indexOf(10); at >= 0 && at < cut; at = whole.indexOf(10, at + 1)) line++
      carry = whole.slice(cut)
    },
    end: () => test(carry),
  }
}

function joined(a: Uint8Array, b: Uint8Array): Uint8Array {
  const whole = new Uint8Array(a.length + b.length)
  whole.set(a)
  whole.set(b, a.length)
  return whole
}

/** Bytes at the end that begin a character and do not end it. */
export function openTail(bytes: Uint8Array): number {
  for (let back = 1; back <= Math.min(3, bytes.length); back++) {
    const byte = bytes[bytes.length - back]!
    if (byte < 0x80) return 0
    if (byte >= 0xc0) return back < (byte >= 0xf0 ? 4 : byte >= 0xe0 ? 3 : 2) ? back : 0
  }
  return 0
}

function notUtf8(name: string, bytes: Uint8Array, line: number) {
  let low = 0
  let high = bytes.length
  while (low < high) {
    const middle = (low + high + 1) >> 1
    const part = bytes.subarray(0, middle)
    if (isUtf8(part.subarray(0, middle - openTail(part)))) low = middle
    else high = middle - 1
  }
  low -= openTail(bytes.subarray(0, low))
  for (let at = 0; at < low; at++) if (bytes[at] === 10) line++
  const byte = bytes[low]?.toString(16).toUpperCase().padStart(2, '0') ?? '??'
  return unreadable(
    `${name}:${line}  The byte 0x${byte} on line ${line} is not UTF-8.`,
    'Say how the file is encoded, for example --encoding windows-1252, or save it as UTF-8.',
  )
}
