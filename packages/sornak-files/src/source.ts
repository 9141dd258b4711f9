// Bytes that can be read anywhere and more than once: a file, a part of memory, a file dropped on a page
// (read by a worker). Reading is synchronous, so that nothing stands between the bytes and the scanner.

import type { Storage } from 'sornak'

export interface Source {
  /** As the user named it, with the sheet or table behind a `#` where there is one. */
  readonly name: string
  /** The same in two parts. */
  readonly file?: string
  readonly sheet?: string | undefined
  /** In bytes. */
  readonly size: number
  /** Fills `into` from byte `at` on; how many bytes there were. */
  read(into: Uint8Array, at: number): number
  /** What separates the fields of its text; found where it is left out. */
  readonly shape?: { readonly delimiter?: string | undefined; readonly quote?: string | undefined }
  /** The open file that it is, where other threads of the process may read it too. */
  readonly descriptor?: number
  /** How the values were stored, where the bytes were made out of another format. */
  readonly storage?: Storage
}

/** So much of the whole is done, in bytes. */
export interface Progress {
  at(done: number, whole: number): void
  clear(): void
}

export const noProgress: Progress = { at: () => {}, clear: () => {} }

export function memorySource(name: string, bytes: Uint8Array, storage?: Storage): Source {
  return {
    name,
    size: bytes.length,
    ...(storage && { storage }),
    read(into, at) {
      const part = bytes.subarray(at, at + into.length)
      into.set(part)
      return part.length
    },
  }
}

/** Bytes from one to another; fewer where they end before. */
export function bytesOf(source: Source, from: number, to: number): Uint8Array {
  const bytes = new Uint8Array(Math.max(0, Math.min(to, source.size) - from))
  let filled = 0
  while (filled < bytes.length) {
    const size = source.read(bytes.subarray(filled), from + filled)
    if (size === 0) break
    filled += size
  }
  return bytes.subarray(0, filled)
}

/** Signals, progress and messages get their turn. */
export const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0))

/** Keeps bytes that were made, so that they can be read again. */
export interface Kept {
  write(bytes: Uint8Array): void
  /** Everything was written. */
  done(): Source
}
export type Keeper = (name: string) => Kept
