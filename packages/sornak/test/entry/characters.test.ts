// Typing identifiers: what people complained of in fields, one case each, and what contract and masks say.

import { describe, expect, test } from 'vitest'
import { fromCatalog, identifier, keyOf } from 'sornak'
import { entry, type Edit } from 'sornak/entry'
import { fieldFor, seen } from './field.js'

const PHONE = '({3}) {3}-{4}'
const select = (from: number, to = from): Edit => ({ kind: 'select', from, to })
const paste = (text: string): Edit => ({ kind: 'paste', text })
const set = (text: string): Edit => ({ kind: 'set', text })

describe('separators come and go by themselves', () => {
  test.each([
    ['a digit brings those before it', PHONE, '2065', '(206) 5|'],
    ['and takes them along', PHONE, '2065⌫', '(206|'],
    ['typed where one stands', PHONE, '206) 555-0', '(206) 555-0|'],
    ['another separator stands for it', PHONE, '206-555.0', '(206) 555-0|'],
    ['typed and deleted again', PHONE, '206)⌫', '(206|'],
    ['one can delete through all of them', PHONE, '2065⌫⌫⌫⌫', '|'],
    ['text of the mask typed', 'REF-{5}', 'REF-42', 'REF-42|'],
    ['and left out', 'REF-{5}', '42', 'REF-42|'],
    ['small letters do as well', 'REF-{5}', 'ref42', 'REF-42|'],
    ['country form typed', '+27 {2} {3} {4}', '+27215', '+27 21 5|'],
    ['and not typed', '+27 {2} {3} {4}', '215', '+27 21 5|'],
    ['a begun text that is a value after all', 'AB{2 upper}{2}', 'ac', 'ABAC|'],
    ['the closing text comes with the last character', '({3})', '206', '(206)|'],
    ['and does not stand in the way', '({3})', '206⌫', '(20|'],
    ['capitals are made', '{2 upper}{2}', 'ab1', 'AB1|'],
    ['full-width digits are digits', '{3}-{2}', '１２３４', '123-4|'],
    ['Arabic-Indic ones too', '{3}-{2}', '١٢٣٤', '123-4|'],
    ['a section opens when it is needed', '{3}[ ext {1..3}]', '2065', '206 ext 5|'],
    ['zeros stay', '{5}', '00417', '00417|'],
    ['a short number is filled up by its separator', '{3 pad}-{2}', '7-1', '007-1|'],
  ])('%s', (_, mask, typed, want) => {
    const field = fieldFor(mask).do(typed)
    expect(field.seen).toBe(want)
    expect(field.state.refused).toBeUndefined()
  })
})

describe('refused with a reason, and nothing changes', () => {
  test.each([
    ['a letter among digits', PHONE, '206', 'x', 'wrong-character'],
    ['one too many', PHONE, '2065550142', '9', 'full'],
    ['one too many in the middle', PHONE, '2065550142', '9', 'full'],
    ['a separator where none stands', PHONE, '20', '-', 'separator'],
    ['a digit where a letter belongs', '{2 upper}{3}', '', '1', 'wrong-character'],
  ])('%s', (name, mask, typed, key, code) => {
    const field = fieldFor(mask).do(typed)
    if (name.includes('middle')) field.do(select(3))
    const before = field.state
    field.do({ kind: 'type', text: key })
    const { refused, ...after } = field.state
    expect(after).toEqual(before)
    expect(refused?.code).toBe(code)
    expect(refused?.message).toMatch(/^[A-Z“].*\.$/u)
  })
  test.each<[string, string, Edit]>([
    ['nothing before', '', { kind: 'delete' }],
    ['nothing behind', '206', { kind: 'delete', to: 'forward' }],
    ['nothing to cut', '206', { kind: 'cut' }],
    ['nothing to undo', '', { kind: 'undo' }],
    ['nothing to do again', '2', { kind: 'redo' }],
  ])('%s', (_, typed, edit) => {
    const field = fieldFor(PHONE).do(typed)
    const text = field.seen
    field.do(edit)
    expect(field.seen).toBe(text)
    expect(field.state.refused?.code).toMatch(/^nothing/)
  })
})

test('separators alone cannot be cut, and the selection stays', () => {
  const field = fieldFor(PHONE).do('2065', select(4, 6), { kind: 'cut' })
  expect(field.seen).toBe('(206[) ]5')
  expect(field.state.refused?.code).toBe('nothing-there')
})

