// The scanner against a slow, obvious reader, fed whole, in two pieces cut anywhere, and byte by byte.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { fieldText, findShape, rowReader, RowsError, type CsvShape } from 'sornak/rows'

const SHAPE: CsvShape = { delimiter: 44, quote: 34, newline: 10 }
const encode = (text: string) => new TextEncoder().encode(text)

interface Row {
  readonly fields: string[]
  readonly line: number
  readonly offset: number
}

function feed(bytes: Uint8Array, cuts: readonly number[], shape = SHAPE): Row[] {
  const rows: Row[] = []
  const reader = rowReader(shape, (view, { line, offset }) => {
    rows.push({
      fields: Array.from({ length: view.fields }, (_, i) => fieldText(view, i, shape.quote)),
      line,
      offset,
    })
  })
  const ends = [...cuts, bytes.length]
  ends.forEach((end, i) => {
    const piece = bytes.subarray(i === 0 ? 0 : ends[i - 1], end)
    reader.room(piece.length).set(piece)
    reader.filled(piece.length)
  })
  reader.end()
  return rows
}

// RFC 4180 as plainly as it can be said, one character after another.
function obvious(text: string): string[][] {
  const rows: string[][] = []
  let row: string[] = []
  let at = 0
  while (at < text.length) {
    let field = ''
    if (text[at] === '"') {
      at++
      while (!(text[at] === '"' && text[at + 1] !== '"')) {
        if (text[at] === '"') at++
        field += text[at++]
      }
      at++
    } else
      while (
        at < text.length &&
        !',\n'.includes(text[at]!) &&
        !(text[at] === '\r' && text[at + 1] === '\n')
      )
        field += text[at++]
    row.push(field)
    if (text[at] === ',') {
      at++
      if (at < text.length) continue
      row.push('')
    }
    if (text[at] === '\r') at++
    if (text[at] === '\n') at++
    rows.push(row)
    row = []
  }
  return rows
}

const field = fc.oneof(
  fc.stringMatching(/^[a-z0-9 ]{0,8}$/),
  fc.stringMatching(/^[a,"\n é]{0,8}$/).map((text) => `"${text.replaceAll('"', '""')}"`),
  fc.stringMatching(/^[a\r\n,]{0,5}$/).map((text) => `"${text}"`),
)
const table = fc
  .tuple(
    fc.array(fc.array(field, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 6 }),
    fc.constantFrom('\n', '\r\n'),
    fc.boolean(),
  )
  .map(([rows, end, last]) => rows.map((row) => row.join(',')).join(end) + (last ? end : ''))
  .filter((text) => text !== '')

test('generated tables are read as the obvious reader reads them, however they are cut', () => {
  fc.assert(
    fc.property(table, (text) => {
      const bytes = encode(text)
      const whole = feed(bytes, [])
      const want = obvious(text)
      expect(whole.map(({ fields }) => fields)).toEqual(want)
      for (let cut = 1; cut < bytes.length; cut++) expect(feed(bytes, [cut])).toEqual(whole)
      expect(
        feed(
          bytes,
          Array.from({ length: bytes.length - 1 }, (_, i) => i + 1),
        ),
      ).toEqual(whole)
    }),
    { numRuns: 300 },
  )
})

describe('corners', () => {
  const cases = [
    {
      name: 'a line break inside quotes counts as a line',
      text: 'a,"x\ny"\nb,c\n',
      want: [
        ['a', 'x\ny'],
        ['b', 'c'],
      ],
      lines: [1, 3],
    },
    { name: 'CRLF at the very end', text: 'a,b\r\n', want: [['a', 'b']], lines: [1] },
    { name: 'no line break at the end', text: 'a,"b"', want: [['a', 'b']], lines: [1] },
    {
      name: 'text behind a closing quote stays',
      text: 'a,"b"c,d\n',
      want: [['a', 'bc', 'd']],
      lines: [1],
    },
    {
      name: 'a quote inside a bare field stays',
      text: '5" pipe,b\n',
      want: [['5" pipe', 'b']],
      lines: [1],
    },
    {
      name: 'an empty line is a record of one empty field',
      text: 'a\n\nb\n',
      want: [['a'], [''], ['b']],
      lines: [1, 2, 3],
    },
    { name: 'a quoted quote alone', text: '"""",x\n', want: [['"', 'x']], lines: [1] },
  ]
  test.each(cases)('$name', ({ text, want, lines }) => {
    const rows = feed(encode(text), [])
    expect(rows.map(({ fields }) => fields)).toEqual(want)
    expect(rows.map(({ line }) => line)).toEqual(lines)
  })
  test('a quote that is never closed is an error with its line', () => {
    expect(() => feed(encode('a\nb,"c\nd\n'), [])).toThrow(RowsError)
  })
  test('a record longer than the limit is an error before it is held whole', () => {
    const reader = rowReader(SHAPE, () => {}, { index: 0, line: 1, offset: 0 }, 1000)
    expect(() => {
      for (let i = 0; i < 100; i++) {
        reader.room(100).fill(97, 0, 100)
        reader.filled(100)
      }
    }).toThrow(/longer than/)
  })
})

test.each([
  ['a,b\n1,2\n', ','],
  ['a;b\n1,5;2\n', ';'],
  ['a\tb\n1\t2,3\n', '\t'],
  ['a|b,c|d\n1|2|3\n', '|'],
  ['alone\nx\n', ','],
])('finds the delimiter of %j', (text, want) => {
  expect(String.fromCharCode(findShape(encode(text), true).delimiter)).toBe(want)
})

test('lines that end with a lone carriage return', () => {
  const bytes = encode('a,b\r1,2\r')
  expect(feed(bytes, [], findShape(bytes, true)).map(({ fields }) => fields)).toEqual([
    ['a', 'b'],
    ['1', '2'],
  ])
})
