// The parts of a ZIP container (APPNOTE 6.3), read where they lie; nothing is ever unpacked to a path.

import { configure, ERR_ENCRYPTED, Reader, ZipReader, type FileEntry } from '@zip.js/zip.js'
import { FileProblem, unreadable } from '../problem.js'
import { bytesOf, type Source } from '../source.js'
import { inflationGuard } from './inflation.js'

configure({ useWebWorkers: false })

export interface Archive {
  /** Of all files in it, in the order of its directory. */
  readonly names: readonly string[]
  has(name: string): boolean
  /** Hands over the unpacked bytes as they come. */
  stream(name: string, take: (bytes: Uint8Array) => void): Promise<void>
}

const MOST_PARTS = 20_000

export class SourceReader extends Reader<Source> {
  readonly #source: Source
  constructor(source: Source) {
    super(source)
    this.#source = source
    this.size = source.size
  }
  override async readUint8Array(index: number, length: number): Promise<Uint8Array> {
    return bytesOf(this.#source, index, index + length)
  }
}

/** @throws {FileProblem} for a container that is damaged, encrypted or absurd */
export async function openArchive(source: Source): Promise<Archive> {
  const entries = new Map<string, FileEntry>()
  try {
    let count = 0
    for await (const entry of new ZipReader(new SourceReader(source)).getEntriesGenerator()) {
      if (++count > MOST_PARTS)
        throw unreadable(
          `${source.name} holds more than ${MOST_PARTS} parts; no such file needs so many.`,
        )
      if (!entry.directory && !entries.has(entry.filename)) entries.set(entry.filename, entry)
    }
  } catch (error) {
    throw broken(source, error)
  }
  return {
    names: [...entries.keys()],
    has: (name) => entries.has(name),
    async stream(name, take) {
      const entry = entries.get(name)
      if (!entry)
        throw unreadable(`${source.name} has no part ${name}.`, 'It may be damaged; save it again.')
      const guard = inflationGuard(`${source.name} (${name})`, entry.compressedSize)
      const into = new WritableStream<Uint8Array>({
        write(bytes) {
          guard(bytes.length)
          take(bytes)
        },
      })
      try {
        await entry.getData(into, { checkSignature: true })
      } catch (error) {
        throw broken(source, error)
      }
    },
  }
}

export async function partBytes(archive: Archive, name: string): Promise<Uint8Array> {
  const parts: Uint8Array[] = []
  let size = 0
  await archive.stream(name, (bytes) => {
    parts.push(bytes.slice())
    size += bytes.length
  })
  const whole = new Uint8Array(size)
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.length
  }
  return whole
}

function broken(source: Source, error: unknown): FileProblem {
  if (error instanceof FileProblem) return error
  const { message } = error as Error
  if (message === ERR_ENCRYPTED)
    return unreadable(`${source.name} is protected with a password.`, 'Save a copy without it.')
  if (/unsafe|filename/i.test(message))
    return unreadable(
      `${source.name} holds a part whose name leads out of it; no such file does.`,
      'Do not trust where it comes from.',
    )
  return unreadable(
    `${source.name} is damaged or cut short: its container cannot be unpacked.`,
    'Fetch the file again, or save it anew in its program.',
  )
}
