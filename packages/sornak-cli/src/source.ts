// A file, or standard input, as a source that can be read twice. What is made on the way is kept in private
// temporary files that have no name any more; the input itself is never changed.

import { closeSync, fstatSync, mkdtempSync, openSync, readSync, rmSync, writeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Keeper, Source } from 'sornak-files'
import { systemReason, unreadable } from './stop.js'

/** Opens and keeps files, and closes all of them together. */
export interface Desk {
  open(path: string, name: string): Source
  readonly keep: Keeper
  close(): void
}

const CHUNK = 1024 * 1024

/** Reads an open file at any place. */
export const readerOf = (fd: number): Source['read'] => {
  return (into, at) => readSync(fd, into, 0, into.length, at)
}

export function desk(): Desk {
  const open = new Set<number>()
  const source = (name: string, fd: number): Source => {
    open.add(fd)
    return { name, descriptor: fd, size: fstatSync(fd).size, read: readerOf(fd) }
  }
  const keep: Keeper = (name) => {
    const fd = nameless(name)
    open.add(fd)
    return {
      write: (bytes) => writeWhole(fd, bytes, name),
      done: () => source(name, fd),
    }
  }
  const kept = (name: string, chunks: Iterable<Uint8Array>) => {
    const file = keep(name)
    for (const chunk of chunks) file.write(chunk)
    return file.done()
  }
  return {
    open(path, name) {
      if (path === '-') return kept(name, piecesOf(0))
      const fd = openFile(path, name)
      if (fstatSync(fd).isFile()) return source(name, fd)
      const whole = kept(name, piecesOf(fd))
      closeSync(fd)
      return whole
    },
    keep,
    close() {
      for (const fd of open) closeSync(fd)
      open.clear()
    },
  }
}

function openFile(path: string, name: string): number {
  let fd: number
  try {
    fd = openSync(path, 'r')
  } catch (error) {
    throw unreadable(`${name} cannot be read: ${systemReason(error)}.`)
  }
  if (!fstatSync(fd).isDirectory()) return fd
  closeSync(fd)
  throw unreadable(`${name} cannot be read: it is a directory.`, 'Name the files in it.')
}

// The file loses its name at once: nobody else can open it, and nothing is left behind.
function nameless(name: string): number {
  try {
    const dir = mkdtempSync(join(tmpdir(), 'sornak-'))
    const fd = openSync(join(dir, 'input'), 'wx+', 0o600)
    rmSync(dir, { recursive: true })
    return fd
  } catch (error) {
    throw unkept(name, error)
  }
}

function writeWhole(fd: number, bytes: Uint8Array, name: string): void {
  try {
    for (let at = 0; at < bytes.length;) at += writeSync(fd, bytes, at)
  } catch (error) {
    throw unkept(name, error)
  }
}

const unkept = (name: string, error: unknown) =>
  unreadable(`${name} cannot be kept in a temporary file: ${systemReason(error)}.`)

function* piecesOf(fd: number): Iterable<Uint8Array> {
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
