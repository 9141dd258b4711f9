// What a survey found -> the text of a rules file that `inspect` can use at once, with comments that say why.

import { allDigits } from '../identifier/fit.js'
import type { ColumnLook } from './column.js'
import type { Guess } from './guess.js'

export interface Surveyed {
  readonly file: string
  /** The row in which its headers stand, from 1. */
  readonly headerRow?: number
  readonly columns: readonly { readonly look: ColumnLook; readonly guess: Guess }[]
}

export function draftRules(files: readonly Surveyed[]): string {
  const identifiers: string[] = []
  const columns: string[] = []
  const names = new Map<string, string>()
  for (const { file, headerRow = 1, columns: found } of files) {
    const bound: string[] = []
    for (const { look, guess } of found) {
      const { entry, stored } = guess
      if (entry === undefined && stored === undefined) continue
      const what = entry === undefined ? `stored: ${quoted(stored!)}` : `like: ${entry}`
      const name = nameFor(look.header, what, names)
      if (!names.has(name)) {
        names.set(name, what)
        identifiers.push(
          `  ${name}:`,
          `    title: ${quoted(look.header)}`,
          ...comment(guess, look).map((line) => `    # ${line}`),
          `    ${what}`,
          '',
        )
      }
      bound.push(`      ${quoted(look.header)}: ${name}`)
    }
    const head = headerRow > 1 ? [`    header-row: ${headerRow} # lines above it are no data`] : []
    if (bound.length) columns.push(`  - in: ${quoted(file)}`, ...head, '    bind:', ...bound)
  }
  if (identifiers.length === 0) return '# Nothing here looks like an identifier.\nsornak: 1\n'
  return [
    '# A draft: read it before you rely on it. What is left out of "columns" is not inspected.',
    'sornak: 1',
    '',
    'identifiers:',
    ...identifiers,
    'columns:',
    ...columns,
    '',
  ].join('\n')
}

function comment({ why, others, damaged, definition }: Guess, look: ColumnLook): string[] {
  const lines = [why]
  if (others.length)
    lines.push(
      `As good: ${others.slice(0, 8).join(', ')}${others.length > 8 ? ' …' : ''}. Choose one.`,
    )
  if (damaged.size) lines.push(`Damage in a sample: ${[...damaged.keys()].join(', ')}.`)
  const masks = definition?.stored.masks ?? []
  const bare = masks.filter(allDigits).map(({ text }) => quoted(text))
  // A list that never has the other shape is judged more surely without it.
  if (look.digitsOnly === look.values - look.blank && bare.length > 0 && bare.length < masks.length)
    lines.push(
      `All values are digits only. If they always are, add: stored: ${bare.length > 1 ? `[${bare.join(', ')}]` : bare[0]}`,
    )
  return lines
}

// Two columns with one name and one meaning share an identifier; with two meanings they do not.
function nameFor(header: string, what: string, names: ReadonlyMap<string, string>): string {
  const bare =
    header
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^[^a-z]+|-+$/g, '') || 'column'
  for (let i = 1; ; i++) {
    const name = i === 1 ? bare : `${bare}-${i}`
    if (!names.has(name) || names.get(name) === what) return name
  }
}

const quoted = (text: string) => `'${text.replaceAll("'", "''")}'`
