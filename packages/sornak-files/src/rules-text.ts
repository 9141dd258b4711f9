// The text of a rules file, YAML or JSON -> plain objects and rules, or every problem with its place. Scalars keep
// their source text; what the YAML schema would make of them does not matter.

import {
  JsonNumber,
  KNOWN_WORDS,
  readRules,
  type Plain,
  type Rules,
  type RulesProblem,
} from 'sornak'
import {
  isAlias,
  isMap,
  isPair,
  isScalar,
  isSeq,
  LineCounter,
  parseDocument,
  type Document,
  type Node,
} from 'yaml'

/** What is wrong with a rules file, where (line and column, from 1), and what to do. */
export interface PlacedProblem {
  readonly line: number
  readonly column: number
  readonly code: string
  readonly message: string
  readonly todo: string
}

export type RulesText =
  | { readonly ok: true; readonly rules: Rules; readonly plain: Plain }
  | { readonly ok: false; readonly problems: readonly PlacedProblem[] }

/**
 * @param source the text of the file
 * @param json where it is JSON: a number in place of an identifier is a problem there
 */
export function readRulesText(source: string, json = false): RulesText {
  const lines = new LineCounter()
  const document = parseDocument(source, { lineCounter: lines, uniqueKeys: true })
  const place = (offset: number) => {
    const { line, col } = lines.linePos(offset)
    return { line, column: col }
  }
  const [broken] = document.errors
  if (broken) {
    const [first] = broken.message.split('\n')
    const problem = {
      ...place(broken.pos[0]),
      code: 'yaml',
      message: first!.replace(/ at line \d+, column \d+:?$/, '') + '.',
      todo: 'Mend the YAML there: indentation with spaces, quotes in pairs, one key a line.',
    }
    return { ok: false, problems: [problem] }
  }
  const plain = document.contents === null ? {} : toPlain(document.contents, document, json)
  const read = readRules(plain, KNOWN_WORDS)
  if (read.ok) return { ok: true, rules: read.rules, plain }
  const problems = read.problems.map((problem) => ({
    ...place(offsetOf(document, problem)),
    code: problem.code,
    message: problem.message,
    todo: problem.todo,
  }))
  return { ok: false, problems }
}

function toPlain(node: unknown, document: Document, json: boolean): Plain {
  if (isAlias(node)) return toPlain(node.resolve(document), document, json)
  if (isMap(node)) {
    return Object.fromEntries(
      node.items.map(({ key, value }) => [`${textOf(key)}`, toPlain(value, document, json)]),
    )
  }
  if (isSeq(node)) return node.items.map((item) => toPlain(item, document, json))
  if (json && isScalar(node) && typeof node.value === 'number')
    return new JsonNumber(node.source ?? '')
  return textOf(node)
}

function textOf(node: unknown): string {
  if (!isScalar(node)) return ''
  if (typeof node.value === 'string') return node.value
  return node.value === null && !node.source ? '' : (node.source ?? '')
}

// The offset of a value or key; where a path leads outside the file (it was taken over with `like`), of
// the last step that is in it.
function offsetOf(document: Document, { path, onKey, offset }: RulesProblem): number {
  let node: unknown = document.contents
  let start = (document.contents as Node | null)?.range?.[0] ?? 0
  for (const [i, step] of path.entries()) {
    if (isAlias(node)) node = node.resolve(document)
    if (isMap(node)) {
      const pair = node.items.find(({ key }) => textOf(key) === step)
      if (!pair || !isPair(pair)) return start
      const keyStart = (pair.key as Node).range?.[0] ?? start
      const valueStart = (pair.value as Node | null)?.range?.[0]
      start =
        (onKey && i === path.length - 1) || valueStart === undefined || isMap(pair.value)
          ? keyStart
          : valueStart
      node = pair.value
    } else if (isSeq(node)) {
      node = node.items[step as number]
      start = (node as Node | undefined)?.range?.[0] ?? start
    } else return start
  }
  const quoted = isScalar(node) && (node.type === 'QUOTE_DOUBLE' || node.type === 'QUOTE_SINGLE')
  return offset === undefined ? start : start + offset + (quoted ? 1 : 0)
}
