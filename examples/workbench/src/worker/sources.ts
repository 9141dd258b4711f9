// Files that were dropped on the page as sources: read where they lie, a part at a time.

import type { Keeper, Source } from 'sornak-files'

declare class FileReaderSync {
  readAsArrayBuffer(blob: Blob): ArrayBuffer
}

/** Parts are joined up to this size, in bytes, before the browser keeps them. */
const PART = 4 * 1024 * 1024

export function blobSource(name: string, blob: Blob): Source {
  const reader = new FileReaderSync()
  return {
    name,
    size: blob.size,
    read(into, at) {
      const part = reader.readAsArrayBuffer(blob.slice(at, at + into.length))
      into.set(new Uint8Array(part))
      return part.byteLength
    },
  }
}

/** What is made on the way is kept by the browser, not in the worker's memory. */
export const inBlobs: Keeper = (name) => {
  const blobs: Blob[] = []
  let parts: Uint8Array<ArrayBuffer>[] = []
  let size = 0
  const settle = () => {
    if (parts.length) blobs.push(new Blob(parts))
    parts = []
    size = 0
  }
  return {
    write(bytes) {
      parts.push(bytes.slice())
      size += bytes.length
      if (size >= PART) settle()
    },
    done() {
      settle()
      return blobSource(name, new Blob(blobs))
    },
  }
}
