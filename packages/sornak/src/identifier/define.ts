// Plain objects -> a definition, with every problem found and where it stands. The same reader serves
// rules files and the catalog.

import { listOf, type MaskList } from '../mask/list.js'
import { tryMask, type Mask } from '../mask/mask.js'
import type { Node } from '../mask/tree.js'
import { unhidden } from '../mask/unhidden.js'
import { nearest } from '../words/nearest.js'
import { uncovered } from './cover.js'
import { knownPart, readCheck } from './define-check.js'
import { WHOLE, type Definition } from './definition.js'
import { allDigits, fit } from './fit.js'
import { isList, isMap, type Path, type Plain, type PlainMap, type Reader } from './plain.js'
import { parseRange, type PartRule, type TextRange } from './ranges.js'
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
  const stored = masks(source['stored'], at('stored'), reader)
  const displays =
    source['display'] === undefined
      ? undefined
      : readDisplays(source['display'], at('display'), reader)
  const alsoRead =
    source['also-read'] === undefined
      ? undefined
      : masks(source['also-read'], at('also-read'), reader)
  const entry =
    source['entry'] === undefined ? undefined : masks(source['entry'], at('entry'), reader)
  if (!stored) return undefined
  refusePads(stored, at('stored'), reader)

  if (!oneKind(stored, displays, alsoRead, path, reader)) return undefined

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
    never: readRules(source, 'never', path, stored, reader),
    only: readRules(source, 'only', path, stored, reader),
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

function masks(value: Plain, path: Path, reader: Reader): MaskList | undefined {
  const texts = reader.texts(value, path)
  if (!texts) return undefined
  if (texts.length === 0) {
    return reader.refuse(
      'mask-missing',
      path,
      'The list of masks is empty.',
      'Write at least one mask.',
    )
  }
  const built = texts.map((text, i): Mask | undefined => {
    const made = tryMask(text)
    if (made.ok) return made.mask
    const { code, message, todo, example, at } = made.problem
    const where = isList(value) ? [...path, i] : path
    return reader.refuse(
      code,
      where,
      `In the mask "${text}": ${lower(message)}`,
      `${todo} For example: ${example}`,
      { offset: at },
    )
  })
  return built.every((one) => one !== undefined) ? listOf(built) : undefined
}

function readDisplays(value: Plain, path: Path, reader: Reader): Map<string, MaskList> | undefined {
  if (!isMap(value)) {
    const list = masks(value, path, reader)
    return list && new Map([['display', list]])
  }
  const named = Object.entries(value).map(
    ([name, one]) => [name, masks(one, [...path, name], reader)] as const,
  )
  if (named.length === 0) {
    return reader.refuse(
      'mask-missing',
      path,
      'No display form is named here.',
      'Write, for example, national: "{3} {4}".',
    )
  }
  return named.every((pair): pair is [string, MaskList] => pair[1] !== undefined)
    ? new Map(named)
    : undefined
}

// A value has one kind; what is filled from a record has no stored form at all.
function oneKind(
  stored: MaskList,
  displays: ReadonlyMap<string, MaskList> | undefined,
  alsoRead: MaskList | undefined,
  path: Path,
  reader: Reader,
): boolean {
  const kind = stored.masks[0]!.kind
  const lists = [
    ['stored', stored],
    ...[...(displays ?? [])].map(([, list]) => ['display', list] as const),
    ...(alsoRead ? ([['also-read', alsoRead]] as const) : []),
  ] as const
  for (const [key, { masks: list }] of lists) {
    const other = list.find((one) => one.kind !== kind || one.kind === 'composite')
    if (!other) continue
    reader.refuse(
      'mask-kind',
      [...path, key],
      other.kind === 'composite'
        ? `The mask "${other.text}" is filled from several fields, so it is no form of one value.`
        : `The mask "${other.text}" holds ${KIND_TITLES[other.kind]}, the stored one ${KIND_TITLES[kind]}.`,
      'Use masks of one kind: all characters, all one number, or all one date.',
    )
    return false
  }
  return true
}

const KIND_TITLES: Record<Mask['kind'], string> = {
  characters: 'characters',
  number: 'a number',
  date: 'a date',
  composite: 'fields',
}