describe('the caret stays where a person expects it', () => {
  test.each<[string, (string | Edit)[], string]>([
    ['typing in the middle', ['20655501', select(3), '9'], '(209|) 655-501'],
    ['deleting in the middle', ['2065550142', select(8), '⌫'], '(206) 5|50-142'],
    ['deleting through a separator', ['2065550142', select(6), '⌫'], '(20|5) 550-142'],
    ['deleting forward through one', ['2065550142', select(4), '⌦'], '(206|) 550-142'],
    [
      'a separator typed in the middle is gone through',
      ['2065550142', select(4), ')'],
      '(206)| 555-0142',
    ],
    ['a selection is replaced', ['2065550142', select(6, 9), '7'], '(206) 7|01-42'],
    ['a selection over separators', ['2065550142', select(3, 7), '9'], '(209|) 550-142'],
    ['all replaced', ['2065550142', select(0, 14), '3'], '(3|'],
    ['word by word', ['2065550142', { kind: 'delete', by: 'word' }], '(206) 555|'],
    ['to the beginning', ['2065550142', select(9), { kind: 'delete', by: 'line' }], '(|014) 2'],
    ['cut', ['2065550142', select(1, 4), { kind: 'cut' }], '(|555) 014-2'],
  ])('%s', (_, edits, want) => {
    expect(fieldFor(PHONE).do(...edits).seen).toBe(want)
  })
  test('typed in front of the first digit', () => {
    expect(fieldFor('+27 {2} {3} {4}').do('155', select(4), '2').seen).toBe('+27 2|1 55')
  })
})

describe('what is pasted is read like any input', () => {
  test.each([
    ['a country prefix', PHONE, '+1 (206) 555-0142', '2065550142'],
    ['without a sign', PHONE, '001 206 555 0142', '2065550142'],
    ['other separators', PHONE, '206.555.0142', '2065550142'],
    ['separators anywhere', PHONE, '20 65 55 01 42', '2065550142'],
    ['what cannot be seen', PHONE, '\u202a206\u00a0555\u200b-0142\u202c\n', '2065550142'],
    ['the country form in the country form', '+1 ({3}) {3}-{4}', '+1 (206) 555-0142', '2065550142'],
    ['the same written with zeros', '+27 {2} {3} {4}', '0027 21 555 0123', '215550123'],
    ['and without its sign', '+27 {2} {3} {4}', '27 21 555 0123', '215550123'],
    ['a card with dashes', '{4} {4} {4} {4}', '4111-1111-1111-1111', '4111111111111111'],
    ['part of it', PHONE, '206-555', '206555'],
  ])('%s', (_, mask, text, plain) => {
    const field = fieldFor(mask).do(paste(text))
    expect(field.state.refused).toBeUndefined()
    expect(field.state.plain).toBe(plain)
    expect(fieldFor(mask).do(set(text)).state.text).toBe(field.state.text)
  })
  test.each([
    ['another country', PHONE, '+44 20 7946 0000'],
    ['words', PHONE, 'call me'],
    ['one digit too many', PHONE, '206-555-01423'],
  ])(
    '%s is refused whole when it is pasted, and kept whole when it is filled in',
    (_, mask, text) => {
      const field = fieldFor(mask).do('20', select(0, 3), paste(text))
      expect(field.state.plain).toBe('20')
      expect(field.state.refused?.message).toContain('nothing was put in')
      const filled = fieldFor(mask).do(set(text)).state
      expect(filled.text).toBe(text)
      expect(filled.status).toBe('misfit')
      expect(filled.problem?.message).toMatch(/belongs here/)
      const cleared = fieldFor(mask).do(set(text), ...Array(text.length).fill('⌫'))
      expect(cleared.state.status).toBe('empty')
    },
  )
  test('into the middle', () => {
    expect(fieldFor(PHONE).do('2042', select(3), paste('6-555-01')).seen).toBe('(206) 555-01|42')
  })
})

describe('what a field says of itself', () => {
  test('the outline is there before the first key, and shrinks', () => {
    const field = fieldFor(PHONE)
    expect(field.state).toMatchObject({ text: '', outline: '(___) ___-____', status: 'empty' })
    field.do('206')
    expect(field.state).toMatchObject({ outline: '(206) ___-____', status: 'partial' })
    field.do('5550142')
    expect(field.state).toMatchObject({
      outline: '(206) 555-0142',
      status: 'complete',
      expected: '',
    })
  })
  test('which keyboard serves', () => {
    const modes = [
      PHONE,
      '+27 {2} {3} {4}',
      '{2 upper}{3}',
      '{number, decimals 2}',
      '{number, decimals 0}',
    ]
    expect(modes.map((mask) => fieldFor(mask).mask.inputMode)).toEqual([
      'numeric',
      'tel',
      'text',
      'decimal',
      'numeric',
    ])
  })
  test('deleting what holds others in place leaves them, and says what is missing', () => {
    const field = fieldFor('{2 upper}{3}').do('AB12', select(1), '⌦')
    expect(field.seen).toBe('A|12')
    expect(field.state.status).toBe('misfit')
    expect(field.do('7').state.refused?.code).toBe('wrong-character')
    expect(field.do('C').seen).toBe('AC|12')
    expect(field.state.status).toBe('partial')
  })
  test('a padded number is whole when it is short, and padded when it is left', () => {
    const field = fieldFor('REF-{5 pad}').do('42')
    expect(field.state).toMatchObject({ text: 'REF-42', status: 'complete', plain: '00042' })
    expect(field.do({ kind: 'leave' }).seen).toBe('REF-00042|')
    expect(field.do({ kind: 'undo' }).state.text).toBe('REF-42')
  })
})

