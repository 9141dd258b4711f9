// Rules as the page has them -> rules that the library can use.

import { readRules, type PlainMap, type Rules } from 'sornak'
import { unbound } from 'sornak-files'
import { KNOWN_WORDS } from '../known-words.js'

export function rulesOf(plain: PlainMap): Rules {
  const read = readRules(plain, KNOWN_WORDS)
  if (read.ok) return read.rules
  const [first] = read.problems
  throw unbound(first!.message, first!.todo)
}
