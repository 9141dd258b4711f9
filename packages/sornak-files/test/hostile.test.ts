// Files that are damaged, or made to do harm: each ends with a sentence that says so, soon and in little memory.

import { gzipSync } from 'node:zlib'
import fc from 'fast-check'
import { ZipWriter, TextReader, Uint8ArrayWriter } from '@zip.js/zip.js'
import { FileProblem } from 'sornak-files'
import { describe, expect, test } from 'vitest'
import { bytes, fixture, inputs, rowsOf } from './tables.js'
import { noProgress } from 'sornak-files'

const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'

async function zip(parts: Readonly<Record<string, string | ReadableStream<Uint8Array>>>) {
  const writer = new ZipWriter(new Uint8ArrayWriter(), { useWebWorkers: false })
  for (const [name, content] of Object.entries(parts))
    await writer.add(name, typeof content === 'string' ? new TextReader(content) : content)
  return writer.close()
}

const workbook = (sheet: string | ReadableStream<Uint8Array>, target = 'worksheets/sheet1.xml') =>
  zip({
    '_rels/.rels': `<Relationships><Relationship Id="a" Type="${OFFICE}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}"><sheets><sheet name="A" sheetId="1" r:id="b"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<Relationships><Relationship Id="b" Type="${OFFICE}/worksheet" Target="${target}"/></Relationships>`,
    'xl/worksheets/sheet1.xml': sheet,
  })

const ods = (content: string) =>
  zip({ mimetype: 'application/vnd.oasis.opendocument.spreadsheet', 'content.xml': content })

function endless(piece: string, times: number): ReadableStream<Uint8Array> {
  let left = times
  const chunk = bytes(piece)
  return new ReadableStream({
    pull: (controller) => (left-- > 0 ? controller.enqueue(chunk) : controller.close()),
  })
}

const MEGABYTE = ' '.repeat(1024 * 1024)

