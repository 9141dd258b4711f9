// Corners of a check that are decided once: which verdict, which line, which exit status.

import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { folder, lines, sornak, type Line } from './run.js'

interface Setup {
  readonly identifiers: string
  readonly bind: string
  readonly csv: string
  readonly more?: string
}

const rulesOf = ({ identifiers, bind, more = '' }: Omit<Setup, 'csv'>) =>
  `sornak: 1\nidentifiers:\n${identifiers}\ncolumns:\n  - in: t.csv\n    bind: { ${bind} }\n${more}`

function inspect(setup: Setup, ...args: string[]) {
  const cwd = folder({ 'rules.yaml': rulesOf(setup), 't.csv': setup.csv })
  const ran = sornak(
    ['inspect', 't.csv', '-r', 'rules.yaml', '--format', 'jsonl', '--reveal', ...args],
    { cwd },
  )
  const all = ran.out ? lines(ran.out) : []
  return { ...ran, all, cwd, values: all.filter(({ kind }) => kind === 'value') }
}

const summary = (all: readonly Line[]) => all.find(({ kind }) => kind === 'summary')!
const rows = (...values: string[]) =>
  `Row,Code\n${values.map((one, i) => `${i + 1},${one}`).join('\n')}\n`

describe('a value', () => {
  test('of variable width that is short has all its originals, and stays intact where it fits', () => {
    const { values } = inspect({
      identifiers: "  code: { stored: '{4..6}' }",
      bind: 'Code: code',
      csv: rows('417', '4170', '00417', '981234'),
    })
    expect(values).toHaveLength(1)
    expect(values[0]).toMatchObject({ record: 1, verdict: 'ambiguous', possible: 3 })
    expect(new Set(values[0]!['candidates'] as string[])).toEqual(
      new Set(['0417', '00417', '000417']),
    )
  })

  test('with zeros that are padding is its key, and any padding of it fits', () => {
    const { values, status } = inspect({
      identifiers: "  code: { stored: '{5}', zeros: padding }",
      bind: 'Code: code',
      csv: rows('417', '00417', '0417', '0', '99999', '100000'),
    })
    expect(values.map(({ record }) => record)).toEqual([6])
    expect(status).toBe(1)
  })

  test('that is blank is none, unless one is required', () => {
    const csv = rows('00417', '', '   ', '\u00a0', '00418')
    const free = inspect({ identifiers: "  code: { stored: '{5}' }", bind: 'Code: code', csv })
    expect(free.values).toEqual([])
    expect(free.status).toBe(0)
    const bound = inspect({
      identifiers: "  code: { stored: '{5}', required: true }",
      bind: 'Code: code',
      csv,
    })
    expect(bound.values.map(({ record, verdict, finding }) => [record, verdict, finding])).toEqual([
      [2, 'misfit', 'missing'],
      [3, 'misfit', 'missing'],
      [4, 'misfit', 'missing'],
    ])
  })

  test('that stands for a missing one is blank and said so; what cannot come back is lost', () => {
    const words = ['NULL', 'None', 'NaN', '#N/A']
    const { values } = inspect({
      identifiers: "  code: { stored: '{5}' }",
      bind: 'Code: code',
      csv: rows(...words, 'inf', '#####'),
    })
    expect(values.map(({ verdict, finding }) => `${verdict} ${finding as string}`)).toEqual([
      ...words.map(() => 'blank missing-mark'),
      expect.stringMatching(/^lost /),
      'lost overflow-mark',
    ])
  })

  test('that is such a word fits where the definition takes it', () => {
    const { values, status } = inspect({
      identifiers: "  code: { stored: '{4 upper}' }",
      bind: 'Code: code',
      csv: rows('NULL', 'ABCD'),
    })
    expect(values).toEqual([])
    expect(status).toBe(0)
  })

  test('whose check digit is wrong, and nothing else, is a misfit', () => {
    const { values } = inspect({
      identifiers: "  code: { stored: '{16}', check: luhn }",
      bind: 'Code: code',
      // A published test number, and the same with its last digit changed.
      csv: rows('4111111111111111', '4111111111111112'),
    })
    expect(values).toHaveLength(1)
    expect(values[0]).toMatchObject({
      record: 2,
      verdict: 'misfit',
      finding: 'check-digit',
      mend: null,
      candidates: [],
    })
  })

  test('that comes twice keeps its verdict', () => {
    const { values } = inspect({
      identifiers: "  code: { stored: '{5}', unique: true }",
      bind: 'Code: code',
      csv: rows('00417', '00418', '00417'),
    })
    expect(values.length).toBeGreaterThan(0)
    for (const { value, verdict, finding } of values)
      expect([value, verdict, finding]).toEqual(['00417', 'intact', 'duplicate'])
  })

  test('is found among more of them than are held in memory', () => {
    const codes = Array.from({ length: 120_000 }, (_, i) => `${i * 7}`.padStart(8, '0'))
    // One repeats what came early, one what came late, and one stands next to a value that is damaged.
    const csv = rows(...codes, codes[3]!, codes[110_000]!, '417', codes[3]!)
    const { values } = inspect({
      identifiers: "  code: { stored: '{8}', unique: true }",
      bind: 'Code: code',
      csv,
    })
    expect(
      values.map(({ record, line, value, finding }) => [record, line, value, finding]),
    ).toEqual([
      [120_001, 120_002, codes[3], 'duplicate'],
      [120_002, 120_003, codes[110_000], 'duplicate'],
      [120_003, 120_004, '417', 'zeros-lost'],
      [120_004, 120_005, codes[3], 'duplicate'],
    ])
    expect(values[1]!['why']).toContain('record 110001')
  })

  test('claimed by two rows is given to neither', () => {
    const setup = (csv: string): Setup => ({
      identifiers: "  code: { stored: '{5..6}' }",
      bind: 'Code: code',
      more: 'trusted:\n  code: { from: master.csv, column: Code }\n',
      csv,
    })
    const run = (csv: string) => {
      const { identifiers, bind, more } = setup(csv)
      const cwd = folder({
        'rules.yaml': rulesOf({ identifiers, bind, more }),
        't.csv': csv,
        'master.csv': 'Code\n00417\n00981\n',
      })
      return lines(
        sornak(['inspect', 't.csv', '-r', 'rules.yaml', '--format', 'jsonl', '--reveal'], { cwd })
          .out,
      ).filter(({ kind }) => kind === 'value')
    }
    expect(run(rows('417', '981')).map(({ verdict, mend }) => [verdict, mend])).toEqual([
      ['mendable', '00417'],
      ['mendable', '00981'],
    ])
    const twice = run(rows('417', '981', '417'))
    expect(twice.map(({ record, verdict }) => [record, verdict])).toEqual([
      [1, 'ambiguous'],
      [2, 'mendable'],
      [3, 'ambiguous'],
    ])
  })
})

