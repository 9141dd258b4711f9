// An Office Open XML workbook (ISO/IEC 29500) of one sheet: cells of identifiers are text in a text format, and
// their columns are marked so that programs do not offer to turn them into numbers.

import { cellName } from '../canonical.js'
import { escaped, xmlText } from '../workbook/cells.js'
import { partOf, zipWriter } from '../workbook/container.js'
import type { MakeWriter } from './writer.js'

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n'
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006'
const TYPE = 'application/vnd.openxmlformats-officedocument.spreadsheetml'
const utf8 = new TextEncoder()

export const xlsxWriter: MakeWriter = (write, { headers, sheet, identifiers, keep }) => {
  const part = keep('sheet1.xml')
  let rows = 0
  const put = (text: string) => part.write(utf8.encode(text))
  const line = (
    cells: readonly { readonly text: string; readonly number?: boolean }[],
    style: (i: number) => string,
  ) => {
    const written = cells.map(({ text, number }, i) => {
      if (text === '') return ''
      const place = `r="${cellName(rows, i)}"${style(i)}`
      return number
        ? `<c ${place}><v>${xmlText(text)}</v></c>`
        : `<c ${place} t="inlineStr"><is><t xml:space="preserve">${xmlText(text)}</t></is></c>`
    })
    rows++
    put(`<row r="${rows}">${written.join('')}</row>`)
  }
  put(`${HEAD}<worksheet xmlns="${MAIN}"><sheetData>`)
  line(
    headers.map((text) => ({ text })),
    () => ' s="2"',
  )
  return {
    row: (cells) => line(cells, (i) => (identifiers.has(i) ? ' s="1"' : '')),
    async end() {
      const columns = [...identifiers].map(
        (i) => `${cellName(0, i)}:${cellName(Math.max(0, rows - 1), i)}`,
      )
      const marks = columns.length
        ? `<ignoredErrors><ignoredError sqref="${columns.join(' ')}" numberStoredAsText="1"/></ignoredErrors>`
        : ''
      put(`</sheetData>${marks}</worksheet>`)
      const zip = zipWriter(write)
      for (const [name, text] of partsOf(sheet))
        await zip.add(name, new Blob([HEAD + text]).stream())
      await zip.add('xl/worksheets/sheet1.xml', partOf(part.done()))
      await zip.close()
    },
  }
}

/** Sheet names are 31 characters at most, and some characters have a meaning. */
const sheetName = (name: string) =>
  escaped(name.replace(/[[\]:*?/\\]/g, ' ').slice(0, 31) || 'Sheet1')

const partsOf = (sheet: string): [string, string][] => [
  [
    '[Content_Types].xml',
    `<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="${TYPE}.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="${TYPE}.worksheet+xml"/><Override PartName="/xl/styles.xml" ContentType="${TYPE}.styles+xml"/></Types>`,
  ],
  [
    '_rels/.rels',
    `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${OFFICE}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
  ],
  [
    'xl/workbook.xml',
    `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}"><sheets><sheet name="${sheetName(sheet)}" sheetId="1" r:id="rId1"/></sheets></workbook>`,
  ],
  [
    'xl/_rels/workbook.xml.rels',
    `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${OFFICE}/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="rId2" Type="${OFFICE}/styles" Target="styles.xml"/></Relationships>`,
  ],
  [
    'xl/styles.xml',
    `<styleSheet xmlns="${MAIN}"><fonts count="2"><font><sz val="11"/></font><font><b/><sz val="11"/></font></fonts><fills count="2"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="3"><xf numFmtId="0" xfId="0"/><xf numFmtId="49" xfId="0" applyNumberFormat="1"/><xf numFmtId="49" fontId="1" xfId="0" applyNumberFormat="1" applyFont="1"/></cellXfs><cellStyles count="1"><cellStyle name="Normal" xfId="0" builtinId="0"/></cellStyles></styleSheet>`,
  ],
]
