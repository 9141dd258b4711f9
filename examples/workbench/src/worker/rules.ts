// Rules as the page holds them, or as a file has them.

import { isMap, KNOWN_WORDS, readRules, type PlainMap, type Rules } from 'sornak'
import { unbound, unreadable } from 'sornak-files'
import { readRulesText } from 'sornak-files/rules'

export function rulesOf(plain: PlainMap): Rules {
  const read = readRules(plain, KNOWN_WORDS)
  if (read.ok) return read.rules
  const [first] = read.problems
  throw unbound(first!.message, first!.todo)
}

/** @throws {FileProblem} saying where the first of its problems stands */
export async function rulesFile(file: File): Promise<PlainMap> {
  const text = await textOf(file)
  const read = readRulesText(text, /\.json$/i.test(file.name))
  if (!read.ok) {
    const [{ line, column, message, todo }] = read.problems as [(typeof read.problems)[number]]
    const more = read.problems.length - 1
    throw unbound(
      `${file.name}, line ${line}, column ${column}: ${message}`,
      more
        ? `${todo} (${more} more ${more === 1 ? 'problem stands' : 'problems stand'} in it.)`
        : todo,
    )
  }
  // By its texts, whatever it is written in.
  const again = readRulesText(text)
  return again.ok && isMap(again.plain) ? again.plain : {}
}

async function textOf(file: File): Promise<string> {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(await file.arrayBuffer())
  } catch {
    throw unreadable(`The rules file ${file.name} cannot be read: it is not UTF-8.`)
  }
}
