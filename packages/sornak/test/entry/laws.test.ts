// Laws of typing, on generated edits over masks of every kind.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { mask, maskList } from 'sornak'
import { entry, type Edit, type EntryMask, type State } from 'sornak/entry'

const MASKS: Record<string, { made: EntryMask; read: (text: string) => string | undefined }> = {}
const add = (texts: string | readonly string[]) => {
  const of = typeof texts === 'string' ? mask(texts) : maskList(texts)
  MASKS[`${texts}`] = {
    made: entry(of),
    read(text) {
      const read = of.read(text)
      return read.ok ? read.plain : undefined
    },
  }
}
add('({3}) {3}-{4}')
add('+27 {2} {3} {4}')
add('{3}-{2}-{4}')
add('{2 upper}{5}')
add('{1 of "3..6"}{3} {1..4}')
add('{3} {3}[ ext {1..5}]')
add('REF-{5}')
add('{date dd.MM.yyyy}')
add('{number, group, decimals 2}')
add('{number, group, decimals 2, locale de}')
add(['{4} {4} {4} {4}', '{4} {6} {5}'])
add(['0{2} {3} {4}', '+27 {2} {3} {4}'])

const chars = fc.constantFrom(
  ...'0123456789',
  ...'0123456789',
  'a',
  'B',
  ' ',
  '-',
  ')',
  '.',
  ',',
  '+',
  '/',
)
const place = fc.nat(20)
const edit: fc.Arbitrary<Edit> = fc.oneof(
  { weight: 6, arbitrary: chars.map((text): Edit => ({ kind: 'type', text })) },
  {
    weight: 2,
    arbitrary: fc.record<Edit & { kind: 'delete' }>({
      kind: fc.constant('delete'),
      to: fc.constantFrom('back', 'forward'),
      by: fc.constantFrom('character', 'character', 'word', 'line'),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.tuple(place, place).map(([from, to]): Edit => ({ kind: 'select', from, to })),
  },
  {
    weight: 1,
    arbitrary: fc
      .array(chars, { maxLength: 16 })
      .map((all): Edit => ({ kind: 'paste', text: all.join('') })),
  },
  {
    weight: 1,
    arbitrary: fc
      .array(chars, { maxLength: 16 })
      .map((all): Edit => ({ kind: 'set', text: all.join('') })),
  },
  {
    weight: 1,
    arbitrary: fc.constantFrom<Edit>(
      { kind: 'undo' },
      { kind: 'redo' },
      { kind: 'cut' },
      { kind: 'leave' },
    ),
  },
)
const edits = fc.array(edit, { maxLength: 24 })

const after = (made: EntryMask, list: readonly Edit[]): State =>
  list.reduce((state, one) => made.edit(state, one), made.start)
const visible = ({ text, from, to, plain, status }: State) => ({ text, from, to, plain, status })
/** The characters that carry the value. */
const carried = ({ raw }: State) => raw.chars.filter((char) => /[\p{L}\p{N}]/u.test(char))

describe.each(Object.entries(MASKS))('%s', (_, { made, read }) => {
  const law = (check: (state: State, list: readonly Edit[]) => void) =>
    fc.assert(
      fc.property(edits, (list) => check(after(made, list), list)),
      { numRuns: 200 },
    )

  test('the caret never leaves the text', () => {
    law(({ text, from, to }) => {
      expect(from).toBeGreaterThanOrEqual(0)
      expect(to).toBeGreaterThanOrEqual(from)
      expect(to).toBeLessThanOrEqual(text.length)
    })
  })
  test('what is complete reads back to the same plain value', () => {
    law((state) => {
      if (state.status !== 'complete') return
      // A list that may go on is shown as its wider mask has it until the field is left.
      const left = made.edit(state, { kind: 'leave' })
      const settled = state.fits.length > 1 ? left : state
      expect(read(settled.text)).toBe(state.plain)
      expect(left.plain).toBe(state.plain)
    })
  })
  test('every refused edit has a reason and changes nothing', () => {
    law((state) => {
      for (const text of ['x', '7', '-', '(', '77 77 77 77 77 77 77 77 77']) {
        const next = made.edit(state, { kind: 'type', text })
        const same = next.text === state.text && next.from === state.from && next.to === state.to
        if (next.refused) {
          expect(visible(next)).toEqual(visible(state))
          expect(next.refused.message).not.toBe('')
        } else if (same) {
          // A separator that was passed, or that stands behind the last character now.
          expect([...text].every((char) => !/\d|x/.test(char)) || state.from < state.to).toBe(true)
        }
      }
    })
  })
  test('delete undoes type', () => {
    law((state) => {
      // What stands as it was filled in is read anew as soon as it can be.
      if (state.from !== state.to || state.raw.asGiven) return
      for (const text of ['7', 'A', '0']) {
        const typed = made.edit(state, { kind: 'type', text })
        if (typed.refused || carried(typed).length !== carried(state).length + 1) continue
        const back = made.edit(typed, { kind: 'delete' })
        expect(carried(back)).toEqual(carried(state))
        expect(back.plain).toBe(state.plain)
      }
    })
  })
  test('undo and redo return the very state', () => {
    law((state, list) => {
      const next = made.edit(state, { kind: 'type', text: '7' })
      if (next.refused || next.past === state.past) return
      const undone = made.edit(next, { kind: 'undo' })
      expect(visible(undone)).toEqual(visible(state))
      expect(undone.raw).toBe(state.raw)
      const again = made.edit(undone, { kind: 'redo' })
      expect(visible(again)).toEqual(visible(next))
      expect(again.raw).toBe(next.raw)
      expect(list.length).toBeGreaterThanOrEqual(0)
    })
  })
  test('no edit loses a character that it did not delete', () => {
    law((state) => {
      if (state.raw.asGiven) return
      const was = carried(state)
      for (const text of ['7', 'A', '12']) {
        const typed = made.edit(state, { kind: 'type', text })
        if (typed.refused || state.from < state.to) continue
        // What was there is there still, in order, with what was typed somewhere in between.
        let at = 0
        for (const char of carried(typed)) if (at < was.length && char === was[at]) at++
        expect(at).toBe(was.length)
      }
      const deleted = made.edit(state, { kind: 'delete', to: 'back', by: 'character' })
      if (state.from === state.to)
        expect(was.length - carried(deleted).length).toBeLessThanOrEqual(1)
    })
  })
  test('typing equals pasting', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[0-9]{1,12}$/), (digits) => {
        const typed = [...digits].reduce(
          (state, text) => made.edit(state, { kind: 'type', text }),
          made.start,
        )
        const refusedAny = [...digits].some(
          (_, i) =>
            after(
              made,
              [...digits.slice(0, i + 1)].map((text): Edit => ({ kind: 'type', text })),
            ).refused,
        )
        const pasted = made.edit(made.start, { kind: 'paste', text: digits })
        if (!refusedAny) expect(visible(pasted)).toEqual(visible(typed))
      }),
      { numRuns: 140 },
    )
  })
})
