// Masks built in code, kinds of one's own, composites, and filling up to a width.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { date, mask, maskOf, maskWith, number, registerKind, section, slot, tryMask } from 'sornak'
import { aMask, aValueFor } from './arbitrary.js'

describe('builders', () => {
  test.each([
    [maskOf('REF-', slot({ count: 5, pad: true })), 'REF-{5 pad}'],
    [maskOf(slot({ count: [1, 3], kind: 'upper' }), '-', slot({ count: 4 })), '{1..3 upper}-{4}'],
    [maskOf(slot({ count: 3 }), section(' ext ', slot({ count: [1, 5] }))), '{3}[ ext {1..5}]'],
    [maskOf('{', slot({ count: 2, of: 'A..F' }), '}'), '\\{{2 of "A..F"}\\}'],
    [maskOf(number({ decimals: 2, group: true })), '{number decimals 2 group}'],
    [maskOf(date('MM/yy')), '{date MM/yy}'],
    [
      maskOf(slot({ first: true, kind: 'upper', from: 'Home Port' })),
      '{upper first from "Home Port"}',
    ],
  ])('%#', (built, text) => {
    expect(built.text).toBe(text)
    expect(built.print()).toBe(mask(text).print())
  })

  test('a tree built from a mask’s own nodes is that mask', () => {
    fc.assert(
      fc.property(aMask(), fc.infiniteStream(fc.nat()), (text, picks) => {
        const made = tryMask(text)
        fc.pre(made.ok)
        const [first, ...rest] = made.mask.nodes
        const pieces = [first!, ...rest].map((node) => (node.kind === 'literal' ? node.text : node))
        const built = maskOf(pieces[0]!, ...pieces.slice(1))
        expect(built.print()).toBe(made.mask.print())
        const value = aValueFor(made.mask, picks)
        expect(built.show(value)).toEqual(made.mask.show(value))
      }),
      { numRuns: 200 },
    )
  })

  test('settings may be variables, options come with the mask', () => {
    const widths = [3, 4, 5]
    expect(widths.map((count) => maskOf(slot({ count, pad: true })).show('7'))).toEqual(
      ['007', '0007', '00007'].map((text) => ({ ok: true, text })),
    )
    const reader = maskWith({ reader: 'de' }, number({ group: true, locale: 'reader' }))
    expect(reader.show('1234')).toMatchObject({ ok: true, text: '1.234' })
  })
})

describe('kinds of one’s own', () => {
  // Another name than the examples of the library register in the same process.
  registerKind('cabin', {
    takes: (char) => /[A-HJ-K]/.test(char),
    one: 'cabin letter',
    many: 'cabin letters',
  })
  test('take part like the built-in ones', () => {
    const one = mask('{1..2}{1 cabin}')
    expect(one.show('12C')).toEqual({ ok: true, text: '12C' })
    const refused = one.show('12I')
    expect(refused.ok ? '' : refused.misfit.message).toContain('cabin letter')
    expect(one.explain()).toContain('1 cabin letter')
  })
  test('an unknown kind lists those that are known, and the nearest', () => {
    const made = tryMask('{1 cabni}')
    if (made.ok) throw new Error('taken')
    expect(made.problem.code).toBe('kind-unknown')
    expect(`${made.problem.message} ${made.problem.todo}`).toContain('"cabin"')
    const far = tryMask('{1 zzz}')
    expect(far.ok ? '' : `${far.problem.message} ${far.problem.todo}`).toContain('digit')
  })
  test('a name is taken once', () => {
    const kind = { takes: () => true, one: 'x', many: 'xs' }
    for (const name of ['cabin', 'digit', 'pad', '1a', 'a b'])
      expect(() => registerKind(name, kind)).toThrow(RangeError)
  })
})

describe('composites', () => {
  const one = mask('{1 upper, first, from region}-{3, pad, from number}')
  test('pieces of several fields', () => {
    expect(one.show({ region: 'North', number: '7' })).toEqual({ ok: true, text: 'N-007' })
    expect(one.show({ region: 'north', number: 7n })).toEqual({ ok: true, text: 'N-007' })
    expect(one.read('N-007')).toMatchObject({ ok: true, fields: { region: 'N', number: '007' } })
  })
  test.each([
    [{ region: 'North' }, 'field-missing'],
    [{ region: '', number: '7' }, 'empty'],
    [{ region: 'North', number: '1234' }, 'too-long'],
    [{ region: '7', number: '1' }, 'wrong-character'],
  ])('%j says %s', (record, code) => {
    const result = one.show(record)
    expect(result.ok ? 'shown' : result.misfit.code).toBe(code)
  })
  test('a longer field without "first" is a misfit, a missing one leaves its section out', () => {
    const named = mask('{2 upper, from port}[/{1.., from berth}]')
    expect(named.show({ port: 'HQ', berth: '12' })).toEqual({ ok: true, text: 'HQ/12' })
    expect(named.show({ port: 'HQ' })).toEqual({ ok: true, text: 'HQ' })
    const long = named.show({ port: 'HQX' })
    expect(long.ok ? '' : long.misfit.code).toBe('too-long')
  })
  test('a value is no record', () => {
    const result = one.show('N007')
    expect(result.ok ? '' : result.misfit.code).toBe('record-expected')
  })
  test('nothing else mixes', () => {
    for (const text of ['{1 upper from a}-{3}', '{number}-{date yyyy}', '{3}{number}'])
      expect(tryMask(text).ok).toBe(false)
  })
})

describe('filling up to a width', () => {
  const frame = fc.record({
    width: fc.integer({ min: 1, max: 12 }),
    align: fc.constantFrom('left', 'right', 'center'),
    fill: fc.constantFrom(' ', '*', '_'),
  })
  test('a shorter value is filled, a longer one stays whole and is said to be longer', () => {
    fc.assert(
      fc.property(frame, fc.stringMatching(/^[A-Z]{1,15}$/), ({ width, align, fill }, value) => {
        const one = mask(`{1.. upper width ${width} align ${align} fill "${fill}"}`)
        const result = one.show(value)
        if (!result.ok) throw new Error(result.misfit.message)
        expect(result.text.length).toBe(Math.max(width, value.length))
        expect(result.text.replaceAll(fill, '')).toBe(value)
        expect(result.longer === true).toBe(value.length > width)
        if (align === 'left') expect(result.text.startsWith(value)).toBe(true)
        if (align === 'right') expect(result.text.endsWith(value)).toBe(true)
        if (align === 'center') {
          const before = result.text.indexOf(value)
          const after = result.text.length - before - value.length
          expect(Math.abs(after - before)).toBeLessThanOrEqual(1)
        }
        expect(one.read(result.text)).toMatchObject({ ok: true, plain: value, strict: true })
      }),
      { numRuns: 500 },
    )
  })
  test('a value that ends with the fill could not be read back', () => {
    const result = mask('{1..5 any width 8 fill "*"}').show('ab*')
    expect(result.ok ? '' : result.misfit.code).toBe('fill-ends')
  })
  test('numbers and dates are filled too', () => {
    expect(mask('{number, width 8, align right}').show('12.5')).toMatchObject({
      ok: true,
      text: '    12.5',
    })
    expect(mask('{date MM/yy, width 7, fill "."}').show('2027-01')).toMatchObject({
      ok: true,
      text: '01/27..',
    })
  })
})
