// A copy of an OpenDocument spreadsheet in which some cells are replaced by text. Rows and cells that are
// written once and repeated are written out where one of them changes; all else stays as it is.

import { openArchive } from '../archive/archive.js'
import { unreadable } from '../problem.js'
import type { Keeper, Source } from '../source.js'
import { xmlText, type CellChange, type CellChanges } from './cells.js'
import { withPart } from './container.js'

const CONTENT = 'content.xml'

export async function mendOds(
  source: Source,
  sheet: string,
  changes: CellChanges,
  keep: Keeper,
  write: (bytes: Uint8Array) => void,
): Promise<void> {
  const archive = await openArchive(source)
  const part = keep(CONTENT)
  const editor = contentEditor(sheet, changes, (text) => part.write(utf8.encode(text)))
  const decoder = new TextDecoder()
  await archive.stream(CONTENT, (bytes) => editor.feed(decoder.decode(bytes, { stream: true })))
  if (editor.end() < changes.size)
    throw unreadable(
      `Some cells of ${source.name} are not there, or hold formulas.`,
      'The file is not the one that the changes were made for.',
    )
  await withPart(source, CONTENT, part.done(), write)
}

const utf8 = new TextEncoder()

// A sheet's start, or a whole row of it.
const PIECE =
  /<table:table(?=[\s>])([^>]*)>|<table:table-row(?=[\s/>])([^>]*?)(?:\/>|>([\s\S]*?)<\/table:table-row>)/g
const CELL =
  /<table:(covered-table-cell|table-cell)(?=[\s/>])([^>]*?)(?:\/>|>([\s\S]*?)<\/table:\1>)/g
const END_OF_ROW = '</table:table-row>'

function contentEditor(sheet: string, changes: CellChanges, write: (text: string) => void) {
  let held = ''
  let here = false
  let row = 0
  let done = 0
  const edit = (text: string) =>
    text.replace(PIECE, (whole, table: string | undefined, attributes = '', inner = '') => {
      if (table !== undefined) {
        here = unescaped(attribute(table, 'table:name') ?? '') === sheet
        row = 0
        return whole
      }
      if (!here) return whole
      const times = timesOf(attributes, 'rows')
      const first = row
      row += times
      let changed = false
      for (let i = 0; i < times && i < 100_000; i++) changed ||= changes.at(first + i) !== undefined
      if (!changed) return whole
      const once = without(attributes, 'table:number-rows-repeated')
      let out = ''
      for (let i = 0; i < times; i++)
        out += `<table:table-row${once}>${cells(inner, changes.at(first + i))}</table:table-row>`
      return out
    })

  function cells(inner: string, wanted: ReadonlyMap<number, CellChange> | undefined): string {
    if (!wanted) return inner
    let column = 0
    return inner.replace(CELL, (whole, kind: string, attributes = '', content = '') => {
      const times = timesOf(attributes, 'columns')
      const first = column
      column += times
      const changed = [...wanted.keys()].some((at) => at >= first && at < first + times)
      if (!changed || /\stable:formula\s*=/.test(attributes)) return whole
      const once = without(attributes, 'table:number-columns-repeated')
      let out = ''
      for (let i = 0; i < times; i++) {
        const change = wanted.get(first + i)
        if (change) done++
        out += change
          ? cell(kind, once, content, change)
          : `<table:${kind}${once}>${content}</table:${kind}>`
      }
      return out
    })
  }

  return {
    feed(text: string) {
      held += text
      const cut = held.lastIndexOf(END_OF_ROW) + END_OF_ROW.length
      if (cut < END_OF_ROW.length) return
      write(edit(held.slice(0, cut)))
      held = held.slice(cut)
    },
    end() {
      write(edit(held))
      return done
    },
  }
}

const VALUES =
  /\s(?:office|calcext):(?:value-type|value|string-value|date-value|time-value|boolean-value|currency)\s*=\s*(?:"[^"]*"|'[^']*')/g

// Notes and drawings in the cell stay; its text is replaced.
function cell(
  kind: string,
  attributes: string,
  content: string,
  { after, number }: CellChange,
): string {
  const aside = [...content.matchAll(/<office:annotation(?=[\s>])[\s\S]*?<\/office:annotation>/g)]
    .map(([found]) => found)
    .join('')
  const text = xmlText(after)
  const value = number
    ? ` office:value-type="float" office:value="${text}"`
    : ' office:value-type="string"'
  return `<table:${kind}${attributes.replace(VALUES, '')}${value}>${aside}<text:p>${text}</text:p></table:${kind}>`
}

const attribute = (attributes: string, name: string): string | undefined =>
  new RegExp(`\\s${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)')`).exec(attributes)?.slice(1).find(Boolean)

const without = (attributes: string, name: string) =>
  attributes.replace(new RegExp(`\\s${name}\\s*=\\s*(?:"[^"]*"|'[^']*')`), '')

const timesOf = (attributes: string, what: 'rows' | 'columns') =>
  Math.max(1, Number.parseInt(attribute(attributes, `table:number-${what}-repeated`) ?? '1', 10))

const unescaped = (text: string) =>
  text
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>')
    .replaceAll('&quot;', '"')
    .replaceAll('&apos;', "'")
    .replaceAll('&amp;', '&')
