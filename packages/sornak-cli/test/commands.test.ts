import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import Ajv from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { describe, expect, test } from 'vitest'
import { parse } from 'yaml'
import { folder, lines, RULES, sornak } from './run.js'

describe('show', () => {
  test('values as arguments, in either form', () => {
    const ran = sornak(['show', '({3}) {3}-{4}', '2065550142', '206-555.0142'])
    expect(ran).toMatchObject({ status: 0, out: '(206) 555-0142\n(206) 555-0142\n' })
  })
  test('a misfit leaves an empty line and says why', () => {
    const ran = sornak(['show', '{3 pad}'], { input: '7\n1234\n42\n' })
    expect(ran).toMatchObject({ status: 1, out: '007\n\n042\n' })
    expect(ran.err).toContain('line 2')
  })
  test('an identifier in another form', () => {
    expect(sornak(['show', 'phone/za', '0215550123', '--form', 'international']).out).toBe(
      '+27 21 555 0123\n',
    )
    expect(sornak(['show', 'phone/za', '+27 21 555 0123']).out).toBe('021 555 0123\n')
  })
  test('what reads in two ways is not guessed', () => {
    // "12" is a plain value that fills both slots of the section; as shown text its zero is the mask's own.
    const ran = sornak(['show', '1{1..2}', '12'])
    expect(ran.status).toBe(1)
    expect(ran.err).toContain('--given')
    expect(sornak(['show', '1{1..2}', '12', '--given', 'plain']).out).toBe('112\n')
    expect(sornak(['show', '1{1..2}', '12', '--given', 'shown']).out).toBe('12\n')
  })
  test('a mask that is not one', () => {
    const ran = sornak(['show', '{3', '1'])
    expect(ran).toMatchObject({ status: 2, out: '' })
    expect(ran.err).toContain('{3}')
  })
})

describe('explain', () => {
  test('a mask, and a value under it', () => {
    expect(sornak(['explain', '({3}) {3}-{4}']).out).toContain('(___) ___-____')
    const ran = sornak(['explain', '({3}) {3}-{4}', '206555014O'])
    expect(ran.status).toBe(1)
    expect(ran.out).toContain('"O" at character 10')
  })
  test.each(['zeros-lost', 'exponent', 'fifteen-digits', 'card/payment'])('%s', (what) => {
    const ran = sornak(['explain', what])
    expect(ran.status).toBe(0)
    expect(ran.out.split('\n').length).toBeGreaterThan(3)
  })
  test('a value under an identifier, hidden until revealed', () => {
    const hidden = sornak(['explain', 'staff/number', '417'])
    expect(hidden.status).toBe(1)
    expect(hidden.out).not.toContain('417')
    expect(sornak(['explain', 'staff/number', '417', '--reveal']).out).toContain('00417')
  })
  test('a word that is nothing suggests the nearest', () => {
    expect(sornak(['explain', 'phone/zaa'])).toMatchObject({ status: 2 })
    expect(sornak(['explain', 'phone/zaa']).err).toContain('phone/za')
  })
})

describe('catalog', () => {
  test('lists, filters, and gives JSON Lines', () => {
    expect(sornak(['catalog']).out).toContain('card/payment')
    const phones = lines(
      sornak(['catalog', 'phone', '--format', 'jsonl']).out.replaceAll(/^\{/gm, '{"kind":"entry",'),
    )
    expect(phones.length).toBeGreaterThan(3)
    for (const one of phones)
      expect(`${one['key']} ${one['title']}`.toLowerCase()).toContain('phone')
    expect(sornak(['catalog', 'no-such-thing']).status).toBe(1)
  })
})

test('demo puts everything into a folder and says so', () => {
  const dir = folder()
  const ran = sornak(['demo', '--to', join(dir, 'ferries')])
  expect(ran.status).toBe(0)
  expect(ran.out).toContain('In all')
  expect(ran.err).toContain('findings.jsonl')
  expect(lines(readFileSync(join(dir, 'ferries', 'findings.jsonl'), 'utf8')).at(-1)!.kind).toBe(
    'summary',
  )
})

test('every command has help with two examples', () => {
  for (const command of ['demo', 'inspect', 'show', 'explain', 'catalog']) {
    const { status, out } = sornak([command, '--help'])
    expect(status).toBe(0)
    expect(out.match(/^ {2}\$ sornak /gm)).toHaveLength(2)
  }
})

describe('the published schema', () => {
  const ajv = addFormats.default(new Ajv.default({ strict: true, allowUnionTypes: true }))
  const path = new URL('../../sornak/schema/sornak.schema.json', import.meta.url).pathname
  const valid = ajv.compile(JSON.parse(readFileSync(path, 'utf8')) as object)
  test('takes the demo rules file', () => {
    expect(valid(parse(readFileSync(RULES, 'utf8'), { schema: 'core' }))).toBe(true)
  })
  test.each([
    { sornak: 2 },
    { sornak: 1, identifier: {} },
    { sornak: 1, identifiers: { a: { stord: '{5}' } } },
    { sornak: 1, identifiers: { a: { stored: '{5}', zeros: 'yes' } } },
    { sornak: 1, columns: [{ in: 'a.csv' }] },
  ])('refuses %j', (rules) => {
    expect(valid(rules)).toBe(false)
  })
})
