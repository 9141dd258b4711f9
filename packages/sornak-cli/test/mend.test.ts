// Mending: against the truth beside the demo data, byte by byte, forwards and back.

import {
  cpSync,
  existsSync,
  readdirSync,
  readFileSync,
  statSync,
  writeFileSync,
  rmSync,
} from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { DATA, folder, sornak, started } from './run.js'

const text = (path: string) => readFileSync(path, 'utf8')
/** Fields of a file without their quotes, a list for each record. */
const fields = (path: string) =>
  text(path)
    .trimEnd()
    .split(/\r?\n/)
    .map((line) =>
      [...line.matchAll(/(?:^|,)(?:"((?:[^"]|"")*)"|([^,]*))/g)].map(
        ([, quoted, plain]) => quoted?.replaceAll('""', '"') ?? plain ?? '',
      ),
    )

function demo(): string {
  const dir = folder()
  cpSync(DATA, dir, { recursive: true })
  return dir
}

describe('the crew roster', () => {
  const dir = demo()
  const ran = sornak(['mend', 'crew.csv', '-r', 'sornak.yaml', '-o', 'm.csv', '--ask', 'q.csv'], {
    cwd: dir,
  })
  const [before, after] = ['crew.csv', 'm.csv'].map((name) => fields(join(dir, name)))
  const truth = new Map(
    fields(join(dir, 'crew.truth.csv')).map(([record, column, original]) => [
      `${record} ${column}`,
      original!,
    ]),
  )

  test('what was mended is what it was, and nothing else has changed', () => {
    expect(ran.status).toBe(1)
    const header = before![0]!
    let mended = 0
    after!.forEach((record, row) =>
      record.forEach((field, i) => {
        if (field === before![row]![i]) return
        mended++
        expect([row, header[i], field]).toEqual([row, header[i], truth.get(`${row} ${header[i]}`)])
      }),
    )
    expect(mended).toBe(420)
    expect(ran.out).toContain('252 mended')
    expect(ran.out).toContain('left: 58 lost')
  })
  test('values are not shown, and their record is for its owner only', () => {
    expect(ran.out).not.toMatch(/\d{9}/)
    for (const name of ['m.csv.changes.jsonl', 'm.csv.changes.csv', 'q.csv'])
      expect(statSync(join(dir, name)).mode & 0o77).toBe(0)
  })
  test('undone and made again, to the byte', () => {
    const record = 'm.csv.changes.jsonl'
    expect(sornak(['mend', 'm.csv', '--undo', record, '-o', 'u.csv'], { cwd: dir }).status).toBe(0)
    expect(text(join(dir, 'u.csv'))).toBe(text(join(dir, 'crew.csv')))
    expect(sornak(['mend', 'u.csv', '--replay', record, '-o', 'r.csv'], { cwd: dir }).status).toBe(
      0,
    )
    expect(text(join(dir, 'r.csv'))).toBe(text(join(dir, 'm.csv')))
  })
  test('a record is for its own file and no other', () => {
    writeFileSync(join(dir, 'other.csv'), text(join(dir, 'crew.csv')).replace('Kaya', 'Maya'))
    const other = sornak(['mend', 'other.csv', '--replay', 'm.csv.changes.jsonl', '-o', 'o.csv'], {
      cwd: dir,
    })
    expect(other).toMatchObject({ status: 3, out: '' })
    expect(existsSync(join(dir, 'o.csv'))).toBe(false)
    writeFileSync(join(dir, 'cut.jsonl'), text(join(dir, 'm.csv.changes.jsonl')).slice(0, 900))
    expect(
      sornak(['mend', 'crew.csv', '--replay', 'cut.jsonl', '-o', 'o.csv'], { cwd: dir }).status,
    ).toBe(2)
  })
  test('answers are checked and applied', () => {
    const questions = text(join(dir, 'q.csv')).trimEnd().split('\r\n')
    const [record, , , , value] = questions[1]!.split(',')
    const row = Number(record)
    const right = truth.get(`${row} Mobile`)!
    const answer = (given: string) => {
      writeFileSync(join(dir, 'a.csv'), `${questions[0]!}\r\n${questions[1]!}${given}\r\n`)
      return sornak(
        ['mend', 'crew.csv', '-r', 'sornak.yaml', '-o', 'a-out.csv', '--answers', 'a.csv'],
        { cwd: dir },
      )
    }
    expect(value).toMatch(/e\+/)
    const wrong = answer('01234567890')
    expect(wrong).toMatchObject({ status: 2, out: '' })
    expect(wrong.err).toContain('could not have become')
    expect(answer('123').err).toContain('does not fit')
    expect(existsSync(join(dir, 'a-out.csv'))).toBe(false)
    expect(answer(right).out).toContain('1 by answers')
    expect(fields(join(dir, 'a-out.csv'))[row]).toContain(right)
  })
})

