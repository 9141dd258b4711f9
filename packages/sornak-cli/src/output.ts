// Where results go: standard output, or a file that is written beside its name and renamed when whole.

import {
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  realpathSync,
  renameSync,
  rmSync,
  writeSync,
} from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { STATUS, Stop, systemReason, unreadable, usage } from './stop.js'

export interface Output {
  /** Bytes are copied; text is written as UTF-8. */
  write(text: string | Uint8Array): void
  /** Everything was written: the file appears under its name. */
  finish(): void
}

const SIZE = 64 * 1024
const unfinished = new Set<string>()

/** @param mode permissions of a new file; 0o600 for its owner only */
export function openOutput(path: string | undefined, mode?: number): Output {
  return path === undefined || path === '-' ? buffered(1) : intoFile(path, mode)
}

/** @throws {Stop} where something would be written over an input, under whatever name */
export function keepInputs(
  inputs: readonly (string | undefined)[],
  outputs: readonly (string | undefined)[],
): void {
  const real = (path: string | undefined) =>
    path !== undefined && existsSync(path) ? realpathSync(path) : undefined
  const kept = new Set(inputs.map(real))
  for (const path of outputs)
    if (real(path) !== undefined && kept.has(real(path)))
      throw usage(`${path} is read, so it is not written over.`, 'Name another file.')
}

/** Takes away what was not finished; called when the command is stopped. */
export function removeUnfinished(): void {
  for (const path of unfinished) rmSync(path, { force: true })
  unfinished.clear()
}

function intoFile(path: string, mode: number | undefined): Output {
  const beside = join(dirname(path), `.${basename(path)}.${process.pid}.part`)
  let fd: number
  try {
    fd = openSync(beside, 'wx', mode)
  } catch (error) {
    const missing = (error as NodeJS.ErrnoException).code === 'ENOENT'
    throw unreadable(
      `${path} cannot be written: ${missing ? 'there is no such directory' : systemReason(error)}.`,
    )
  }
  unfinished.add(beside)
  const output = buffered(fd)
  return {
    write: output.write,
    finish() {
      try {
        output.finish()
        fsyncSync(fd)
        closeSync(fd)
        renameSync(beside, path)
      } catch (error) {
        throw unreadable(`${path} cannot be written: ${systemReason(error)}.`)
      }
      unfinished.delete(beside)
    },
  }
}

function buffered(fd: number): Output {
  let held = ''
  let parts: Uint8Array[] = []
  let size = 0
  const settle = () => {
    if (held) parts.push(Buffer.from(held))
    held = ''
  }
  const flush = () => {
    settle()
    if (parts.length) writeAll(fd, parts.length === 1 ? parts[0]! : Buffer.concat(parts))
    parts = []
    size = 0
  }
  return {
    write(text) {
      if (typeof text === 'string') held += text
      else {
        settle()
        parts.push(text.slice())
      }
      size += text.length
      if (size >= SIZE) flush()
    },
    finish: flush,
  }
}

function writeAll(fd: number, bytes: Uint8Array): void {
  for (let at = 0; at < bytes.length;) {
    try {
      at += writeSync(fd, bytes, at)
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException
      if (code === 'EAGAIN') Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 5)
      else if (code === 'EPIPE')
        throw new Stop(
          STATUS.unreadable,
          'Standard output was closed before everything was written.',
        )
      else throw error
    }
  }
}

/** A message for people, on standard error; silent where nobody listens any more. */
export const tell = (text: string): void => toPeople(2, `${text}\n`)

/** Words for people on standard output, or on standard error: they may have read enough before all is written. */
export function toPeople(fd: 1 | 2, text: string): void {
  try {
    writeAll(fd, Buffer.from(text))
  } catch {
    // Nobody is there to be told.
  }
}
