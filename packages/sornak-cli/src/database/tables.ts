// Rows of a database as a table: names and declared types of its columns, and every value as text.

import type { ColumnType } from 'sornak'
import type { Table } from 'sornak-files'

export interface ResultColumn {
  readonly name: string
  readonly type: ColumnType | undefined
}

export interface ResultRows {
  readonly columns: readonly ResultColumn[]
  /** Values in the order of the columns; null where there is none. */
  readonly rows: AsyncIterable<readonly DatabaseValue[]> | Iterable<readonly DatabaseValue[]>
}

/** `as` tells how this one value is stored, where values of a column may differ. */
export type DatabaseValue = string | null | { readonly text: string; readonly as: 'number' }

export function resultTable(name: string, open: () => Promise<ResultRows>): Table {
  let types: readonly (ColumnType | undefined)[] = []
  return {
    name,
    placed: 'record',
    types: () => types,
    async read(visit, progress) {
      const { columns, rows } = await open()
      types = columns.map(({ type }) => type)
      visit(
        0,
        columns.map((column) => ({ text: column.name })),
      )
      let row = 1
      for await (const values of rows) {
        visit(
          row++,
          values.map((value, i) =>
            value === null
              ? undefined
              : typeof value === 'string'
                ? { text: value, as: types[i]?.as }
                : value,
          ),
        )
      }
      progress.clear()
    },
  }
}
