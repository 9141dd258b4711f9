// Handed over, arrived, and told where it did not arrive as it was sent.

import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { DATA, folder, lines, RULES, sornak } from './run.js'

const MANIFEST = 'outbox/manifest.json'
const read = (dir: string, name: string) => readFileSync(join(dir, name), 'utf8')

function handed(format = 'csv'): string {
  const dir = folder()
  const files = ['crew.csv', 'passes.csv', 'freight.csv'].map((name) => join(DATA, name))
  const ran = sornak(['hand-over', ...files, '-r', RULES, '--to', 'outbox', '--in', format], {
    cwd: dir,
  })
  expect({ status: ran.status, err: ran.err }).toEqual({ status: 1, err: '' })
  return dir
}

describe.each(['csv', 'xlsx', 'ods', 'json', 'jsonl', 'parquet'])('as %s', (format) => {
  test('every table arrives as it was sent', () => {
    const dir = handed(format)
    const { tables } = JSON.parse(read(dir, MANIFEST)) as {
      tables: { file: string; sha256: string }[]
    }
    expect(tables.map(({ file }) => file)).toEqual(
      ['crew', 'passes', 'freight'].map((one) => `${one}.${format}`),
    )
    for (const { file, sha256 } of tables) {
      const content = readFileSync(join(dir, 'outbox', file))
      expect(createHash('sha256').update(content).digest('hex')).toBe(sha256)
      expect(sornak(['compare', `outbox/${file}`, '--sent', MANIFEST], { cwd: dir })).toMatchObject(
        { status: 0, err: '' },
      )
    }
  })
})

test('another format, the same values: a workbook that was made of the CSV arrived', () => {
  const [sent, arrived] = [handed('csv'), handed('xlsx')]
  const ran = sornak(['compare', join(arrived, 'outbox/crew.xlsx'), '--sent', join(sent, MANIFEST)])
  expect(ran.status).toBe(0)
})

test('zeros that were lost on the way are told, row by row, hidden and shown', () => {
  const dir = handed()
  const before = read(dir, 'outbox/crew.csv')
  writeFileSync(join(dir, 'arrived.csv'), before.replace(/^0+(?=\d)/gm, ''))
  const args = ['compare', 'arrived.csv', '--sent', MANIFEST, '-r', RULES]
  const zeros = before.match(/^0\d/gm)!.length
  const shown = sornak([...args, '--reveal'], { cwd: dir })
  expect(shown.status).toBe(1)
  expect(shown.out).toContain(`Crew No: ${zeros} values are not as they were sent.`)
  expect(shown.out).toContain('zeros-lost')
  const [, first] = /row \d+ {2}(\d{5}) {2}came as/.exec(shown.out)!
  expect(sornak(args, { cwd: dir }).out).not.toContain(first)
  const found = lines(sornak([...args, '--format', 'jsonl'], { cwd: dir }).out)
  expect(found.find(({ column }) => column === 'Crew No')).toMatchObject({
    arrival: 'changed',
    changed: zeros,
  })
  expect(found.find(({ column }) => column === 'Tax No')).toMatchObject({ arrival: 'same' })
})

test('another order is no loss, but is told; a column that is not there is', () => {
  const dir = handed()
  const [header, ...rows] = read(dir, 'outbox/crew.csv').trimEnd().split('\r\n')
  writeFileSync(join(dir, 'turned.csv'), [header, ...rows.reverse()].join('\r\n'))
  const turned = sornak(['compare', 'turned.csv', '--sent', MANIFEST, '--format', 'jsonl'], {
    cwd: dir,
  })
  expect(lines(turned.out).map(({ arrival }) => arrival)).toEqual(['order', 'order', 'order'])
  writeFileSync(join(dir, 'less.csv'), read(dir, 'outbox/crew.csv').replace('Tax No', 'Tax'))
  expect(sornak(['compare', 'less.csv', '--sent', MANIFEST], { cwd: dir }).out).toContain(
    'Tax No: is not there',
  )
})

test('no value stands in the manifest, and descriptions say text', () => {
  const dir = handed()
  const manifest = read(dir, MANIFEST)
  for (const row of read(dir, 'outbox/crew.csv').split('\r\n').slice(1, 50))
    for (const value of row.split(',').slice(3, 5)) if (value) expect(manifest).not.toContain(value)
  const csvw = JSON.parse(read(dir, 'outbox/crew.csv-metadata.json')) as {
    tableSchema: { columns: { titles: string; datatype: unknown }[] }
  }
  expect(csvw.tableSchema.columns.every(({ datatype }) => datatype === 'string')).toBe(true)
})

test('what fits is described by what it looks like, and the exit status is 0', () => {
  const dir = folder({
    'a.csv': 'No,Note\n00417,=1+1\n00018,x\n',
    'sornak.yaml':
      'sornak: 1\nidentifiers:\n  crew: { stored: "{5}" }\ncolumns:\n  - { in: a.csv, bind: { No: crew } }\n',
  })
  const ran = sornak(['hand-over', 'a.csv', '--to', 'out'], { cwd: dir })
  expect(ran.status).toBe(0)
  expect(ran.out).toContain('1 texts that a spreadsheet program would run')
  expect(read(dir, 'out/a.csv')).toBe(`No,Note\r\n00417,"'=1+1"\r\n00018,x\r\n`)
  const schema = JSON.parse(read(dir, 'out/a.csv.schema.json')) as {
    fields: { constraints?: { pattern: string } }[]
  }
  expect('00417').toMatch(new RegExp(`^(?:${schema.fields[0]!.constraints!.pattern})$`))
})

test('wrong use', () => {
  const dir = folder({ 'a.csv': 'No\n1\n', 'x.json': '{}' })
  const cases: [string[], number, string][] = [
    [['hand-over', '-r', RULES, '--to', 'out'], 2, 'No file is named'],
    [['hand-over', 'a.csv', '-r', RULES, '--to', 'out', '--in', 'xls'], 2, 'xlsx'],
    [['compare', 'a.csv', '--sent', 'x.json'], 2, 'no manifest'],
    [['compare', 'a.csv'], 2, '--sent manifest.json'],
    [['compare', 'a.csv', 'a.csv'], 2, 'compare A B --as'],
  ]
  for (const [args, status, says] of cases) {
    const ran = sornak(args, { cwd: dir })
    expect({ args, status: ran.status }).toEqual({ args, status })
    expect(ran.err).toContain(says)
  }
})
