// What stands in a record of a table: whether it is one, which identifier each of its columns holds there, and whether the value
// fits. Asked in bytes; only what does not fit that way becomes text.

import { holds } from '../identifier/holds.js'
import { hide } from '../identifier/reveal.js'
import { fieldText, type RecordView } from '../rows/record.js'
import { sayer } from './finding.js'
import type { Bound, BoundColumn, Table } from './table.js'
import { saysNothing } from './ways/no-value.js'

export interface RecordValues {
  /** An empty line, or the headers again. */
  isNone(view: RecordView): boolean
  /** It is not as wide as the headers. */
  isRagged(view: RecordView): boolean
  /** The identifier that a column holds in this record; undefined where it holds none. */
  choiceOf(view: RecordView, column: BoundColumn): Bound | undefined
  /** `no`: has to be judged as text. */
  quickLook(view: RecordView, column: BoundColumn, bound: Bound | undefined): QuickLook
  /** The columns whose values do not fit, and are more than nothing. */
  damagedIn(view: RecordView): number[]
  textOf(view: RecordView, index: number): string
  /** What the record is known by, hidden as the rules say. */
  keyText(view: RecordView): string | null
}

export type QuickLook = 'fits' | 'blank' | 'no'

/**
 * @param quote the byte around fields
 * @param reveal the key is not hidden
 */
export function recordValues(table: Table, quote: number, reveal: boolean): RecordValues {
  const width = table.headers.length
  const textOf = (view: RecordView, index: number) => fieldText(view, index, quote)

  function choiceOf(view: RecordView, { choice }: BoundColumn): Bound | undefined {
    if (choice.kind === 'one') return choice.to
    return choice.index < view.fields ? choice.cases.get(textOf(view, choice.index)) : undefined
  }

  function quickLook(
    view: RecordView,
    { index }: BoundColumn,
    bound: Bound | undefined,
  ): QuickLook {
    if (!bound) return 'blank'
    if (index >= view.fields || isBlank(view, index))
      return bound.definition.required ? 'no' : 'blank'
    if (view.rough[index] === 0 && bound.fits(view.bytes, view.starts[index]!, view.ends[index]!))
      return 'fits'
    const text = textOf(view, index)
    // White space of other kinds than a space.
    if (!text.trim()) return bound.definition.required ? 'no' : 'blank'
    return holds(bound.definition, text) ? 'fits' : 'no'
  }

  function damagedIn(view: RecordView): number[] {
    return table.columns.flatMap((column) => {
      const bound = choiceOf(view, column)
      if (!bound || quickLook(view, column, bound) !== 'no') return []
      const seen = column.index < view.fields ? textOf(view, column.index) : ''
      return saysNothing(seen) ? [] : [column.index]
    })
  }

  // Lists that were printed page by page hold their headers again and again.
  function isHeaderAgain(view: RecordView): boolean {
    const [first] = table.columns
    if (!first || view.fields !== width) return false
    const { index, header } = first
    return (
      view.ends[index]! - view.starts[index]! >= header.length &&
      view.bytes[view.starts[index]!] === header.charCodeAt(0) &&
      textOf(view, index).trim() === header &&
      table.headers.every((text, i) => textOf(view, i).trim() === text)
    )
  }

  function keyText(view: RecordView): string | null {
    const { key } = table
    if (!key || key.index >= view.fields) return null
    const text = textOf(view, key.index)
    if (reveal) return text
    return key.definition ? sayer(key.definition, false)(text) : hide(text)
  }

  return {
    isNone: (view) => isEmptyLine(view, width) || isHeaderAgain(view),
    isRagged: (view) => view.fields !== width && !onlyEmptyExtras(view, width),
    choiceOf,
    quickLook,
    damagedIn,
    textOf,
    keyText,
  }
}

// A line of nothing in a table of several columns is no record of it.
const isEmptyLine = (view: RecordView, width: number) =>
  width > 1 && view.fields === 1 && view.starts[0] === view.ends[0]

function isBlank({ bytes, starts, ends }: RecordView, index: number): boolean {
  for (let at = starts[index]!; at < ends[index]!; at++) {
    const byte = bytes[at]!
    if (byte !== 32 && (byte < 9 || byte > 13)) return false
  }
  return true
}

function onlyEmptyExtras(view: RecordView, width: number): boolean {
  if (view.fields < width) return false
  for (let i = width; i < view.fields; i++) if (view.starts[i] !== view.ends[i]) return false
  return true
}
