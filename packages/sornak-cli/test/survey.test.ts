// A survey of the demo data, and the draft that it writes.

import { cpSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { DATA, folder, sornak } from './run.js'

const dir = folder()
cpSync(DATA, dir, { recursive: true })
const FILES = ['crew.csv', 'passes.csv', 'freight.csv']

test('each column is told, and no sample is shown', () => {
  const ran = sornak(['survey', ...FILES, '--format', 'jsonl'], { cwd: dir })
  expect(ran).toMatchObject({ status: 0, err: '' })
  const held = Object.fromEntries(
    ran.out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>)
      .map(({ column, identifier, stored, holds }) => [column, identifier ?? stored ?? holds]),
  )
  expect(held).toEqual({
    'Crew No': 'staff/number',
    Name: 'text',
    'Home Port': 'words',
    Mobile: 'phone/gb',
    'Tax No': '{9}',
    Start: 'date',
    Pass: '{2 upper}{4}',
    Serial: '{19}',
    Card: 'card/payment',
    Kind: 'words',
    'Valid Until': 'date',
    Booking: '{1 upper}{5}',
    Container: 'container/freight',
    Consignment: 'serial/long',
    Berth: '{1}{1 upper}{1}',
    Fare: 'quantity',
  })
  const known = readFileSync(join(dir, 'crew.csv'), 'utf8').match(/\b\d{9}\b/g)!
  const text = sornak(['survey', ...FILES], { cwd: dir }).out
  for (const value of known.slice(0, 200)) expect(text).not.toContain(value)
})

test('the draft can be used at once, and finds what the rules of the demo find', () => {
  const drafted = sornak(['survey', ...FILES, '--draft', 'draft.yaml'], { cwd: dir })
  expect(drafted.err).toContain('draft.yaml')
  expect(readFileSync(join(dir, 'draft.yaml'), 'utf8')).toMatch(/# \d+% of the values/)
  const inspected = (rules: string) => {
    const { out } = sornak(['inspect', 'crew.csv', '-r', rules, '--format', 'jsonl'], { cwd: dir })
    const lines = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>)
    return lines
      .filter(({ kind, column }) => kind === 'value' && column === 'Crew No')
      .map(({ record, verdict, findings }) => [record, verdict, findings])
  }
  expect(inspected('draft.yaml')).toEqual(inspected('sornak.yaml'))
})

test('a list of digits only is told how it can be judged more surely', () => {
  const codes = Array.from({ length: 120 }, (_, i) => `${(i * 7919 + 641) % 100_000}`)
  const cwd = folder({ 'zip.csv': `ZIP\n${codes.join('\n')}\n` })
  sornak(['survey', 'zip.csv', '--draft', 'draft.yaml'], { cwd })
  const draft = readFileSync(join(cwd, 'draft.yaml'), 'utf8')
  const [, added] = /# All values are digits only\. If they always are, add: (.*)/.exec(draft)!
  const verdicts = (rules: string) => {
    writeFileSync(join(cwd, 'rules.yaml'), rules)
    const { out } = sornak(['inspect', 'zip.csv', '-r', 'rules.yaml', '--format', 'jsonl'], { cwd })
    const lines = out.trim().split('\n')
    return lines
      .map((line) => JSON.parse(line) as Record<string, unknown>)
      .filter(({ kind }) => kind === 'value')
      .map(({ verdict, mend }) => [verdict, mend])
  }
  const short = codes.filter((code) => code.length < 5)
  expect(short.length).toBeGreaterThan(8)
  expect(verdicts(draft)).toEqual(short.map(() => ['lost', null]))
  const settled = draft.replace('like: postcode/us', `like: postcode/us\n    ${added}`)
  expect(verdicts(settled)).toEqual(short.map((code) => ['mendable', code.padStart(5, '0')]))
})

test.each<[string, string[], number, string]>([
  ['no file', [], 2, 'No file'],
  ['a file that is not there', ['none.csv'], 3, 'none.csv'],
  ['a format that is not there', ['crew.csv', '--format', 'html'], 2, 'jsonl'],
])('%s', (_, args, status, hint) => {
  const ran = sornak(['survey', ...args], { cwd: dir })
  expect(ran.status).toBe(status)
  expect(ran.err).toContain(hint)
})
