// A list that was put together from two sources, one of which had been through awk, which knows binary numbers only.
// One column shows it in every row; of the other all values still fit.

import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { drawing } from './drawn.js'
import { folder, lines, sornak, type Line } from './run.js'

const { next, digits } = drawing(20_261_127)
const RULES = `sornak: 1
identifiers:
  mobile: { stored: '0{10}', sensitivity: open }
  serial: { stored: '{18}', sensitivity: open }
columns:
  - { in: 'list.csv', key: Row, bind: { Mobile: mobile, Serial: serial } }
`

function inspected(struck: (row: number) => boolean) {
  const originals = Array.from({ length: 3000 }, (_, row) => ({
    row,
    mobile: `07700900${digits(3)}`,
    serial: `${1 + next(9)}${digits(17)}`,
  }))
  const through = originals.filter(({ row }) => struck(row))
  const printed = execFileSync('awk', ['-F,', '{ printf "%d,%.0f\\n", $1, $2 }'], {
    input: through.map(({ mobile, serial }) => `${mobile},${serial}\n`).join(''),
    encoding: 'utf8',
  })
  const seen = new Map(
    printed
      .trim()
      .split('\n')
      .map((line, i) => [through[i]!.row, line]),
  )
  const rows = originals.map(
    ({ row, mobile, serial }) => `${row},${seen.get(row) ?? `${mobile},${serial}`}`,
  )
  const dir = folder({ 'list.csv': `Row,Mobile,Serial\n${rows.join('\n')}\n`, 'rules.yaml': RULES })
  const run = (...more: string[]) =>
    sornak(['inspect', join(dir, 'list.csv'), '-r', join(dir, 'rules.yaml'), ...more])
  const found = lines(run('--format', 'jsonl', '--candidates', '200').out)
  const changed = new Map(
    through.flatMap(({ row, serial }) => {
      const [, now] = seen.get(row)!.split(',')
      return now === serial ? [] : [[row + 1, serial] as const]
    }),
  )
  const suspects = new Map(
    found
      .filter(({ column, verdict }) => column === 'Serial' && verdict === 'suspect')
      .map((line): [number, Line] => [line.record as number, line]),
  )
  return { run, found, through, changed, suspects }
}

describe('rows here and there', () => {
  const { run, found, through, changed, suspects } = inspected(() => next(25) === 0)

  test('serials are doubted where the mobile beside them lost its zero, and nowhere else', () => {
    expect(changed.size).toBeGreaterThan(80)
    const there = new Set(through.map(({ row }) => row + 1))
    expect([...suspects.keys()].filter((record) => !there.has(record))).toEqual([])
    const missed = [...changed.keys()].filter((record) => !suspects.has(record))
    expect(missed).toEqual([])
    for (const [record, serial] of changed)
      expect(suspects.get(record)!.candidates).toContain(serial)
    for (const { why } of suspects.values())
      expect(why).toContain('It fits, but values beside a damaged "Mobile" were converted; ')
  })

  test('the column says so once', () => {
    const told = found.filter(({ kind, column }) => kind === 'column' && column === 'Serial')
    expect(told).toMatchObject([
      {
        finding: 'rows-converted',
        channel: 'binary64',
        from: null,
        to: null,
        alongside: ['Mobile'],
      },
    ])
    expect(run().out.replace(/\s+/g, ' ')).toContain(
      `of the ${through.length} values beside a damaged "Mobile", ${through.length} are such as it prints`,
    )
    expect(sornak(['explain', 'rows-converted']).out).toContain('another column is damaged')
  })
})

test('rows in one piece: each column says that the other was converted with it', () => {
  const { found, changed, suspects } = inspected((row) => row >= 1200 && row < 1500)
  const told = found.filter(({ finding }) => finding === 'run-converted')
  expect(told.map(({ column, alongside }) => [column, alongside])).toEqual([
    ['Mobile', ['Serial']],
    ['Serial', ['Mobile']],
  ])
  expect(told[1]!.why).toContain('"Mobile" was converted in the same rows.')
  const missed = [...changed.keys()].filter((record) => !suspects.has(record))
  expect(missed.length).toBeLessThan(changed.size / 20)
})
