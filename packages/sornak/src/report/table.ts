// Findings as rows of a table for people (RFC 4180). Fields that a spreadsheet program would work out as a
// formula get an apostrophe in front.

import type { ValueFinding } from '../inspect/finding.js'

const COLUMNS = [
  'file',
  'record',
  'line',
  'key',
  'column',
  'identifier',
  'value',
  'verdict',
  'finding',
  'findings',
  'mend',
  'proof',
  'possible',
  'candidates',
  'why',
] as const

export const tableHeader = (): string => `${COLUMNS.join(',')}\r\n`

export function tableRow(finding: ValueFinding): string {
  const cells = COLUMNS.map((name) => {
    const value = finding[name]
    return tableCell(Array.isArray(value) ? value.join(' ') : `${(value as string | null) ?? ''}`)
  })
  return `${cells.join(',')}\r\n`
}

/**
 * @example
 * tableCell('=1+1') // "\"'=1+1\""
 * tableCell('00417') // '00417'
 */
export function tableCell(text: string): string {
  const harmless = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text
  return /[",\r\n']|^\s|\s$/.test(harmless) ? `"${harmless.replaceAll('"', '""')}"` : harmless
}
