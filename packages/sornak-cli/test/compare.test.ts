// Two files held against each other by the built command.

import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { folder, sornak } from './run.js'

const RULES = `sornak: 1
identifiers:
  crew:
    title: Crew number
    stored: '{5}'
columns:
  - in: 'crew*.csv'
    bind: { No: crew }
`
const dir = folder({
  'crew.csv': 'No,Name\n00417,Ines\n00418,Bo\n00419,Cy\n00420,Di\n',
  'pay.csv': 'Number;Name;Grade\n417;"Ines; V.";G1\n"418.0";Bo;G2\n99999;Ed;=1+1\n',
  'sornak.yaml': RULES,
})
const compare = (...args: string[]) =>
  sornak(
    [
      'compare',
      'crew.csv',
      'pay.csv',
      '--as',
      'crew',
      '-r',
      'sornak.yaml',
      '--right',
      'Number',
      '--left',
      'No',
      ...args,
    ],
    { cwd: dir },
  )

describe('compare', () => {
  test('what is the same, what is once mended, and what is on one side only', () => {
    const { status, out } = compare('--reveal')
    expect(status).toBe(1)
    expect(out).toContain('2  the same once mended')
    expect(out).toContain('row 1 00417  =  row 1 417  → 00417')
    expect(out).toContain('2  only in the first')
    expect(out).toContain('1  only in the second')
  })
  test('values are hidden unless asked for', () => {
    for (const format of ['text', 'csv', 'jsonl']) {
      const { out } = compare('--format', format)
      expect(out).not.toMatch(/417|418|999/)
      expect(out).toContain('•')
    }
  })
  test('JSON Lines and CSV say it pair by pair', () => {
    const lines = compare('--format', 'jsonl', '--reveal')
      .out.trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>)
    expect(lines.map(({ match, value }) => [match, value])).toEqual([
      ['same-mended', '00417'],
      ['same-mended', '00418'],
      ['only-left', '00419'],
      ['only-left', '00420'],
      ['only-right', '99999'],
    ])
    expect(compare('--format', 'csv', '--reveal').out.split('\r\n')[2]).toBe(
      'same-mended,00418,2,00418,2,418.0,decimal-tail,',
    )
  })
  test('the joined table has both records side by side', () => {
    compare('--join', 'joined.csv')
    expect(readFileSync(join(dir, 'joined.csv'), 'utf8')).toBe(
      'stored,No,Name (left),Number,Name (right),Grade\r\n00417,00417,Ines,417,Ines; V.,G1\r\n00418,00418,Bo,418.0,Bo,G2\r\n',
    )
  })
  test('a list against itself has nothing to report', () => {
    const ran = sornak(['compare', 'crew.csv', 'crew.csv', '--as', 'crew', '-r', 'sornak.yaml'], {
      cwd: dir,
    })
    expect(ran).toMatchObject({ status: 0 })
    expect(ran.out).toContain('4  the same on both sides')
  })
  test.each<[string, string[], string]>([
    ['an identifier that is not there', ['--as', 'crw'], '"crew"'],
    ['a column that nothing names', ['--as', 'phone/gb'], '--left'],
    ['a format that is not there', ['--as', 'crew', '--left', 'No', '--format', 'xml'], 'jsonl'],
    ['standard input', ['--as', 'crew', '--left', 'No'], 'two files'],
    ['a column that is not there', ['--as', 'crew', '--left', 'Nr'], 'Nr'],
  ])('%s', (name, args, hint) => {
    const second = name === 'standard input' ? '-' : 'crew.csv'
    const ran = sornak(['compare', 'crew.csv', second, '-r', 'sornak.yaml', ...args], {
      cwd: dir,
    })
    expect(ran).toMatchObject({ status: 2, out: '' })
    expect(ran.err).toContain(hint)
  })
})
