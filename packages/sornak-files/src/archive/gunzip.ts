// gzip (RFC 1952) unpacked as it is read.

import { FileProblem, unreadable } from '../problem.js'
import type { Source } from '../source.js'
import { inflationGuard } from './inflation.js'

const CHUNK = 256 * 1024

export async function gunzip(source: Source, take: (bytes: Uint8Array) => void): Promise<void> {
  const guard = inflationGuard(source.name, source.size)
  let at = 0
  const packed = new ReadableStream<BufferSource>({
    pull(controller) {
      const bytes = new Uint8Array(CHUNK)
      const size = source.read(bytes, at)
      at += size
      if (size === 0) controller.close()
      else controller.enqueue(bytes.subarray(0, size))
    },
  })
  try {
    for await (const bytes of packed.pipeThrough(new DecompressionStream('gzip'))) {
      guard(bytes.length)
      take(bytes)
    }
  } catch (error) {
    if (error instanceof FileProblem) throw error
    throw unreadable(
      `${source.name} is damaged or cut short: it cannot be unpacked.`,
      'Fetch the file again.',
    )
  }
}
