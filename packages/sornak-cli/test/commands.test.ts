import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import Ajv from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { describe, expect, test } from 'vitest'
import { parse } from 'yaml'
import { folder, lines, RULES, sornak, started } from './run.js'

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
  test('the forms of a channel, as a hand-over may ask for them', () => {
    expect(sornak(['explain', 'binary64']).out).toMatch(/Forms, .*: shortest, all digits/)
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

test('whoever has read enough of it closes it without a word', async () => {
  const child = started(['inspect', '--help'])
  child.stdout!.destroy()
  let said = ''
  child.stderr!.on('data', (text: Buffer) => (said += text.toString()))
  const status = await new Promise((done) => child.on('close', done))
  expect([status, said]).toEqual([0, ''])
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

describe('show on a table', () => {
  const table = 'Name,Crew No,Port\n"Holm, Jory",00417,Quay\nLars,4O7,Sound\nQuin,,Quay\n'
  const rules =
    'sornak: 1\nidentifiers:\n  crew: { stored: "{5}", display: "HS-{5}" }\ncolumns:\n  - { in: "crew*.csv", bind: { "Crew No": crew } }\n'
  test('puts the shown column beside its source and leaves everything else as it was', () => {
    const dir = folder({ 'crew.csv': table, 'sornak.yaml': rules })
    const ran = sornak(
      ['show', 'crew.csv', '-r', 'sornak.yaml', '--column', 'Crew No', '--beside'],
      {
        cwd: dir,
      },
    )
    expect(ran.out).toBe(
      'Name,Crew No,Crew No (shown),Port\n"Holm, Jory",00417,HS-00417,Quay\nLars,4O7,,Sound\nQuin,,,Quay\n',
    )
    expect(ran.err).toContain('record 2:')
    expect(ran.status).toBe(1)
  })
  test('a mask over the fields of a record makes a new last column', () => {
    const dir = folder({ 'crew.csv': 'Port,No\nQuay,7\n' })
    const ran = sornak(
      [
        'show',
        '{1 upper, first, from Port}-{3, pad, from No}',
        'crew.csv',
        '--beside',
        '--into',
        'Ref',
      ],
      { cwd: dir },
    )
    expect(ran).toMatchObject({ status: 0, out: 'Port,No,Ref\nQuay,7,Q-007\n' })
  })
  test('says which column is meant, and what --beside needs', () => {
    const dir = folder({ 'crew.csv': table })
    const near = sornak(['show', '{5}', 'crew.csv', '--column', 'Crew Np'], { cwd: dir })
    expect(near).toMatchObject({ status: 2, out: '' })
    expect(near.err).toContain('"Crew No"')
    expect(sornak(['show', '{5}', 'crew.csv', '--beside'], { cwd: dir }).status).toBe(2)
    expect(sornak(['show', 'crew.csv', '--column', 'Port'], { cwd: dir }).status).toBe(2)
  })
  test('follows its source when it changes', async () => {
    const dir = folder({ 'crew.csv': 'No\n417\n' })
    const [from, to] = [join(dir, 'crew.csv'), join(dir, 'shown.csv')]
    const running = started([
      'show',
      'HS-{5 pad}',
      from,
      '--column',
      'No',
      '--beside',
      '--watch',
      '-o',
      to,
    ])
    const until = async (want: string) => {
      for (let tries = 0; tries < 200; tries++) {
        if (existsSync(to) && readFileSync(to, 'utf8') === want) return
        await new Promise((wait) => setTimeout(wait, 50))
      }
      throw new Error(`never became ${want}`)
    }
    try {
      await until('No,No (shown)\n417,HS-00417\n')
      writeFileSync(from, 'No\n417\n42\n')
      await until('No,No (shown)\n417,HS-00417\n42,HS-00042\n')
    } finally {
      running.kill('SIGINT')
    }
    const status = await new Promise((ended) => running.on('exit', ended))
    expect(status).toBe(130)
    expect(readdirSync(dir).sort()).toEqual(['crew.csv', 'shown.csv'])
  })
})

describe('explain of masks and check digits', () => {
  test('says where each character went', () => {
    const { out, status } = sornak(['explain', '({3}) {3}-{4}', '206-555.0142'])
    expect(status).toBe(0)
    expect(out).toMatch(/206 +3 digits\n +- +a separator/)
  })
  test('says what is gone from a number, and what would make a text fit', () => {
    const gone = sornak(['explain', '{4} {4} {4} {4}', '4.30022E+15'])
    expect(gone.status).toBe(1)
    expect(gone.out).toContain('6 of its 16 digits')
    expect(sornak(['explain', '{5}', '2O417']).out).toContain('20417')
  })
  test('a check digit: what it catches, and which would be right', () => {
    expect(sornak(['explain', 'luhn']).out).toContain('09 for 90')
    const wrong = sornak(['explain', 'luhn', '4111111111111112'])
    expect(wrong.status).toBe(1)
    expect(wrong.out).toContain('"1" belongs')
  })
})

describe('type', () => {
  const states = (args: readonly string[]) =>
    sornak(['type', ...args, '--format', 'jsonl'])
      .out.trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, string>)
  test('a line for each key, with the caret and what was refused', () => {
    const ran = sornak(['type', '({3}) {3}-{4}', '206x<Back>5'])
    expect(ran.status).toBe(1)
    const rows = ran.out.trimEnd().split('\n')
    expect(rows).toHaveLength(8)
    expect(rows[5]).toMatch(/^x +\(206\|\) ___-____ +partial +206 +The letter x does not belong/)
    expect(rows[6]).toMatch(/^Back +\(20\|_\)/)
  })
  test('several masks, and keys that are words', () => {
    const last = states([
      '0{2} {3} {4}',
      '+2721<All><Paste 021 555 0123><Left>',
      '--or',
      '+27 {2} {3} {4}',
    ])
    expect(last.map(({ text }) => text).slice(-3)).toEqual([
      '+27 21',
      '021 555 0123',
      '021 555 0123',
    ])
    expect(last.at(-1)).toMatchObject({ from: 11, status: 'complete', plain: '215550123' })
  })
  test('an identifier, and how it is stored', () => {
    const ran = sornak(['type', 'phone/za', '<Paste +27 21 555 0123>'])
    expect(ran).toMatchObject({ status: 0 })
    expect(ran.out).toContain('Stored as 0215550123.')
  })
  test.each([
    [['{2}', '<Foo>'], '<back>'],
    [['{date d MMMM yyyy}', '1'], 'digits'],
    [['{2', '1'], '{2}'],
    [['{2}', '1', '--format', 'html'], 'jsonl'],
  ])('wrong use says what is right: %j', (args, hint) => {
    const ran = sornak(['type', ...args])
    expect(ran).toMatchObject({ status: 2, out: '' })
    expect(ran.err).toContain(hint)
  })
})
