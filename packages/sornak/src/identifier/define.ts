// Plain objects -> a definition, with every problem found and where it stands. The same reader serves
// rules files and the catalog.

import { listOf } from '../mask/list.js'
import { unhidden } from '../mask/unhidden.js'
import { nearest } from '../words/nearest.js'
import { uncovered } from './cover.js'
import { readCheck } from './define-check.js'
import { areOneKind, readDisplays, readMasks, refusePads } from './define-masks.js'
import { readPartRules } from './define-parts.js'
import { readSamples, runSamples } from './define-samples.js'
import type { Definition } from './definition.js'
import { allDigits } from './fit.js'
import type { Path, PlainMap, Reader } from './plain.js'
import { parseReveal, REVEAL_ALL, REVEAL_NONE, type Reveal, type Sensitivity } from './reveal.js'

export const DEFINITION_KEYS = [
  'title',
  'note',
  'like',
  'stored',
  'display',
  'entry',
  'also-read',
  'zeros',
  'check',
  'never',
  'only',
  'unique',
  'required',
  'sensitivity',
  'reveal',
  'samples',
  'owner',
] as const

/** Catalog entries also cite their source and say which header words name them. */
const CATALOG_KEYS = ['cites', 'headers'] as const

/** The definition, or undefined where a problem was found; problems go to the reader. */
export function define(
  key: string,
  source: PlainMap,
  path: Path,
  reader: Reader,
): Definition | undefined {
  const before = reader.problems.length
  const definition = defineUnproven(key, source, path, reader)
  if (!definition) return undefined
  checkCover(definition, path, reader)
  if (reader.problems.length === before) runSamples(definition, path, reader)
  return reader.problems.length > before ? undefined : definition
}

/** The same, where it is known that all that is stored can be shown and that the samples are right. */
export function defineUnproven(
  key: string,
  source: PlainMap,
  path: Path,
  reader: Reader,
): Definition | undefined {
  const before = reader.problems.length
  reader.keys(source, [...DEFINITION_KEYS, ...CATALOG_KEYS], path)
  const at = (name: string): Path => [...path, name]
  const textOf = (name: string) =>
    source[name] === undefined ? undefined : reader.text(source[name], at(name))
  const flagOf = (name: string) =>
    source[name] === undefined ? undefined : reader.flag(source[name], at(name))

  if (source['stored'] === undefined) {
    return reader.refuse(
      'stored-missing',
      path,
      `"${key}" does not say how it is stored.`,
      'Add a line such as stored: "{5}", or like: with the name of a catalog entry.',
      { onKey: true },
    )
  }
  const stored = readMasks(source['stored'], at('stored'), reader)
  const displays =
    source['display'] === undefined
      ? undefined
      : readDisplays(source['display'], at('display'), reader)
  const alsoRead =
    source['also-read'] === undefined
      ? undefined
      : readMasks(source['also-read'], at('also-read'), reader)
  const entry =
    source['entry'] === undefined ? undefined : readMasks(source['entry'], at('entry'), reader)
  if (!stored) return undefined
  refusePads(stored, at('stored'), reader)

  if (!areOneKind(stored, displays, alsoRead, path, reader)) return undefined

  const zeros = readWord(source, 'zeros', ['significant', 'padding'], path, reader) ?? 'significant'
  const onlyMask = stored.masks.length === 1 ? stored.masks[0] : undefined
  if (zeros === 'padding' && !(onlyMask && allDigits(onlyMask))) {
    reader.refuse(
      'zeros-padding',
      at('zeros'),
      'Zeros can be padding only where the value is one run of digits.',
      'Use one stored mask of digits, such as "{1..6}", or zeros: significant.',
    )
  }
  const sensitivity =
    readWord<Sensitivity>(source, 'sensitivity', ['open', 'personal', 'secret'], path, reader) ??
    'personal'
  const definition: Definition = {
    key,
    title: textOf('title') ?? key,
    note: textOf('note'),
    stored,
    display: displays ? [...displays.values()][0]! : stored,
    displays: displays ?? new Map([['display', stored]]),
    entry: entry ?? listOf((displays ? [...displays.values()][0]! : stored).masks.map(unhidden)),
    alsoRead,
    zeros,
    check:
      source['check'] === undefined
        ? undefined
        : readCheck(source['check'], at('check'), stored, reader),
    never: readPartRules(source, 'never', path, stored, reader),
    only: readPartRules(source, 'only', path, stored, reader),
    unique: flagOf('unique') ?? false,
    required: flagOf('required') ?? false,
    sensitivity,
    reveal: readReveal(textOf('reveal'), sensitivity, at('reveal'), reader),
    samples: readSamples(source['samples'], at('samples'), reader),
    owner: textOf('owner'),
    cites: textOf('cites'),
  }
  return reader.problems.length > before ? undefined : definition
}

function readReveal(
  text: string | undefined,
  sensitivity: Sensitivity,
  path: Path,
  reader: Reader,
): Reveal {
  if (text === undefined) return sensitivity === 'open' ? REVEAL_ALL : REVEAL_NONE
  const reveal = parseReveal(text)
  if (reveal) return reveal
  reader.refuse(
    'reveal',
    path,
    `"${text}" does not say what may be seen.`,
    'Write none, all, "last 4", or "first 6 last 4".',
  )
  return REVEAL_NONE
}

function checkCover(definition: Definition, path: Path, reader: Reader): void {
  for (const [name, list] of definition.displays) {
    if (list === definition.stored || list.masks[0]!.kind !== 'characters') continue
    const witness = uncovered(definition, list)
    if (witness === undefined) continue
    reader.refuse(
      'display-gap',
      [...path, 'display'],
      `A stored value such as "${witness}" fits no mask of the display form${name === 'display' ? '' : ` "${name}"`}.`,
      'Add a display mask for it. Stored and display masks hold the same characters.',
    )
  }
}

function readWord<T extends string>(
  source: PlainMap,
  key: string,
  words: readonly T[],
  path: Path,
  reader: Reader,
): T | undefined {
  const value = source[key]
  if (value === undefined) return undefined
  const text = reader.text(value, [...path, key])
  if (text === undefined || (words as readonly string[]).includes(text))
    return text as T | undefined
  const near = nearest(text, words)
  return reader.refuse(
    'word-unknown',
    [...path, key],
    `"${key}" cannot be "${text}".`,
    near ? `Did you mean "${near}"?` : `Write one of: ${words.join(', ')}.`,
  )
}
