// Fields at fixed places of each line.

import { describe, expect, test } from 'vitest'
import { parseLayout } from '../../src/text/fixed-width.js'
import { bytes, open, rowsOf } from '../tables.js'

describe('a layout', () => {
  test('names, one place or a span, with a hyphen or two dots', () => {
    expect(parseLayout('Crew No: 1-5, Deck:6 , Name: 7..20')).toEqual([
      { name: 'Crew No', from: 1, to: 5 },
      { name: 'Deck', from: 6, to: 6 },
      { name: 'Name', from: 7, to: 20 },
    ])
  })
  test.each(['', 'A', 'A: 0-5', 'A: 5-2', 'A: x', 'A: 1-2,', 'A: 1, A: 2'])(
    '"%s" is none',
    (text) => {
      expect(() => parseLayout(text)).toThrow(/layout/)
    },
  )
})

test('characters are counted, not bytes; padding goes; short lines have blank fields', async () => {
  const text = '00417Renée 😀 x\r\n  18 Bo\r\n\r\n12345'
  const source = await open('a.txt', bytes(text), { layout: 'No: 1-5, Name: 6-12, Rest: 13-20' })
  expect(await rowsOf(source)).toEqual([
    ['No', 'Name', 'Rest'],
    ['00417', 'Renée 😀', 'x'],
    ['18', 'Bo'],
    [],
    ['12345'],
  ])
  expect(source.storage!.place(2, 0)).toEqual({ line: 2 })
})
