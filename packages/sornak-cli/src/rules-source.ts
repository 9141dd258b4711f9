// A rules file in YAML or JSON as plain objects, with the place of everything in it. Scalars keep their
// source text; what the YAML schema would make of them does not matter.

import { readFileSync } from 'node:fs'
import {
  CHANNELS,
  FINDING_CODES,
  JsonNumber,
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
import { Stop, STATUS, systemReason, usage } from './stop.js'

export function loadRules(path: string): Rules {
  let source: string
  try {
    source = new TextDecoder('utf-8', { fatal: true }).decode(readFileSync(path))
  } catch (error) {
    const reason = error instanceof TypeError ? 'it is not UTF-8' : systemReason(error)
    throw usage(`The rules file ${path} cannot be read: ${reason}.`)
  }
  const lines = new LineCounter()
  const document = parseDocument(source, { lineCounter: lines, uniqueKeys: true })
  const place = (offset: number) => lines.linePos(offset)
  const [broken] = document.errors
  if (broken) {
    const { line, col } = place(broken.pos[0])
    const [first] = broken.message.split('\n')
    throw report(path, source, [
      {
        line,
        column: col,
        code: 'yaml',
        message: first!.replace(/ at line \d+, column \d+:?$/, '') + '.',
        todo: 'Mend the YAML there: indentation with spaces, quotes in pairs, one key a line.',
      },
    ])
  }
  const json = /\.json$/i.test(path)
  const plain = document.contents === null ? {} : toPlain(document.contents, document, json)
  const read = readRules(plain, {
    findings: FINDING_CODES,
    channels: new Map([...CHANNELS].map(([id, { forms }]) => [id, forms])),
  })
  if (read.ok) return read.rules
  throw report(
    path,
    source,
    read.problems.map((problem) => {
      const { line, col } = place(offsetOf(document, problem))
      return { line, column: col, code: problem.code, message: problem.message, todo: problem.todo }
    }),
  )
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

interface Placed {
  readonly line: number
  readonly column: number
  readonly code: string
  readonly message: string
  readonly todo: string
}

function report(path: string, source: string, problems: readonly Placed[]): Stop {
  const lines = source.split('\n')
  const told = problems.slice(0, 20).map(({ line, column, code, message, todo }) => {
    const text = (lines[line - 1] ?? '').replace(/\t/g, ' ').trimEnd()
    return `${path}:${line}:${column}  ${code}  ${message}\n    ${text}\n    ${' '.repeat(Math.max(0, column - 1))}^ ${todo}`
  })
  if (problems.length > 20) told.push(`… and ${problems.length - 20} more.`)
  return new Stop(STATUS.usage, told.join('\n\n'))
}
