// Two lists under one definition: every value is told once, and damage does not hide who is the same.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compareLists, judge, type Definition, type Item } from 'sornak'
import { definition } from '../identifier/definition-for.js'

const crew = definition({ stored: '{5}' })
const padded = definition({ stored: '{1..6}', zeros: 'padding' })

const items = (made: Definition, values: readonly string[]): Item[] =>
  values.map((value, i) => {
    const { verdict, mend, findings } = judge(made, value)
    return { record: i + 1, value, verdict, mend, finding: findings[0] ?? null }
  })
const told = (made: Definition, left: readonly string[], right: readonly string[]) =>
  compareLists(made, items(made, left), items(made, right)).map(
    ({ match, left: one, right: other, value }) => [match, one?.value, other?.value, value],
  )

test.each<[string, Definition, string[], string[], unknown[]]>([
  ['alike', crew, ['00417'], ['00417'], [['same', '00417', '00417', '00417']]],
  ['zeros lost on one side', crew, ['00417'], ['417'], [['same-mended', '00417', '417', '00417']]],
  [
    'other damage on each',
    crew,
    ['417.0'],
    ["'00417"],
    [['same-mended', '417.0', "'00417", '00417']],
  ],
  ['zeros that are padding', padded, ['042'], ['42'], [['same', '042', '42', '042']]],
  [
    'one side only',
    crew,
    ['00001'],
    ['00002'],
    [
      ['only-left', '00001', undefined, '00001'],
      ['only-right', undefined, '00002', '00002'],
    ],
  ],
  [
    'twice in one list',
    crew,
    ['00417', '417'],
    ['00417'],
    [
      ['same', '00417', '00417', '00417'],
      ['duplicate', '417', undefined, '00417'],
    ],
  ],
  ['what is no value of it', crew, ['x'], [''], [['only-left', 'x', undefined, undefined]]],
])('%s', (_, made, left, right, want) => {
  expect(told(made, left, right)).toEqual(want)
})

test('a value that could be several says whom', () => {
  const [pair] = compareLists(
    crew,
    items(crew, ['4.1E+04']),
    items(crew, ['41012', '40999', '52000']),
  )
  expect(pair?.match).toBe('ambiguous')
  expect(pair?.others.map(({ value }) => value)).toEqual(['40999', '41012'])
})

describe('laws', () => {
  const list = fc.uniqueArray(fc.stringMatching(/^[0-9]{5}$/), { maxLength: 30 })
  const damage = fc.constantFrom<(text: string) => string>(
    (text) => text,
    (text) => text.replace(/^0+(?=\d)/, ''),
    (text) => `'${text}`,
    (text) => `${text.replace(/^0+(?=\d)/, '')}.0`,
  )
  test('each value stands in one pair, and the same originals meet', () => {
    fc.assert(
      fc.property(list, list, damage, damage, (left, right, here, there) => {
        const pairs = compareLists(crew, items(crew, left.map(here)), items(crew, right.map(there)))
        const both = new Set(left.filter((text) => right.includes(text)))
        const met = pairs.filter(({ match }) => match === 'same' || match === 'same-mended')
        expect(new Set(met.map(({ value }) => value))).toEqual(both)
        expect(pairs.filter((pair) => pair.left).length).toBe(left.length)
        expect(pairs.filter((pair) => pair.right).length).toBe(right.length)
      }),
    )
  })
  test('the other way round it says the same', () => {
    const turned = { 'only-left': 'only-right', 'only-right': 'only-left' } as Record<
      string,
      string
    >
    fc.assert(
      fc.property(list, list, damage, (left, right, here) => {
        const [a, b] = [items(crew, left.map(here)), items(crew, right)]
        const one = compareLists(crew, a, b).map(
          ({ match, value }) => `${turned[match] ?? match} ${value}`,
        )
        const other = compareLists(crew, b, a).map(({ match, value }) => `${match} ${value}`)
        expect(other.sort()).toEqual(one.sort())
      }),
    )
  })
})
