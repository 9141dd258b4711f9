// SQLite files, opened for reading only. Values are cast to text by the database; a binary number that is
// whole is printed whole, any other with 17 significant digits, which read back to it.

import type { ColumnType } from 'sornak'
import { tableInput, type Input, type Keeper } from 'sornak-files'
import type { ReadFlags } from '../read-flags.js'
import { unreadable, usage } from '../stop.js'
import { resultTable, type ResultColumn } from './tables.js'

export async function sqliteInputs(
  path: string,
  name: string,
  { sheet, query }: ReadFlags,
  keep: Keeper,
): Promise<{ inputs: Input<'database'>[]; notices: string[] }> {
  const { Database } = (await import('node-sqlite3-wasm')).default
  const guarded = <T>(run: (database: InstanceType<typeof Database>) => T): T => {
    let database
    try {
      database = new Database(path, { readOnly: true, fileMustExist: true })
      return run(database)
    } catch (error) {
      throw unreadable(
        `${name} cannot be read as a database: ${(error as Error).message}.`,
        'Check the query, or fetch the file again.',
      )
    } finally {
      database?.close()
    }
  }
  const texts = (database: InstanceType<typeof Database>, select: string) =>
    database.all(select).map((row) => Object.values(row).map(String))
  const names =
    query === undefined
      ? guarded((database) =>
          texts(
            database,
            "select name from sqlite_schema where type in ('table', 'view') and name not like 'sqlite\\_%' escape '\\' order by name",
          ).map(([table]) => table!),
        )
      : ['query']
  const wanted = names.filter((table) => sheet === undefined || table === sheet)
  if (wanted.length === 0)
    throw usage(
      `${name} has no table ${sheet === undefined ? '' : `"${sheet}"`}.`,
      `It has: ${names.map((one) => `"${one}"`).join(', ')}.`,
    )
  const inputs = wanted.map((table) => {
    const from = query === undefined ? quoted(table) : `(${query.replace(/;\s*$/, '')})`
    const whole = resultTable(table, async () =>
      guarded((database) => {
        const declared = new Map(
          query === undefined
            ? database
                .all(`select name, type from pragma_table_info(${textOf(table)})`)
                .map(({ name: column, type }) => [String(column), String(type)] as const)
            : [],
        )
        const [head] = database.all(`select * from (select 1) left join ${from} limit 1`)
        const columns = Object.keys(head ?? {})
          .slice(1)
          .map((column): ResultColumn => ({
            name: column,
            type: typeNamed(declared.get(column) ?? ''),
          }))
        return { columns, rows: rowsOf(path, from, columns) }
      }),
    )
    return tableInput(name, whole, 'database', keep)
  })
  return { inputs, notices: [] }

  // A connection of its own, open while its rows are read.
  async function* rowsOf(file: string, from: string, columns: readonly ResultColumn[]) {
    const database = new Database(file, { readOnly: true, fileMustExist: true })
    const select = columns.map(({ name: column }, i) => {
      const it = quoted(column)
      return `case typeof(${it}) when 'real' then case when abs(${it}) < 9e18 and ${it} = cast(${it} as integer) then cast(cast(${it} as integer) as text) else printf('%!.17g', ${it}) end when 'blob' then 'x' || hex(${it}) else cast(${it} as text) end as v${i}, typeof(${it}) in ('integer', 'real') as n${i}`
    })
    const statement = database.prepare(`select ${select.join(', ')} from ${from}`)
    try {
      for (const row of statement.iterate() as Iterable<Record<string, unknown>>)
        yield columns.map((_, i) => {
          const value = row[`v${i}`]
          if (value === null || value === undefined) return null
          const text = value as string
          return row[`n${i}`] ? { text, as: 'number' as const } : text
        })
    } catch (error) {
      throw unreadable(`${name} cannot be read: ${(error as Error).message}.`)
    } finally {
      statement.finalize()
      database.close()
    }
  }
}

const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`
const textOf = (text: string) => `'${text.replaceAll("'", "''")}'`

// Column types are names of any kind; what is stored follows from parts of them (SQLite, "Determination Of
// Column Affinity"). Whole numbers take 64 bits, others are binary.
function typeNamed(name: string): ColumnType | undefined {
  const upper = name.toUpperCase()
  if (name === '' || /CHAR|CLOB|TEXT|BLOB/.test(upper)) return undefined
  if (upper.includes('INT'))
    return { name, as: 'number', holds: { kind: 'integer', bits: 64, signed: true } }
  return { name, as: 'number', holds: { kind: 'binary', bits: 64 } }
}
