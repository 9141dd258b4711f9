// Office Open XML workbooks (ISO/IEC 29500): the stored text of each cell exactly as it stands in its sheet,
// what kind it is, and what its number format shows.

import { openArchive, type Archive } from '../archive/archive.js'
import { xmlReader, type Attributes } from '../archive/xml.js'
import { unreadable } from '../problem.js'
import type { Source } from '../source.js'
import type { Cell, RowVisitor, Table } from '../table.js'
import { builtInFormat, numberFormat, type NumberFormat } from './number-format.js'

export const MOST_ROWS = 1_048_576
export const MOST_COLUMNS = 16_384
const MOST_SHARED = 128 * 1024 * 1024

export interface WorkbookParts {
  readonly archive: Archive
  readonly sheets: readonly { readonly name: string; readonly path: string }[]
  readonly shared: string | undefined
  readonly styles: string | undefined
  readonly since1904: boolean
}

export async function xlsxTables(source: Source): Promise<Table[]> {
  const parts = await workbookParts(source)
  const formats = await formatsOf(source, parts)
  let strings: Promise<string[]> | undefined
  return parts.sheets.map(({ name, path }) => ({
    name,
    placed: 'cell',
    types: () => [],
    async read(visit, progress) {
      strings ??= sharedStrings(source, parts)
      await readSheet(source, parts.archive, path, await strings, formats, visit)
      progress.clear()
    },
  }))
}

/** Which part of the container is what, by its relationships. */
export async function workbookParts(source: Source): Promise<WorkbookParts> {
  const archive = await openArchive(source)
  const [main] = await related(source, archive, '', 'officeDocument')
  const book = main?.path ?? 'xl/workbook.xml'
  if (!archive.has(book))
    throw unreadable(
      `${source.name} is a ZIP container, but no workbook.`,
      'Unpack it and name what is in it.',
    )
  const targets = await related(source, archive, book, '')
  const named: { name: string; id: string }[] = []
  let since1904 = false
  await readXml(source, archive, book, {
    open(element, attributes) {
      if (element === 'sheet')
        named.push({ name: attributes['name'] ?? '', id: attributes['id'] ?? '' })
      if (element === 'workbookPr') since1904 = /^(1|true)$/.test(attributes['date1904'] ?? '')
    },
  })
  const sheets = named.flatMap(({ name, id }) => {
    const target = targets.find((one) => one.id === id && one.type.endsWith('/worksheet'))
    return target ? [{ name, path: target.path }] : []
  })
  if (sheets.length === 0)
    throw unreadable(`${source.name} has no sheet with cells.`, 'Open it in its program and look.')
  const one = (type: string) => targets.find((target) => target.type.endsWith(`/${type}`))?.path
  return { archive, sheets, shared: one('sharedStrings'), styles: one('styles'), since1904 }
}

async function related(source: Source, archive: Archive, part: string, type: string) {
  const slash = part.lastIndexOf('/') + 1
  const path = `${part.slice(0, slash)}_rels/${part.slice(slash)}.rels`
  const found: { id: string; type: string; path: string }[] = []
  if (!archive.has(path)) return found
  await readXml(source, archive, path, {
    open(element, { Id = '', Type = '', Target = '' }) {
      if (element === 'Relationship' && (type === '' || Type.endsWith(`/${type}`)))
        found.push({ id: Id, type: Type, path: resolved(part.slice(0, slash), Target) })
    },
  })
  return found
}

// A target is a name in the container: dots lead to other parts of it and never outside.
function resolved(folder: string, target: string): string {
  const steps = target.startsWith('/') ? [] : folder.split('/').filter(Boolean)
  for (const step of target.split('/')) {
    if (step === '..') steps.pop()
    else if (step !== '.' && step !== '') steps.push(step)
  }
  return steps.join('/')
}

async function readXml(
  source: Source,
  archive: Archive,
  part: string,
  visitor: Parameters<typeof xmlReader>[1],
): Promise<void> {
  const reader = xmlReader(`${source.name} (${part})`, visitor)
  await archive.stream(part, (bytes) => reader.feed(bytes))
  reader.end()
}

async function sharedStrings(
  source: Source,
  { archive, shared }: WorkbookParts,
): Promise<string[]> {
  const strings: string[] = []
  if (shared === undefined || !archive.has(shared)) return strings
  let text = ''
  let size = 0
  let inText = false
  let phonetic = false
  await readXml(source, archive, shared, {
    open(element) {
      if (element === 'si') text = ''
      else if (element === 'rPh') phonetic = true
      inText = element === 't' && !phonetic
    },
    close(element) {
      if (element === 'rPh') phonetic = false
      inText = false
      if (element !== 'si') return
      size += text.length
      if (size > MOST_SHARED)
        throw unreadable(`${source.name} holds more than 128 million characters of shared text.`)
      strings.push(unescaped(text))
    },
    text(piece) {
      if (inText) text += piece
    },
  })
  return strings
}