describe('lists of masks settle as digits come', () => {
  const CARDS = ['{4} {4} {4} {4}', '{4} {6} {5}']
  const PHONES = ['0{2} {3} {4}', '+27 {2} {3} {4}']
  test('a card of 15 digits or 16', () => {
    const field = fieldFor(CARDS).do('378282246310005')
    expect(field.state).toMatchObject({ status: 'complete', fits: [0, 1] })
    expect(field.do({ kind: 'leave' }).state).toMatchObject({ text: '3782 822463 10005' })
    expect(field.do('4').state).toMatchObject({ text: '3782 8224 6310 0054', fits: [0] })
  })
  test.each([
    ['+27', '215550123', '+27 21 555 0123|', [1]],
    ['0', '215550123', '021 555 0123|', [0, 1]],
  ])('a phone that begins with %s', (start, rest, want, fits) => {
    const field = fieldFor(PHONES).do(start)
    expect(field.seen).toBe(`${start}|`)
    field.do(rest)
    expect(field.seen).toBe(want)
    expect(field.state.plain).toBe(rest)
    expect(start === '0' || field.state.fits.join() === fits.join()).toBe(true)
    field.do('⌫'.repeat(rest.length))
    expect(field.seen).toBe(`${start}|`)
  })
})

describe('definitions', () => {
  const run = (name: string, text: string) => {
    const made = entry(fromCatalog(name)!)
    return made.edit(made.start, paste(text))
  }
  test.each([
    ['card/payment', '4111 1111 1111 1111', 'complete'],
    ['phone/za', '+27 21 555 0123', 'complete'],
    ['phone/za', '0027 21 555 0123', 'complete'],
    ['phone/za', '(021) 555 0123', 'complete'],
    ['phone/us', '+1 (206) 555-0142', 'complete'],
  ])('%s reads %s', (name, text, status) => {
    expect(run(name, text).status).toBe(status)
  })
  test('a mistyped check digit is told when all digits are there, or the field is left', () => {
    const isbn = identifier({ stored: '{16}', display: '{4} {4} {4} {4}', check: 'luhn' })
    const made = entry(isbn)
    const typed = made.edit(made.start, paste('4111 1111 1111 1112'))
    expect(typed.status).toBe('misfit')
    expect(typed.problem?.code).toBe('check-digit')
    const open = entry(fromCatalog('card/payment')!)
    const sixteen = open.edit(open.start, paste('4111 1111 1111 1112'))
    expect(sixteen.status).toBe('partial')
    expect(open.edit(sixteen, { kind: 'leave' }).problem?.code).toBe('check-digit')
  })
  test('every example of the catalog that passes can be typed, in each of its forms', async () => {
    const { CATALOG } = await import('sornak')
    let typed = 0
    for (const name of CATALOG.keys()) {
      const definition = fromCatalog(name)!
      const made = entry(definition)
      for (const sample of definition.samples.fits) {
        const plain = definition.stored.read(sample)
        if (!plain.ok) continue
        for (const list of [definition.stored, definition.entry]) {
          const shown = list.show(plain.plain)
          if (!shown.ok) continue
          let state = made.start
          for (const text of shown.text) state = made.edit(state, { kind: 'type', text })
          const left = made.edit(state, { kind: 'leave' })
          expect([name, shown.text, left.status]).toEqual([name, shown.text, 'complete'])
          expect(keyOf(definition, made.stored(left.plain))).toBe(keyOf(definition, sample))
          typed++
        }
      }
    }
    expect(typed).toBeGreaterThan(250)
  })
})

test('a date in digits', () => {
  const date = fieldFor('{date MM/yy}')
  expect(date.do('4/27').seen).toBe('04/27|')
  expect(date.state.plain).toBe('2027-04')
  expect(fieldFor('{date MM/yy}').do('427').seen).toBe('04/27|')
  expect(fieldFor('{date MM/yy}').do('00').state.refused?.code).toBe('no-such-day')
  expect(fieldFor('{date dd.MM.yyyy}').do('31022026').state.problem?.code).toBe('no-such-day')
  expect(fieldFor('{date dd.MM.yyyy}').do(paste('1.2.2026')).state.plain).toBe('2026-02-01')
  expect(() => fieldFor('{date d MMMM yyyy}')).toThrow(/names/)
})

test('the notation of these tests', () => {
  expect(seen(fieldFor('{4}').do('1234', select(1, 3)).state)).toBe('1[23]4')
})
