import { describe, expect, test } from 'vitest'
import { mask, maskList, tryMask } from 'sornak'

const shown = [
  { name: 'phone', text: '({3}) {3}-{4}', given: '2065550142', want: '(206) 555-0142' },
  { name: 'words and padding', text: 'REF-{5 pad}', given: '42', want: 'REF-00042' },
  { name: 'card', text: '{4} {4} {4} {4}', given: '4111111111111111', want: '4111 1111 1111 1111' },
  { name: 'capitals', text: '{2 upper}{5}', given: 'ab00417', want: 'AB00417' },
  { name: 'country code', text: '+27 {2} {3} {4}', given: '215550123', want: '+27 21 555 0123' },
  { name: 'hidden part', text: '{3}-{3 hide}-{4}', given: '2065550142', want: '206-•••-0142' },
  { name: 'section left out', text: '{3} {3}[ ext {1..5}]', given: '206555', want: '206 555' },
  {
    name: 'section there',
    text: '{3} {3}[ ext {1..5}]',
    given: '20655512',
    want: '206 555 ext 12',
  },
  { name: 'escapes', text: '\\{{2}\\} \\[{1}\\] \\\\', given: '123', want: '{12} [3] \\' },
  { name: 'own pad character', text: '{4 any pad "*"}', given: 'ab', want: '**ab' },
  { name: 'accepted spelling', text: '{3 digits}-{1 digit}', given: '1234', want: '123-4' },
  { name: 'commas', text: '{3, digit, hide}', given: '123', want: '•••' },
  { name: 'a hyphen is a hyphen in a set', text: '{2 of "A-"}', given: '-A', want: '-A' },
  { name: 'ranges in a set', text: '{3 of "A..C7..9"}', given: 'B8C', want: 'B8C' },
  {
    name: 'one astral character is one character',
    text: '{2 any}-{1 any}',
    given: '😀é😀',
    want: '😀é-😀',
  },
]
test.each(shown)('shows $name', ({ text, given, want }) => {
  expect(mask(text).show(given)).toEqual({ ok: true, text: want })
})

describe('what may be given', () => {
  test('a bigint and a safe integer', () => {
    expect(mask('REF-{5 pad}').show(42n)).toEqual({ ok: true, text: 'REF-00042' })
    expect(mask('{3 pad}').show(7)).toEqual({ ok: true, text: '007' })
  })
  test('a number beyond 2^53 says that digits are lost', () => {
    const shown = mask('{19}').show(2 ** 63)
    expect(shown.ok ? '' : shown.misfit.code).toBe('digits-lost')
    const half = mask('{3}').show(0.5)
    expect(half.ok ? '' : half.misfit.code).toBe('not-whole')
  })
})

const misfits = [
  { name: 'a digit too many', text: '{3 pad}', given: '1234', code: 'too-long', at: 3 },
  { name: 'too few', text: '({3}) {3}-{4}', given: '206', code: 'too-short', at: 3 },
  { name: 'a letter among digits', text: '{5}', given: '20O17', code: 'wrong-character', at: 2 },
  { name: 'nothing', text: '{5}', given: '', code: 'empty', at: 0 },
  {
    name: 'a capital that needs two letters',
    text: '{1 upper}',
    given: 'ß',
    code: 'wrong-character',
    at: 0,
  },
]
test.each(misfits)('says where $name stands', ({ text, given, code, at }) => {
  const shown = mask(text).show(given)
  expect(shown.ok ? shown : { code: shown.misfit.code, at: shown.misfit.at }).toEqual({ code, at })
  expect(shown.ok ? '' : shown.misfit.todo).not.toBe('')
})

const read = [
  {
    name: 'its own text',
    text: '({3}) {3}-{4}',
    given: '(206) 555-0142',
    want: '2065550142',
    strict: true,
  },
  {
    name: 'other separators',
    text: '({3}) {3}-{4}',
    given: '206.555/0142',
    want: '2065550142',
    strict: false,
  },
  {
    name: 'no separators',
    text: '({3}) {3}-{4}',
    given: '2065550142',
    want: '2065550142',
    strict: false,
  },
  {
    name: 'no-break spaces',
    text: '{4} {4}',
    given: '4111\u00a01111',
    want: '41111111',
    strict: false,
  },
  { name: 'letters in place', text: 'REF-{5}', given: 'REF 00042', want: '00042', strict: false },
]
test.each(read)('reads $name', ({ text, given, want, strict }) => {
  expect(mask(text).read(given)).toEqual({ ok: true, plain: want, strict })
})

