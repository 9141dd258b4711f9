// Every entry of the catalog under damage that takes nothing away: the original is the mend, or stands among the
// candidates. Not one mend is another value.

import { describe, expect, test } from 'vitest'
import { CATALOG, fit, fromCatalog, judge } from 'sornak'
import { steps, varied } from '../identifier/varied.js'

const isDigits = (text: string) => /^\d+$/.test(text)
const asNumber = (text: string) => text.replace(/^0+(?=\d)/, '')
const numeric = (change: (text: string) => string) => (text: string) =>
  isDigits(text) ? change(text) : text

const DAMAGE: Record<string, (text: string) => string> = {
  'zeros lost': numeric(asNumber),
  'a tail': numeric((text) => `${asNumber(text)}.0`),
  'grouped with commas': numeric((text) => asNumber(text).replace(/\B(?=(?:\d{3})+$)/g, ',')),
  'grouped with spaces': numeric((text) => asNumber(text).replace(/\B(?=(?:\d{3})+$)/g, '\u00a0')),
  'an apostrophe': (text) => `'${text}`,
  quotes: (text) => `"${text}"`,
  'a formula': (text) => `="${text}"`,
  'outer spaces': (text) => ` ${text} `,
  'a no-break space': (text) => `${text}\u00a0`,
  'a zero-width space inside': (text) => `${text.slice(0, 2)}\u200b${text.slice(2)}`,
  'full-width digits': (text) =>
    text.replace(/\d/g, (digit) => String.fromCharCode(digit.charCodeAt(0) + 0xfee0)),
  'small letters': (text) => text.toLowerCase(),
  'the letter O': (text) => text.replace('0', 'O'),
  'other separators': (text) => text.replace(/[ ./]/g, '-'),
}

// A row of zeros at the end may be a rounding of any number; of a long one, what binary64 holds may be, too.
const mayBeRounded = (text: string) =>
  /000$/.test(text) || (/^\d{16,}$/.test(text) && BigInt(text) % 16n === 0n)

const entries = [...CATALOG.keys()].flatMap((key) => {
  const definition = fromCatalog(key)!
  const { fits } = definition.samples
  const characters = definition.stored.masks.every(({ kind }) => kind === 'characters')
  return characters && fits.length ? [{ key, definition, fits }] : []
})

describe.each(Object.entries(DAMAGE))('%s', (name, damage) => {
  const next = steps(name.length * 1009)
  test('leads back, whatever the identifier', () => {
    let seen = 0
    let mended = 0
    for (const { key, definition, fits } of entries) {
      const bare = (text: string) => (definition.zeros === 'padding' ? asNumber(text) : text)
      for (let i = 0; i < 6; i++) {
        const original = varied(definition, fits[i % fits.length]!, next)
        if (mayBeRounded(original)) continue
        const text = damage(original)
        if (text === original || fit(definition, text).ok) continue
        seen++
        const { verdict, mend, candidates } = judge(definition, text, 1000)
        const where = `${key} ${original} as ${JSON.stringify(text)}`
        expect([where, verdict]).toEqual([where, mend === undefined ? 'ambiguous' : 'mendable'])
        if (mend === undefined)
          expect([where, candidates.map((one) => bare(one.text))]).toEqual([
            where,
            expect.arrayContaining([bare(original)]),
          ])
        else {
          mended++
          expect([where, bare(mend)]).toEqual([where, bare(original)])
        }
      }
    }
    expect(seen).toBeGreaterThan(20)
    expect(mended / seen).toBeGreaterThan(0.9)
  })
})

test.each(
  entries.flatMap(({ key, definition }) => [...definition.displays].map(([form]) => [key, form])),
)('%s shown in its form %s is read back', (key, form) => {
  const { definition, fits } = entries.find((one) => one.key === key)!
  const next = steps(31)
  for (let i = 0; i < 6; i++) {
    const original = varied(definition, fits[i % fits.length]!, next)
    const plain = definition.stored.read(original, { strict: true })
    const shown = plain.ok && definition.displays.get(form)!.show(plain.plain)
    if (!shown || !shown.ok || fit(definition, shown.text).ok) continue
    if (mayBeRounded(original)) continue
    const { mend, candidates } = judge(definition, shown.text, 1000)
    const bare = (text: string) => (definition.zeros === 'padding' ? asNumber(text) : text)
    const found = mend === undefined ? candidates.map((one) => one.text) : [mend]
    expect([shown.text, found.map(bare)]).toEqual([
      shown.text,
      expect.arrayContaining([bare(original)]),
    ])
  }
})
