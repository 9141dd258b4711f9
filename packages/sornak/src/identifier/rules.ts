// Plain objects -> rules: definitions, which column holds what, and the findings that the steward
// accepts. Problems are collected, never thrown.

import { nearest } from '../words/nearest.js'
import type { RulesProblem } from '../words/problem.js'
import { CATALOG, fromCatalog } from './catalog/catalog.js'
import { define, DEFINITION_KEYS } from './define.js'
import type { Definition } from './definition.js'
import { readTrusted, type Trusted } from './trusted.js'
import { readHandOvers, type OwnHandOver } from './hand-overs.js'
import {
  isMap,
  missing,
  reader,
  required,
  type Path,
  type Plain,
  type PlainMap,
  type Reader,
} from './plain.js'

export interface Rules {
  readonly title: string | undefined
  readonly identifiers: ReadonlyMap<string, Definition>
  readonly columns: readonly ColumnRule[]
  readonly accepted: readonly Accepted[]
  /** Hand-overs of the steward's own, by name. */
  readonly handOvers: ReadonlyMap<string, OwnHandOver>
  /** Lists that are known to be right, by identifier. */
  readonly trusted: ReadonlyMap<string, Trusted>
}

/** The words that rules may use for things that lie beyond this layer. */
export interface KnownWords {
  readonly findings: readonly string[]
  /** The forms of each channel. */
  readonly channels: ReadonlyMap<string, readonly string[]>
}

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

/** A finding that the steward has seen and accepts. */
export interface Accepted {
  readonly in: string
  readonly column: string
  readonly finding: string
  /** How often it may stand; Infinity where nothing is said. */
  readonly atMost: number
  readonly because: string
  readonly by: string | undefined
  /** Last day on which it is accepted: yyyy-MM-dd. */
  readonly until: string | undefined
}

const TOP_KEYS = ['sornak', 'title', 'identifiers', 'columns', 'trusted', 'accepted', 'hand-overs']
const COLUMN_KEYS = ['in', 'header-row', 'skip-last', 'layout', 'key', 'bind', 'aliases']
const ACCEPTED_KEYS = ['in', 'column', 'finding', 'at-most', 'because', 'by', 'until']

/** The rules of a file, or every problem found in it. */
export function readRules(
  source: Plain,
  words: KnownWords,
):
  | { readonly ok: true; readonly rules: Rules }
  | { readonly ok: false; readonly problems: readonly RulesProblem[] } {
  const read = reader()
  const top = read.map(source, [], '"sornak: 1" and the keys that follow')
  if (!top) return { ok: false, problems: read.problems }
  read.keys(top, TOP_KEYS, [])
  checkVersion(top, read)
  const identifiers = readIdentifiers(top, read)
  const rules: Rules = {
    title: top['title'] === undefined ? undefined : read.text(top['title'], ['title']),
    identifiers,
    columns: readColumns(top, identifiers, read),
    accepted: readAccepted(top, words.findings, read),
    handOvers: readHandOvers(top, words.channels, read),
    trusted: readTrusted(top, identifiers, read),
  }
  return read.problems.length ? { ok: false, problems: read.problems } : { ok: true, rules }
}

function checkVersion(top: PlainMap, read: Reader): void {
  const version = top['sornak']
  if (version === undefined) {
    read.refuse(
      'version-missing',
      [],
      'The file does not say that it is a rules file.',
      'Start it with the line "sornak: 1".',
    )
  } else if (read.count(version, ['sornak']) !== 1) {
    read.refuse(
      'version-unknown',
      ['sornak'],
      'This version of rules files is not known.',
      'Write "sornak: 1".',
    )
  }
}

function readIdentifiers(top: PlainMap, read: Reader): Map<string, Definition> {
  const found = new Map<string, Definition>()
  if (top['identifiers'] === undefined) return found
  const map = read.map(top['identifiers'], ['identifiers'], 'identifiers by name')
  for (const [key, value] of Object.entries(map ?? {})) {
    const path = ['identifiers', key]
    if (!/^\p{L}[\p{L}\d_./-]*$/u.test(key)) {
      read.refuse(
        'name',
        path,
        `"${key}" cannot be a name.`,
        'Start with a letter; then letters, digits, "-", "_", "." and "/".',
        { onKey: true },
      )
    }
    const own = read.map(
      value,
      path,
      `the keys ${DEFINITION_KEYS.slice(3, 6).join(', ')} and so on`,
    )
    const whole = own && resolveLike(own, key, map!, path, read, [key])
    const definition = whole && define(key, whole, path, read)
    if (definition) found.set(key, definition)
  }
  return found
}

// `like` takes over whole keys; what is written here replaces them.
function resolveLike(
  own: PlainMap,
  key: string,
  all: PlainMap,
  path: Path,
  read: Reader,
  trail: readonly string[],
): PlainMap | undefined {
  if (own['like'] === undefined) return own
  const name = read.text(own['like'], [...path, 'like'])
  if (name === undefined) return undefined
  if (trail.slice(1).includes(name) || name === key) {
    return read.refuse(
      'like-circle',
      [...path, 'like'],
      `"${key}" is like itself.`,
      'Take one "like" out of the circle.',
    )
  }
  const { like: _like, ...rest } = own
  const other = all[name]
  if (isMap(other)) {
    const whole = resolveLike(other, key, all, path, read, [...trail, name])
    return whole && { ...whole, samples: {}, ...rest }
  }
  const entry = CATALOG.get(name)
  if (entry) {
    const { samples: _samples, ...inherited } = entry
    return { ...inherited, ...rest }
  }
  const near = nearest(name, [...Object.keys(all), ...CATALOG.keys()])
  return read.refuse(
    'like-unknown',
    [...path, 'like'],
    `Neither this file nor the catalog has "${name}".`,
    near ? `Did you mean "${near}"?` : '"sornak catalog" lists what ships.',
  )
}

function readColumns(
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

function readAccepted(top: PlainMap, findingCodes: readonly string[], read: Reader): Accepted[] {
  if (top['accepted'] === undefined) return []
  const list = read.list(top['accepted'], ['accepted'], 'accepted findings')
  return (list ?? []).flatMap((value, i): Accepted[] => {
    const path = ['accepted', i]
    const map = read.map(value, path, 'the keys "in", "column", "finding" and "because"')
    if (!map) return []
    read.keys(map, ACCEPTED_KEYS, path)
    const [name, column, finding, because] = ['in', 'column', 'finding', 'because'].map((key) =>
      required(map, key, path, read),
    )
    if (finding !== undefined && !findingCodes.includes(finding)) {
      const near = nearest(finding, findingCodes)
      read.refuse(
        'finding-unknown',
        [...path, 'finding'],
        `There is no finding "${finding}".`,
        near ? `Did you mean "${near}"?` : `Findings: ${findingCodes.join(', ')}.`,
      )
    }
    const until =
      map['until'] === undefined ? undefined : read.text(map['until'], [...path, 'until'])
    if (until !== undefined && !/^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/.test(until)) {
      read.refuse(
        'date',
        [...path, 'until'],
        `"${until}" is not a day.`,
        'Write year, month and day: 2027-06-30.',
      )
    }
    const atMost =
      map['at-most'] === undefined ? Infinity : read.count(map['at-most'], [...path, 'at-most'])
    const by = map['by'] === undefined ? undefined : read.text(map['by'], [...path, 'by'])
    if (
      name === undefined ||
      column === undefined ||
      finding === undefined ||
      because === undefined
    )
      return []
    return [{ in: name, column, finding, because, by, until, atMost: atMost ?? Infinity }]
  })
}
