// Hand-overs rehearsed, columns profiled and trusted lists, by the real command.

import { describe, expect, test } from 'vitest'
import { DATA, folder, lines, RULES, sornak } from './run.js'

const rules = (more: string) =>
  `sornak: 1\nidentifiers:\n  card: { stored: "{16}", check: luhn, sensitivity: open }\n  crew: { stored: "{5}", sensitivity: open }\n${more}columns:\n  - { in: "a*.csv", bind: { Card: card, Crew: crew } }\n`
const table = 'Card,Crew\n4111111111111111,00417\n5500000000000004,20417\n'

describe('rehearse', () => {
  const told = (args: readonly string[], more = '') => {
    const cwd = folder({ 'a.csv': table, 'sornak.yaml': rules(more) })
    const ran = sornak(['rehearse', 'a.csv', '-r', 'sornak.yaml', ...args], { cwd })
    return { ...ran, results: ran.status === 1 || ran.status === 0 ? ran.out : '' }
  }
  test('tells for each hand-over what would be damaged, lost, and how it would look', () => {
    const { out, status } = told(['--format', 'jsonl', '--through', 'spreadsheet', 'json-numbers'])
    expect(status).toBe(1)
    const found = lines(out).map((one) => [
      one['column'],
      one['handOver'],
      one['values'],
      one['damaged'],
      one['lost'],
    ])
    expect(found).toEqual([
      // 4111111111111111 loses its last digit, which no column turns back; 5500000000000004 too.
      ['Card', 'spreadsheet', 2, 2, expect.any(Number)],
      // Both lie below 2^53.
      ['Card', 'json-numbers', 2, 0, 0],
      ['Crew', 'spreadsheet', 2, 1, 0],
      ['Crew', 'json-numbers', 2, 1, 0],
    ])
    expect(JSON.stringify(lines(out))).toContain('"before":"00417","after":"417","lost":false')
  })
  test('takes hand-overs of the rules file, and names the nearest to a mistyped one', () => {
    const own =
      'hand-overs:\n  payroll: { title: Payroll load, through: [number-read, "decimal-tail: .00"] }\n'
    expect(told(['--through', 'payroll'], own).out).toContain(
      '00417 arrives as 417.00, and can be turned back',
    )
    const wrong = told(['--through', 'payrol'], own)
    expect(wrong.status).toBe(2)
    expect(wrong.err).toContain('"payroll"')
    const unknown = told([], 'hand-overs: { x: [binray64] }\n')
    expect(unknown.status).toBe(2)
    expect(unknown.err).toContain('Did you mean "binary64"?')
    const form = told([], 'hand-overs: { x: ["binary64: all digit"] }\n')
    expect(form.err).toContain('Did you mean "all digits"?')
  })
  test('what survives says so with status 0, and hidden values stay hidden', () => {
    const { status } = told([
      '--through',
      'json-numbers',
      '--as',
      'card/payment',
      '--column',
      'Card',
    ])
    expect(status).toBe(0)
    const crew = sornak(['rehearse', `${DATA}/crew.csv`, '-r', RULES, '--through', 'spreadsheet'])
    expect(
      crew.out
        .split('\n')
        .filter((line) => line.includes('arrives as'))
        .join(' '),
    ).not.toMatch(/\d{3}/)
  })
})

test('a profile tells widths, padding and what number columns would lose', () => {
  const cwd = folder({ 'a.csv': `${table}4111111111111112,417\n`, 'sornak.yaml': rules('') })
  const ran = sornak(['inspect', 'a.csv', '-r', 'sornak.yaml', '--profile', '--format', 'jsonl'], {
    cwd,
  })
  const [card, crew] = lines(ran.out).filter(({ kind }) => kind === 'profile')
  expect(crew).toMatchObject({
    column: 'Crew',
    widths: { 3: 1, 5: 2 },
    leadingZeros: 1,
    padding: { short: 1, right: 2, over: 0, wrong: 0 },
    store: 'text of 5 characters',
  })
  expect(card).toMatchObject({ beyond15: 3, beyond53: 0, padding: { right: 2, wrong: 1 } })
  expect(card!['types']).toContainEqual({ type: '32-bit integer', lost: 3 })
  expect(card!['types']).toContainEqual({ type: '64-bit binary (double)', lost: 0 })
  const text = sornak(['inspect', 'a.csv', '-r', 'sornak.yaml', '--profile'], { cwd }).out
  expect(text).toContain('1 short, of which 1 can be padded safely')
})

describe('a trusted list', () => {
  const trusted = 'trusted:\n  card: { from: master.csv, column: No }\n'
  const judged = (cards: readonly string[], master: string) => {
    const cwd = folder({
      'a.csv': `Card,Crew\n${cards.map((card) => `${card},00001\n`).join('')}`,
      'master.csv': master,
      'sornak.yaml': rules(trusted),
    })
    const ran = sornak(['inspect', 'a.csv', '-r', 'sornak.yaml', '--format', 'jsonl'], { cwd })
    return { ...ran, values: lines(ran.out).filter(({ kind }) => kind === 'value') }
  }
  const master = 'No\n4300222233334449\n4111111111111111\n5500000000000004\n'
  test('mends what exactly one member could have become', () => {
    const [value] = judged(['4.30022E+15'], master).values
    expect(value).toMatchObject({ verdict: 'mendable', mend: '4300222233334449', proof: 'exact' })
    expect(value!['why']).toContain('trusted list')
  })
  test('two claimants of one member leave both open, also one that has it whole', () => {
    const both = judged(['4.1E+15', '4.11111E+15'], master).values
    expect(both.map(({ verdict }) => verdict)).toEqual(['ambiguous', 'ambiguous'])
    const [value] = judged(['4111111111111111', '4.11111E+15'], master).values
    expect(value).toMatchObject({ verdict: 'ambiguous', candidates: ['4111111111111111'] })
  })
  test('a list that cannot be read, or lacks the column, stops the run', () => {
    expect(judged(['4.1E+15'], 'Number\n1\n').status).toBe(2)
  })
})

test('a value that must be unique is told where it stands again, and stays what it is', () => {
  const cwd = folder({
    'a.csv': 'No\n00417\n00418\n00417\n417\n',
    'sornak.yaml':
      'sornak: 1\nidentifiers: { no: { stored: "{5}", unique: true, sensitivity: open } }\ncolumns: [{ in: a.csv, bind: { No: no } }]\n',
  })
  const { out, status } = sornak(['inspect', 'a.csv', '-r', 'sornak.yaml', '--format', 'jsonl'], {
    cwd,
  })
  expect(status).toBe(1)
  const values = lines(out).filter(({ kind }) => kind === 'value')
  expect(values.map((one) => [one['record'], one['verdict'], one['findings']])).toEqual([
    [3, 'intact', ['duplicate']],
    [4, 'mendable', ['zeros-lost']],
  ])
  expect(values[0]!['why']).toContain('record 1')
})
