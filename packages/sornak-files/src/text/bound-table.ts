// The header of a file against the rule for it: which columns are bound, and what is wrong with that.

import {
  bindTable,
  inspection,
  type Inspection,
  type Rules,
  type Shelf,
  type Table,
  type TableProblem,
  type TrustedList,
} from 'sornak'
import type { CsvShape, RecordView } from 'sornak/rows'
import { unbound, unreadable } from '../problem.js'
import type { Source } from '../source.js'
import { headersOf } from './rows.js'

export type FileRule = Pick<Rules['columns'][number], 'bind' | 'key' | 'headerRow' | 'skipLast'> &
  Partial<Pick<Rules['columns'][number], 'aliases' | 'layout'>>

export interface FileOptions {
  readonly reveal: boolean
  readonly candidates: number
  readonly allowMissing: boolean
  readonly profile: boolean
  /** Value by value, without what the rows say together. */
  readonly onePass?: boolean
  /** Say why in hidden words too. */
  readonly hiddenWhy?: boolean
  readonly trusted: ReadonlyMap<string, TrustedList>
  /** Where what must be unique is laid down; in memory where it is left out. */
  readonly shelf?: Shelf
}

export interface BoundTable {
  readonly table: Table
  /** What the user should know, such as columns that are missing and may be. */
  readonly notices: readonly string[]
}

/** @throws {FileProblem} `unbound`, where the table does not have the columns of the rule */
export function boundTable(
  header: RecordView,
  line: number,
  shape: CsvShape,
  source: Source,
  rule: FileRule,
  allowMissing: boolean,
): BoundTable {
  const headers = headersOf(header, shape, source.name, line)
  const { table, problems } = bindTable(source.file ?? source.name, headers, rule)
  const notices = refuse(problems, allowMissing)
  if (table.columns.length === 0 && rule.bind.size > 0)
    throw unbound(problems.map(({ message, todo }) => `${message} ${todo}`).join('\n'))
  return { table, notices }
}

/** An inspection of the table; `from` what the records before said. */
export function inspectionOf(
  table: Table,
  shape: CsvShape,
  source: Source,
  rule: FileRule,
  options: FileOptions,
  from?: Parameters<typeof inspection>[3],
): Inspection {
  const { storage, sheet } = source
  const all = { ...options, quote: shape.quote, storage, sheet }
  return inspection(table, rule.headerRow, all, from)
}

export const withoutHeader = ({ name }: Source, { headerRow }: FileRule) =>
  unreadable(`${name} has no header in row ${headerRow}.`, 'Check header-row in the rules file.')

/** Headers of the columns that are not bound. */
export function unboundOf({ headers, columns }: Table): string[] {
  const bound = new Set(columns.map(({ index }) => index))
  return headers.filter((_, i) => !bound.has(i))
}

function refuse(problems: readonly TableProblem[], allowMissing: boolean): string[] {
  const fatal = problems.filter(({ code }) => code !== 'column-missing' || !allowMissing)
  if (fatal.length)
    throw unbound(fatal.map(({ message, todo }) => `${message}\n  ${todo}`).join('\n'))
  return problems.map(({ message }) => message)
}
