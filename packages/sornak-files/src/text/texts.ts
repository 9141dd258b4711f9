// A delimited file read as texts, record by record: for work that needs every value and not only those that
// do not fit.

import { fieldText } from 'sornak/rows'
import type { Progress, Source } from '../source.js'
import { headersOf, openRows, readRecords } from './rows.js'
import { utf8Check } from './utf8.js'

export interface TextVisitor {
  /** The row of headers. */
  header(headers: readonly string[], line: number): void
  /** A field's text, empty where the record is too short; 1-based data record; physical line. */
  record(text: (index: number) => string, record: number, line: number, fields: number): void
}

/** @param headerRow the row of headers, from 1; rows before it are passed over */
export async function readTexts(
  source: Source,
  visitor: TextVisitor,
  progress: Progress,
  headerRow = 1,
): Promise<void> {
  const { shape, first } = openRows(source)
  await readRecords(
    source,
    shape,
    first,
    (view, { index, line }) => {
      if (index < headerRow - 1) return
      if (index === headerRow - 1)
        return visitor.header(headersOf(view, shape, source.name, line), line)
      const text = (i: number) => (i >= 0 && i < view.fields ? fieldText(view, i, shape.quote) : '')
      visitor.record(text, index - headerRow + 1, line, view.fields)
    },
    progress,
    utf8Check(source.name),
  )
  progress.clear()
}
