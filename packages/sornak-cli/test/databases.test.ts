// SQLite files and PostgreSQL tables as inputs: every value as text, and the types of their columns judged.

import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { hasPostgres, startPostgres, type Cluster } from './postgres.js'
import { folder, lines, sornak } from './run.js'

const RULES = `sornak: 1
identifiers:
  crew-number: { stored: "{5}", sensitivity: open }
  card: { like: card/payment, sensitivity: open, reveal: all }
  serial: { stored: "{18}", sensitivity: open }
columns:
  - in: "*.sqlite#crew"
    key: No
    bind: { No: crew-number, Card: card, Serial: serial }
  - in: "database:HARROW#crew"
    key: No
    bind: { No: crew-number, Card: card, Serial: serial }
`

const found = (out: string, kind: string) => lines(out).filter((line) => line.kind === kind)
const told = (out: string) =>
  found(out, 'column').map(({ column, finding }) => `${String(column)} ${String(finding)}`)

describe('SQLite', () => {
  const dir = folder({ 'sornak.yaml': RULES })
  beforeAll(() => {
    execFileSync('sqlite3', [join(dir, 'ferries.sqlite')], {
      input: `create table crew(No text, Card integer, Serial real);
        insert into crew values ('00417', 4111111111111111, 100000000000000123), ('417', 5555555555554444, 100000000000000256), (null, null, null);
        create table ports(Name text); insert into ports values ('Gullstone');`,
    })
  })
  const inspect = (...args: string[]) =>
    sornak(['inspect', 'ferries.sqlite', '--format', 'jsonl', ...args], { cwd: dir })

  test('types, values and places', () => {
    const { out, status } = inspect()
    expect(status).toBe(1)
    expect(told(out).sort()).toEqual([
      'Card stored-as-number',
      // Cards may have 19 digits.
      'Card type-too-small',
      'Serial stored-as-number',
      'Serial type-too-small',
    ])
    const [zeros, ...others] = found(out, 'value')
    expect(zeros).toMatchObject({
      file: 'ferries.sqlite',
      sheet: 'crew',
      record: 2,
      line: null,
      value: '417',
      mend: '00417',
    })
    // As the binary number reads back: all of its digits.
    expect(others).toEqual([])
    const query = 'select Serial from crew where No = 417'
    const exact = sornak(
      [
        'inspect',
        'ferries.sqlite',
        '--query',
        query,
        '--stored',
        '{2}',
        '--column',
        'Serial',
        '--format',
        'jsonl',
        '--reveal',
      ],
      { cwd: dir },
    )
    expect(found(exact.out, 'value')[0]).toMatchObject({ value: '100000000000000256' })
    expect(found(out, 'summary')[0]).toMatchObject({
      notices: ['Not inspected: ferries.sqlite#ports.'],
    })
  })

  test('a query', () => {
    const ran = sornak(
      [
        'inspect',
        'ferries.sqlite',
        '--query',
        'select Card as N from crew where No is not null',
        '--as',
        'card/payment',
        '--column',
        'N',
        '--format',
        'jsonl',
      ],
      { cwd: dir },
    )
    expect(found(ran.out, 'summary')[0]).toMatchObject({ records: 2 })
    expect(told(ran.out)).toContain('N stored-as-number')
  })

  test('a table that is not there, a query that is none, a file that is cut short', () => {
    expect(inspect('--sheet', 'crow')).toMatchObject({ status: 2, out: '' })
    expect(inspect('--sheet', 'crow').err).toContain('"crew"')
    const bad = sornak(['survey', 'ferries.sqlite', '--query', 'selekt'], { cwd: dir })
    expect(bad).toMatchObject({ status: 3, out: '' })
    const cut = folder({ 'a.sqlite': Buffer.from('SQLite format 3\0 and no more') })
    expect(sornak(['survey', 'a.sqlite'], { cwd: cut })).toMatchObject({ status: 3, out: '' })
  })

  test('a mended copy is a file of its own; the database stays', () => {
    const ran = sornak(['mend', 'ferries.sqlite', '--sheet', 'crew', '-o', 'crew.csv'], {
      cwd: dir,
    })
    expect(ran.err).toBe('')
    const { out } = sornak(
      [
        'inspect',
        'crew.csv',
        '--as',
        'crew-number',
        '-r',
        'sornak.yaml',
        '--column',
        'No',
        '--format',
        'jsonl',
      ],
      { cwd: dir },
    )
    expect(found(out, 'value')).toEqual([])
    expect(
      execFileSync('sqlite3', [join(dir, 'ferries.sqlite'), 'select No from crew'], {
        encoding: 'utf8',
      }),
    ).toBe('00417\n417\n\n')
  })

  test('survey sees every table', () => {
    const { out } = sornak(['survey', 'ferries.sqlite', '--format', 'jsonl'], { cwd: dir })
    expect(lines(out).map(({ file, column }) => `${String(file)} ${String(column)}`)).toEqual([
      'ferries.sqlite#crew No',
      'ferries.sqlite#crew Card',
      'ferries.sqlite#crew Serial',
      'ferries.sqlite#ports Name',
    ])
  })
})