describe('choices', () => {
  const table = 'No,Name\r\n00417,"Ines, V."\r\n"418.0",Bo\r\n=3+4,Cy\r\n'
  const bind = ['--stored', '{5}', '--column', 'No']
  test('quotes, line ends, byte order mark and other columns stay', () => {
    const dir = folder({ 'a.csv': `\ufeff${table}` })
    expect(sornak(['mend', 'a.csv', ...bind, '-o', 'b.csv'], { cwd: dir }).status).toBe(1)
    expect(text(join(dir, 'b.csv'))).toBe(`\ufeff${table.replace('418.0', '00418')}`)
  })
  test('--only and --accept', () => {
    const dir = folder({ 'a.csv': table })
    const only = sornak(['mend', 'a.csv', ...bind, '-o', 'b.csv', '--only', 'zeros-lost'], {
      cwd: dir,
    })
    expect(only.out).toContain('1 mended')
    const none = sornak(['mend', 'a.csv', ...bind, '-o', 'c.csv', '--only', 'grouped'], {
      cwd: dir,
    })
    expect(none.out).toContain('nothing to mend')
    expect(text(join(dir, 'c.csv'))).toBe(table)
    expect(
      sornak(['mend', 'a.csv', ...bind, '-o', 'd.csv', '--accept', 'exact'], { cwd: dir }).out,
    ).toContain('nothing to mend')
    expect(
      sornak(['mend', 'a.csv', ...bind, '-o', 'e.csv', '--only', 'zero-lost'], { cwd: dir }).err,
    ).toContain('zeros-lost')
  })
  test('--dry-run writes nothing', () => {
    const dir = folder({ 'a.csv': table })
    expect(sornak(['mend', 'a.csv', ...bind, '--dry-run'], { cwd: dir }).out).toContain(
      '1 would be mended',
    )
    expect(readdirSync(dir)).toEqual(['a.csv'])
  })
  test('a list that may have been cut is left, and what would settle it is said', () => {
    // Ten digits belong, all have nine, and no two come in order.
    const seen = Array.from(
      { length: 30 },
      (_, i) => `${117_893_451n + BigInt((i * 13) % 30) * 7_919_113n}`,
    )
    const rules = (stored: string) =>
      `sornak: 1\nidentifiers:\n  account: { stored: "${stored}", sensitivity: open }\ncolumns:\n  - { in: t.csv, bind: { Account: account } }\n`
    const cwd = folder({
      't.csv': `Account\n${seen.join('\n')}\n`,
      'open.yaml': rules('{10}'),
      'settled.yaml': rules('0{9}'),
    })
    const run = (file: string) => sornak(['mend', 't.csv', '-r', file, '-o', 'm.csv'], { cwd })
    const left = run('open.yaml')
    expect(left.status).toBe(1)
    expect(left.out).toContain('left: 30 ambiguous')
    expect(left.out.replace(/\s+/g, ' ')).toContain(
      'If all of them start with "0", write that into the stored mask, and they can be mended.',
    )
    rmSync(join(cwd, 'm.csv'))
    const settled = run('settled.yaml')
    expect(settled.status).toBe(0)
    expect(text(join(cwd, 'm.csv'))).toBe(`Account\n${seen.map((one) => `0${one}`).join('\n')}\n`)
  })

  test('nothing in place, and nothing without a place', () => {
    const dir = folder({ 'a.csv': table })
    expect(sornak(['mend', 'a.csv', ...bind, '-o', './a.csv'], { cwd: dir }).status).toBe(2)
    expect(sornak(['mend', 'a.csv', ...bind], { cwd: dir }).status).toBe(2)
    expect(sornak(['mend', 'a.csv', ...bind, '-o', 'no/b.csv'], { cwd: dir }).status).toBe(3)
    expect(readdirSync(dir)).toEqual(['a.csv'])
    expect(text(join(dir, 'a.csv'))).toBe(table)
  })
  test('what is accepted is left alone and not told', () => {
    const dir = folder({
      'a.csv': 'No\n00417\n418.0\n',
      'sornak.yaml': `sornak: 1\nidentifiers:\n  no:\n    stored: '{5}'\ncolumns:\n  - in: a.csv\n    bind: { No: no }\naccepted:\n  - { in: a.csv, column: No, finding: decimal-tail, because: known }\n`,
    })
    const ran = sornak(['mend', 'a.csv', '-o', 'b.csv'], { cwd: dir })
    expect(ran).toMatchObject({ status: 0 })
    expect(text(join(dir, 'b.csv'))).toBe('No\n00417\n418.0\n')
  })
  test('a file without damage', () => {
    const dir = folder({ 'a.csv': 'No\n00417\n' })
    const ran = sornak(['mend', 'a.csv', ...bind, '-o', 'b.csv'], { cwd: dir })
    expect(ran).toMatchObject({ status: 0 })
    expect(ran.out).toContain('Nothing is damaged.')
  })
})

