// A rules file as plain objects. Scalars are their source text, never a number or a date, so that
// `group: 00` stays the text "00". A JSON number keeps its text too, and says that it was one.

import { nearest } from '../words/nearest.js'
import type { RulesProblem } from '../words/problem.js'

export type Plain = string | JsonNumber | readonly Plain[] | PlainMap
export interface PlainMap {
  readonly [key: string]: Plain
}
/** A JSON number by its source text. */
export class JsonNumber {
  readonly source: string
  constructor(source: string) {
    this.source = source
  }
}

export const isMap = (value: Plain | undefined): value is PlainMap =>
  typeof value === 'object' && !Array.isArray(value) && !(value instanceof JsonNumber)
export const isList = (value: Plain | undefined): value is readonly Plain[] => Array.isArray(value)

/** Collects problems while a tree of plain objects is taken apart. */
export interface Reader {
  readonly problems: RulesProblem[]
  text(value: Plain, path: Path): string | undefined
  texts(value: Plain, path: Path): string[] | undefined
  flag(value: Plain, path: Path): boolean | undefined
  count(value: Plain, path: Path): number | undefined
  map(value: Plain, path: Path, what: string): PlainMap | undefined
  list(value: Plain, path: Path, what: string): readonly Plain[] | undefined
  /** Refuses keys that are not known, with the nearest that is. */
  keys(value: PlainMap, known: readonly string[], path: Path): void
  refuse(
    code: string,
    path: Path,
    message: string,
    todo: string,
    more?: { onKey?: boolean; offset?: number },
  ): undefined
}

export type Path = readonly (string | number)[]

export function reader(problems: RulesProblem[] = []): Reader {
  const refuse: Reader['refuse'] = (code, path, message, todo, more = {}) => {
    problems.push({ code, path, message, todo, ...more })
    return undefined
  }
  const self: Reader = {
    problems,
    refuse,
    text(value, path) {
      if (typeof value === 'string') return value
      if (value instanceof JsonNumber) {
        return refuse(
          'number-for-text',
          path,
          `The number ${value.source} stands where text belongs.`,
          `Put it in quotes, "${value.source}": leading zeros and long digits survive only as text.`,
        )
      }
      return refuse(
        'text-expected',
        path,
        `${kindOf(value)} stands where text belongs.`,
        'Write one text.',
      )
    },
    texts(value, path) {
      if (!isList(value)) {
        const one = self.text(value, path)
        return one === undefined ? undefined : [one]
      }
      const all = value.map((one, i) => self.text(one, [...path, i]))
      return all.every((one) => one !== undefined) ? all : undefined
    },
    flag(value, path) {
      if (value === 'true' || value === 'false') return value === 'true'
      return refuse(
        'flag-expected',
        path,
        'This is either "true" or "false".',
        'Write true or false.',
      )
    },
    count(value, path) {
      const source = value instanceof JsonNumber ? value.source : value
      if (typeof source === 'string' && /^\d{1,9}$/.test(source)) return Number.parseInt(source, 10)
      return refuse(
        'count-expected',
        path,
        'A whole number belongs here.',
        'Write digits only, such as 3.',
      )
    },
    map(value, path, what) {
      if (isMap(value)) return value
      return refuse(
        'map-expected',
        path,
        `${kindOf(value)} stands where ${what} belong.`,
        'Write "name: value" lines, indented.',
      )
    },
    list(value, path, what) {
      if (isList(value)) return value
      return refuse(
        'list-expected',
        path,
        `${kindOf(value)} stands where a list of ${what} belongs.`,
        'Start each entry with "- ".',
      )
    },
    keys(value, known, path) {
      for (const key of Object.keys(value)) {
        if (known.includes(key)) continue
        const near = nearest(key, known)
        refuse(
          'key-unknown',
          [...path, key],
          `There is no key "${key}" here.`,
          near ? `Did you mean "${near}"?` : `Known keys: ${known.join(', ')}.`,
          { onKey: true },
        )
      }
    },
  }
  return self
}

function kindOf(value: Plain): string {
  if (typeof value === 'string') return value === '' ? 'Nothing' : `The text "${value}"`
  if (value instanceof JsonNumber) return `The number ${value.source}`
  return isList(value) ? 'A list' : 'A group of keys'
}

/** The text of a key that must be there. */
export function required(map: PlainMap, key: string, path: Path, read: Reader): string | undefined {
  return map[key] === undefined ? missing(key, path, read) : read.text(map[key], [...path, key])
}

export function missing(key: string, path: Path, read: Reader): undefined {
  return read.refuse(
    'key-missing',
    path,
    `The key "${key}" is missing here.`,
    `Add a line "${key}: …".`,
  )
}
