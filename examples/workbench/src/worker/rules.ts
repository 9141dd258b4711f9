// Rules as the page has them -> rules that the library can use.

import { CHANNELS, FINDING_CODES, readRules, type PlainMap, type Rules } from 'sornak'
import { unbound } from 'sornak-files'

const WORDS = {
  findings: FINDING_CODES,
  channels: new Map([...CHANNELS].map(([id, { forms }]) => [id, forms])),
}

export function rulesOf(plain: PlainMap): Rules {
  const read = readRules(plain, WORDS)
  if (read.ok) return read.rules
  const [first] = read.problems
  throw unbound(first!.message, first!.todo)
}