describe('a rules file', () => {
  test('is taken by its text: no scalar becomes a number', () => {
    const { values } = inspect({
      identifiers: '  code: { stored: "{group: 2}-{3}", never: { group: 00 } }',
      bind: 'Code: code',
      csv: rows('00-417', '01-417', '0-417'),
    })
    expect(values.find(({ record }) => record === 1)).toMatchObject({ finding: 'reserved' })
    expect(values.some(({ record }) => record === 2)).toBe(false)
  })

  test('in JSON must not hold an identifier as a number', () => {
    const cwd = folder({
      'rules.json': JSON.stringify({
        sornak: 1,
        identifiers: { code: { stored: '{5}', only: [417] } },
        columns: [{ in: 't.csv', bind: { Code: 'code' } }],
      }),
      't.csv': rows('00417'),
    })
    const { status, err } = sornak(['inspect', 't.csv', '-r', 'rules.json'], { cwd })
    expect(status).toBe(2)
    expect(err).toMatch(/rules\.json/)
  })

  test('that binds nothing of a file, or a header that is not there, names the nearest', () => {
    const cwd = folder({
      'rules.yaml': rulesOf({ identifiers: "  code: { stored: '{5}' }", bind: 'Code: code' }),
      't.csv': 'Row,Codes\n1,00417\n',
      'other.csv': 'Code\n00417\n',
      'twice.csv': 'Code,Code\n00417,00418\n',
    })
    const missing = sornak(['inspect', 't.csv', '-r', 'rules.yaml'], { cwd })
    expect(missing.status).toBe(2)
    expect(missing.err).toContain('Codes')
    const two = folder({
      'rules.yaml': rulesOf({
        identifiers: "  code: { stored: '{5}' }",
        bind: 'Code: code, Other: code',
      }),
      't.csv': rows('00417'),
    })
    const strict = sornak(['inspect', 't.csv', '-r', 'rules.yaml'], { cwd: two })
    expect([strict.status, strict.out]).toEqual([2, ''])
    const relaxed = sornak(['inspect', 't.csv', '-r', 'rules.yaml', '--allow-missing'], {
      cwd: two,
    })
    expect(relaxed.status).toBe(0)
    const unbound = sornak(['inspect', 'other.csv', '-r', 'rules.yaml'], { cwd })
    expect(unbound.status).toBe(2)
    expect(unbound.err).toContain('other.csv')
    const both = sornak(['inspect', 'twice.csv', '--as', 'staff/number', '--column', 'Code'], {
      cwd,
    })
    expect(both.status).toBe(2)
    expect(both.err).toMatch(/twice/)
  })

  test('says what it does not bind', () => {
    const { all } = inspect({
      identifiers: "  code: { stored: '{5}' }",
      bind: 'Code: code',
      csv: 'Row,Code,Name\n1,00417,Ines\n',
    })
    expect(JSON.stringify(summary(all))).toContain('Name')
  })
})

