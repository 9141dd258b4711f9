// A copy of a workbook in which some cells are replaced by text. Formulas, formats and all other parts stay as
// they are to the byte; the columns are marked, so that programs do not offer to turn the text into numbers.

import { openArchive } from '../archive/archive.js'
import { unreadable } from '../problem.js'
import type { Keeper, Source } from '../source.js'
import { cellName } from '../canonical.js'
import { xmlText, type CellChanges } from './cells.js'
import { withPart } from './container.js'
import { columnOf, workbookParts } from './xlsx.js'

export async function mendXlsx(
  source: Source,
  sheet: string,
  changes: CellChanges,
  keep: Keeper,
  write: (bytes: Uint8Array) => void,
): Promise<void> {
  const { sheets } = await workbookParts(source)
  const found = sheets.find(({ name }) => name === sheet)
  if (!found) throw unreadable(`${source.name} has no sheet "${sheet}".`)
  const archive = await openArchive(source)
  const part = keep(found.path)
  const editor = sheetEditor(changes, (text) => part.write(utf8.encode(text)))
  const decoder = new TextDecoder()
  await archive.stream(found.path, (bytes) => editor.feed(decoder.decode(bytes, { stream: true })))
  const done = editor.end()
  if (done < changes.size)
    throw unreadable(
      `${changes.size - done} cells of ${source.name} are not there, or hold formulas.`,
      'The file is not the one that the changes were made for.',
    )
  await withPart(source, found.path, part.done(), write)
}

const utf8 = new TextEncoder()

// A row's start, or a whole cell; comments and quoted sections are passed over. In such parts `>` stands in no
// attribute of these elements.
const PIECE =
  /<!--[\s\S]*?-->|<!\[CDATA\[[\s\S]*?\]\]>|<(?:\w+:)?row(?=[\s/>])([^>]*)>|<((?:\w+:)?)c(?=[\s/>])([^>]*?)(?:\/>|>([\s\S]*?)<\/\2c\s*>)/g
const END_OF_ROW = /<\/(?:\w+:)?row\s*>/g
/** What follows the marks of ignored errors in a sheet (ISO/IEC 29500-1, 18.3.1.99). */
const AFTER =
  /<(?:\w+:)?(?:smartTags|drawing|legacyDrawing|legacyDrawingHF|drawingHF|picture|oleObjects|controls|webPublishItems|tableParts|extLst)(?=[\s/>])|<\/(?:\w+:)?worksheet\s*>/

function sheetEditor(changes: CellChanges, write: (text: string) => void) {
  let held = ''
  let row = -1
  let column = -1
  let lastRow = 0
  let done = 0
  const edit = (text: string) =>
    text.replace(
      PIECE,
      (whole, rowAttributes: string | undefined, prefix = '', attributes = '', inner = '') => {
        if (rowAttributes !== undefined) {
          const given = attribute(rowAttributes, 'r')
          row = given === undefined ? row + 1 : Number.parseInt(given, 10) - 1
          lastRow = Math.max(lastRow, row)
          column = -1
          return whole
        }
        if (!/^<(?:\w+:)?c/.test(whole)) return whole
        const name = attribute(attributes, 'r')
        column = name === undefined ? column + 1 : columnOf(name)
        const change = changes.at(row)?.get(column)
        if (!change || new RegExp(`<${prefix}f[\\s/>]`).test(inner)) return whole
        done++
        const kept = attributes.replace(/\s+t\s*=\s*(?:"[^"]*"|'[^']*')/, '')
        return change.number
          ? `<${prefix}c${kept}><${prefix}v>${xmlText(change.after)}</${prefix}v></${prefix}c>`
          : `<${prefix}c${kept} t="inlineStr"><${prefix}is><${prefix}t xml:space="preserve">${xmlText(change.after)}</${prefix}t></${prefix}is></${prefix}c>`
      },
    )
  return {
    feed(text: string) {
      held += text
      END_OF_ROW.lastIndex = 0
      let cut = 0
      while (END_OF_ROW.exec(held)) cut = END_OF_ROW.lastIndex
      if (cut === 0) return
      write(edit(held.slice(0, cut)))
      held = held.slice(cut)
    },
    end() {
      write(marked(edit(held), changes.columns, lastRow))
      return done
    },
  }
}

const attribute = (attributes: string, name: string): string | undefined =>
  new RegExp(`\\s${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)')`)
    .exec(` ${attributes}`)
    ?.slice(1)
    .find(Boolean)

function marked(tail: string, columns: readonly number[], lastRow: number): string {
  const where = columns
    .map((column) => `${cellName(0, column)}:${cellName(lastRow, column)}`)
    .join(' ')
  const open = /<((?:\w+:)?)ignoredErrors(?=[\s>])[^>]*>/.exec(tail)
  const prefix = open?.[1] ?? /<\/((?:\w+:)?)worksheet\s*>/.exec(tail)?.[1] ?? ''
  const mark = `<${prefix}ignoredError sqref="${where}" numberStoredAsText="1"/>`
  if (open) {
    const behind = open.index + open[0].length
    return tail.slice(0, behind) + mark + tail.slice(behind)
  }
  const at = AFTER.exec(tail)?.index ?? tail.length
  return `${tail.slice(0, at)}<${prefix}ignoredErrors>${mark}</${prefix}ignoredErrors>${tail.slice(at)}`
}
