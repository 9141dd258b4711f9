// Fields of the catalog: a value that is typed, or pasted as it is stored or shown, in either case of its letters, is
// the same value; what is published as a pattern takes it too.

import { describe, expect, test } from 'vitest'
import { CATALOG, fit, fromCatalog, keyOf, patternOf } from 'sornak'
import { entry } from 'sornak/entry'
import { steps, varied } from '../identifier/varied.js'

const entries = [...CATALOG.keys()].flatMap((key) => {
  const definition = fromCatalog(key)!
  const { fits } = definition.samples
  const characters = definition.entry.masks.every(({ kind }) => kind === 'characters')
  return characters && fits.length ? [{ key, definition, fits }] : []
})

/** Entries in which what is typed first may be the mask's own text or the value's. */
const OWN_TEXT = ['phone/za', 'phone/ru']

describe.each(entries)('$key', ({ key, definition, fits }) => {
  const next = steps(key.length * 733)
  const originals = Array.from({ length: 8 }, (_, i) =>
    varied(definition, fits[i % fits.length]!, next),
  ).filter((text) => !/^0+$/.test(text))
  const made = entry(definition)
  const plainOf = (text: string) => {
    const read = definition.stored.read(text, { strict: true })
    if (!read.ok) throw new Error(read.misfit.message)
    return read.plain
  }
  // Where zeros are padding, a value is the same with them and without.
  const valueOf = (plain: string) => keyOf(definition, plain)
  const small = (text: string) => definition.stored.read(text.toLowerCase(), { strict: true }).ok

  test('typed, character by character', () => {
    for (const original of originals) {
      const plain = plainOf(original)
      if (OWN_TEXT.includes(key) && /^[08]/.test(plain)) continue
      for (const keys of small(original) ? [plain] : [plain, plain.toLowerCase()]) {
        let state = made.start
        for (const text of keys) {
          state = made.edit(state, { kind: 'type', text })
          expect([keys, state.refused?.message]).toEqual([keys, undefined])
        }
        expect([keys, state.status]).toEqual([keys, 'complete'])
        expect([keys, valueOf(state.plain)]).toEqual([keys, valueOf(plain)])
        // One more is refused, or goes on to a longer value; it never moves what is there.
        const more = made.edit(state, { kind: 'type', text: '7' })
        if (more.refused) expect(more.text).toBe(state.text)
        // Left, it is shown as its mask shows it.
        const left = made.edit(state, { kind: 'leave' })
        const shown = definition.entry.show(plain)
        expect([keys, left.text]).toEqual([keys, shown.ok ? shown.text : undefined])
      }
    }
  })

  test('pasted as it is stored and as it is shown', () => {
    for (const original of originals) {
      const plain = plainOf(original)
      // All its forms, at home and abroad.
      const shown = [...definition.displays.values()].flatMap((form) => {
        const one = form.show(plain)
        return one.ok ? one.text : []
      })
      const texts = [original, ...shown, ` ${shown[0]}\u00a0`]
      for (const text of small(original)
        ? texts
        : [...texts, ...texts.map((one) => one.toLowerCase())]) {
        const state = made.edit(made.start, { kind: 'paste', text })
        expect([text, state.refused?.message]).toEqual([text, undefined])
        expect([text, valueOf(state.plain)]).toEqual([text, valueOf(plain)])
      }
    }
  })

  test('deleted again, it leaves nothing', () => {
    const [original = ''] = originals
    let state = made.edit(made.start, { kind: 'paste', text: original })
    for (let i = 0; i < 60 && state.text; i++) state = made.edit(state, { kind: 'delete' })
    expect(state.text).toBe('')
    expect(made.edit(state, { kind: 'undo' }).text).not.toBe('')
  })

  test('its published pattern takes it, and not a longer or shorter one', () => {
    const { source } = patternOf(definition)
    const pattern = new RegExp(`^(?:${source})$`, 'v')
    for (const original of originals) {
      expect([original, pattern.test(original)]).toEqual([original, true])
      for (const other of [`${original}0`, original.slice(1), original.slice(0, -1)])
        if (pattern.test(other)) {
          // A pattern cannot say check digits; all else must fit.
          const fitted = fit(definition, other)
          expect([other, fitted.ok || fitted.code]).toEqual([other, fitted.ok || 'check-digit'])
        }
    }
  })
})