describe.skipIf(!hasPostgres)('PostgreSQL', () => {
  let cluster: Cluster
  let connection = ''
  const dir = folder({ 'sornak.yaml': RULES })
  beforeAll(() => {
    cluster = startPostgres()
    connection = `postgresql://postgres:not-so-secret@/postgres?host=${encodeURIComponent(cluster.host)}`
    cluster.run(`create table crew("No" varchar(4), "Card" double precision, "Serial" numeric(18), "Start" date);
      insert into crew values ('0417', 4111111111111111, 100000000000000123, '2026-03-01'), ('417', 4300222233334440, 1, null);
      insert into crew select lpad(i::text, 4, '0'), 4111111111111111, 100000000000000123, null from generate_series(1, 2000) i;
      create table ports(name text);`)
    process.env['HARROW'] = connection
  })
  afterAll(() => {
    cluster.stop()
    delete process.env['HARROW']
  })

  test('the types of columns are judged, and values are the text that the server prints', () => {
    const { out, err, status } = sornak(['inspect', 'database:HARROW#crew', '--format', 'jsonl'], {
      cwd: dir,
    })
    expect({ err, status }).toEqual({ err: '', status: 1 })
    const storage = told(out).filter((one) => !one.endsWith('run-converted'))
    expect(storage.sort()).toEqual([
      'Card stored-as-number',
      'Card type-too-small',
      'No type-too-small',
      'Serial stored-as-number',
    ])
    const values = found(out, 'value')
    expect(values.find(({ column, record }) => column === 'Serial' && record === 2)).toMatchObject({
      sheet: 'crew',
      value: '1',
    })
    expect(found(out, 'summary')[0]).toMatchObject({ records: 2002 })
    const why = found(out, 'column').find(
      ({ finding, column }) => finding === 'type-too-small' && column === 'Card',
    )
    expect(why!['why']).toContain('double precision')
  })

  test('all inputs of the rules file, the database among them', () => {
    const ran = sornak(['inspect', '--all', '-q'], {
      cwd: folder({
        'sornak.yaml': RULES.replace(/ {2}- in: "\*\.sqlite#crew"[\s\S]*?serial }\n/, ''),
      }),
    })
    expect(ran.out).toContain('database:HARROW#crew')
  })

  test('no password is ever printed', () => {
    const wrong = connection.replace('/postgres?', '/harrow?')
    for (const args of [
      ['survey', wrong],
      ['survey', `${connection}#crow`],
      ['survey', connection],
      ['survey', connection, '--format', 'jsonl'],
    ]) {
      const { out, err } = sornak(args, { cwd: dir })
      expect(out + err).not.toContain('not-so-secret')
    }
    expect(sornak(['survey', wrong], { cwd: dir })).toMatchObject({ status: 3, out: '' })
  })

  test('a variable that is not set', () => {
    const ran = sornak(['survey', 'database:HARRAW'], { cwd: dir })
    expect(ran).toMatchObject({ status: 2, out: '' })
    expect(ran.err).toContain('HARRAW')
  })
})
