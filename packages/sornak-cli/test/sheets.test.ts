// Sheets as people make them: titles, totals, headers that come again or have other names, rules that depend on
// another column, several tables in a file; and fixed-width text.

import { copyFileSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { folder, lines, sornak } from './run.js'

const FIXTURES = new URL('../../sornak-files/test/fixtures', import.meta.url).pathname
const values = (out: string) => lines(out).filter(({ kind }) => kind === 'value')
const summary = (out: string) => lines(out).find(({ kind }) => kind === 'summary')!

const RULES = `sornak: 1
identifiers:
  crew-number: { stored: "{5}", sensitivity: open }
  card: { like: card/payment, sensitivity: open, reveal: all }
columns:
  - in: "book.xlsx#Crew"
    header-row: 3
    skip-last: 1
    key: "Crew No"
    bind: { "Crew No": crew-number }
  - in: "book.xlsx#Cards"
    bind: { "Crew No": crew-number, Card: card }
  - in: "pages.csv"
    bind: { "Crew No": crew-number }
    aliases: { "Crew No": ["Staff No", "Number"] }
  - in: "phones.csv"
    key: Name
    bind: { Phone: { by: Country, ZA: phone/za, GB: phone/gb } }
  - in: "fixed.txt"
    layout: "Crew No: 1-5, Name: 6-12, Card: 13-28"
    bind: { "Crew No": crew-number, Card: card }
`

function place(): string {
  const dir = folder({
    'sornak.yaml': RULES,
    'pages.csv': 'Staff No,Name\n00417,Ada\nStaff No,Name\n18,Bo\nStaff No,Name\n',
    'phones.csv': 'Name,Country,Phone\nAda,ZA,0825550142\nBo,GB,44\nCy,FR,12\n',
    'fixed.txt': '00417Ada    4111111111111111\r\n  18 Bo     5555555555554440\r\n',
  })
  copyFileSync(join(FIXTURES, 'openpyxl.xlsx'), join(dir, 'book.xlsx'))
  return dir
}
const dir = place()
const inspect = (...args: string[]) =>
  sornak(['inspect', ...args, '--format', 'jsonl', '--reveal'], { cwd: dir })

describe('a workbook of two sheets', () => {
  const { out } = inspect('book.xlsx')
  test('titles above and totals below are no data', () => {
    const columns = (summary(out) as unknown as { columns: { file: string; values: number }[] })
      .columns
    expect(columns.map(({ file, values: count }) => [file, count])).toEqual([
      ['book.xlsx#Crew', 2],
      ['book.xlsx#Cards', 2],
      ['book.xlsx#Cards', 2],
    ])
  })
  test('a place is a sheet and a cell, and what is shown is told', () => {
    expect(values(out)[0]).toMatchObject({
      file: 'book.xlsx',
      sheet: 'Cards',
      cell: 'A2',
      record: 1,
      line: null,
      value: '417',
      shown: '00417',
      mend: '00417',
      findings: ['zeros-lost', 'display-differs'],
    })
  })
  test('stored as numbers is said once a column', () => {
    const said = lines(out).filter(({ finding }) => finding === 'stored-as-number')
    expect(said.map(({ sheet, column }) => [sheet, column])).toEqual([
      ['Cards', 'Crew No'],
      ['Cards', 'Card'],
    ])
  })
  test('one sheet alone', () => {
    expect(inspect('book.xlsx', '--sheet', 'Crew').status).toBe(0)
    expect(inspect('book.xlsx', '--sheet', 'Crow')).toMatchObject({ status: 2, out: '' })
  })
  test('a sheet that no rule speaks of is named', () => {
    const ran = sornak(
      [
        'inspect',
        'book.xlsx',
        '--as',
        'crew-number',
        '--column',
        'Crew No',
        '-r',
        'sornak.yaml',
        '--sheet',
        'Cards',
      ],
      { cwd: dir },
    )
    expect(ran.out).toContain('book.xlsx#Cards')
  })
})

test('headers under another name, and again on every page', () => {
  const { out } = inspect('pages.csv')
  expect(values(out)).toMatchObject([
    { column: 'Staff No', record: 3, line: 4, value: '18', mend: '00018' },
  ])
})

test('a rule that depends on another column', () => {
  const { out } = inspect('phones.csv')
  expect(values(out).map(({ key, identifier }) => [key, identifier])).toEqual([['Bo', 'phone/gb']])
})

test('fields at fixed places, by the rules file and by the command', () => {
  const { out } = inspect('fixed.txt')
  expect(values(out)).toMatchObject([
    { line: 2, column: 'Crew No', value: '18', mend: '00018' },
    { line: 2, column: 'Card', value: '5555555555554440' },
  ])
  const survey = sornak(
    ['survey', 'fixed.txt', '--layout', 'A: 1-5, B: 13..28', '--format', 'jsonl'],
    { cwd: dir },
  )
  expect(lines(survey.out).map(({ column, values: count }) => [column, count])).toEqual([
    ['A', 2],
    ['B', 2],
  ])
  const wrong = sornak(['survey', 'fixed.txt', '--layout', 'A 1-5'], { cwd: dir })
  expect(wrong).toMatchObject({ status: 2, out: '' })
  expect(wrong.err).toContain('"A 1-5" is no field of a layout')
})

test('all files of the rules file', () => {
  const { out, status } = inspect('--all')
  expect(status).toBe(1)
  expect(summary(out)).toMatchObject({ files: 4 })
  expect(sornak(['inspect', '--all', 'pages.csv'], { cwd: dir }).status).toBe(2)
})

describe('a mended workbook', () => {
  test('is mended a sheet at a time, replayed to the byte, and undone', () => {
    const here = place()
    const run = (...args: string[]) => sornak(['mend', ...args], { cwd: here })
    expect(run('book.xlsx', '-o', 'm.xlsx')).toMatchObject({ status: 2 })
    expect(run('book.xlsx', '--sheet', 'Cards', '-o', 'm.xlsx')).toMatchObject({
      status: 0,
      err: '',
    })
    expect(
      sornak(
        [
          'inspect',
          'm.xlsx',
          '--as',
          'crew-number',
          '--column',
          'Crew No',
          '-r',
          'sornak.yaml',
          '--sheet',
          'Cards',
          '--fail-on',
          'mendable',
        ],
        { cwd: here },
      ).status,
    ).toBe(0)
    const [head, first] = lines(readFileSync(join(here, 'm.xlsx.changes.jsonl'), 'utf8'))
    expect(head).toMatchObject({ sheet: 'Cards', count: 2 })
    expect(first).toMatchObject({ sheet: 'Cards', cell: 'A2', before: '417', after: '00417' })
    expect(run('book.xlsx', '--replay', 'm.xlsx.changes.jsonl', '-o', 'again.xlsx').status).toBe(0)
    expect(readFileSync(join(here, 'again.xlsx')).equals(readFileSync(join(here, 'm.xlsx')))).toBe(
      true,
    )
    expect(run('m.xlsx', '--undo', 'm.xlsx.changes.jsonl', '-o', 'undone.xlsx').status).toBe(0)
    const { out } = sornak(
      [
        'inspect',
        'undone.xlsx',
        '--as',
        'crew-number',
        '--column',
        'Crew No',
        '-r',
        'sornak.yaml',
        '--sheet',
        'Cards',
        '--format',
        'jsonl',
      ],
      { cwd: here },
    )
    expect(values(out)[0]).toMatchObject({ value: '417', shown: '00417' })
  })
})

test('survey finds the headers below a title, and its draft says where they are', () => {
  const here = place()
  const { out } = sornak(['survey', 'book.xlsx', '--sheet', 'Crew', '--draft', 'draft.yaml'], {
    cwd: here,
  })
  expect(out).toContain('headers in row 3')
  expect(readFileSync(join(here, 'draft.yaml'), 'utf8')).not.toContain('Nothing here')
  const drafted = sornak(
    ['inspect', 'book.xlsx', '-r', 'draft.yaml', '--sheet', 'Crew', '--format', 'jsonl'],
    { cwd: here },
  )
  expect(drafted.err).toBe('')
  expect(summary(drafted.out)).toMatchObject({ records: 3 })
  const given = sornak(
    [
      'inspect',
      'book.xlsx',
      '--sheet',
      'Crew',
      '--header-row',
      '3',
      '--as',
      'crew-number',
      '-r',
      'sornak.yaml',
      '--column',
      'Crew No',
      '--format',
      'jsonl',
    ],
    { cwd: here },
  )
  expect(values(given.out)).toMatchObject([{ cell: 'A6', value: 'Total', verdict: 'misfit' }])
  expect(sornak(['survey', 'pages.csv', '--header-row', '0'], { cwd: here })).toMatchObject({
    status: 2,
    out: '',
  })
})

test('a text that is not UTF-8 is read as what it seems to be, and that is said', () => {
  const here = folder({ 'a.csv': Buffer.from('Crew No,Name\n00417,Ren\xe9e\n', 'latin1') })
  const ran = sornak(['survey', 'a.csv', '--format', 'jsonl'], { cwd: here })
  expect(ran.status).toBe(0)
  expect(ran.err).toContain('windows-1252')
})
