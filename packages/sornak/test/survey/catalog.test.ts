// Every entry of the catalog is found again under a header that people write over it, in clean columns and where half
// of the values are damaged.

import { expect, test } from 'vitest'
import { CATALOG, columnLook, fit, fromCatalog, guess, type Definition, type Guess } from 'sornak'

let state = 7
const next = (below: number) => (state = (state * 48271) % 2147483647) % below
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'

// A sample with its digits and some letters changed, until it fits; the last digit makes a check digit right.
function varied(definition: Definition, sample: string): string {
  for (let tries = 0; tries < 400; tries++) {
    const text = Array.from(sample, (char) => {
      if (/\d/.test(char) && next(3)) return `${next(10)}`
      return /[A-Z]/.test(char) && next(4) === 0 ? LETTERS[next(26)]! : char
    }).join('')
    if (fit(definition, text).ok) return text
    for (let last = 0; last < 10; last++) {
      const other = text.replace(/\d(?=\D*$)/, `${last}`)
      if (fit(definition, other).ok) return other
    }
  }
  return sample
}

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
  const values = Array.from({ length: 80 }, (_, i) => varied(definition, fits[i % fits.length]!))
  expect(new Set(values).size).toBeGreaterThan(20)
  const among = ({ entry, others }: Guess) => [entry, ...others]
  const meant = KIN[key] ?? key
  expect(among(guessOf(header, values))).toContain(meant)
  const half = values.map((value, i) => (i % 2 ? damaged(value) : value))
  expect(among(guessOf(header, half))).toContain(meant)
})
