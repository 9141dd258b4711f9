// What would not survive each hand-over, column by column, over every value of a table.

import {
  bindTable,
  rehearsal,
  type Definition,
  type HandOver,
  type Rehearsal,
  type Table,
} from 'sornak'
import { fieldText, type RecordView } from 'sornak/rows'
import { unbound } from '../problem.js'
import type { Progress, Source } from '../source.js'
import type { FileRule } from './bound-table.js'
import { headersOf, openRows, readRecords } from './rows.js'
import { utf8Check } from './utf8.js'

export interface RehearsedColumn {
  readonly header: string
  readonly definition: Definition
  readonly rehearsal: Rehearsal
}

/** @throws {FileProblem} `unbound`, for a column that is missing or stands there twice */
export async function rehearseSource(
  source: Source,
  rule: FileRule,
  handOvers: readonly HandOver[],
  progress: Progress,
): Promise<RehearsedColumn[]> {
  const { shape, first } = openRows(source)
  let columns: (RehearsedColumn & { read(view: RecordView): string | undefined })[] = []
  const textAt = (view: RecordView, i: number) =>
    i < view.fields ? fieldText(view, i, shape.quote) : ''
  const bind = (table: Table) =>
    table.columns.flatMap(({ header, index, choice }) => {
      const column = (definition: Definition, read: (view: RecordView) => string | undefined) => ({
        header,
        definition,
        rehearsal: rehearsal(definition, handOvers),
        read,
      })
      if (choice.kind === 'one')
        return [column(choice.to.definition, (view) => textAt(view, index))]
      // One for each identifier that the column may hold.
      const definitions = new Set([...choice.cases.values()].map(({ definition }) => definition))
      return [...definitions].map((definition) =>
        column(definition, (view) =>
          choice.cases.get(textAt(view, choice.index))?.definition === definition
            ? textAt(view, index)
            : undefined,
        ),
      )
    })
  await readRecords(
    source,
    shape,
    first,
    (view, { index, line }) => {
      if (index < rule.headerRow - 1) return
      if (index === rule.headerRow - 1) {
        const headers = headersOf(view, shape, source.name, line)
        const { table, problems } = bindTable(source.name, headers, rule)
        const [problem] = problems
        if (problem) throw unbound(problem.message, problem.todo)
        columns = bind(table)
        return
      }
      for (const column of columns) {
        const text = column.read(view)
        if (text !== undefined) column.rehearsal.add(text)
      }
    },
    progress,
    utf8Check(source.name),
  )
  progress.clear()
  return columns
}
