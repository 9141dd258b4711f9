// A copy of a delimited file in which some fields are replaced. Every other byte stays as it was: quotes,
// line ends, byte order mark, ragged records.

import { fieldText, type RecordView } from 'sornak/rows'
import type { Change } from '../change.js'
import { unreadable } from '../problem.js'
import { bytesOf, type Progress, type Source } from '../source.js'
import { headersOf, openRows, readRecords } from './rows.js'

export async function copyMended(
  source: Source,
  headerRow: number,
  changes: readonly Pick<Change, 'record' | 'column' | 'before' | 'after'>[],
  write: (bytes: Uint8Array) => void,
  progress: Progress,
): Promise<void> {
  const { shape, first } = openRows(source)
  write(bytesOf(source, 0, first.offset))
  const columns = new Map<string, number>()
  let next = 0
  const visit = (view: RecordView, { index, line }: { index: number; line: number }) => {
    if (index === headerRow - 1)
      headersOf(view, shape, source.name, line).forEach((name, i) => columns.set(name, i))
    const record = index - headerRow + 1
    let from = view.start
    const here: { at: number; change: (typeof changes)[number] }[] = []
    for (; changes[next]?.record === record; next++)
      here.push({ at: columns.get(changes[next]!.column) ?? -1, change: changes[next]! })
    here.sort((a, b) => a.at - b.at)
    for (const { at, change } of here) {
      if (at < 0 || at >= view.fields || fieldText(view, at, shape.quote) !== change.before)
        throw unreadable(
          `${source.name} record ${record}: "${change.column}" does not hold what the change is about.`,
          'The file is not the one that the changes were made for.',
        )
      write(view.bytes.subarray(from, view.starts[at]))
      write(utf8.encode(fieldFor(view, at, change.after, shape)))
      from = view.ends[at]!
    }
    write(view.bytes.subarray(from, view.end))
  }
  await readRecords(source, shape, first, visit, progress)
  progress.clear()
  if (next < changes.length)
    throw unreadable(
      `${source.name} has no record ${changes[next]!.record}.`,
      'The file is not the one that the changes were made for.',
    )
}

const utf8 = new TextEncoder()

// A field that stands in quotes keeps them; one that needs them gets them.
function fieldFor(
  { bytes, start, starts, rough }: RecordView,
  at: number,
  text: string,
  { quote, delimiter }: { readonly quote: number; readonly delimiter: number },
): string {
  const mark = String.fromCharCode(quote)
  const doubled = text.replaceAll(mark, mark + mark)
  const from = starts[at]!
  const quoted = from > start && bytes[from - 1] === quote && rough[at] !== 2
  if (quoted) return doubled
  const needs =
    text.includes(mark) || text.includes(String.fromCharCode(delimiter)) || /[\r\n]/.test(text)
  return needs ? mark + doubled + mark : text
}
