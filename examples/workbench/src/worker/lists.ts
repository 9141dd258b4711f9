// The open table's column and one of a second file, held against each other.

import {
  compareLists,
  MATCHES,
  sayer,
  type Definition,
  type Item,
  type Match,
  type Pair,
} from 'sornak'
import { itemsOf, type Progress, type Source } from 'sornak-files'
import type { Compared, ComparedPair } from './protocol.js'

export interface Lists {
  readonly compared: Compared
  pairs(match: Match, from: number, count: number, revealed: boolean): ComparedPair[]
}

export interface ListedColumn {
  readonly source: Source
  readonly column: string
  readonly headerRow: number
}

export async function compared(
  left: ListedColumn,
  right: ListedColumn,
  definition: Definition,
  progress: Progress,
): Promise<Lists> {
  const [a, b] = [
    await itemsOf(left.source, left.column, definition, progress, left.headerRow),
    await itemsOf(right.source, right.column, definition, progress, right.headerRow),
  ]
  const by = new Map<Match, Pair[]>(MATCHES.map((match) => [match, []]))
  for (const pair of compareLists(definition, a.items, b.items)) by.get(pair.match)!.push(pair)
  const counts = Object.fromEntries(MATCHES.map((match) => [match, by.get(match)!.length]))
  return {
    compared: {
      counts: counts as Record<Match, number>,
      left: a.items.length,
      right: b.items.length,
    },
    pairs(match, from, count, revealed) {
      const say = sayer(definition, revealed)
      const side = (item: Item | undefined) =>
        item ? { record: item.record, value: say(item.value) } : null
      return by
        .get(match)!
        .slice(from, from + count)
        .map((pair) => ({
          match,
          value: pair.value === undefined ? null : say(pair.value),
          left: side(pair.left),
          right: side(pair.right),
          others: pair.others.map(({ record }) => record),
        }))
    },
  }
}
