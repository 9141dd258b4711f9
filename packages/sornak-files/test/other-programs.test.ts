// Files that other programs made, read right: what is stored, what kind it is, what is shown.

import { describe, expect, test } from 'vitest'
import { fixture, inputs, open, rows, rowsOf } from './tables.js'

const PLAIN = [
  ['Crew No', 'Card', 'Name'],
  ['00417', '4111111111111111', 'Ada'],
  ['00018', '5555555555554444', 'Bo "B" Lund'],
]

describe('text', () => {
  test.each(['plain.csv', 'plain.csv.gz', 'plain.zip', 'utf16le-unmarked.csv'])(
    '%s',
    async (name) => {
      expect(await rows(name, fixture(name))).toEqual(PLAIN)
    },
  )
})

describe('workbooks', () => {
  test('text cells, a title above the header and totals below', async () => {
    const [crew] = await inputs('a.xlsx', fixture('openpyxl.xlsx'))
    expect(crew!.sheet).toBe('Crew')
    const source = await open('a.xlsx', fixture('openpyxl.xlsx'))
    expect(await rowsOf(source, 3)).toEqual([
      ['Crew No', 'Name', 'Mobile', 'Joined'],
      ['00417', 'Ada Brook', '0825550142'],
      ['00018', 'Bo <Lund> & "Co"', '0825550143'],
      ['Total', '2'],
    ])
    expect(source.storage!.place(3, 0)).toEqual({ line: null, cell: 'A4' })
    expect(source.storage!.cell(3, 0)).toBeUndefined()
    expect(source.storage!.cell(5, 1)?.as).toBe('number')
  })

  test('numbers under a format: the text of the file, and what is shown', async () => {
    const source = await open('a.xlsx', fixture('openpyxl.xlsx'), { sheet: 'Cards' })
    const [, first] = await rowsOf(source)
    expect(first!.slice(0, 4)).toEqual(['417', '4111111111111111', '1.000000000000001e+17', '12.5'])
    expect(source.storage!.cell(1, 0)).toMatchObject({ as: 'number', shown: '00417' })
    // Such programs show 15 digits.
    expect(source.storage!.cell(1, 1)).toMatchObject({ shown: '4111 1111 1111 1110' })
  })

  test('shared and rich text, dates, formulas by what they came to', async () => {
    const source = await open('a.xlsx', fixture('writer-xlsx.xlsx'), { sheet: 'Season' })
    expect(await rowsOf(source)).toEqual([
      ['Crew No', 'Pass', 'Day'],
      ['417', '4300222233334444005', '46082'],
      ['123456', '4300222233334444018'],
      ['418'],
    ])
    expect(source.storage!.cell(1, 2)).toMatchObject({ as: 'date', shown: '2026-03-01' })
    expect(source.storage!.cell(3, 0)).toMatchObject({ as: 'number', formula: true })
    expect(source.storage!.cell(1, 1)).toBeUndefined()
  })

  test('a sheet that is not there', async () => {
    await expect(open('a.xlsx', fixture('openpyxl.xlsx'), { sheet: 'Cart' })).rejects.toMatchObject(
      {
        code: 'unbound',
        todo: expect.stringContaining('"Cards"') as string,
      },
    )
  })

  test.each(['gnumeric.xlsx', 'gnumeric.ods'])(
    '%s: a CSV file that was opened and saved',
    async (name) => {
      const source = await open(name, fixture(name))
      // The zeros went when the program read the file: what is left is told as it is.
      expect((await rowsOf(source))[1]).toEqual(['417', '4111111111111111', 'Ada'])
      expect(source.storage!.cell(1, 1)).toMatchObject({ as: 'number' })
      expect(source.storage!.cell(1, 1)!.shown).toMatch(/^4\.111\d*E\+15$/)
    },
  )

  test('OpenDocument: what was shown is in the file, notes are no text, rows may be repeated', async () => {
    const source = await open('a.ods', fixture('odfpy.ods'))
    expect(await rowsOf(source)).toEqual([
      ['Crew No', 'Name', 'Card'],
      ['417', 'Ada Brook', '4111111111111111'],
      ['00018'],
      ['00018'],
      ['00018'],
    ])
    expect(source.storage!.cell(1, 0)).toMatchObject({ as: 'number', shown: '00417' })
    expect(source.storage!.cell(1, 2)).toMatchObject({ shown: '4.11111E+15' })
    expect(source.storage!.place(4, 0).cell).toBe('A5')
  })
})

describe('Parquet', () => {
  test('columns with their types; binary numbers by their exact value', async () => {
    const source = await open('a.parquet', fixture('duckdb.parquet'))
    expect(await rowsOf(source)).toEqual([
      ['Crew No', 'Card', 'Serial', 'Fare', 'Number', 'Day', 'Big', 'Small'],
      [
        '00417',
        '4111111111111111',
        '100000000000000128',
        '12.50',
        '417',
        '2026-03-01',
        '9007199254740992',
        '0.1',
      ],
      [
        '00018',
        '5555555555554444',
        '100000000000000256',
        '7.00',
        '18',
        '',
        '10000000000000000000000',
        '-2.5',
      ],
    ])
    expect(source.storage!.types).toMatchObject([
      { as: undefined },
      { name: 'DOUBLE', holds: { kind: 'binary', bits: 64 } },
      { name: 'INT64', holds: { kind: 'integer', bits: 64, signed: true } },
      { name: 'DECIMAL(9,2)', holds: { kind: 'decimal', digits: 7 } },
      { name: 'INT32' },
      { name: 'DATE', as: 'date' },
      { name: 'DOUBLE' },
      { name: 'FLOAT', holds: { kind: 'binary', bits: 32 } },
    ])
  })

  test('nulls are blank', async () => {
    expect((await rows('a.parquet', fixture('arrow-rs.parquet'))).map(([no]) => no)).toEqual([
      'Crew No',
      '00417',
      '',
      '00018',
    ])
  })
})

test('JSON that a database printed: numbers keep every digit', async () => {
  const source = await open('a.json', fixture('sqlite.json'))
  expect(await rowsOf(source)).toEqual([
    ['Crew No', 'Card', 'Serial', 'Fare'],
    ['00417', '4111111111111111', '100000000000000128.0', '12.5'],
    ['00018', '5555555555554444', '4300222233334444.0', '7'],
  ])
  expect(source.storage!.cell(1, 1)?.as).toBe('number')
  expect(source.storage!.cell(1, 0)).toBeUndefined()
})
