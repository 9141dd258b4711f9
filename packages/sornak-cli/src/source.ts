// An input as a file that can be read twice. Standard input and other encodings are first kept in a
// private temporary file that has no name any more; the input itself is never changed.

import { isUtf8 } from 'node:buffer'
import { closeSync, fstatSync, mkdtempSync, openSync, readSync, rmSync, writeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { systemReason, unreadable, usage } from './stop.js'

export interface Source {
  /** As the user named it. */
  readonly name: string
  readonly fd: number
  readonly size: number
  close(): void
}

const CHUNK = 1024 * 1024

export function openSource(path: string, name: string, encoding: string | undefined): Source {
  const fd = path === '-' ? keep(name, standardInput()) : open(path, name)
  const mark = Buffer.alloc(4)
  const length = readSync(fd, mark, 0, 4, 0)
  const given =
    encoding === undefined ? markedEncoding(mark.subarray(0, length)) : encodingNamed(encoding)
  if (given === undefined) return source(name, fd)
  const again = keep(name, decoded(fd, given))
  closeSync(fd)
  return source(name, again)
}

function source(name: string, fd: number): Source {
  return { name, fd, size: fstatSync(fd).size, close: () => closeSync(fd) }
}

function open(path: string, name: string): number {
  let fd: number
  try {
    fd = openSync(path, 'r')
  } catch (error) {
    throw unreadable(`${name} cannot be read: ${systemReason(error)}.`)
  }
  const stat = fstatSync(fd)
  if (stat.isDirectory()) {
    closeSync(fd)
    throw unreadable(`${name} cannot be read: it is a directory.`, 'Name the files in it.')
  }
  if (stat.isFile()) return fd
  const kept = keep(name, bytesOf(fd))
  closeSync(fd)
  return kept
}

// The file loses its name at once: nobody else can open it, and nothing is left behind.
function keep(name: string, chunks: Iterable<Uint8Array>): number {
  try {
    const dir = mkdtempSync(join(tmpdir(), 'sornak-'))
    const path = join(dir, 'input')
    const fd = openSync(path, 'wx+', 0o600)
    rmSync(dir, { recursive: true })
    for (const chunk of chunks) for (let at = 0; at < chunk.length;) at += writeSync(fd, chunk, at)
    return fd
  } catch (error) {
    throw unreadable(`${name} cannot be kept in a temporary file: ${systemReason(error)}.`)
  }
}

const standardInput = (): Iterable<Uint8Array> => bytesOf(0)

function* bytesOf(fd: number): Iterable<Uint8Array> {
  const buffer = Buffer.alloc(CHUNK)
  for (;;) {
    let size: number
    try {
      size = readSync(fd, buffer, 0, CHUNK, null)
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException
      if (code === 'EOF') return
      if (code !== 'EAGAIN') throw error
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 10)
      continue
    }
    if (size === 0) return
    yield buffer.subarray(0, size)
  }
}

function* decoded(fd: number, encoding: string): Iterable<Uint8Array> {
  const decoder = new TextDecoder(encoding)
  const buffer = Buffer.alloc(CHUNK)
  for (let at = 0; ;) {
    const size = readSync(fd, buffer, 0, CHUNK, at)
    if (size === 0) break
    at += size
    yield Buffer.from(decoder.decode(buffer.subarray(0, size), { stream: true }))
  }
  yield Buffer.from(decoder.decode())
}

function markedEncoding(start: Uint8Array): string | undefined {
  if (start[0] === 0xff && start[1] === 0xfe) return 'utf-16le'
  if (start[0] === 0xfe && start[1] === 0xff) return 'utf-16be'
  return undefined
}

function encodingNamed(label: string): string | undefined {
  let known: string
  try {
    known = new TextDecoder(label).encoding
  } catch {
    throw usage(
      `There is no encoding "${label}".`,
      'Write utf-8, utf-16le, windows-1252, iso-8859-1, or another name of the WHATWG Encoding standard.',
    )
  }
  return known === 'utf-8' ? undefined : known
}

/** Tests bytes that come in pieces for UTF-8, and says on which line the first wrong one stands. */
export function utf8Check(name: string): { feed(bytes: Uint8Array): void; end(): void } {
  let carry: Uint8Array = new Uint8Array(0)
  let line = 1
  const test = (bytes: Uint8Array) => {
    if (!isUtf8(bytes)) throw notUtf8(name, bytes, line)
  }
  return {
    feed(bytes) {
      const whole = carry.length ? Buffer.concat([carry, bytes]) : bytes
      const cut = whole.length - openTail(whole)
      test(whole.subarray(0, cut))
      for (let at = whole.indexOf(10); at >= 0 && at < cut; at = whole.indexOf(10, at + 1)) line++
      carry = whole.slice(cut)
    },
    end: () => test(carry),
  }
}

// Bytes at the end that begin a character and do not end it.
function openTail(bytes: Uint8Array): number {
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
