// What a column seems to hold, from made-up values of which half are damaged.

import { describe, expect, test } from 'vitest'
import { columnLook, fromCatalog, guess, spaceOf, type Guess } from 'sornak'

function guessOf(header: string, values: readonly string[]): Guess {
  const look = columnLook(header)
  values.forEach((value) => look.add(value))
  return guess(look.result())
}

/** Values of an entry, spread over its space. */
function valuesOf(name: string, low: bigint, high: bigint): string[] {
  const space = spaceOf(fromCatalog(name)!)
  const step = (high - low) / 120n
  return Array.from({ length: 120 }, (_, i) => low + BigInt(i) * step).flatMap((from) =>
    space.list(from, high, 1),
  )
}
const asNumber = (text: string) => text.replace(/^0+(?=\d)/, '')
const half = (values: readonly string[], damage: (text: string) => string) =>
  values.map((value, i) => (i % 2 ? damage(value) : value))

describe('an entry of the catalog, half of its values damaged', () => {
  test.each([
    ['item/gtin-13', 10n ** 11n, 10n ** 13n - 1n, (text: string) => `${asNumber(text)}.0`],
    ['card/payment', 4n * 10n ** 15n, 6n * 10n ** 15n, (text: string) => `'${text}`],
    ['bank/routing-us', 10n ** 7n, 3n * 10n ** 8n, asNumber],
    ['device/equipment', 10n ** 14n, 10n ** 15n - 1n, (text: string) => `${text}.0`],
    ['tax/de', 10n ** 10n, 10n ** 11n - 1n, (text: string) => `${text}.00`],
  ])('%s is found by its values alone', (name, low, high, damage) => {
    const values = valuesOf(name, low, high)
    expect(values.length).toBeGreaterThan(100)
    const found = guessOf('Column 4', half(values, damage))
    expect([found.entry, ...found.others]).toContain(name)
    expect(found.fits).toBeGreaterThan(40)
  })
})

describe('the header decides where values do not tell', () => {
  const five = Array.from({ length: 100 }, (_, i) => `${(i * 7919) % 100_000}`.padStart(5, '0'))
  test.each([
    ['Crew No', five, 'staff/number'],
    ['Postcode, Germany', five, 'postcode/de'],
  ])('%s', (header, values, want) => {
    expect(guessOf(header, values).entry).toBe(want)
  })
  test('and where it speaks of something else, values that fit by chance do not', () => {
    const numbers = Array.from(
      { length: 100 },
      (_, i) => `9${`${(i * 7919 * 7919) % 100_000_000}`.padStart(8, '0')}`,
    )
    expect(guessOf('Tax No', numbers)).toMatchObject({ kind: 'own', stored: '{9}' })
  })
})

test.each<[string, string, string[], Partial<Guess>]>([
  [
    'an identifier of its own',
    'Pass',
    Array.from({ length: 60 }, (_, i) => `SP${1000 + i}`),
    { kind: 'own', stored: '{2 upper}{4}' },
  ],
  [
    'with separators',
    'Ref',
    Array.from({ length: 60 }, (_, i) => `R-${100 + i}/${i % 10}`),
    { kind: 'own', stored: '{1 upper}-{3}/{1}' },
  ],
  [
    'numbers with zeros in front',
    'Ref',
    Array.from({ length: 60 }, (_, i) => `${i * 17}`.padStart(6, '0')),
    { kind: 'own', stored: '{6}' },
  ],
  [
    'amounts',
    'Fare',
    Array.from({ length: 60 }, (_, i) => `${i * 3}.${10 + (i % 80)}`),
    { kind: 'quantity' },
  ],
  ['small counts', 'Bags', Array.from({ length: 60 }, (_, i) => `${i}`), { kind: 'quantity' }],
  [
    'dates',
    'Start',
    Array.from({ length: 60 }, (_, i) => `2026-01-${`${1 + (i % 28)}`.padStart(2, '0')}`),
    { kind: 'date' },
  ],
  [
    'a few words',
    'Kind',
    Array.from({ length: 60 }, (_, i) => ['adult', 'child'][i % 2]!),
    { kind: 'words' },
  ],
  [
    'names',
    'Name',
    Array.from({ length: 60 }, (_, i) => `Ines ${'abcdefghij'[i % 10]}${'klmnopq'[i % 7]}`),
    { kind: 'text' },
  ],
  ['nothing', 'Empty', ['', ' ', ''], { kind: 'nothing' }],
])('%s', (_, header, values, want) => {
  expect(guessOf(header, values)).toMatchObject(want)
})

test('figures are exact however long the column is', () => {
  const look = columnLook('Serial')
  for (let i = 0; i < 5000; i++) look.add(`${i % 2 ? '' : '0'}${10n ** 17n + BigInt(i)}`)
  look.add('1.5E+10')
  look.add('77.0')
  const { widths, leadingZeros, beyond53, exponents, decimalTails, sample, values } = look.result()
  expect([values, leadingZeros, beyond53, exponents, decimalTails]).toEqual([
    5002, 2500, 5000, 1, 1,
  ])
  expect([...widths].sort()).toEqual([
    [18, 2500],
    [19, 2500],
  ])
  expect(sample).toHaveLength(400)
})

describe('numbers of three digits and fewer', () => {
  const counted = Array.from({ length: 200 }, (_, i) => `${i + 1}`)
  test('are running where each is there once', () => {
    const { stored, fits, damaged } = guessOf('Ref', counted)
    expect([stored, fits, damaged.size]).toEqual(['{1..3}', 200, 0])
  })
  test('or all of them with an exponent say nothing of a width', () => {
    const seen = Array.from({ length: 60 }, (_, i) => `${1 + (i % 9)}.${10 + i}E+15`)
    expect(guessOf('Card', seen).stored).toBeUndefined()
  })
  test('lost zeros where few of fewer digits are there', () => {
    const some = Array.from({ length: 200 }, (_, i) => `${(i * 7919) % 1000}`)
    const { stored, damaged } = guessOf('Ref', some)
    expect([stored, damaged.has('zeros-lost')]).toEqual(['{3}', true])
  })
})
