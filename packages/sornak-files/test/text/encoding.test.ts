// Texts in every encoding that is found, and in those that are said.

import { inMemory, inputsOf, memorySource } from 'sornak-files'
import { describe, expect, test } from 'vitest'
import { bytes, open, rows, rowsOf } from '../tables.js'

const TEXT = 'Crew No;Name\r\n00417;Renée\r\n00018;"Bo; Lund"\r\n'
const WANT = [
  ['Crew No', 'Name'],
  ['00417', 'Renée'],
  ['00018', 'Bo; Lund'],
]

function utf16(text: string, big: boolean, mark: boolean): Uint8Array {
  const units = [...(mark ? '\ufeff' : ''), ...text].map((char) => char.charCodeAt(0))
  return Uint8Array.from(
    units.flatMap((unit) => (big ? [unit >> 8, unit & 255] : [unit & 255, unit >> 8])),
  )
}
const latin = (text: string) => Uint8Array.from(text, (char) => char.charCodeAt(0))

const found: { name: string; content: Uint8Array }[] = [
  { name: 'UTF-8', content: bytes(TEXT) },
  { name: 'UTF-8 with a mark', content: bytes(`\ufeff${TEXT}`) },
  { name: 'UTF-16, little end first, with a mark', content: utf16(TEXT, false, true) },
  { name: 'UTF-16, big end first, with a mark', content: utf16(TEXT, true, true) },
  { name: 'UTF-16, little end first, without', content: utf16(TEXT, false, false) },
  { name: 'UTF-16, big end first, without', content: utf16(TEXT, true, false) },
  { name: 'Windows-1252', content: latin(TEXT) },
]
test.each(found)('$name is found', async ({ content }) => {
  expect(await rows('a.csv', content)).toEqual(WANT)
})

test('only a guess is told', async () => {
  const notices = async (content: Uint8Array) =>
    (await inputsOf(memorySource('a.csv', content), {}, inMemory)).notices
  expect(await notices(bytes(TEXT))).toEqual([])
  expect(await notices(utf16(TEXT, false, false))).toEqual([])
  expect(await notices(latin(TEXT))).toEqual([
    'a.csv is not UTF-8 and is read as windows-1252; say --encoding if it is another.',
  ])
})

describe('given', () => {
  test.each([
    ['shift_jis', [0x83, 0x4a], 'カ'],
    ['iso-8859-2', [0xb9], 'š'],
    ['windows-1251', [0xd4], 'Ф'],
  ] as const)('%s', async (encoding, coded, char) => {
    const content = Uint8Array.from([...bytes('No,Name\n01,'), ...coded, 10])
    expect(await rows('a.csv', content, { encoding })).toEqual([
      ['No', 'Name'],
      ['01', char],
    ])
  })
  test('a name that there is not', async () => {
    await expect(open('a.csv', bytes(TEXT), { encoding: 'utf-9' })).rejects.toMatchObject({
      code: 'unbound',
      message: 'There is no encoding "utf-9".',
    })
  })
})

test('delimiter and quote as they are said', async () => {
  const content = bytes("No|Name\n'0|1'|'it''s'\n")
  expect(await rows('a.txt', content, { delimiter: '|', quote: "'" })).toEqual([
    ['No', 'Name'],
    ['0|1', "it's"],
  ])
})

test('bytes that are neither are told with their line', async () => {
  const content = Uint8Array.from([...bytes('No\n01\n'), 0x81, 10])
  const source = await open('a.csv', content)
  await expect(rowsOf(source)).rejects.toMatchObject({
    message: 'a.csv:3  The byte 0x81 on line 3 is not UTF-8.',
  })
})
