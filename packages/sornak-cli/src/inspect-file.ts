// The two passes over one file: bytes through the row reader into an inspection, then a second look at
// the records that need it.

import { readSync } from 'node:fs'
import {
  bindTable,
  inspection,
  type Inspection,
  type RaggedRecord,
  type Rules,
  type TableProblem,
  type ValueFinding,
} from 'sornak'
import {
  fieldText,
  findShape,
  markLength,
  recordView,
  rowReader,
  RowsError,
  scanRecord,
  type CsvShape,
  type RecordPlace,
  type RecordView,
} from 'sornak/rows'
import type { Progress } from './progress.js'
import { utf8Check, type Source } from './source.js'
import { unreadable, usage } from './stop.js'

export type FileRule = Pick<Rules['columns'][number], 'bind' | 'key' | 'headerRow' | 'skipLast'>

export interface FileOptions {
  readonly delimiter: string | undefined
  readonly reveal: boolean
  readonly candidates: number
  readonly allowMissing: boolean
}

export interface InspectedFile {
  readonly inspection: Inspection
  readonly records: number
  readonly unbound: readonly string[]
  readonly notices: readonly string[]
  /** Runs the second pass and hands over what there is to say, in the order of the file. */
  second(say: (found: ValueFinding | RaggedRecord) => void): Promise<void>
}

const CHUNK = 1024 * 1024
const WINDOW = 256 * 1024
/** After so many bytes signals get their turn. */
const BREATHE = 8 * CHUNK

export async function inspectFile(
  source: Source,
  rule: FileRule,
  options: FileOptions,
  progress: Progress,
): Promise<InspectedFile> {
  const head = Buffer.alloc(Math.min(64 * 1024, source.size))
  readSync(source.fd, head, 0, head.length, 0)
  if (head.length === 0)
    throw unreadable(`${source.name} is empty.`, 'A header and records are expected.')
  if (head.includes(0))
    throw unreadable(
      `${source.name} is not text: it holds zero bytes.`,
      'Save it as CSV, or name its encoding with --encoding.',
    )
  if (head[0] === 0x50 && head[1] === 0x4b)
    throw unreadable(
      `${source.name} is a ZIP container or a workbook, not text.`,
      'Save it as CSV first.',
    )
  const shape = findShape(head, head.length === source.size, options.delimiter)
  const first: RecordPlace = { index: 0, line: 1, offset: markLength(head) }

  const delayed = delay(rule.skipLast)
  let inspected: Inspection | undefined
  let records = 0
  let notices: string[] = []
  const onRecord = (view: RecordView, place: RecordPlace) => {
    if (place.index < rule.headerRow - 1) return
    if (!inspected) {
      const headers = headersOf(view, shape, source.name, place.line)
      const { table, problems } = bindTable(source.name, headers, rule)
      notices = refuse(problems, options.allowMissing)
      if (table.columns.length === 0 && rule.bind.size > 0)
        throw usage(problems.map(({ message, todo }) => `${message} ${todo}`).join('\n'))
      inspected = inspection(table, rule.headerRow, { ...options, quote: shape.quote })
      return
    }
    const there = inspected
    delayed.push(view, place, shape, (one, where) => {
      records++
      there.look(one, where)
    })
  }
  await readAll(source, shape, first, onRecord, progress, utf8Check(source.name))
  progress.clear()
  if (!inspected)
    throw unreadable(
      `${source.name} has no header in row ${rule.headerRow}.`,
      'Check header-row in the rules file.',
    )
  const there = inspected
  const bound = new Set(there.table.columns.map(({ index }) => index))
  return {
    inspection: there,
    records,
    unbound: there.table.headers.filter((_, i) => !bound.has(i)),
    notices,
    second: (say) => secondPass(source, shape, there, records + rule.headerRow, say, progress),
  }
}

