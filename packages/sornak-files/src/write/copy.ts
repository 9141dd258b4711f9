// A whole table into another format, identifiers as text. Values may be replaced on the way.

import { fieldText, type RecordPlace, type RecordView } from 'sornak/rows'
import { unreadable } from '../problem.js'
import type { Keeper, Progress, Source } from '../source.js'
import { delay } from '../text/delay.js'
import { headersOf, openRows, readRecords } from '../text/rows.js'
import { utf8Check } from '../text/utf8.js'
import type { TableWriter, WrittenCell } from './writer.js'
import { madeHarmless } from './harmless.js'
import { WRITERS } from './writers.js'

export interface CopyOptions {
  /** A key of WRITERS. */
  readonly format: string
  readonly sheet: string
  /** From 1; rows before it are left out. */
  readonly headerRow: number
  /** Records at the end that are left out. */
  readonly skipLast?: number
  /** Headers of the columns that hold identifiers. */
  readonly identifiers: ReadonlySet<string>
  readonly keep: Keeper
  /** The text that a value becomes; undefined where it stays. */
  replace?(record: number, column: string, text: string): string | undefined
  /** Sees every record as it is written. */
  seen?(headers: readonly string[], texts: readonly string[], record: number): void
}

export interface CopiedTable {
  readonly headers: readonly string[]
  readonly records: number
  /** Texts that were given an apostrophe, so that no program runs them. */
  readonly harmless: number
}

export async function copyTable(
  source: Source,
  options: CopyOptions,
  write: (bytes: Uint8Array) => void,
  progress: Progress,
): Promise<CopiedTable> {
  const { headerRow, identifiers, keep, sheet, replace, seen } = options
  const make = WRITERS.get(options.format)!
  const { shape, first } = openRows(source)
  let headers: string[] = []
  let writer: TableWriter | undefined
  let records = 0
  let harmless = 0
  // Spreadsheet programs open CSV too, and nothing in it may run.
  const safe = (text: string) => {
    const made = options.format === 'csv' ? madeHarmless(text) : undefined
    if (made !== undefined) harmless++
    return made ?? text
  }
  const delayed = delay(options.skipLast ?? 0)
  await readRecords(
    source,
    shape,
    first,
    (view, { index, line }) => {
      if (index < headerRow - 1) return
      if (!writer) {
        headers = headersOf(view, shape, source.name, line)
        const marked = headers.flatMap((header, i) => (identifiers.has(header) ? i : []))
        writer = make(write, {
          headers: headers.map(safe),
          sheet,
          identifiers: new Set(marked),
          keep,
        })
        return
      }
      delayed.push(view, { index, line, offset: 0 }, shape, copyRecord)
    },
    progress,
    utf8Check(source.name),
  )
  progress.clear()
  if (!writer) throw unreadable(`${source.name} has no header in row ${headerRow}.`)
  await writer.end()
  return { headers, records, harmless }

  function copyRecord(view: RecordView, { index }: RecordPlace): void {
    if (headers.length > 1 && view.fields === 1 && view.starts[0] === view.ends[0]) return
    const record = index - headerRow + 1
    records++
    const cells = headers.map((header, i): WrittenCell => {
      const found = i < view.fields ? fieldText(view, i, shape.quote) : ''
      const text = replace?.(record, header, found) ?? found
      const number = !identifiers.has(header) && source.storage?.cell(index, i)?.as === 'number'
      return { text: number ? text : safe(text), number }
    })
    seen?.(
      headers,
      cells.map(({ text }) => text),
      record,
    )
    writer!.row(cells)
  }
}
