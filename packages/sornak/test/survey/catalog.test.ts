// Every entry of the catalog is found again under a header that people write over it, in clean columns and where half
// of the values are damaged.

import { expect, test } from 'vitest'
import { CATALOG, columnLook, fromCatalog, guess, type Guess } from 'sornak'
import { steps, varied } from '../identifier/varied.js'

const next = steps(7)

function guessOf(header: string, values: readonly string[]): Guess {
  const look = columnLook(header)
  values.forEach((value) => look.add(value))
  return guess(look.result())
}

// Read as a number and printed with a tail; of codes with letters, made small.
const damaged = (text: string) =>
  /^\d+$/.test(text) ? `${text.replace(/^0+(?=\d)/, '')}.0` : text.toLowerCase()

// Under "card" any card is as good as one of a kind.
const KIN: Record<string, string> = {
  'card/american-express': 'card/payment',
  'card/diners': 'card/payment',
}

const entries = [...CATALOG].flatMap(([key, plain]) => {
  const definition = fromCatalog(key)!
  const [header] = (plain['headers'] ?? []) as readonly string[]
  const { fits } = definition.samples
  const characters = definition.stored.masks.every(({ kind }) => kind === 'characters')
  return characters && header !== undefined && fits.length
    ? [{ key, definition, header, fits }]
    : []
})

test('nearly all entries can be looked for', () => {
  expect(entries.length).toBeGreaterThan(110)
})

test.each(entries)('$key under "$header"', ({ key, definition, header, fits }) => {
  const values = Array.from({ length: 80 }, (_, i) =>
    varied(definition, fits[i % fits.length]!, next),
  )
  expect(new Set(values).size).toBeGreaterThan(20)
  const among = ({ entry, others }: Guess) => [entry, ...others]
  const meant = KIN[key] ?? key
  expect(among(guessOf(header, values))).toContain(meant)
  const half = values.map((value, i) => (i % 2 ? damaged(value) : value))
  expect(among(guessOf(header, half))).toContain(meant)
})
