// What the first word of `show` and `explain` means: an identifier of the rules file or catalog, or
// the text of a mask.

import { existsSync } from 'node:fs'
import {
  CATALOG,
  fromCatalog,
  MaskError,
  mask,
  nearest,
  type Definition,
  type Mask,
  type Rules,
} from 'sornak'
import { DEFAULT_RULES } from './binding.js'
import { loadRules } from './rules-source.js'
import { usage } from './stop.js'

export type Subject =
  | { readonly kind: 'identifier'; readonly definition: Definition }
  | { readonly kind: 'mask'; readonly mask: Mask }

export function subjectOf(text: string, rulesPath: string | undefined): Subject {
  const rules = rulesFor(text, rulesPath)
  const definition = rules?.identifiers.get(text) ?? fromCatalog(text)
  if (definition) return { kind: 'identifier', definition }
  if (looksLikeName(text)) {
    const near = nearest(text, [...(rules?.identifiers.keys() ?? []), ...CATALOG.keys()])
    if (near) throw usage(`There is no identifier "${text}".`, `Did you mean "${near}"?`)
  }
  return { kind: 'mask', mask: maskOrStop(text) }
}

export function maskOrStop(text: string): Mask {
  try {
    return mask(text)
  } catch (error) {
    if (!(error instanceof MaskError)) throw error
    const { at, message, todo, example } = error.problem
    throw usage(
      `${message}\n    ${text}\n    ${' '.repeat(at)}^ ${todo}`,
      `For example: ${example}`,
    )
  }
}

const looksLikeName = (text: string) => /^[\p{L}\d_./-]+$/u.test(text)

function rulesFor(text: string, path: string | undefined): Rules | undefined {
  if (path !== undefined) return loadRules(path)
  return looksLikeName(text) && existsSync(DEFAULT_RULES) ? loadRules(DEFAULT_RULES) : undefined
}
