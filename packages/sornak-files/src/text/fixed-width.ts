// Text whose fields stand at fixed places of each line, by a layout such as `Crew No: 1-5, Mobile: 6-15`.

import { unbound, unreadable } from '../problem.js'
import type { Source } from '../source.js'
import type { Table } from '../table.js'

export interface FixedField {
  readonly name: string
  /** Characters, counted from 1, both ends included. */
  readonly from: number
  readonly to: number
}

const CHUNK = 256 * 1024
const LONGEST = 16 * 1024 * 1024

/** @throws {FileProblem} `unbound`, for a layout that cannot be read */
export function parseLayout(text: string): FixedField[] {
  const fields = text.split(',').map((part): FixedField => {
    const found = /^\s*(.+?)\s*:\s*(\d{1,6})(?:\s*(?:-|\.\.)\s*(\d{1,6}))?\s*$/.exec(part)
    const from = Number.parseInt(found?.[2] ?? '', 10)
    const to = Number.parseInt(found?.[3] ?? found?.[2] ?? '', 10)
    if (!found || from < 1 || to < from)
      throw unbound(
        `"${part.trim()}" is no field of a layout.`,
        'Write the name, a colon and the characters, counted from 1: "Crew No: 1-5, Mobile: 6-15".',
      )
    return { name: found[1]!, from, to }
  })
  const names = fields.map(({ name }) => name)
  const twice = names.find((name, i) => names.indexOf(name) < i)
  if (twice !== undefined)
    throw unbound(`The layout has two fields "${twice}".`, 'Give them different names.')
  return fields
}

/** Spaces around a field are its padding and do not belong to the value. */
export function fixedWidthTable(source: Source, fields: readonly FixedField[]): Table {
  return {
    name: undefined,
    placed: 'line',
    types: () => [],
    async read(visit, progress) {
      let row = 0
      visit(
        row++,
        fields.map(({ name }) => ({ text: name })),
      )
      const line = (text: string) => {
        const chars = /^[\x20-\x7e]*$/.test(text) ? text : [...text]
        visit(
          row++,
          fields.map(({ from, to }) => {
            const part = chars.slice(from - 1, to)
            return { text: (typeof part === 'string' ? part : part.join('')).trim() }
          }),
        )
      }
      const decoder = new TextDecoder()
      const buffer = new Uint8Array(CHUNK)
      let held = ''
      for (let at = 0; ;) {
        const size = source.read(buffer, at)
        if (size === 0) break
        at += size
        held += decoder.decode(buffer.subarray(0, size), { stream: true })
        const lines = held.split(/\r\n|\n/)
        held = lines.pop()!
        lines.forEach(line)
        if (held.length > LONGEST)
          throw unreadable(`${source.name} has a line longer than ${LONGEST / 1024 / 1024} MiB.`)
        progress.at(at, source.size)
      }
      if (held) line(held.replace(/\r$/, ''))
      progress.clear()
    },
  }
}
