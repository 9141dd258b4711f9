// A definition as the page holds it -> one that the library can use, or what is wrong with it.

import {
  KNOWN_WORDS,
  readRules,
  type Definition,
  type Plain,
  type PlainMap,
  type RulesProblem,
} from 'sornak'

export interface Defined {
  readonly definition: Definition | undefined
  readonly problems: readonly RulesProblem[]
}

export function defined(name: string, plain: PlainMap): Defined {
  const key = name.replace(/[^A-Za-z0-9_./-]/g, '-')
  const read = readRules({ sornak: '1', identifiers: { [key]: plain } }, KNOWN_WORDS)
  return read.ok
    ? { definition: read.rules.identifiers.get(key), problems: [] }
    : { definition: undefined, problems: read.problems }
}

/** The masks of a key: one text, a list, or named ones. */
export function textsOf(value: Plain | undefined): string[] {
  if (typeof value === 'string') return [value]
  if (Array.isArray(value)) return value.flatMap((one) => (typeof one === 'string' ? one : []))
  if (typeof value === 'object')
    return Object.values(value as PlainMap).flatMap((one) => textsOf(one))
  return []
}
