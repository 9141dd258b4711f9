// A delimited file read as texts, record by record: for commands that need every value and not only those
// that do not fit.

import { fieldText } from 'sornak/rows'
import { progress, type Progress } from './progress.js'
import { headersOf, openRows, readRecords } from './read-rows.js'
import { openSource, utf8Check } from './source.js'

export interface TextVisitor {
  /** The first row. */
  header(headers: readonly string[], line: number): void
  /** A field's text, empty where the record is too short; 1-based data record; physical line. */
  record(text: (index: number) => string, record: number, line: number, fields: number): void
}

export async function readTexts(
  path: string,
  {
    delimiter,
    encoding,
    bar,
  }: { delimiter?: string | undefined; encoding?: string | undefined; bar?: Progress },
  visitor: TextVisitor,
): Promise<void> {
  const name = path === '-' ? 'standard input' : path
  const source = openSource(path, name, encoding)
  const shown = bar ?? progress(name, true)
  try {
    const { shape, first } = openRows(source, delimiter)
    await readRecords(
      source,
      shape,
      first,
      (view, { index, line }) => {
        if (index === 0) return visitor.header(headersOf(view, shape, name, line), line)
        const text = (i: number) =>
          i >= 0 && i < view.fields ? fieldText(view, i, shape.quote) : ''
        visitor.record(text, index, line, view.fields)
      },
      shown,
      utf8Check(name),
    )
    shown.clear()
  } finally {
    source.close()
  }
}