test('no command writes over what it reads', () => {
  const dir = demo()
  const own = (...args: string[]) => sornak(args, { cwd: dir })
  const before = readdirSync(dir).map((name) => [name, text(join(dir, name))])
  const crew = ['crew.csv', '-r', 'sornak.yaml']
  for (const args of [
    ['mend', ...crew, '-o', 'm.csv', '--ask', 'crew.csv'],
    ['mend', ...crew, '-o', 'sornak.yaml'],
    ['inspect', ...crew, '-o', 'crew.csv'],
    ['inspect', ...crew, '-o', 'sornak.yaml'],
    ['rehearse', ...crew, '-o', 'crew.csv'],
    ['survey', 'crew.csv', '--draft', 'crew.csv'],
    [
      'compare',
      'crew.csv',
      'crew.csv',
      '-r',
      'sornak.yaml',
      '--as',
      'crew-number',
      '--join',
      'crew.csv',
    ],
    ['publish', '-r', 'sornak.yaml', '--as', 'regex', '-o', 'sornak.yaml'],
    ['show', ...crew, '--column', 'Crew No', '--beside', '-o', 'crew.csv'],
  ]) {
    const ran = own(...args)
    expect([args, ran.status, ran.err.includes('not written over')]).toEqual([args, 2, true])
  }
  expect(readdirSync(dir).map((name) => [name, text(join(dir, name))])).toEqual(before)
})

test('stopped at any moment, there is the whole output or none', { timeout: 300_000 }, async () => {
  const rows = Array.from({ length: 2_500 }, (_, i) => (i % 3 ? `${i}.0` : `${i}`.padStart(5, '0')))
  const dir = folder({ 'a.csv': `No\n${rows.join('\n')}\n` })
  const args = [
    'mend',
    join(dir, 'a.csv'),
    '--stored',
    '{5}',
    '--column',
    'No',
    '-o',
    join(dir, 'b.csv'),
  ]
  const whole = sornak(args)
  const want = text(join(dir, 'b.csv'))
  expect(whole.out).toContain('mended')
  const signals = ['SIGINT', 'SIGKILL'] as const
  for (const [i, wait] of [300, 700, 1100, 1500].entries()) {
    const signal = signals[i % 2]!
    const out = join(dir, `b${wait}.csv`)
    const child = started([...args.slice(0, -1), out])
    const ended = new Promise((done) => child.on('close', done))
    await new Promise((later) => setTimeout(later, wait))
    child.kill(signal)
    await ended
    if (existsSync(out)) expect(text(out)).toBe(want)
    // What is killed outright cannot clear up, and what it leaves has another name.
    const parts = readdirSync(dir).filter((name) => name.endsWith('.part'))
    if (signal === 'SIGINT') expect(parts).toEqual([])
    parts.forEach((name) => rmSync(join(dir, name)))
  }
})
