// Which lists a rules file calls right. They are read by whoever can open files.

import { nearest } from '../words/nearest.js'
import type { Definition } from './definition.js'
import { required, type PlainMap, type Reader } from './plain.js'

/** Where a list stands that is known to be right. */
export interface Trusted {
  readonly from: string
  readonly column: string
}

export function readTrusted(
  top: PlainMap,
  identifiers: ReadonlyMap<string, Definition>,
  read: Reader,
): Map<string, Trusted> {
  const found = new Map<string, Trusted>()
  if (top['trusted'] === undefined) return found
  const map = read.map(top['trusted'], ['trusted'], 'identifiers and their lists')
  for (const [key, value] of Object.entries(map ?? {})) {
    const path = ['trusted', key]
    if (!identifiers.has(key)) {
      const near = nearest(key, [...identifiers.keys()])
      read.refuse(
        'identifier-unknown',
        path,
        `There is no identifier "${key}".`,
        near ? `Did you mean "${near}"?` : 'Name one of those above.',
        { onKey: true },
      )
      continue
    }
    const list = read.map(value, path, 'the keys "from" and "column"')
    if (!list) continue
    read.keys(list, ['from', 'column'], path)
    const from = required(list, 'from', path, read)
    const column = required(list, 'column', path, read)
    if (from !== undefined && column !== undefined) found.set(key, { from, column })
  }
  return found
}
