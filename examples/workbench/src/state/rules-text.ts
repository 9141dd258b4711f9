// The decisions as the text of a rules file.

import { stringify } from 'yaml'
import { rulesOf, type Decisions } from './decisions.js'

export function rulesText(decisions: Decisions, file: string, headerRow: number): string {
  const { sornak, ...rest } = rulesOf(decisions, file, headerRow)
  return `sornak: ${String(sornak)}\n${stringify(rest, { defaultStringType: 'QUOTE_SINGLE', defaultKeyType: 'PLAIN', lineWidth: 100 })}`
}