const cases: {
  name: string
  file: string
  content: () => Promise<Uint8Array> | Uint8Array
  says: RegExp
}[] = [
  {
    name: 'a sheet that unpacks to a gigabyte',
    file: 'a.xlsx',
    content: () => workbook(endless(MEGABYTE, 1024)),
    says: /longer than 4 MiB/,
  },
  {
    name: 'gzip that unpacks to half a gigabyte',
    file: 'a.csv.gz',
    content: () => gzipSync(Buffer.alloc(512 * 1024 * 1024, 'a')),
    says: /more than 200 times its size/,
  },
  {
    name: 'entities that grow',
    file: 'a.xlsx',
    content: () =>
      workbook(
        '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]><worksheet><sheetData><row r="1"><c r="A1" t="inlineStr"><is><t>&b;</t></is></c></row></sheetData></worksheet>',
      ),
    says: /declares a document type/,
  },
  {
    name: 'an entity that nobody declares',
    file: 'a.xlsx',
    content: () =>
      workbook(
        '<worksheet><sheetData><row r="1"><c r="A1"><v>&b;</v></c></row></sheetData></worksheet>',
      ),
    says: /not well-formed/,
  },
  {
    name: 'elements in a hundred thousand levels',
    file: 'a.xlsx',
    content: () => workbook('<a>'.repeat(100_000)),
    says: /levels/,
  },
  {
    name: 'a cell beyond the last column',
    file: 'a.xlsx',
    content: () =>
      workbook(
        '<worksheet><sheetData><row r="1"><c r="ZZZ1"><v>1</v></c></row></sheetData></worksheet>',
      ),
    says: /no cell ZZZ1/,
  },
  {
    name: 'rows that go backwards',
    file: 'a.xlsx',
    content: () =>
      workbook('<worksheet><sheetData><row r="5"/><row r="2"/></sheetData></worksheet>'),
    says: /out of order/,
  },
  {
    name: 'shared text that is not there',
    file: 'a.xlsx',
    content: () =>
      workbook(
        '<worksheet><sheetData><row r="1"><c r="A1" t="s"><v>99</v></c></row></sheetData></worksheet>',
      ),
    says: /no shared text/,
  },
  {
    name: 'a part outside of the container',
    file: 'a.xlsx',
    content: () => workbook('<worksheet/>', '../../../../etc/passwd'),
    says: /has no part etc\/passwd/,
  },
  {
    name: 'cells and rows that are repeated without end',
    file: 'a.ods',
    content: () =>
      ods(
        '<d><table:table table:name="A"><table:table-row table:number-rows-repeated="1048576"><table:table-cell table:number-columns-repeated="16384" office:value-type="string"><text:p>x</text:p></table:table-cell></table:table-row></table:table></d>',
      ),
    says: /repeats cells/,
  },
  {
    name: 'lists within lists',
    file: 'a.json',
    content: () => bytes('['.repeat(100_000)),
    says: /levels deep/,
  },
  {
    name: 'a text of 40 megabytes',
    file: 'a.json',
    content: () => bytes(`[{"a":"${'x'.repeat(40 * 1024 * 1024)}"}]`),
    says: /longer than 16 MiB/,
  },
  {
    name: 'a line of 40 megabytes',
    file: 'a.csv',
    content: () => bytes('x'.repeat(40 << 20)),
    says: /longer than 16 MiB/,
  },
  {
    name: 'a million columns',
    file: 'a.csv',
    content: () => bytes('a,'.repeat(1_000_000)),
    says: /columns/,
  },
  {
    name: 'a name that leads out of the container',
    file: 'a.zip',
    content: () => zip({ '../../../tmp/harrow.csv': 'No\n007\n' }),
    says: /leads out of it/,
  },
  {
    name: 'two files in a container',
    file: 'a.zip',
    content: () => zip({ 'a.csv': 'a\n1\n', 'b.csv': 'a\n2\n' }),
    says: /holds 2 files/,
  },
  {
    name: 'an old workbook',
    file: 'a.xls',
    content: () => Buffer.from('d0cf11e0a1b11ae1', 'hex'),
    says: /old binary format/,
  },
  { name: 'nothing', file: 'a.csv', content: () => bytes(''), says: /is empty/ },
]

async function readAll(file: string, content: Uint8Array): Promise<void> {
  for (const input of await inputs(file, content)) await rowsOf(await input.open(noProgress))
}

describe('refused with a sentence', () => {
  test.each(cases)('$name', async ({ file, content, says }) => {
    const made = await content()
    const problem: unknown = await readAll(file, made).then(
      () => undefined,
      (error: unknown) => error,
    )
    expect(problem).toBeInstanceOf(FileProblem)
    expect((problem as FileProblem).message).toMatch(says)
    expect((problem as FileProblem).message).toContain(file)
  })
})

const FIXTURES = [
  'openpyxl.xlsx',
  'writer-xlsx.xlsx',
  'odfpy.ods',
  'gnumeric.ods',
  'duckdb.parquet',
  'arrow-rs.parquet',
  'sqlite.json',
  'plain.csv.gz',
  'plain.zip',
]

describe.each(FIXTURES)('%s', (name) => {
  const content = fixture(name)

  test('cut short anywhere', async () => {
    for (let i = 1; i <= 24; i++) {
      const size = Math.floor((content.length * i) / 25)
      await expect(readAll(name, content.slice(0, size))).rejects.toBeInstanceOf(FileProblem)
    }
  })

  test('with bytes that changed, it is read or refused, and nothing else', async () => {
    const place = fc.tuple(fc.nat(content.length - 1), fc.nat(255))
    await fc.assert(
      fc.asyncProperty(fc.array(place, { minLength: 1, maxLength: 4 }), async (places) => {
        const changed = content.slice()
        for (const [at, byte] of places) changed[at] = byte
        await readAll(name, changed).catch((error: unknown) => {
          if (!(error instanceof FileProblem)) throw error
        })
      }),
      { numRuns: 120 },
    )
  })
})
