// Writes a mended copy of any input and tells its SHA-256 (FIPS 180-4), in hexadecimal digits.

import { createHash } from 'node:crypto'
import { mended, type Change, type Progress } from 'sornak-files'
import { isConnection } from './binding.js'
import type { OpenedInput } from './inputs.js'
import type { Output } from './output.js'
import { desk } from './source.js'

export async function writeMended(
  input: OpenedInput,
  headerRow: number,
  identifiers: ReadonlySet<string>,
  changes: readonly Change[],
  out: string,
  output: Output,
  bar: Progress,
): Promise<string> {
  const hash = createHash('sha256')
  const files = desk()
  try {
    const { path, format, sheet, source } = input
    const original = isConnection(path) ? undefined : files.open(path, path)
    const write = (bytes: Uint8Array) => {
      hash.update(bytes)
      output.write(bytes)
    }
    const given = { format, sheet, source, original, headerRow, identifiers }
    await mended(given, changes, out, files.keep, write, bar)
    return hash.digest('hex')
  } finally {
    files.close()
  }
}
