// Apache Parquet: the columns of its top level with their types, a group of rows at a time.

import { parquetMetadataAsync, parquetReadObjects, type FileMetaData } from 'hyparquet'
import { FileProblem, unreadable } from '../problem.js'
import { bytesOf, type Source } from '../source.js'
import type { Table } from '../table.js'
import { columnOf, rawElement, rawType, type ParquetColumn } from './types.js'

/** A group is held in memory while it is read. */
const MOST_CELLS = 30_000_000
const MOST_TIMES = 2000
const HARMLESS = 64n * 1024n * 1024n

export async function parquetTables(source: Source): Promise<Table[]> {
  const file = {
    byteLength: source.size,
    slice: (from: number, to = source.size) => bytesOf(source, from, to).buffer as ArrayBuffer,
  }
  const metadata = await guarded(source, () => parquetMetadataAsync(file))
  const columns = columnsOf(metadata)
  if (columns.length === 0) throw unreadable(`${source.name} has no column of plain values.`)
  const raw = rawMetadata(metadata)
  const table: Table = {
    name: undefined,
    placed: 'record',
    types: () => columns.map(({ type }) => type),
    async read(visit, progress) {
      const { compressors } = await import('hyparquet-compressors')
      let row = 0
      visit(
        row++,
        columns.map(({ name }) => ({ text: name })),
      )
      let from = 0
      for (const { num_rows: rows, total_byte_size: size } of raw.row_groups) {
        const to = from + Number(rows)
        const absurd = size > HARMLESS && size > BigInt(source.size) * BigInt(MOST_TIMES)
        if (absurd || (to - from) * columns.length > MOST_CELLS)
          throw unreadable(
            `${source.name} has a group of ${rows} rows, more than can be held at once.`,
            'Write it anew with smaller row groups.',
          )
        const records = await guarded(source, () =>
          parquetReadObjects({
            file,
            metadata: raw,
            columns: columns.map(({ name }) => name),
            rowStart: from,
            rowEnd: to,
            compressors,
            utf8: false,
            geoparquet: false,
            parsers: { timestampFromNanoseconds: (nanos) => nanos },
          }),
        )
        for (const record of records)
          visit(
            row++,
            columns.map(({ name, type, text }) => {
              const value: unknown = record[name]
              return value === undefined || value === null
                ? undefined
                : { text: text(value), as: type.as }
            }),
          )
        from = to
        progress.at(from, Number(raw.num_rows))
      }
      progress.clear()
    },
  }
  return [table]
}

// Lists and structures within a record are left out: no identifier is told by its place in them.
function columnsOf({ schema }: FileMetaData): ParquetColumn[] {
  const columns: ParquetColumn[] = []
  for (let at = 1; at < schema.length; at++) {
    const element = schema[at]!
    if (element.num_children === undefined) {
      if (element.repetition_type !== 'REPEATED') columns.push(columnOf(element))
    } else at = behind(schema, at) - 1
  }
  return columns
}

function behind(schema: FileMetaData['schema'], at: number): number {
  let next = at + 1
  for (let i = 0; i < (schema[at]?.num_children ?? 0); i++) next = behind(schema, next)
  return next
}

function rawMetadata(metadata: FileMetaData): FileMetaData {
  const chunks = metadata.row_groups.flatMap(({ columns }) => columns)
  // Bytes can be told apart where values are written one after the other, or as places in a list of them.
  const packed = new Set(
    chunks.flatMap(({ meta_data: meta }) =>
      meta && !meta.encodings.every((one) => AS_BYTES.has(one)) ? meta.path_in_schema[0] : [],
    ),
  )
  const asBytes = (name: string | undefined) => !packed.has(name)
  return {
    ...metadata,
    schema: metadata.schema.map((element) => rawElement(element, asBytes(element.name))),
    row_groups: metadata.row_groups.map((group) => ({
      ...group,
      columns: group.columns.map((column) => ({
        ...column,
        ...(column.meta_data && {
          meta_data: {
            ...column.meta_data,
            type: rawType(column.meta_data.type, asBytes(column.meta_data.path_in_schema[0])),
          },
        }),
      })),
    })),
  }
}

const AS_BYTES = new Set(['PLAIN', 'PLAIN_DICTIONARY', 'RLE_DICTIONARY', 'RLE', 'BIT_PACKED'])

async function guarded<T>(source: Source, run: () => Promise<T>): Promise<T> {
  try {
    return await run()
  } catch (error) {
    if (error instanceof FileProblem) throw error
    throw unreadable(
      `${source.name} is damaged, cut short, or written in a way that is not known: ${(error as Error).message}.`,
      'Fetch the file again, or write it anew.',
    )
  }
}