function refusePads(stored: MaskList, path: Path, reader: Reader): void {
  for (const one of stored.masks) {
    for (const slot of one.program.slots) {
      if (slot.pad === undefined && slot.hide === undefined) continue
      const option = slot.pad === undefined ? 'hide' : 'pad'
      reader.refuse(
        `${option}-stored`,
        path,
        `"${option}" has no place in a stored mask: what is stored is stored in full.`,
        option === 'pad'
          ? 'Give the width that is stored, and use "pad" in the display mask; or set zeros: padding.'
          : 'Use "hide" in the display mask.',
        { offset: slot.at },
      )
    }
  }
}

function readRules(
  source: PlainMap,
  key: 'never' | 'only',
  path: Path,
  stored: MaskList,
  reader: Reader,
): PartRule[] {
  const value = source[key]
  if (value === undefined) return []
  const at = [...path, key]
  const map = reader.map(value, at, 'part names')
  if (!map) return []
  return Object.entries(map).flatMap(([part, texts]): PartRule[] => {
    knownPart(part, [...at, part], stored, reader)
    const list = reader.texts(texts, [...at, part])
    if (!list) return []
    const ranges = list.map((text, i): TextRange | undefined => {
      const where = isList(texts) ? [...at, part, i] : [...at, part]
      const range = parseRange(text)
      if ('low' in range) {
        if (canHaveLength(stored, part, range.low.length)) return range
        return reader.refuse(
          'range-width',
          where,
          `"${text}" has ${range.low.length} characters, which "${part}" never has.`,
          'Write as many characters as the part has; leading zeros count.',
        )
      }
      return reader.refuse('range', where, `In "${text}", ${range.wrong}.`, range.todo)
    })
    return ranges.every((one) => one !== undefined) ? [{ part, ranges }] : []
  })
}

function canHaveLength(stored: MaskList, part: string, length: number): boolean {
  return stored.masks.some((one) => {
    if (part === WHOLE) {
      const [min, max] = extent(one.nodes)
      return min <= length && length <= max
    }
    return one.program.slots.some(
      (slot) => slot.name === part && slot.min <= length && length <= slot.max,
    )
  })
}

function extent(nodes: readonly Node[]): [number, number] {
  return nodes.reduce<[number, number]>(
    ([min, max], node) => {
      if (node.kind === 'literal') return [min + node.text.length, max + node.text.length]
      if (node.kind === 'slot') return [min + node.min, max + node.max]
      return node.kind === 'section' ? [min, max + extent(node.nodes)[1]] : [min, Infinity]
    },
    [0, 0],
  )
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

function readSamples(value: Plain | undefined, path: Path, reader: Reader): Definition['samples'] {
  if (value === undefined) return { fits: [], doesNotFit: [] }
  const map = reader.map(value, path, '"fits" and "does-not-fit"')
  if (!map) return { fits: [], doesNotFit: [] }
  reader.keys(map, ['fits', 'does-not-fit'], path)
  const texts = (key: string) =>
    map[key] === undefined ? [] : (reader.texts(map[key], [...path, key]) ?? [])
  return { fits: texts('fits'), doesNotFit: texts('does-not-fit') }
}

function runSamples(definition: Definition, path: Path, reader: Reader): void {
  const { fits, doesNotFit } = definition.samples
  fits.forEach((text, i) => {
    const found = fit(definition, text)
    if (found.ok) return
    const why =
      found.code === 'shape'
        ? found.misfit.message
        : `Its ${found.code === 'reserved' ? `part "${found.part}" is reserved` : 'check digit is not right'}.`
    reader.refuse(
      'sample-misfit',
      [...path, 'samples', 'fits', i],
      `The sample "${text}" does not fit. ${why}`,
      'Mend the sample or the definition.',
    )
  })
  doesNotFit.forEach((text, i) => {
    if (!fit(definition, text).ok) return
    reader.refuse(
      'sample-fits',
      [...path, 'samples', 'does-not-fit', i],
      `The sample "${text}" fits, though it should not.`,
      'Mend the sample, or make the definition stricter.',
    )
  })
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

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
