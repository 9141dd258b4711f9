// Whether a text fits, told by the automata where they can: the same as reading it in full, for every kind of
// definition and any text.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CATALOG, fit, fromCatalog, judge } from 'sornak'
import { holds, isOnlyShaped } from '../../src/identifier/holds.js'
import { definition } from './definition-for.js'

const OWN = [
  definition({ stored: '{number, decimals 2}' }),
  definition({ stored: '{date yyyy-MM-dd}', display: '{date dd/MM/yyyy}' }),
  definition({ stored: '{4..}' }),
  definition({ stored: '{1..6}', zeros: 'padding' }),
  definition({ stored: '{8}', zeros: 'padding', check: 'luhn' }),
  definition({ stored: '{3 letter}[-{2..4}]' }),
  definition({ stored: ['{16}', '{15}'], check: 'luhn' }),
  definition({ stored: '{area: 3}{4}', never: { area: ['000', '900..999'] } }),
]
const ALL = [
  ...OWN.map((one, i) => [`own ${i}`, one] as const),
  ...[...CATALOG.keys()].map((key) => [key, fromCatalog(key)!] as const),
]

// Texts that nearly fit: a sample with one character changed, put in or taken away.
const near = (samples: readonly string[]) =>
  fc
    .tuple(
      fc.constantFrom(...(samples.length ? samples : ['12345'])),
      fc.nat(20),
      fc.constantFrom('', '0', '9', 'A', 'x', '-', ' ', 'é'),
      fc.boolean(),
    )
    .map(([text, at, char, put]) => text.slice(0, at) + char + text.slice(put ? at : at + 1))

describe('the same as fitting', () => {
  test.each(ALL)('%s', (_, one) => {
    fc.assert(
      fc.property(
        fc.oneof(
          near([...one.samples.fits, ...one.samples.doesNotFit]),
          fc.stringMatching(/^\d{0,20}$/),
        ),
        (text) => {
          const fitted = fit(one, text)
          expect(holds(one, text)).toBe(fitted.ok)
          expect(isOnlyShaped(one, text)).toBe(!fitted.ok && fitted.code !== 'shape')
        },
      ),
      { numRuns: 150 },
    )
    for (const text of one.samples.fits) expect(holds(one, text)).toBe(true)
  })
})

test.each([
  ['{date yyyy-MM-dd}', '{date dd/MM/yyyy}', '25/11/2026', '2026-11-25'],
  ['{date MM/yy}', '{date MM-yy}', '05-27', '05/27'],
  ['{number, decimals 2}', '{number, group, decimals 2}', '1,234.50', '1234.50'],
])('stored as %s and shown as %s, what is shown is read back', (stored, display, seen, mend) => {
  expect(judge(definition({ stored, display }), seen)).toMatchObject({
    verdict: 'mendable',
    findings: ['display-stored'],
    mend,
  })
})