const unread = [
  {
    name: 'separators where the mask has none',
    text: '{3}{3}',
    given: '123-456',
    code: 'wrong-character',
  },
  {
    name: 'a missing plus',
    text: '+27 {2} {3} {4}',
    given: '27 21 555 0123',
    code: 'wrong-character',
  },
  { name: 'letters that are not there', text: 'REF-{5}', given: '00042', code: 'wrong-character' },
  { name: 'hidden text', text: '{3}-{3 hide}-{4}', given: '206-•••-0142', code: 'hidden' },
]
test.each(unread)('does not read $name', ({ text, given, code }) => {
  const result = mask(text).read(given)
  expect(result.ok ? result : result.misfit.code).toBe(code)
})

test('strict reading takes the mask as it stands', () => {
  expect(mask('{3}-{4}').read('5550142', { strict: true }).ok).toBe(false)
})

const refused: [string, string][] = [
  ['{3', 'slot-open'],
  ['{3-{4}', 'slot-token'],
  ['{}', 'slot-empty'],
  ['{0}', 'count-zero'],
  ['{5..2}', 'count-reversed'],
  ['{99999}', 'count-large'],
  ['{1}a}', 'brace-stray'],
  ['{1}x]', 'bracket-stray'],
  ['{1}[-{2}', 'section-open'],
  ['{1}[a]', 'section-empty'],
  ['{1}[-{0..2}]', 'section-empty'],
  ['{3 digti}', 'kind-unknown'],
  ['{3 4}', 'kind-repeated'],
  ['{3 letter digit}', 'kind-repeated'],
  ['{3 pad pad}', 'option-repeated'],
  ['{3 pad "ab"}', 'option-argument'],
  ['{3 of}', 'set-missing'],
  ['{3 of "Z..A"}', 'set-reversed'],
  ['{3 of "AB}', 'quote-open'],
  ['{1}\\', 'escape-end'],
  ['abc', 'mask-empty'],
  ['{a:1}{a:2}', 'name-duplicate'],
  ['{1..3}{1..3}', 'two-layouts'],
  ['[{2} ]{3}[-{2}]', 'two-layouts'],
  ['{3 pad}{3 pad}', 'two-layouts'],
  ['[{1 any}-]{3 any}[{2 any}]', 'two-readings'],
  ['{3 any hide}', 'hide-taken'],
]
test.each(refused)(
  'refuses %s as %s, with a place and a correction that is itself a mask',
  (text, code) => {
    const made = tryMask(text)
    if (made.ok) throw new Error('taken')
    expect(made.problem.code).toBe(code)
    expect(made.problem.at).toBeGreaterThanOrEqual(0)
    expect(made.problem.at).toBeLessThanOrEqual(text.length)
    const corrected = tryMask(made.problem.example)
    expect(corrected.ok).toBe(true)
  },
)

test.each(['{1} [ {2}[ {2}]]', '[{1}-]{3}', '{1..3}', '{4..}', '{1..3}-{2}'])(
  'takes %s',
  (text) => {
    expect(tryMask(text).ok).toBe(true)
  },
)

test('suggests the nearest word only', () => {
  const made = tryMask('{3 digti}')
  expect(made.ok ? '' : made.problem.todo).toContain('Did you mean "digit"?')
})

describe('lists', () => {
  const card = maskList(['{4} {4} {4} {4}', '{4} {6} {5}'])
  test('the mask that takes the value exactly is used', () => {
    expect(card.show('378282246310005')).toEqual({ ok: true, text: '3782 822463 10005' })
    expect(card.show('4111111111111111')).toEqual({ ok: true, text: '4111 1111 1111 1111' })
  })
  test('what fits none says so', () => {
    const shown = card.show('41111')
    expect(shown.ok).toBe(false)
  })
  test('two different values are no reading', () => {
    const result = maskList(['A{2}', '{1 letter}{2}']).read('A12')
    expect(result.ok ? '' : result.misfit.code).toBe('two-readings')
  })
  test('what hides characters is shown too', () => {
    expect(maskList(['{4}{8 hide}{4}', '{4}{7 hide}{4}']).show('411111111111111')).toEqual({
      ok: true,
      text: '4111•••••••1111',
    })
  })
})

test('explains itself and draws its outline', () => {
  const phone = mask('({3}) {3}-{4}')
  expect(phone.outline).toBe('(___) ___-____')
  expect(phone.explain()).toBe(
    'The text "("; then 3 digits; then the text ") "; then 3 digits; then the text "-"; then 4 digits.',
  )
})
