// A copy of a ZIP container in which one part is replaced and every other is taken over as it lies, unpacked
// or packed again never.

import { Writer, ZipReader, ZipWriter } from '@zip.js/zip.js'
import { bytesOf, type Source } from '../source.js'
import { SourceReader } from '../archive/archive.js'

/** Parts that are made carry this time, so that the same content gives the same bytes. */
export const MADE = new Date(2000, 0, 1)

export class ByteWriter extends Writer<undefined> {
  readonly #write: (bytes: Uint8Array) => void
  constructor(write: (bytes: Uint8Array) => void) {
    super()
    this.#write = write
  }
  override async writeUint8Array(bytes: Uint8Array): Promise<void> {
    this.#write(bytes)
  }
  override async getData(): Promise<undefined> {
    return undefined
  }
}

export const zipWriter = (write: (bytes: Uint8Array) => void): ZipWriter<undefined> =>
  new ZipWriter(new ByteWriter(write), {
    useWebWorkers: false,
    extendedTimestamp: false,
    lastModDate: MADE,
    bufferedWrite: false,
    keepOrder: true,
  })

/** A part out of bytes that were kept. */
export function partOf(source: Source): ReadableStream<Uint8Array> {
  let at = 0
  return new ReadableStream({
    pull(controller) {
      const bytes = bytesOf(source, at, at + 64 * 1024)
      at += bytes.length
      if (bytes.length === 0) controller.close()
      else controller.enqueue(bytes)
    },
  })
}

export async function withPart(
  source: Source,
  name: string,
  part: Source,
  write: (bytes: Uint8Array) => void,
): Promise<void> {
  const zip = zipWriter(write)
  for await (const entry of new ZipReader(new SourceReader(source)).getEntriesGenerator()) {
    const { filename, lastModDate, directory } = entry
    if (filename === name) await zip.add(filename, partOf(part), { lastModDate })
    else if (directory) await zip.add(filename, undefined, { directory: true, lastModDate })
    else {
      const packed = new TransformStream<Uint8Array, Uint8Array>()
      const given = entry.getData(packed.writable, { passThrough: true })
      const { compressionMethod, uncompressedSize, crc32, externalFileAttributes, comment } = entry
      await Promise.all([
        given,
        zip.add(filename, packed.readable, {
          passThrough: true,
          compressionMethod,
          uncompressedSize,
          ...(crc32 !== undefined && { signature: crc32 }),
          lastModDate,
          externalFileAttributes,
          comment,
        }),
      ])
    }
  }
  await zip.close()
}