async function readAll(
  source: Source,
  shape: CsvShape,
  from: RecordPlace,
  visit: (view: RecordView, place: RecordPlace) => void,
  progress: Progress,
  check?: ReturnType<typeof utf8Check>,
): Promise<void> {
  const reader = rowReader(shape, visit, from)
  try {
    for (let at = from.offset, rest = BREATHE; ;) {
      const room = reader.room(CHUNK)
      const size = readSync(source.fd, room, 0, CHUNK, at)
      if (size === 0) break
      check?.feed(room.subarray(0, size))
      reader.filled(size)
      at += size
      rest -= size
      progress.at(at, source.size)
      if (rest <= 0) {
        rest = BREATHE
        await new Promise(setImmediate)
      }
    }
    check?.end()
    reader.end()
  } catch (error) {
    if (error instanceof RowsError) {
      throw unreadable(
        `${source.name}:${error.line}  ${error.message}`,
        'Close the quote, or choose the delimiter with --delimiter.',
      )
    }
    throw error
  }
}

// Hops from record to record that need a second look; a window of the file is held at a time.
async function secondPass(
  source: Source,
  shape: CsvShape,
  inspected: Inspection,
  records: number,
  say: (found: ValueFinding | RaggedRecord) => void,
  progress: Progress,
): Promise<void> {
  const { spool } = inspected
  const view = recordView()
  let window = Buffer.alloc(WINDOW)
  let windowAt = 0
  let windowSize = 0
  for (let i = 0; i < spool.size; i++) {
    const place = spool.at(i)
    let from = place.offset - windowAt
    if (
      from < 0 ||
      from >= windowSize ||
      !scanRecord(view, window, from, windowSize, shape, windowAt + windowSize >= source.size)
    ) {
      for (;;) {
        windowAt = place.offset
        windowSize = readSync(source.fd, window, 0, window.length, windowAt)
        from = 0
        if (scanRecord(view, window, 0, windowSize, shape, windowAt + windowSize >= source.size))
          break
        window = Buffer.alloc(window.length * 2)
      }
    }
    for (const found of inspected.judge(view, place)) say(found)
    if (i % 4096 === 0) {
      progress.at(place.offset, source.size)
      await new Promise(setImmediate)
    }
  }
  if (spool.readOn) {
    const judgeOn = (one: RecordView, place: RecordPlace) => {
      if (place.index < records) for (const found of inspected.judge(one, place)) say(found)
    }
    await readAll(source, shape, spool.readOn, judgeOn, progress)
  }
  progress.clear()
}

function headersOf(view: RecordView, shape: CsvShape, name: string, line: number): string[] {
  try {
    return Array.from({ length: view.fields }, (_, i) => fieldText(view, i, shape.quote).trim())
  } catch {
    throw unreadable(
      `${name}:${line}  The header is not UTF-8.`,
      'Say how the file is encoded, for example --encoding windows-1252.',
    )
  }
}

function refuse(problems: readonly TableProblem[], allowMissing: boolean): string[] {
  const fatal = problems.filter(({ code }) => code !== 'column-missing' || !allowMissing)
  if (fatal.length)
    throw usage(fatal.map(({ message, todo }) => `${message}\n  ${todo}`).join('\n'))
  return problems.map(({ message }) => message)
}

type Deliver = (view: RecordView, place: RecordPlace) => void

// Holds back the last records of a file, which hold totals.
function delay(count: number): {
  push(view: RecordView, place: RecordPlace, shape: CsvShape, deliver: Deliver): void
} {
  const held: { bytes: Uint8Array; place: RecordPlace }[] = []
  const again = recordView()
  return {
    push(view, place, shape, deliver) {
      if (count === 0) return deliver(view, place)
      held.push({ bytes: view.bytes.slice(view.start, view.end), place: { ...place } })
      if (held.length <= count) return
      const first = held.shift()!
      scanRecord(again, first.bytes, 0, first.bytes.length, shape, true)
      deliver(again, first.place)
    },
  }
}
