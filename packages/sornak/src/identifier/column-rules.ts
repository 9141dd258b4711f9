// Which columns of which files hold which identifiers, as a rules file says it.

import { nearest } from '../words/nearest.js'
import { CATALOG, fromCatalog } from './catalog/catalog.js'
import type { Definition } from './definition.js'
import {
  isMap,
  missing,
  required,
  type Path,
  type Plain,
  type PlainMap,
  type Reader,
} from './plain.js'

/** Which columns of some files hold which identifiers. */
export interface ColumnRule {
  /** A file name, or a path where it holds a slash; `*` and `?` stand for any characters, `#` names a sheet. */
  readonly in: string
  /** Which record holds the headers, from 1. */
  readonly headerRow: number
  /** Records at the end that hold totals and not data. */
  readonly skipLast: number
  /** Fields at fixed places of each line, such as `Crew No: 1-5, Mobile: 6-15`. */
  readonly layout: string | undefined
  /** The column that names a row for people. */
  readonly key: string | undefined
  readonly bind: ReadonlyMap<string, Binding>
  /** Other headers that a column may have, by the one that `bind` names. */
  readonly aliases: ReadonlyMap<string, readonly string[]>
}

export type Binding =
  | { readonly kind: 'one'; readonly definition: Definition }
  | {
      readonly kind: 'by'
      readonly column: string
      readonly cases: ReadonlyMap<string, Definition>
    }

const COLUMN_KEYS = ['in', 'header-row', 'skip-last', 'layout', 'key', 'bind', 'aliases']

export function readColumns(
  top: PlainMap,
  identifiers: ReadonlyMap<string, Definition>,
  read: Reader,
): ColumnRule[] {
  if (top['columns'] === undefined) return []
  const list = read.list(top['columns'], ['columns'], 'files and their columns')
  return (list ?? []).flatMap((value, i): ColumnRule[] => {
    const path = ['columns', i]
    const map = read.map(value, path, 'the keys "in" and "bind"')
    if (!map) return []
    read.keys(map, COLUMN_KEYS, path)
    const name = required(map, 'in', path, read)
    const bind = new Map<string, Binding>()
    const columns =
      map['bind'] === undefined
        ? missing('bind', path, read)
        : read.map(map['bind'], [...path, 'bind'], 'columns and identifiers')
    for (const [column, to] of Object.entries(columns ?? {})) {
      const binding = readBinding(to, [...path, 'bind', column], identifiers, read)
      if (binding) bind.set(column, binding)
    }
    const headerRow =
      map['header-row'] === undefined ? 1 : read.count(map['header-row'], [...path, 'header-row'])
    if (headerRow === 0)
      read.refuse(
        'header-row',
        [...path, 'header-row'],
        'Rows are counted from 1.',
        'Write header-row: 1 for the first row.',
      )
    const skipLast =
      map['skip-last'] === undefined ? 0 : read.count(map['skip-last'], [...path, 'skip-last'])
    const key = map['key'] === undefined ? undefined : read.text(map['key'], [...path, 'key'])
    const layout =
      map['layout'] === undefined ? undefined : read.text(map['layout'], [...path, 'layout'])
    const aliases = readAliases(map['aliases'], bind, [...path, 'aliases'], read)
    return name === undefined
      ? []
      : [
          {
            in: name,
            headerRow: headerRow ?? 1,
            skipLast: skipLast ?? 0,
            layout,
            key,
            bind,
            aliases,
          },
        ]
  })
}

function readAliases(
  value: Plain | undefined,
  bind: ReadonlyMap<string, Binding>,
  path: Path,
  read: Reader,
): Map<string, readonly string[]> {
  const aliases = new Map<string, readonly string[]>()
  if (value === undefined) return aliases
  const map = read.map(value, path, 'columns and the other headers that they may have')
  for (const [column, others] of Object.entries(map ?? {})) {
    const here = [...path, column]
    if (!bind.has(column)) {
      const near = nearest(column, [...bind.keys()])
      read.refuse(
        'alias-unbound',
        here,
        `"${column}" is not bound here.`,
        near ? `Did you mean "${near}"?` : 'Name a column of "bind".',
        { onKey: true },
      )
    }
    const texts = (read.list(others, here, 'other headers') ?? []).flatMap(
      (one, i) => read.text(one, [...here, i]) ?? [],
    )
    aliases.set(column, texts)
  }
  return aliases
}

function readBinding(
  value: Plain,
  path: Path,
  identifiers: ReadonlyMap<string, Definition>,
  read: Reader,
): Binding | undefined {
  if (!isMap(value)) {
    const definition = readReference(value, path, identifiers, read)
    return definition && { kind: 'one', definition }
  }
  const column = required(value, 'by', path, read)
  const cases = new Map<string, Definition>()
  for (const [text, to] of Object.entries(value)) {
    if (text === 'by') continue
    const definition = readReference(to, [...path, text], identifiers, read)
    if (definition) cases.set(text, definition)
  }
  return column === undefined ? undefined : { kind: 'by', column, cases }
}

function readReference(
  value: Plain,
  path: Path,
  identifiers: ReadonlyMap<string, Definition>,
  read: Reader,
): Definition | undefined {
  const name = read.text(value, path)
  if (name === undefined) return undefined
  const known = identifiers.get(name) ?? fromCatalog(name)
  if (known) return known
  // A definition with a problem of its own is known by name; one problem is enough.
  const broken = read.problems.flatMap(({ path: [top, key] }) =>
    top === 'identifiers' && typeof key === 'string' ? key : [],
  )
  if (broken.includes(name)) return undefined
  const near = nearest(name, [...identifiers.keys(), ...broken, ...CATALOG.keys()])
  return read.refuse(
    'identifier-unknown',
    path,
    `Unknown identifier "${name}".`,
    near
      ? `Did you mean "${near}"?`
      : `Define it under "identifiers", or use a catalog entry ("sornak catalog").`,
  )
}
