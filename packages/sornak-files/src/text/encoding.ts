// How a text is encoded: by its mark, by the zero bytes of UTF-16, or as the user says (WHATWG Encoding).

import { unbound } from '../problem.js'
import { bytesOf, type Source } from '../source.js'
import { isUtf8, openTail } from './utf8.js'

const CHUNK = 1024 * 1024
const LOOK = 64 * 1024

export interface FoundEncoding {
  /** Undefined for UTF-8. */
  readonly label: string | undefined
  /** It was not said, and is only likely. */
  readonly guessed: boolean
}

/** @throws {FileProblem} `unbound`, for a name that the standard does not have */
export function encodingOf(source: Source, given: string | undefined): FoundEncoding {
  if (given !== undefined) return { label: named(given), guessed: false }
  const head = bytesOf(source, 0, LOOK)
  if (head[0] === 0xff && head[1] === 0xfe) return { label: 'utf-16le', guessed: false }
  if (head[0] === 0xfe && head[1] === 0xff) return { label: 'utf-16be', guessed: false }
  const without = unmarked16(head)
  if (without) return { label: without, guessed: false }
  const whole = head.length === source.size
  const text = whole ? head : head.subarray(0, head.length - openTail(head))
  if (isUtf8(text) || !plausible1252(text)) return { label: undefined, guessed: false }
  return { label: 'windows-1252', guessed: true }
}

// Texts of mostly Western characters have a zero in every second byte.
function unmarked16(head: Uint8Array): string | undefined {
  const zeros = [0, 0]
  for (let at = 0; at < head.length; at++) if (head[at] === 0) zeros[at % 2]!++
  const [even, odd] = zeros as [number, number]
  if (odd * 2 > head.length * 0.7 && even * 20 < odd) return 'utf-16le'
  if (even * 2 > head.length * 0.7 && odd * 20 < even) return 'utf-16be'
  return undefined
}

// Windows-1252 has five bytes without a character, and text has no control characters.
function plausible1252(head: Uint8Array): boolean {
  return head.every(
    (byte) =>
      byte === 9 ||
      byte === 10 ||
      byte === 13 ||
      (byte >= 32 && byte !== 127 && ![0x81, 0x8d, 0x8f, 0x90, 0x9d].includes(byte)),
  )
}

function named(label: string): string | undefined {
  let known: string
  try {
    known = new TextDecoder(label).encoding
  } catch {
    throw unbound(
      `There is no encoding "${label}".`,
      'Write utf-8, utf-16le, windows-1252, iso-8859-1, or another name of the WHATWG Encoding standard.',
    )
  }
  return known === 'utf-8' ? undefined : known
}

/** The text as UTF-8, in pieces. */
export function decoded(source: Source, label: string, take: (bytes: Uint8Array) => void): void {
  const decoder = new TextDecoder(label)
  const encoder = new TextEncoder()
  const buffer = new Uint8Array(CHUNK)
  for (let at = 0; ;) {
    const size = source.read(buffer, at)
    if (size === 0) break
    at += size
    take(encoder.encode(decoder.decode(buffer.subarray(0, size), { stream: true })))
  }
  take(encoder.encode(decoder.decode()))
}
