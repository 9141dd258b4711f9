// Every format that is written is read back without a change to one value, and identifiers are text in it.

import fc from 'fast-check'
import { WRITERS } from 'sornak-files'
import { describe, expect, test } from 'vitest'
import { bytes, demo, open, rows, rowsOf, written } from './tables.js'

const TABLES = [
  { file: 'crew.csv', identifiers: ['Crew No', 'Mobile', 'Tax No'] },
  { file: 'passes.csv', identifiers: ['Pass', 'Serial', 'Card'] },
  { file: 'freight.csv', identifiers: ['Booking', 'Container', 'Consignment', 'Berth'] },
]

describe.each([...WRITERS.keys()])('%s', (format) => {
  test.each(TABLES)('the demo table $file comes back as it was', async ({ file, identifiers }) => {
    const source = await open(file, demo(file))
    const before = await rowsOf(source)
    const content = await written(source, format, identifiers)
    const again = await open(`copy.${format}`, content)
    // Some cards of the demo came out of a spreadsheet as formulas, which CSV must not hold.
    const safe = (text: string) => (format === 'csv' ? text.replace(/^=/, "'=") : text)
    expect(await rowsOf(again)).toEqual(before.map((row) => row.map(safe)))
    // No cell of an identifier is stored as anything but text.
    for (const name of identifiers) {
      const column = before[0]!.indexOf(name)
      expect(column).toBeGreaterThanOrEqual(0)
      for (let row = 1; row < before.length; row += 7)
        expect(again.storage?.cell(row, column)).toBeUndefined()
    }
  })

  test('texts of all kinds come back', async () => {
    const text = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 12 })
    await fc.assert(
      fc.asyncProperty(fc.array(text, { minLength: 1, maxLength: 5 }), async (texts) => {
        // What runs as a formula is changed on purpose in CSV; carriage returns are line ends in XML.
        const kept = texts.map((one) => `x${one.replace(/[\r\t]/g, '')}x`)
        const table = `No,Text\n${kept.map((one, i) => `${i},"${one.replaceAll('"', '""')}"`).join('\n')}\n`
        const content = await written(await open('a.csv', bytes(table)), format, ['Text'])
        const back = await rows(`a.${format}`, content)
        expect(back.slice(1).map(([, one]) => one)).toEqual(kept)
      }),
      { numRuns: 60 },
    )
  })
})

test('numbers that are no identifiers stay numbers, with the digits they had', async () => {
  const json = bytes('[{"No":"007","Fare":1234567890123456789.10}]')
  for (const format of ['xlsx', 'ods', 'json', 'jsonl']) {
    const content = await written(await open('a.json', json), format, ['No'])
    const again = await open(`a.${format}`, content)
    expect(await rowsOf(again)).toEqual([
      ['No', 'Fare'],
      ['007', '1234567890123456789.10'],
    ])
    expect(again.storage?.cell(1, 1)?.as).toBe('number')
    expect(again.storage?.cell(1, 0)).toBeUndefined()
  }
})

test('what a spreadsheet program would run is made harmless in CSV, numbers with a sign are not touched', async () => {
  const table = bytes('No,Note\n1,=1+1\n2,-5\n3,+27 82 555 0142\n4,@here\n5,-2+3\n6,+A1\n')
  const back = await rows('a.csv', await written(await open('a.csv', table), 'csv', ['No']))
  expect(back.slice(1).map(([, note]) => note)).toEqual([
    "'=1+1",
    '-5',
    '+27 82 555 0142',
    "'@here",
    "'-2+3",
    "'+A1",
  ])
})
