// PostgreSQL tables and queries. The connection is named on the command line or held by a variable of the
// environment; every value comes as the text that the server prints, a part of the rows at a time.

import type { Client as PgClient } from 'pg'
import type { ColumnType } from 'sornak'
import { tableInput, type Input, type Keeper } from 'sornak-files'
import type { ReadFlags } from '../read-flags.js'
import { unreadable, usage } from '../stop.js'
import { resultTable, type DatabaseValue } from './tables.js'

const AT_ONCE = 2000
const WAIT = 15_000

export async function postgresInputs(
  path: string,
  { sheet, query }: ReadFlags,
  keep: Keeper,
): Promise<{ inputs: Input<'database'>[]; notices: string[] }> {
  const [where = '', named] = path.split('#')
  const connection = connectionOf(where)
  const shown = where.startsWith('database:') ? where : withoutPassword(where)
  const wanted = sheet ?? named
  const names =
    query !== undefined
      ? ['query']
      : wanted !== undefined
        ? [wanted]
        : await connected(connection, shown, async (client) => {
            const { rows } = await client.query<{ name: string }>(
              "select case when table_schema = 'public' then table_name else table_schema || '.' || table_name end as name from information_schema.tables where table_schema not in ('pg_catalog', 'information_schema') order by 1",
            )
            return rows.map(({ name }) => name)
          })
  if (names.length === 0) throw usage(`${shown} has no tables that may be read.`)
  const inputs = names.map((name) => {
    const select =
      query === undefined ? `select * from ${quotedName(name)}` : query.replace(/;\s*$/, '')
    const table = resultTable(name, async () => {
      const types = await connected(connection, shown, (client) => typesOf(client, select))
      return { columns: types, rows: rowsOf(connection, shown, select) }
    })
    return tableInput(shown, table, 'database', keep)
  })
  return { inputs, notices: [] }
}

function connectionOf(where: string): string {
  const [, variable] = /^database:(.*)$/.exec(where) ?? []
  if (variable === undefined) return where
  const connection = process.env[variable]
  if (!connection)
    throw usage(
      `The environment has no variable "${variable}".`,
      `Set it to the connection: export ${variable || 'HARROW'}=postgresql://user@host/name`,
    )
  return connection
}

// Nothing that is printed may hold it.
function withoutPassword(connection: string): string {
  return connection
    .replace(/:\/\/([^:@/]*):[^@/]*@/, '://$1@')
    .replace(/([?&]password=)[^&]*/i, '$1…')
}

async function connected<T>(
  connectionString: string,
  shown: string,
  run: (client: PgClient) => Promise<T>,
): Promise<T> {
  const client = await connect(connectionString, shown)
  try {
    return await run(client)
  } catch (error) {
    throw refused(shown, error)
  } finally {
    await client.end().catch(() => {})
  }
}

async function connect(connectionString: string, shown: string): Promise<PgClient> {
  const { Client } = (await import('pg')).default
  const client = new Client({
    connectionString,
    connectionTimeoutMillis: WAIT,
    application_name: 'sornak',
    // Every value as the text that came over the wire.
    types: { getTypeParser: () => (text: unknown) => text },
  })
  client.on('error', () => {})
  try {
    await client.connect()
    // Binary numbers in as many digits as read back to them; nothing may be changed.
    await client.query('set extra_float_digits = 3')
    await client.query('set default_transaction_read_only = on')
    return client
  } catch (error) {
    throw refused(shown, error)
  }
}

function refused(shown: string, error: unknown) {
  const { message, code } = error as Error & { code?: string }
  const reason = message || (code ?? 'no answer')
  return unreadable(
    `${shown} cannot be read: ${reason}.`,
    'Check the connection, the table and the query.',
  )
}

async function typesOf(client: PgClient, select: string) {
  const { fields } = await client.query({ text: `select * from (${select}) as asked limit 0` })
  const { rows } = await client.query<{ name: string }>(
    'select format_type(t.id, t.modifier) as name from unnest($1::oid[], $2::int[]) with ordinality as t(id, modifier, n) order by n',
    [
      fields.map(({ dataTypeID }) => dataTypeID),
      fields.map(({ dataTypeModifier }) => dataTypeModifier),
    ],
  )
  return fields.map(({ name }, i) => ({ name, type: typeNamed(rows[i]!.name) }))
}

async function* rowsOf(
  connection: string,
  shown: string,
  select: string,
): AsyncGenerator<readonly DatabaseValue[]> {
  const { default: Cursor } = await import('pg-cursor')
  const client = await connect(connection, shown)
  try {
    const cursor = client.query(new Cursor<DatabaseValue[]>(select, [], { rowMode: 'array' }))
    for (;;) {
      const rows = await cursor.read(AT_ONCE)
      if (rows.length === 0) break
      yield* rows
    }
    await cursor.close()
  } catch (error) {
    throw refused(shown, error)
  } finally {
    await client.end().catch(() => {})
  }
}

function typeNamed(name: string): ColumnType | undefined {
  const [, digits, scale, length] =
    /^numeric\((\d+)(?:,(-?\d+))?\)$|^(?:character varying|character)\((\d+)\)$/.exec(name) ?? []
  const count = (text: string) => Number.parseInt(text, 10)
  if (length !== undefined)
    return { name, as: undefined, holds: { kind: 'text', length: count(length) } }
  if (digits !== undefined)
    return {
      name,
      as: 'number',
      holds: { kind: 'decimal', digits: count(digits) - count(scale ?? '0') },
    }
  switch (name) {
    case 'smallint':
      return { name, as: 'number', holds: { kind: 'integer', bits: 16, signed: true } }
    case 'integer':
      return { name, as: 'number', holds: { kind: 'integer', bits: 32, signed: true } }
    case 'bigint':
      return { name, as: 'number', holds: { kind: 'integer', bits: 64, signed: true } }
    case 'real':
      return { name, as: 'number', holds: { kind: 'binary', bits: 32 } }
    case 'double precision':
      return { name, as: 'number', holds: { kind: 'binary', bits: 64 } }
    case 'numeric':
    case 'money':
      return { name, as: 'number' }
    case 'date':
      return { name, as: 'date' }
    case 'boolean':
      return { name, as: 'boolean' }
    default:
      return name.startsWith('timestamp') ? { name, as: 'date' } : undefined
  }
}

// `schema.table`, or a table whose name has a dot and is written in quotes.
const quotedName = (name: string) =>
  /^".*"$/.test(name)
    ? name
    : name
        .split('.')
        .map((part) => `"${part.replaceAll('"', '""')}"`)
        .join('.')
