// Mended workbooks: the cells that change are text, and all else is as it was.

import { Uint8ArrayReader, Uint8ArrayWriter, ZipReader, type FileEntry } from '@zip.js/zip.js'
import { inMemory, inputsOf, memorySource, mended, noProgress, type Change } from 'sornak-files'
import { describe, expect, test } from 'vitest'
import { fixture, open, rowsOf } from '../tables.js'

async function partsOf(content: Uint8Array): Promise<Map<string, string>> {
  const parts = new Map<string, string>()
  const entries = await new ZipReader(new Uint8ArrayReader(content)).getEntries()
  for (const entry of entries as FileEntry[])
    parts.set(entry.filename, new TextDecoder().decode(await entry.getData(new Uint8ArrayWriter())))
  return parts
}

const change = (record: number, column: string, before: string, after: string): Change => ({
  record,
  line: null,
  key: null,
  column,
  identifier: 'x',
  before,
  after,
  finding: null,
  proof: 'exact',
  number: true,
})

async function mend(
  name: string,
  content: Uint8Array,
  sheet: string,
  changes: readonly Change[],
  headerRow = 1,
  out = `mended.${name.split('.').at(-1)!}`,
): Promise<Uint8Array> {
  const original = memorySource(name, content)
  const { inputs } = await inputsOf(original, { sheet }, inMemory)
  const [input] = inputs
  const source = await input!.open(noProgress)
  const parts: Uint8Array[] = []
  const given = {
    format: input!.format,
    sheet,
    source,
    original,
    headerRow,
    identifiers: new Set(['Crew No', 'Card']),
  }
  await mended(given, changes, out, inMemory, (piece) => void parts.push(piece.slice()), noProgress)
  return Buffer.concat(parts)
}

const CHANGES = [
  change(1, 'Crew No', '417', '00417'),
  change(2, 'Card', '5555555555554444', '5555<5>"&'),
]

describe('Office Open XML', () => {
  test('only the cells change: every other part is the same to the byte', async () => {
    const content = fixture('openpyxl.xlsx')
    const after = await mend('a.xlsx', content, 'Cards', CHANGES)
    const [was, is] = [await partsOf(content), await partsOf(after)]
    expect([...is.keys()]).toEqual([...was.keys()])
    const changed = [...was.keys()].filter((name) => was.get(name) !== is.get(name))
    expect(changed).toEqual(['xl/worksheets/sheet2.xml'])
    const sheet = is.get('xl/worksheets/sheet2.xml')!
    expect(sheet).toContain('<f>A2*2</f>')
    // The style of the cell stays; the column is marked.
    expect(sheet).toMatch(
      /<c r="A2" s="\d+" t="inlineStr"><is><t xml:space="preserve">00417<\/t><\/is><\/c>/,
    )
    expect(sheet).toMatch(
      /<ignoredErrors><ignoredError sqref="A1:A3 B1:B3" numberStoredAsText="1"\/><\/ignoredErrors><\/worksheet>/,
    )
    const back = await open('a.xlsx', after, { sheet: 'Cards' })
    const rows = await rowsOf(back)
    expect(rows[1]![0]).toBe('00417')
    expect(rows[2]!.slice(0, 2)).toEqual(['18', '5555<5>"&'])
    expect(back.storage!.cell(1, 0)).toBeUndefined()
    expect(back.storage!.cell(2, 0)?.as).toBe('number')
  })

  test('the same changes give the same bytes', async () => {
    const content = fixture('openpyxl.xlsx')
    expect(await mend('a.xlsx', content, 'Cards', CHANGES)).toEqual(
      await mend('a.xlsx', content, 'Cards', CHANGES),
    )
  })

  test('undone, the cells are the numbers that they were', async () => {
    const content = fixture('openpyxl.xlsx')
    const after = await mend('a.xlsx', content, 'Cards', CHANGES)
    const back = await mend(
      'a.xlsx',
      after,
      'Cards',
      CHANGES.map((one) => ({ ...one, before: one.after, after: one.before, restore: true })),
    )
    const source = await open('a.xlsx', back, { sheet: 'Cards' })
    const before = await open('a.xlsx', content, { sheet: 'Cards' })
    expect(await rowsOf(source)).toEqual(await rowsOf(before))
    expect(source.storage!.cell(1, 0)).toEqual(before.storage!.cell(1, 0))
  })

  test('a cell that holds a formula is not touched', async () => {
    await expect(
      mend('a.xlsx', fixture('writer-xlsx.xlsx'), 'Season', [change(3, 'Crew No', '418', '00418')]),
    ).rejects.toMatchObject({ message: expect.stringContaining('hold formulas') as string })
  })

  test('a table below a title', async () => {
    const after = await mend(
      'a.xlsx',
      fixture('openpyxl.xlsx'),
      'Crew',
      [change(2, 'Crew No', '00018', '00019')],
      3,
    )
    expect((await rowsOf(await open('a.xlsx', after), 3))[2]![0]).toBe('00019')
  })
})

describe('OpenDocument', () => {
  test('a note stays; a row that was repeated is written out', async () => {
    const changes = [change(1, 'Crew No', '417', '00417'), change(3, 'Crew No', '00018', '00019')]
    const after = await mend('a.ods', fixture('odfpy.ods'), 'Crew', changes)
    const [was, is] = [await partsOf(fixture('odfpy.ods')), await partsOf(after)]
    expect([...is.keys()]).toEqual([...was.keys()])
    expect(is.get('content.xml')).toContain('a note')
    const back = await open('a.ods', after)
    expect((await rowsOf(back)).map(([no]) => no)).toEqual([
      'Crew No',
      '00417',
      '00018',
      '00019',
      '00018',
    ])
    expect(back.storage!.cell(1, 0)).toBeUndefined()
    expect(back.storage!.cell(1, 2)?.as).toBe('number')
  })
})

test('Parquet is written anew, as the kind of file that is asked for', async () => {
  const content = fixture('duckdb.parquet')
  const original = memorySource('a.parquet', content)
  const { inputs } = await inputsOf(original, {}, inMemory)
  const source = await inputs[0]!.open(noProgress)
  const parts: Uint8Array[] = []
  await mended(
    {
      format: 'parquet',
      sheet: undefined,
      source,
      original,
      headerRow: 1,
      identifiers: new Set(['Card']),
    },
    [change(1, 'Card', '4111111111111111', '4111111111111112')],
    'b.jsonl',
    inMemory,
    (piece) => void parts.push(piece.slice()),
    noProgress,
  )
  const [first] = Buffer.concat(parts).toString().split('\n')
  expect(first).toContain('"Card":"4111111111111112"')
  expect(first).toContain('"Serial":100000000000000128')
})