describe('lines come in one order', () => {
  const identifiers = "  a: { stored: '{5}' }\n  b: { stored: '{4}' }"
  test('arguments, records, columns; one summary ends all', () => {
    const csv = 'B,A\n17,417\n0017,00417\n18,418\n'
    const cwd = folder({
      'rules.yaml': `sornak: 1\nidentifiers:\n${identifiers}\ncolumns:\n  - in: '*.csv'\n    bind: { A: a, B: b }\n`,
      'z.csv': csv,
      'c.csv': csv,
    })
    const { out } = sornak(
      ['inspect', 'z.csv', 'c.csv', '-r', 'rules.yaml', '--format', 'jsonl', '--reveal'],
      { cwd },
    )
    const all = lines(out)
    const order = all
      .filter(({ kind }) => kind === 'value')
      .map(
        ({ file, record, column }) => `${file as string} ${record as number} ${column as string}`,
      )
    expect(order).toEqual(
      ['z.csv', 'c.csv'].flatMap((file) => [
        `${file} 1 B`,
        `${file} 1 A`,
        `${file} 3 B`,
        `${file} 3 A`,
      ]),
    )
    expect(all.filter(({ kind }) => kind === 'summary')).toHaveLength(1)
    expect(all.at(-1)!.kind).toBe('summary')
  })
})

