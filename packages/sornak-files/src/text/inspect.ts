// The two passes over one file: bytes through the row reader into an inspection, then a second look at
// the records that need it.

import {
  bindTable,
  inspection,
  type ColumnFinding,
  type Inspection,
  type RaggedRecord,
  type Stretch,
  type Rules,
  type Shelf,
  type TableProblem,
  type TrustedList,
  type ValueFinding,
} from 'sornak'
import {
  recordView,
  scanRecord,
  type CsvShape,
  type RecordPlace,
  type RecordView,
} from 'sornak/rows'
import { unbound, unreadable } from '../problem.js'
import { breathe, type Progress, type Source } from '../source.js'
import { delay } from './delay.js'
import { headersOf, openRows, readRecords } from './rows.js'
import { utf8Check } from './utf8.js'

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

export interface InspectedFile {
  readonly inspection: Inspection
  readonly records: number
  readonly unbound: readonly string[]
  readonly notices: readonly string[]
  /** What the rows of each column say together. */
  readonly columns: readonly ColumnFinding[]
  /** Runs the second pass and hands over what there is to say, in the order of the file. */
  second(say: (found: ValueFinding | RaggedRecord) => void): Promise<void>
}

const WINDOW = 256 * 1024

export async function inspectFile(
  source: Source,
  rule: FileRule,
  options: FileOptions,
  progress: Progress,
): Promise<InspectedFile> {
  const { shape, first } = openRows(source)
  const delayed = delay(rule.skipLast)
  let inspected: Inspection | undefined
  let records = 0
  let notices: string[] = []
  const onRecord = (view: RecordView, place: RecordPlace) => {
    if (place.index < rule.headerRow - 1) return
    if (!inspected) {
      const headers = headersOf(view, shape, source.name, place.line)
      const { table, problems } = bindTable(source.file ?? source.name, headers, rule)
      notices = refuse(problems, options.allowMissing)
      if (table.columns.length === 0 && rule.bind.size > 0)
        throw unbound(problems.map(({ message, todo }) => `${message} ${todo}`).join('\n'))
      inspected = inspection(table, rule.headerRow, {
        ...options,
        quote: shape.quote,
        storage: source.storage,
        sheet: source.sheet,
      })
      return
    }
    const there = inspected
    delayed.push(view, place, shape, (one, where) => {
      records++
      there.look(one, where)
    })
  }
  await readRecords(source, shape, first, onRecord, progress, utf8Check(source.name))
  progress.clear()
  if (!inspected)
    throw unreadable(
      `${source.name} has no header in row ${rule.headerRow}.`,
      'Check header-row in the rules file.',
    )
  const there = inspected
  const { columns, again } = there.conclude()
  const bound = new Set(there.table.columns.map(({ index }) => index))
  return {
    inspection: there,
    records,
    unbound: there.table.headers.filter((_, i) => !bound.has(i)),
    notices,
    columns,
    second: (say) =>
      secondPass(source, shape, there, again, records + rule.headerRow, say, progress),
  }
}

// Hops from record to record that need a second look; a window of the file is held at a time.
async function secondPass(
  source: Source,
  shape: CsvShape,
  inspected: Inspection,
  again: readonly Stretch[],
  records: number,
  say: (found: ValueFinding | RaggedRecord) => void,
  progress: Progress,
): Promise<void> {
  const { spool } = inspected
  const view = recordView()
  let window = new Uint8Array(WINDOW)
  let windowAt = 0
  let windowSize = 0
  // Finds one record; the place behind it is where the next begins.
  const visit = (place: RecordPlace): RecordPlace => {
    let from = place.offset - windowAt
    if (
      from < 0 ||
      from >= windowSize ||
      !scanRecord(view, window, from, windowSize, shape, windowAt + windowSize >= source.size)
    ) {
      for (;;) {
        windowAt = place.offset
        windowSize = source.read(window, windowAt)
        from = 0
        if (scanRecord(view, window, 0, windowSize, shape, windowAt + windowSize >= source.size))
          break
        window = new Uint8Array(window.length * 2)
      }
    }
    for (const found of inspected.judge(view, place)) say(found)
    return {
      index: place.index + 1,
      line: place.line + view.breaks,
      offset: windowAt + view.end,
    }
  }
  let visited = 0
  const pause = async (place: RecordPlace) => {
    if (visited++ % 4096 !== 0) return
    progress.at(place.offset, source.size)
    await breathe()
  }
  const through = async ({ from, to }: Stretch) => {
    for (let place = from; place.index <= to.index;) {
      await pause(place)
      place = visit(place)
    }
  }
  // Records that need a second look, and whole stretches of them, in order and each once.
  const stretches = [...again]
  let done = -1
  const upTo = async (index: number) => {
    while (stretches[0] && stretches[0].from.index <= index) {
      const stretch = stretches.shift()!
      await through(stretch)
      done = stretch.to.index
    }
  }
  for (let i = 0; i < spool.size; i++) {
    const place = spool.at(i)
    await upTo(place.index)
    if (place.index <= done) continue
    await pause(place)
    visit(place)
  }
  await upTo(spool.readOn ? spool.readOn.index : Infinity)
  if (spool.readOn) {
    const judgeOn = (one: RecordView, place: RecordPlace) => {
      if (place.index < records && place.index > done)
        for (const found of inspected.judge(one, place)) say(found)
    }
    await readRecords(source, shape, spool.readOn, judgeOn, progress)
  }
  progress.clear()
}

function refuse(problems: readonly TableProblem[], allowMissing: boolean): string[] {
  const fatal = problems.filter(({ code }) => code !== 'column-missing' || !allowMissing)
  if (fatal.length)
    throw unbound(fatal.map(({ message, todo }) => `${message}\n  ${todo}`).join('\n'))
  return problems.map(({ message }) => message)
}
