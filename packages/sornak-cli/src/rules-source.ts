// A rules file -> rules, or a message that shows each problem where it stands.

import { readFileSync } from 'node:fs'
import type { Rules } from 'sornak'
import { readRulesText, type PlacedProblem } from 'sornak-files/rules'
import { Stop, STATUS, systemReason, usage } from './stop.js'

export function loadRules(path: string): Rules {
  let source: string
  try {
    source = new TextDecoder('utf-8', { fatal: true }).decode(readFileSync(path))
  } catch (error) {
    const reason = error instanceof TypeError ? 'it is not UTF-8' : systemReason(error)
    throw usage(`The rules file ${path} cannot be read: ${reason}.`)
  }
  const read = readRulesText(source, /\.json$/i.test(path))
  if (read.ok) return read.rules
  throw report(path, source, read.problems)
}

function report(path: string, source: string, problems: readonly PlacedProblem[]): Stop {
  const lines = source.split('\n')
  const told = problems.slice(0, 20).map(({ line, column, code, message, todo }) => {
    const text = (lines[line - 1] ?? '').replace(/\t/g, ' ').trimEnd()
    return `${path}:${line}:${column}  ${code}  ${message}\n    ${text}\n    ${' '.repeat(Math.max(0, column - 1))}^ ${todo}`
  })
  if (problems.length > 20) told.push(`… and ${problems.length - 20} more.`)
  return new Stop(STATUS.usage, told.join('\n\n'))
}
