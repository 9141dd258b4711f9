// Conversions that really ran (packages/sornak/test/fixtures/make-conversions.py), which of them are asked for, and values that
// are as their originals were.

import { readFileSync } from 'node:fs'
import { valuesOf } from './columns.mjs'
import { asked } from './words.mjs'

const kind = ['catalog', 'more', 'other', 'further', 'codes', 'forms'].find((word) =>
  asked.has(`--${word}`),
)
const file = kind ? `${kind.replace(/s$/, '')}-conversions.json` : 'conversions.json'
const path = new URL(`../packages/sornak/test/fixtures/${file}`, import.meta.url)

export const { identifiers, cases } = JSON.parse(readFileSync(path, 'utf8'))

/** Columns whose values are not spread evenly: clean rows are drawn like the damaged ones. */
const UNEVEN = {
  'crew-issued': ({ below }) => `${below(2300)}`.padStart(5, '0'),
  social: ({ below, digits }) => (below(3) ? `9${digits(8)}` : `000${digits(6)}`),
  phone: ({ below, digits }) => `${2 + below(8)}${digits(9)}`,
  pass: ({ below, digits }) => `${1 + below(8)}${digits(18)}`,
  mobile: ({ digits }) => `07700900${digits(3)}`,
}

/** Values of an identifier to which nothing happened, one a call. */
export function cleanValues(name, definition, source) {
  const { clean } = identifiers[name]
  if (clean) return () => clean[source.below(clean.length)]
  const uneven = UNEVEN[name]
  return uneven ? () => uneven(source) : valuesOf(definition, source.below)
}
