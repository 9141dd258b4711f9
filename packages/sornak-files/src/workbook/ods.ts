// OpenDocument spreadsheets (ISO/IEC 26300): each cell's stored value, its type, and the text that was shown
// when the file was saved.

import { openArchive, type Archive } from '../archive/archive.js'
import { xmlReader, type Attributes } from '../archive/xml.js'
import { unreadable } from '../problem.js'
import type { Source } from '../source.js'
import type { Cell, RowVisitor, Table } from '../table.js'
import { MOST_COLUMNS, MOST_ROWS } from './xlsx.js'

const CONTENT = 'content.xml'
/** Rows and cells may be written once and repeated; more than this is no table of data. */
const MOST_REPEATED = 20_000_000

export async function odsTables(source: Source): Promise<Table[]> {
  const archive = await openArchive(source)
  if (!archive.has(CONTENT))
    throw unreadable(`${source.name} has no content.`, 'Save it anew in its program.')
  const names: string[] = []
  await content(source, archive, {
    open(element, attributes) {
      if (element === 'table') names.push(attributes['name'] ?? '')
    },
  })
  if (names.length === 0)
    throw unreadable(`${source.name} has no sheet with cells.`, 'Open it in its program and look.')
  return names.map((name, at) => ({
    name,
    placed: 'cell',
    types: () => [],
    async read(visit, progress) {
      await readSheet(source, archive, at, visit)
      progress.clear()
    },
  }))
}

async function content(source: Source, archive: Archive, visitor: Parameters<typeof xmlReader>[1]) {
  const reader = xmlReader(`${source.name} (${CONTENT})`, visitor)
  await archive.stream(CONTENT, (bytes) => reader.feed(bytes))
  reader.end()
}

async function readSheet(
  source: Source,
  archive: Archive,
  wanted: number,
  visit: RowVisitor,
): Promise<void> {
  let sheet = -1
  let row = 0
  let rowTimes = 1
  let cells: (Cell | undefined)[] = []
  let width = 0
  let here: Attributes | undefined
  let paragraphs: string[] = []
  let inParagraph = 0
  let aside = 0
  let repeated = 0
  const within = () => sheet === wanted
  const spend = (times: number) => {
    if ((repeated += times) > MOST_REPEATED)
      throw unreadable(`${source.name} repeats cells more than ${MOST_REPEATED} times.`)
  }
  await content(source, archive, {
    open(element, attributes) {
      if (element === 'table') sheet++
      if (!within()) return
      if (element === 'annotation') aside++
      if (aside) return
      switch (element) {
        case 'table-row':
          rowTimes = times(attributes['number-rows-repeated'])
          cells = []
          width = 0
          break
        case 'table-cell':
        case 'covered-table-cell':
          here = attributes
          paragraphs = []
          break
        case 'p':
          if (inParagraph++ === 0 && here) paragraphs.push('')
          break
        case 's':
          add(' '.repeat(Math.min(1000, times(attributes['c']))))
          break
        case 'tab':
          add('\t')
          break
        case 'line-break':
          add('\n')
          break
      }
    },
    close(element) {
      if (!within()) return
      if (element === 'annotation') aside--
      else if (aside) return
      else if (element === 'p') inParagraph--
      else if (element === 'table-cell' || element === 'covered-table-cell') {
        const found = cellOf(here!, paragraphs.join('\n'))
        const cell = found && here!['formula'] ? { ...found, formula: true } : found
        const wide = times(here!['number-columns-repeated'])
        here = undefined
        if (cell) {
          spend(wide)
          if (width + wide > MOST_COLUMNS)
            throw unreadable(`${source.name} has more than ${MOST_COLUMNS} columns.`)
          for (let i = 0; i < wide; i++) cells[width + i] = cell
        }
        width += wide
      } else if (element === 'table-row') {
        if (cells.length) {
          spend((rowTimes - 1) * cells.length)
          if (row + rowTimes > MOST_ROWS)
            throw unreadable(`${source.name} has more than ${MOST_ROWS} rows.`)
          for (let i = 0; i < rowTimes; i++) visit(row + i, cells)
        }
        row += rowTimes
      }
    },
    text: add,
  })

  function add(text: string): void {
    if (within() && inParagraph && !aside && paragraphs.length)
      paragraphs[paragraphs.length - 1] += text
  }
}

const times = (text: string | undefined) =>
  text !== undefined && /^\d{1,9}$/.test(text) ? Math.max(1, Number.parseInt(text, 10)) : 1

function cellOf(attributes: Attributes, shown: string): Cell | undefined {
  switch (attributes['value-type']) {
    case 'float':
    case 'percentage':
    case 'currency':
      return { text: attributes['value'] ?? shown, as: 'number', shown }
    case 'date':
      return { text: attributes['date-value'] ?? shown, as: 'date', shown }
    case 'time':
      return { text: attributes['time-value'] ?? shown, as: 'date', shown }
    case 'boolean':
      return { text: attributes['boolean-value'] === 'true' ? 'TRUE' : 'FALSE', as: 'boolean' }
    case 'error':
      return { text: shown, as: 'error' }
    case 'string':
      return { text: attributes['string-value'] ?? shown }
    default:
      return shown === '' ? undefined : { text: shown }
  }
}
