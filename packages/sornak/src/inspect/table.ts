// A table's headers against the rules: which column is bound to which definition, and what is wrong
// with the match.

import type { Definition } from '../identifier/definition.js'
import type { Binding, ColumnRule } from '../identifier/column-rules.js'
import { nearest } from '../words/nearest.js'
import { matcherOf, type Matcher } from './evidence/matcher.js'
import { hasShapes, shapesOf } from './evidence/number-shapes.js'

export interface BoundColumn {
  readonly header: string
  readonly index: number
  readonly choice: Choice
}

/** Which definition a value has: always one, or the one that another column names. */
export type Choice =
  | { readonly kind: 'one'; readonly to: Bound }
  | { readonly kind: 'by'; readonly index: number; readonly cases: ReadonlyMap<string, Bound> }

export interface Bound {
  readonly definition: Definition
  readonly fits: Matcher
}

export interface Table {
  /** The file as the user named it. */
  readonly file: string
  readonly headers: readonly string[]
  readonly columns: readonly BoundColumn[]
  /** Index of the column that names a row for people, and how its texts may be seen. */
  readonly key: { readonly index: number; readonly definition: Definition | undefined } | undefined
}

export interface TableProblem {
  readonly code: 'column-missing' | 'header-twice'
  readonly message: string
  readonly todo: string
}

export function bindTable(
  file: string,
  headers: readonly string[],
  rule: Pick<ColumnRule, 'bind' | 'key'> & Partial<Pick<ColumnRule, 'aliases'>>,
): { readonly table: Table; readonly problems: readonly TableProblem[] } {
  const problems: TableProblem[] = []
  const find = (wanted: string): number | undefined => {
    const names = [wanted, ...(rule.aliases?.get(wanted) ?? [])]
    const header = names.find((name) => headers.includes(name)) ?? wanted
    const index = headers.indexOf(header)
    if (index < 0) {
      const near = nearest(header, headers)
      problems.push({
        code: 'column-missing',
        message: `${file} has no column "${header}".`,
        todo:
          near === undefined
            ? `Its columns: ${headers.map((one) => `"${one}"`).join(', ')}.`
            : `Did you mean "${near}"?`,
      })
      return undefined
    }
    if (headers.indexOf(header, index + 1) >= 0) {
      problems.push({
        code: 'header-twice',
        message: `${file} has more than one column "${header}".`,
        todo: 'Give the columns different names, so that it is clear which one is meant.',
      })
      return undefined
    }
    return index
  }
  const columns = [...rule.bind].flatMap(([header, binding]): BoundColumn[] => {
    const index = find(header)
    const choice = choose(binding, find)
    return index === undefined || !choice ? [] : [{ header: headers[index]!, index, choice }]
  })
  columns.sort((a, b) => a.index - b.index)
  const keyIndex = rule.key === undefined ? undefined : find(rule.key)
  const keyed = columns.find(({ index }) => index === keyIndex)
  const key =
    keyIndex === undefined
      ? undefined
      : {
          index: keyIndex,
          definition: keyed?.choice.kind === 'one' ? keyed.choice.to.definition : undefined,
        }
  return { table: { file, headers, columns, key }, problems }
}

function choose(
  binding: Binding,
  find: (header: string) => number | undefined,
): Choice | undefined {
  if (binding.kind === 'one') return { kind: 'one', to: bound(binding.definition) }
  const index = find(binding.column)
  if (index === undefined) return undefined
  return {
    kind: 'by',
    index,
    cases: new Map([...binding.cases].map(([text, to]) => [text, bound(to)])),
  }
}

const bound = (definition: Definition): Bound => ({
  definition,
  fits: hasShapes(definition) ? shapesOf(definition) : matcherOf(definition),
})

/** Every definition that its values may have. */
export function boundsOf(choice: Choice): readonly Bound[] {
  return choice.kind === 'one' ? [choice.to] : [...new Set(choice.cases.values())]
}
