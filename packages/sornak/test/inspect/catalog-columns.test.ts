// Columns of every entry of the catalog that went through conversions in 24 of their rows: what was changed is told,
// what was not is left alone, and no mend is another value; by odds, a lone one may be.

import { describe, expect, test } from 'vitest'
import { CATALOG, columnRuns, fit, fromCatalog, judge, keyOf } from 'sornak'
import { steps, varied } from '../identifier/varied.js'
import { bare, evidenceOf } from './converted-column.js'

const numeric = (change: (text: string) => string) => (text: string) =>
  /^\d+$/.test(text) ? change(text) : text

const CONVERSIONS: Record<string, (text: string) => string> = {
  'zeros lost': numeric(bare),
  'a no-break space behind': (text) => `${text}\u00a0`,
  'wrapped in 32 bits': numeric((text) => BigInt.asIntN(32, BigInt(text)).toString()),
  'wrapped in 16 bits, unsigned': numeric((text) => BigInt.asUintN(16, BigInt(text)).toString()),
  'the last character cut': (text) => text.slice(0, -1),
  'the last three cut': (text) => text.slice(0, -3),
}

const entries = [...CATALOG.keys()].flatMap((key) => {
  const definition = fromCatalog(key)!
  const { fits } = definition.samples
  const characters = definition.stored.masks.every(({ kind }) => kind === 'characters')
  // Where a value ends in X (ISO 7064, MOD 11-2), what stands before it has a right check digit of its own.
  const endsInDigit = fits.filter((text) => !/\dX$/.test(text))
  return characters && endsInDigit.length ? [{ key, definition, fits: endsInDigit }] : []
})

/**
 * Mends by odds that may be wrong, of thousands: a lone value that wrapped round looks as if it had lost a zero. In 16 bits
 * these are postcodes of five digits, of which a third lies beyond the limit.
 */
const MOST_BY_ODDS = 7

const numbered = Object.entries(CONVERSIONS).map(([name, convert], i) => ({ name, convert, i }))

describe.each(numbered)('$name', ({ name, convert, i }) => {
  test('in some rows of any identifier', () => {
    const next = steps(name.length * 811)
    let changed = 0
    let silent = 0
    const wrong: string[] = []
    // Each entry goes through every third conversion.
    const some = entries.filter((_, k) => k % 3 === i % 3)
    for (const { key, definition, fits } of some) {
      const before = Array.from({ length: 72 }, (_, i) =>
        varied(definition, fits[i % fits.length]!, next),
      )
      const after = before.map((text, row) => (row >= 24 && row < 48 ? convert(text) : text))
      if (after.every((text, row) => text === before[row])) continue
      const runs = columnRuns(definition, evidenceOf(definition, after))
      after.forEach((seen, row) => {
        const original = before[row]!
        const { verdict, mend, proof } = judge(definition, seen, 20, runs.around(row))
        const where = `${key} ${original} as ${seen}`
        if (mend !== undefined && keyOf(definition, mend) !== keyOf(definition, original)) {
          expect([where, proof]).toEqual([where, 'odds'])
          wrong.push(where)
        }
        if (row < 24 || row >= 48) expect([where, verdict]).toEqual([where, 'intact'])
        if (seen === original || seen === '' || fit(definition, seen).ok) return
        changed++
        if (verdict === 'intact' || verdict === 'blank') silent++
      })
    }
    expect(changed).toBeGreaterThan(150)
    expect(silent).toBe(0)
    expect(wrong.slice(MOST_BY_ODDS)).toEqual([])
  })
})
