// Apache Parquet: every column is a column of strings, so nothing is read as a number again. Written in groups
// of rows, each of which is held in memory.

import type { SchemaElement } from 'hyparquet'
import { ByteWriter, ParquetWriter } from 'hyparquet-writer'
import type { MakeWriter } from './writer.js'

const GROUP = 50_000

export const parquetWriter: MakeWriter = (write, { headers }) => {
  const schema: SchemaElement[] = [
    { name: 'root', num_children: headers.length },
    ...headers.map((name): SchemaElement => ({
      name,
      type: 'BYTE_ARRAY',
      converted_type: 'UTF8',
      logical_type: { type: 'STRING' },
      repetition_type: 'OPTIONAL',
    })),
  ]
  let columns: (string | null)[][] = headers.map(() => [])
  let rows = 0
  const bytes = new PassingWriter(write)
  const writer = new ParquetWriter({ writer: bytes, schema, createdBy: 'sornak' })
  const flush = () => {
    if (rows === 0) return
    void writer.write({
      columnData: headers.map((name, i) => ({ name, data: columns[i]! })),
      rowGroupSize: GROUP,
    })
    columns = headers.map(() => [])
    rows = 0
  }
  return {
    row(cells) {
      headers.forEach((_, i) => columns[i]!.push(cells[i]?.text || null))
      if (++rows === GROUP) flush()
    },
    async end() {
      flush()
      void writer.finish()
      bytes.flush()
    },
  }
}

// Hands on what was written after each group, and keeps counting where it stands.
class PassingWriter extends ByteWriter {
  readonly #write: (bytes: Uint8Array) => void
  constructor(write: (bytes: Uint8Array) => void) {
    super()
    this.#write = write
  }
  flush(): void {
    this.#write(this.getBytes().slice())
    this.index = 0
  }
}
