// Findings that the steward has seen and accepts: where, how often and until when.

import { nearest } from '../words/nearest.js'
import { required, type PlainMap, type Reader } from './plain.js'

/** A finding that the steward has seen and accepts. */
export interface Accepted {
  readonly in: string
  readonly column: string
  readonly finding: string
  /** How often it may stand; Infinity where nothing is said. */
  readonly atMost: number
  readonly because: string
  readonly by: string | undefined
  /** Last day on which it is accepted: yyyy-MM-dd. */
  readonly until: string | undefined
}

const ACCEPTED_KEYS = ['in', 'column', 'finding', 'at-most', 'because', 'by', 'until']

export function readAccepted(
  top: PlainMap,
  findingCodes: readonly string[],
  read: Reader,
): Accepted[] {
  if (top['accepted'] === undefined) return []
  const list = read.list(top['accepted'], ['accepted'], 'accepted findings')
  return (list ?? []).flatMap((value, i): Accepted[] => {
    const path = ['accepted', i]
    const map = read.map(value, path, 'the keys "in", "column", "finding" and "because"')
    if (!map) return []
    read.keys(map, ACCEPTED_KEYS, path)
    const [name, column, finding, because] = ['in', 'column', 'finding', 'because'].map((key) =>
      required(map, key, path, read),
    )
    if (finding !== undefined && !findingCodes.includes(finding)) {
      const near = nearest(finding, findingCodes)
      read.refuse(
        'finding-unknown',
        [...path, 'finding'],
        `There is no finding "${finding}".`,
        near ? `Did you mean "${near}"?` : `Findings: ${findingCodes.join(', ')}.`,
      )
    }
    const until =
      map['until'] === undefined ? undefined : read.text(map['until'], [...path, 'until'])
    if (until !== undefined && !/^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/.test(until)) {
      read.refuse(
        'date',
        [...path, 'until'],
        `"${until}" is not a day.`,
        'Write year, month and day: 2027-06-30.',
      )
    }
    const atMost =
      map['at-most'] === undefined ? Infinity : read.count(map['at-most'], [...path, 'at-most'])
    const by = map['by'] === undefined ? undefined : read.text(map['by'], [...path, 'by'])
    if (
      name === undefined ||
      column === undefined ||
      finding === undefined ||
      because === undefined
    )
      return []
    return [{ in: name, column, finding, because, by, until, atMost: atMost ?? Infinity }]
  })
}
