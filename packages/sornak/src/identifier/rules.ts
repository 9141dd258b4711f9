// Plain objects -> rules: definitions, which column holds what, and the findings that the steward
// accepts. Problems are collected, never thrown.

import { nearest } from '../words/nearest.js'
import type { RulesProblem } from '../words/problem.js'
import { readAccepted, type Accepted } from './accepted.js'
import { CATALOG } from './catalog/catalog.js'
import { readColumns, type ColumnRule } from './column-rules.js'
import { define, DEFINITION_KEYS } from './define.js'
import type { Definition } from './definition.js'
import { readHandOvers, type OwnHandOver } from './hand-overs.js'
import { isMap, reader, type Path, type Plain, type PlainMap, type Reader } from './plain.js'
import { readTrusted, type Trusted } from './trusted.js'

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

const TOP_KEYS = ['sornak', 'title', 'identifiers', 'columns', 'trusted', 'accepted', 'hand-overs']

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