describe('the exit status', () => {
  const setup = {
    identifiers: "  code: { stored: '{5}' }",
    bind: 'Code: code',
    csv: rows('00417', '417', 'x'),
  }

  test('is 1 for what --fail-on names: verdicts, findings, and findings of columns', () => {
    expect(inspect(setup).status).toBe(1)
    expect(inspect(setup, '--fail-on', 'lost').status).toBe(0)
    expect(inspect(setup, '--fail-on', 'lost,misfit').status).toBe(1)
    expect(inspect(setup, '--fail-on', 'unexplained').status).toBe(1)
    expect(inspect(setup, '--fail-on', 'wrapped').status).toBe(0)
    const wrong = inspect(setup, '--fail-on', 'loost')
    expect(wrong.status).toBe(2)
    expect(wrong.err).toContain('lost')
  })

  test('is 3 where one of several files cannot be read, before 1', () => {
    const { cwd } = inspect(setup)
    const { status, out } = sornak(
      ['inspect', 't.csv', 'sub/t.csv', '-r', 'rules.yaml', '--format', 'jsonl'],
      { cwd },
    )
    expect(status).toBe(3)
    const all = lines(out)
    expect(all.some(({ kind, file }) => kind === 'error' && file === 'sub/t.csv')).toBe(true)
    expect(all.filter(({ kind }) => kind === 'value')).toHaveLength(2)
  })

  test('of show is 1 for a misfit, and its line is empty', () => {
    const { status, out } = sornak(['show', '{3}-{4}'], { input: '5550142\n55501\n5550143\n' })
    expect(status).toBe(1)
    expect(out).toBe('555-0142\n\n555-0143\n')
  })

  test('of compare is 1 for any difference; of survey 0, whatever it finds', () => {
    const cwd = folder({
      'a.csv': 'Code\n00417\n00418\n',
      'b.csv': 'Code\n00417\n00418\n',
      'c.csv': 'Code\n417\n418\n',
    })
    const as = ['--as', 'staff/number', '--left', 'Code', '--right', 'Code']
    expect(sornak(['compare', 'a.csv', 'b.csv', ...as], { cwd }).status).toBe(0)
    expect(sornak(['compare', 'a.csv', 'c.csv', ...as], { cwd }).status).toBe(1)
    expect(sornak(['survey', 'c.csv'], { cwd }).status).toBe(0)
  })
})

describe('what is hidden', () => {
  const csv = rows('417', '4.3E+15', '00417')
  const shown = (identifiers: string) => {
    const cwd = folder({ 'rules.yaml': rulesOf({ identifiers, bind: 'Code: code' }), 't.csv': csv })
    return lines(sornak(['inspect', 't.csv', '-r', 'rules.yaml', '--format', 'jsonl'], { cwd }).out)
  }

  test('is everything that is not declared open, and keeps its shape', () => {
    const [first, second] = shown("  code: { stored: '{5}' }")
    expect(first).toMatchObject({ value: '•••', hidden: true })
    expect(second!['value']).toBe('•.••+••')
    for (const line of shown("  code: { stored: '{5}' }").slice(0, 2))
      expect(
        JSON.stringify([line['value'], line['mend'], line['candidates'], line['why']]),
      ).not.toMatch(/417|4\.3/)
  })

  test('of a secret is counted only', () => {
    const [first] = shown("  code: { stored: '{5..7}', sensitivity: secret }")
    expect(first).toMatchObject({ candidates: [], possible: 3 })
  })

  test('is shown where it is declared open', () => {
    const [first] = shown("  code: { stored: '{5}', sensitivity: open }")
    expect(first).toMatchObject({ value: '417', hidden: false })
  })
})

test('the mended copy and its record say the same, and the input stays', () => {
  const csv = rows('00417', '418', '00419', '420', '00421', '00422')
  const { cwd } = inspect({
    identifiers: "  code: { stored: '{5}', sensitivity: open }",
    bind: 'Code: code',
    csv,
  })
  const ran = sornak(['mend', 't.csv', '-r', 'rules.yaml', '-o', 'out.csv'], { cwd })
  expect([0, 1]).toContain(ran.status)
  expect(readFileSync(join(cwd, 't.csv'), 'utf8')).toBe(csv)
  expect(readFileSync(join(cwd, 'out.csv'), 'utf8')).toBe(
    csv.replace(',418\n', ',00418\n').replace(',420\n', ',00420\n'),
  )
})
