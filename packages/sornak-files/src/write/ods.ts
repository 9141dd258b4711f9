// An OpenDocument spreadsheet (ISO/IEC 26300) of one sheet: cells of identifiers are text in a text style.

import { escaped, xmlText } from '../workbook/cells.js'
import { partOf, zipWriter } from '../workbook/container.js'
import type { MakeWriter, WrittenCell } from './writer.js'

const HEAD = '<?xml version="1.0" encoding="UTF-8"?>\n'
const NAMES = 'urn:oasis:names:tc:opendocument:xmlns'
const MIME = 'application/vnd.oasis.opendocument.spreadsheet'
const utf8 = new TextEncoder()

export const odsWriter: MakeWriter = (write, { headers, sheet, identifiers, keep }) => {
  const part = keep('content.xml')
  const put = (text: string) => part.write(utf8.encode(text))
  const line = (cells: readonly WrittenCell[], style: (i: number) => string) =>
    put(
      `<table:table-row>${cells.map(({ text, number }, i) => cell(text, number === true, style(i))).join('')}</table:table-row>`,
    )
  put(
    `${HEAD}<office:document-content xmlns:office="${NAMES}:office:1.0" xmlns:table="${NAMES}:table:1.0" xmlns:text="${NAMES}:text:1.0" xmlns:style="${NAMES}:style:1.0" xmlns:number="${NAMES}:datastyle:1.0" office:version="1.3"><office:automatic-styles><number:text-style style:name="N1"><number:text-content/></number:text-style><style:style style:name="ce1" style:family="table-cell" style:data-style-name="N1"/></office:automatic-styles><office:body><office:spreadsheet><table:table table:name="${escaped(sheet)}">`,
  )
  const text = ' table:style-name="ce1"'
  line(
    headers.map((header) => ({ text: header })),
    () => text,
  )
  return {
    row: (cells) => line(cells, (i) => (identifiers.has(i) ? text : '')),
    async end() {
      put('</table:table></office:spreadsheet></office:body></office:document-content>')
      const zip = zipWriter(write)
      // The type of the container comes first, unpacked.
      await zip.add('mimetype', new Blob([MIME]).stream(), {
        level: 0,
        dataDescriptor: false,
        uncompressedSize: MIME.length,
      })
      await zip.add(
        'META-INF/manifest.xml',
        new Blob([
          `${HEAD}<manifest:manifest xmlns:manifest="${NAMES}:manifest:1.0" manifest:version="1.3"><manifest:file-entry manifest:full-path="/" manifest:media-type="${MIME}"/><manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>`,
        ]).stream(),
      )
      await zip.add('content.xml', partOf(part.done()))
      await zip.close()
    },
  }
}

function cell(text: string, number: boolean, style: string): string {
  if (text === '') return `<table:table-cell${style}/>`
  if (number)
    return `<table:table-cell${style} office:value-type="float" office:value="${escaped(text)}"><text:p>${xmlText(text)}</text:p></table:table-cell>`
  return `<table:table-cell${style} office:value-type="string">${text.split('\n').map(paragraph).join('')}</table:table-cell>`
}

// Spaces that follow one another, and tabs, are elements of their own.
function paragraph(text: string): string {
  const inner = xmlText(text)
    .replace(/^ | {2,}| $/g, (spaces) => `<text:s text:c="${spaces.length}"/>`)
    .replaceAll('\t', '<text:tab/>')
  return `<text:p>${inner}</text:p>`
}
