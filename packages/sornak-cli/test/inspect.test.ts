import { execFileSync, spawnSync } from 'node:child_process'
import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  writeSync,
} from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { COMMAND, DATA, folder, lines, RULES, sornak, started } from './run.js'

const CREW = join(DATA, 'crew.csv')

describe('without a rules file', () => {
  test('--as binds a column to the catalog', () => {
    const { status, out } = sornak([
      'inspect',
      join(DATA, 'passes.csv'),
      '--as',
      'card/payment',
      '--column',
      'Card',
      '--format',
      'jsonl',
    ])
    expect(status).toBe(1)
    const first = lines(out)[0]!
    expect(Object.keys(first)).toEqual([
      'kind',
      'file',
      'record',
      'line',
      'key',
      'column',
      'identifier',
      'value',
      'hidden',
      'verdict',
      'finding',
      'findings',
      'mend',
      'proof',
      'candidates',
      'possible',
      'bits',
      'why',
    ])
    expect(first).toMatchObject({
      column: 'Card',
      identifier: 'card/payment',
      hidden: true,
      candidates: [],
    })
  })
  test('values at the limit of an integer type are looked at again, wherever they stand', () => {
    const rows = Array.from({ length: 200 }, (_, i) =>
      i % 50 === 0 ? '2147483647' : `${5_550_100_000n + BigInt(i * 7919)}`,
    )
    const input = ['Phone', ...rows, ''].join('\n')
    const { status, out } = sornak(
      ['inspect', '-', '--stored', '{10}', '--column', 'Phone', '--format', 'jsonl', '--reveal'],
      { input },
    )
    expect(status).toBe(1)
    const found = lines(out).filter(({ kind }) => kind === 'value')
    expect(found.map(({ record }) => record)).toEqual([1, 51, 101, 151])
    for (const one of found)
      expect(one).toMatchObject({
        verdict: 'suspect',
        finding: 'clamped',
        why: expect.stringContaining('other rows hold the same limit'),
      })
  })
  test('--stored binds a column to a mask', () => {
    const { status, out } = sornak(['inspect', CREW, '--stored', '{5}', '--column', 'Crew No'])
    expect(status).toBe(1)
    expect(out).toContain('zeros-lost')
  })
})