// The number format of each cell style.
async function formatsOf(source: Source, { archive, styles, since1904 }: WorkbookParts) {
  const codes = new Map<string, string>()
  const formats: NumberFormat[] = []
  const made = new Map<string, NumberFormat>()
  const formatFor = (id: string) => {
    const code = codes.get(id) ?? builtInFormat(id) ?? 'General'
    let format = made.get(code)
    if (!format) made.set(code, (format = numberFormat(code, since1904)))
    return format
  }
  if (styles !== undefined && archive.has(styles)) {
    let inCells = false
    await readXml(source, archive, styles, {
      open(element, attributes) {
        if (element === 'numFmt')
          codes.set(attributes['numFmtId'] ?? '', attributes['formatCode'] ?? '')
        else if (element === 'cellXfs') inCells = true
        else if (element === 'xf' && inCells) formats.push(formatFor(attributes['numFmtId'] ?? '0'))
      },
      close(element) {
        if (element === 'cellXfs') inCells = false
      },
    })
  }
  const plain = numberFormat('General')
  return (style: string | undefined) =>
    (style === undefined ? undefined : formats[Number.parseInt(style, 10)]) ?? formats[0] ?? plain
}

async function readSheet(
  source: Source,
  archive: Archive,
  path: string,
  strings: readonly string[],
  formatFor: (style: string | undefined) => NumberFormat,
  visit: RowVisitor,
): Promise<void> {
  let row = -1
  let column = -1
  let cells: (Cell | undefined)[] = []
  let here: Attributes = {}
  let value = ''
  let inline = ''
  let taking: 'value' | 'inline' | undefined
  let phonetic = false
  let formula = false
  const damaged = (what: string) =>
    unreadable(`${source.name} (${path}) is damaged: ${what}.`, 'Save it anew in its program.')
  await readXml(source, archive, path, {
    open(element, attributes) {
      switch (element) {
        case 'row': {
          const next = attributes['r'] === undefined ? row + 1 : count(attributes['r']) - 1
          if (next <= row || next >= MOST_ROWS)
            throw damaged(`row ${attributes['r']} is out of order`)
          row = next
          column = -1
          cells = []
          break
        }
        case 'c':
          column = attributes['r'] === undefined ? column + 1 : columnOf(attributes['r'])
          if (!(column >= 0 && column < MOST_COLUMNS))
            throw damaged(`there is no cell ${attributes['r']}`)
          here = attributes
          value = inline = ''
          formula = false
          break
        case 'f':
          formula = true
          break
        case 'rPh':
          phonetic = true
          break
      }
      taking = element === 'v' ? 'value' : element === 't' && !phonetic ? 'inline' : undefined
    },
    close(element) {
      taking = undefined
      if (element === 'rPh') phonetic = false
      else if (element === 'c') {
        const cell = cellOf(here, value, inline)
        cells[column] = cell && formula ? { ...cell, formula } : cell
      } else if (element === 'row') visit(row, cells)
    },
    text(piece) {
      if (taking === 'value') value += piece
      else if (taking === 'inline') inline += piece
    },
  })

  function cellOf({ t, s }: Attributes, text: string, inlined: string): Cell | undefined {
    switch (t) {
      case 's': {
        const found = strings[count(text)]
        if (found === undefined) throw damaged(`there is no shared text ${text}`)
        return { text: found }
      }
      case 'inlineStr':
        return { text: unescaped(inlined) }
      case 'str':
        return { text: unescaped(text) }
      case 'b':
        return { text: text === '1' ? 'TRUE' : 'FALSE', as: 'boolean' }
      case 'e':
        return { text, as: 'error' }
      case 'd':
        return { text, as: 'date' }
      default: {
        if (text === '') return undefined
        const format = formatFor(s)
        return { text, as: format.date ? 'date' : 'number', shown: format.show(text) }
      }
    }
  }
}

const count = (text: string) => (/^\d{1,9}$/.test(text) ? Number.parseInt(text, 10) : -1)

/** 27 for `AB12`; -1 for what is no cell. */
export function columnOf(cell: string): number {
  const letters = /^([A-Z]{1,3})\d{1,7}$/.exec(cell)?.[1]
  if (letters === undefined) return -1
  let column = 0
  for (const letter of letters) column = column * 26 + letter.charCodeAt(0) - 64
  return column - 1
}

// Characters that XML cannot hold are written _x000D_.
const unescaped = (text: string) =>
  text.includes('_x')
    ? text.replace(/_x([0-9A-Fa-f]{4})_/g, (_, hex: string) =>
        String.fromCharCode(Number.parseInt(hex, 16)),
      )
    : text
