// JSON and JSON Lines in all their arrangements; no number is ever worked out.

import fc from 'fast-check'
import { expect, test } from 'vitest'
import { bytes, inputs, open, rows, rowsOf } from './tables.js'

const cases: { name: string; text: string; want: string[][] }[] = [
  {
    name: 'a list of objects, later ones with more fields',
    text: '[{"a":"00417"},{"b":1,"a":"x"}]',
    want: [['a', 'b'], ['00417'], ['x', '1']],
  },
  {
    name: 'a list of lists',
    text: '[["a","b"],["01",2]]',
    want: [
      ['a', 'b'],
      ['01', '2'],
    ],
  },
  { name: 'one object a line', text: '{"a":"01"}\n{"a":"02"}\n', want: [['a'], ['01'], ['02']] },
  {
    name: 'one object alone',
    text: '{"a":"01","b":true}',
    want: [
      ['a', 'b'],
      ['01', 'true'],
    ],
  },
  {
    name: 'objects and lists within',
    text: '[{"p":{"no":"01","tel":["1","2"]},"x":null}]',
    want: [
      ['p.no', 'p.tel.1', 'p.tel.2'],
      ['01', '1', '2'],
    ],
  },
  {
    name: 'more digits than a binary number has',
    text: '[{"a":9223372036854775807123,"b":0.10000000000000000001,"c":4.30022E+15,"d":-0}]',
    want: [
      ['a', 'b', 'c', 'd'],
      ['9223372036854775807123', '0.10000000000000000001', '4.30022E+15', '-0'],
    ],
  },
  { name: 'escapes', text: '[{"a":"\\u0031\\n\\"\\ud83d\\ude00"}]', want: [['a'], ['1\n"😀']] },
]

test.each(cases)('$name', async ({ text, want }) => {
  expect(await rows('a.json', bytes(text))).toEqual(want)
})

test('lists under keys are tables of their own', async () => {
  const text = bytes('{"made":"x","crew":[{"no":"01"}],"passes":[{"card":4111111111111111}]}')
  expect((await inputs('a.json', text)).map(({ sheet }) => sheet)).toEqual(['crew', 'passes'])
  const source = await open('a.json', text, { sheet: 'passes' })
  expect(await rowsOf(source)).toEqual([['card'], ['4111111111111111']])
  expect(source.storage!.cell(1, 0)?.as).toBe('number')
})

test('every value comes back as the text that stands in the file', async () => {
  const number = fc
    .tuple(
      fc.stringMatching(/^-?(0|[1-9]\d{0,40})$/),
      fc.stringMatching(/^(\.\d{1,9})?([eE][+-]?\d{1,3})?$/),
    )
    .map(([whole, rest]) => whole + rest)
  await fc.assert(
    fc.asyncProperty(
      fc.array(number, { minLength: 1, maxLength: 4 }),
      fc.boolean(),
      async (numbers, lines) => {
        const objects = numbers.map((one) => `{"n":${one},"s":${JSON.stringify(one)}}`)
        const text = lines ? objects.join('\n') : `[${objects.join(',')}]`
        const [, ...got] = await rows('a.json', bytes(text))
        expect(got).toEqual(numbers.map((one) => [one, one]))
      },
    ),
    { numRuns: 150 },
  )
})