describe('what is hidden stays hidden', () => {
  test('no digit of a secret or personal value stands in any output', () => {
    for (const format of ['text', 'jsonl']) {
      const { out, err } = sornak(['inspect', CREW, '-r', RULES, '--format', format])
      const cells = readFileSync(CREW, 'utf8')
        .split('\n')
        .slice(1)
        .flatMap((row) => row.split(','))
      const secrets = new Set(cells.filter((cell) => /^\d{7,}$/.test(cell)))
      for (const secret of secrets) expect((out + err).includes(secret)).toBe(false)
    }
  })
  test('--reveal shows it', () => {
    const { out } = sornak(['inspect', CREW, '-r', RULES, '--format', 'jsonl', '--reveal'])
    const line = lines(out).find((one) => one['finding'] === 'stray-mark')!
    expect(line['value']).toMatch(/^'\d{5}$/)
    expect(line['hidden']).toBe(false)
  })
})

describe('rows', () => {
  const rules =
    'sornak: 1\nidentifiers:\n  n: { stored: "{3}", sensitivity: open }\ncolumns:\n  - { in: "*.csv", bind: { N: n } }\n'
  const inspectText = (csv: string, more = '') => {
    const dir = folder({ 'a.csv': csv, 'sornak.yaml': rules + more })
    const ran = sornak(['inspect', 'a.csv', '--format', 'jsonl'], { cwd: dir })
    return { ...ran, all: ran.status === 2 ? [] : lines(ran.out) }
  }
  test('records and lines are counted as people count them', () => {
    const { all } = inspectText('N,Text\n001,"two\nlines"\n2,x\n\n3,y\n')
    expect(
      all
        .filter(({ kind }) => kind === 'value')
        .map((one) => [one['record'], one['line'], one['mend']]),
    ).toEqual([
      [2, 4, '002'],
      [4, 6, '003'],
    ])
  })
  test('a ragged row is reported and shifts nothing', () => {
    const { all, status } = inspectText('Name,N\nAda,001\nHolm, Bo,002\nCleo\nDov,4\n')
    expect(status).toBe(1)
    expect(
      all.filter(({ kind }) => kind === 'error').map((one) => [one['record'], one['code']]),
    ).toEqual([
      [2, 'ragged-record'],
      [3, 'ragged-record'],
    ])
    expect(
      all.filter(({ kind }) => kind === 'value').map((one) => [one['record'], one['mend']]),
    ).toEqual([[4, '004']])
  })
  test('a byte order mark, CRLF and semicolons', () => {
    const { all } = inspectText('\ufeffN;M\r\n1;x\r\n002;y\r\n')
    expect(all[0]).toMatchObject({ record: 1, mend: '001' })
    expect(all.at(-1)).toMatchObject({ kind: 'summary', records: 2 })
  })
  test('accepted findings are counted, and come back when they are too many or too old', () => {
    const csv = 'N,M\n1,x\n2,y\n003,z\n'
    const accept = (more: string) =>
      `accepted:\n  - { in: "*.csv", column: N, finding: zeros-lost, because: "old system"${more} }\n`
    expect(inspectText(csv, accept(''))).toMatchObject({ status: 0 })
    expect(inspectText(csv, accept(', at-most: 2'))).toMatchObject({ status: 0 })
    expect(inspectText(csv, accept(', at-most: 1'))).toMatchObject({ status: 1 })
    expect(inspectText(csv, accept(', until: 2020-01-31'))).toMatchObject({ status: 1 })
    const unmet = inspectText('N,M\n001,x\n', accept(''))
    expect(JSON.stringify(unmet.all.at(-1)!['notices'])).toContain('matches nothing')
  })
  test('--fail-on chooses what fails', () => {
    const dir = folder({ 'a.csv': 'N,M\n1,x\n', 'sornak.yaml': rules })
    expect(sornak(['inspect', 'a.csv', '--fail-on', 'lost'], { cwd: dir }).status).toBe(0)
    expect(sornak(['inspect', 'a.csv', '--fail-on', 'lost,zeros-lost'], { cwd: dir }).status).toBe(
      1,
    )
    expect(sornak(['inspect', 'a.csv', '--fail-on', 'lots'], { cwd: dir })).toMatchObject({
      status: 2,
    })
  })
  test('a rule that depends on another column, title lines and totals', () => {
    const yaml =
      'sornak: 1\ncolumns:\n  - { in: "*.csv", header-row: 2, skip-last: 1, bind: { Phone: { by: Country, ZA: phone/za, US: phone/us } } }\n'
    const csv =
      'Staff list\nCountry,Phone\nZA,215550123\nUS,2065550142\nUS,206555014\nXX,anything\nTotal,4\n'
    const dir = folder({ 'a.csv': csv, 'sornak.yaml': yaml })
    const all = lines(
      sornak(['inspect', 'a.csv', '--format', 'jsonl', '--reveal'], { cwd: dir }).out,
    )
    expect(
      all
        .filter(({ kind }) => kind === 'value')
        .map((one) => [one['record'], one['identifier'], one['verdict']]),
    ).toEqual([
      [1, 'phone/za', 'mendable'],
      [3, 'phone/us', 'ambiguous'],
    ])
  })
  test('standard input is bound by name or by the only entry', () => {
    const dir = folder({ 'sornak.yaml': rules })
    expect(sornak(['inspect', '-'], { cwd: dir, input: 'N,M\n001,x\n' }).status).toBe(0)
    expect(sornak(['inspect', '-', '-r', RULES], { cwd: dir, input: 'N,M\n001,x\n' }).status).toBe(
      2,
    )
    expect(
      sornak(['inspect', '-', '-r', RULES, '--stdin-name', 'crew.csv'], {
        cwd: dir,
        input: readFileSync(CREW),
      }).status,
    ).toBe(1)
  })
  test('other encodings, given or marked', () => {
    const latin = Buffer.from('N,Name\n1,Ren\xe9e\n', 'latin1')
    const dir = folder({
      'a.csv': latin,
      'b.csv': Buffer.from('\ufeffN,Name\n2,Renée\n', 'utf16le'),
      'sornak.yaml': rules,
    })
    expect(sornak(['inspect', 'a.csv', '--encoding', 'windows-1252'], { cwd: dir }).status).toBe(1)
    expect(
      lines(sornak(['inspect', 'b.csv', '--format', 'jsonl'], { cwd: dir }).out)[0],
    ).toMatchObject({ mend: '002' })
  })
})

describe('bad input', () => {
  const dir = folder({
    'crew-empty.csv': '',
    'crew-latin.csv': Buffer.from('Crew No,Name\n00417,Ren\xe9e\x81\n', 'latin1'),
    'crew-quote.csv': 'Crew No,Name\n00417,"Ada\n00418,Bo\n',
    'crew-twice.csv': 'Crew No,Mobile,Mobile,Tax No\n1,2,3,4\n',
    'crew-zip.csv': Buffer.from('PK\x03\x04\x00\x00\x00'),
    'mask.yaml': 'sornak: 1\nidentifiers:\n  crew-number:\n    stored: "{area: 3"\n',
    'unknown.yaml':
      'sornak: 1\nidentifiers:\n  mobile: { stored: "{9}" }\ncolumns:\n  - { in: "*.csv", bind: { Mobile: mobil } }\n',
    'key.yaml': 'sornak: 1\nidentifiers:\n  a: { stored: "{9}", sensitivty: open }\n',
    'broken.yaml': 'sornak: 1\nidentifiers: [\n',
    'number.json':
      '{"sornak": 1, "identifiers": {"a": {"stored": "{3}", "never": {"value": 100}}}}',
  })
  mkdirSync(join(dir, 'crew-dir.csv'))
  const cases = [
    {
      name: 'a missing file',
      args: ['crew-none.csv', '-r', RULES],
      status: 3,
      says: 'no such file',
    },
    { name: 'a directory', args: ['crew-dir.csv', '-r', RULES], status: 3, says: 'directory' },
    { name: 'an empty file', args: ['crew-empty.csv', '-r', RULES], status: 3, says: 'empty' },
    {
      name: 'bytes that are not UTF-8',
      args: ['crew-latin.csv', '--stored', '{5}', '--column', 'Crew No'],
      status: 3,
      says: 'crew-latin.csv:2  The byte 0xE9',
    },
    {
      name: 'a quote that is never closed',
      args: ['crew-quote.csv', '--stored', '{5}', '--column', 'Crew No'],
      status: 3,
      says: 'crew-quote.csv:2',
    },
    { name: 'a broken container', args: ['crew-zip.csv', '-r', RULES], status: 3, says: 'damaged' },
    {
      name: 'a bad mask in the rules file',
      args: [CREW, '-r', 'mask.yaml'],
      status: 2,
      says: 'mask.yaml:4:14  slot-open',
    },
    {
      name: 'an unknown identifier',
      args: [CREW, '-r', 'unknown.yaml'],
      status: 2,
      says: 'unknown.yaml:5:36  identifier-unknown  Unknown identifier "mobil".',
    },
    {
      name: 'an unknown key',
      args: [CREW, '-r', 'key.yaml'],
      status: 2,
      says: 'Did you mean "sensitivity"?',
    },
    {
      name: 'YAML that is not',
      args: [CREW, '-r', 'broken.yaml'],
      status: 2,
      says: 'broken.yaml:3:1',
    },
    {
      name: 'a number for an identifier in JSON',
      args: [CREW, '-r', 'number.json'],
      status: 2,
      says: 'Put it in quotes, "100"',
    },
    {
      name: 'a rules file that is not there',
      args: [CREW, '-r', 'none.yaml'],
      status: 2,
      says: 'none.yaml',
    },
    { name: 'no rules at all', args: [CREW], status: 2, says: '-r' },
    {
      name: 'a column that is not there',
      args: [CREW, '--stored', '{5}', '--column', 'Crew Nr'],
      status: 2,
      says: 'Did you mean "Crew No"?',
    },
    {
      name: 'a header that stands twice',
      args: ['crew-twice.csv', '-r', RULES],
      status: 2,
      says: 'more than one column "Mobile"',
    },
    {
      name: 'a file that no entry means',
      args: ['mask.yaml', '-r', RULES],
      status: 2,
      says: 'matches no entry',
    },
    {
      name: 'a mask that is not one',
      args: [CREW, '--stored', '{5', '--column', 'Crew No'],
      status: 2,
      says: 'never closed',
    },
    {
      name: 'an unknown format',
      args: [CREW, '-r', RULES, '--format', 'xml'],
      status: 2,
      says: 'format',
    },
    {
      name: 'an output that cannot be written',
      args: [CREW, '-r', RULES, '-o', 'none/out.txt'],
      status: 3,
      says: 'no such directory',
    },
  ]
  test.each(cases)('$name', ({ args, status, says }) => {
    const ran = sornak(['inspect', ...args], { cwd: dir })
    expect(ran.status).toBe(status)
    expect(ran.err).toContain(says)
    expect(ran.err).not.toMatch(/\n\s+at /)
    expect(ran.out).toBe('')
  })

  test('one of several files cannot be read: the others go on, and nothing is left under -o', () => {
    const ran = sornak(['inspect', CREW, 'crew-none.csv', '-r', RULES, '--format', 'jsonl'], {
      cwd: dir,
    })
    expect(ran.status).toBe(3)
    const all = lines(ran.out)
    expect(all.filter(({ kind }) => kind === 'error')).toHaveLength(1)
    expect(all.filter(({ kind }) => kind === 'value').length).toBeGreaterThan(100)
    expect(all.at(-1)!.kind).toBe('summary')
    const before = readdirSync(dir)
    expect(
      sornak(['inspect', CREW, 'crew-none.csv', '-r', RULES, '-o', 'out.txt'], { cwd: dir }).status,
    ).toBe(3)
    expect(readdirSync(dir)).toEqual(before)
  })

  test('one field of 200 MB ends quickly and in little memory', () => {
    const path = join(dir, 'crew-long.csv')
    const fd = openSync(path, 'w')
    writeSync(fd, 'Crew No,Name\n00417,"')
    for (let i = 0; i < 200; i++) writeSync(fd, 'x'.repeat(1_000_000))
    writeSync(fd, '"\n')
    closeSync(fd)
    const ran = spawnSync(
      process.execPath,
      [
        '--max-old-space-size=100',
        COMMAND,
        'inspect',
        path,
        '--stored',
        '{5}',
        '--column',
        'Crew No',
      ],
      { timeout: 20_000 },
    )
    expect(ran.status).toBe(3)
    expect(ran.stderr.toString()).toContain('crew-long.csv:2')
  })

  test('a closed pipe', () => {
    const script = `"${process.execPath}" "${COMMAND}" inspect "${CREW}" -r "${RULES}" --format jsonl; echo $? >&2`
    const ran = spawnSync('sh', ['-c', `(${script}) | head -c 10 >/dev/null`])
    expect(ran.stderr.toString()).toMatch(/Standard output was closed[^\n]*\n3\n$/)
  })

  test('interruption leaves no debris', async () => {
    const path = join(dir, 'crew-big.csv')
    const fd = openSync(path, 'w')
    writeSync(fd, 'Crew No,Name\n')
    writeSync(fd, '417,Ada\n'.repeat(150_000))
    closeSync(fd)
    const before = readdirSync(dir)
    const child = started([
      'inspect',
      path,
      '--stored',
      '{5}',
      '--column',
      'Crew No',
      '--format',
      'jsonl',
      '-o',
      join(dir, 'out.jsonl'),
    ])
    // It is at work as soon as there is something to clear up.
    await expect.poll(() => readdirSync(dir).length).toBeGreaterThan(before.length)
    child.kill('SIGINT')
    const status = await new Promise((done) =>
      child.on('exit', (code, signal) => done(code ?? signal)),
    )
    expect(status).toBe(130)
    expect(readdirSync(dir)).toEqual(before)
    expect(existsSync(join(dir, 'out.jsonl'))).toBe(false)
  })
})

test('inputs are never changed', () => {
  const before = readFileSync(CREW)
  sornak(['inspect', CREW, '-r', RULES])
  expect(readFileSync(CREW).equals(before)).toBe(true)
})

test('npx finds the command in a clone', () => {
  const out = execFileSync('npx', ['--no-install', 'sornak', '--version'], { cwd: DATA }).toString()
  expect(out).toMatch(/^\d+\.\d+\.\d+\n$/)
})
