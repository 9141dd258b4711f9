// Options that every command takes, and verdicts value by value.

import { expect, test } from 'vitest'
import { folder, lines, RULES, shortRoster, sornak } from './run.js'

const crew = shortRoster()
const dir = folder()
const commands: [name: string, args: string[]][] = [
  ['survey', [crew]],
  ['inspect', [crew, '-r', RULES]],
  ['mend', [crew, '-r', RULES, '--dry-run']],
  ['rehearse', [crew, '-r', RULES, '--through', 'int64-column']],
  ['compare', [crew, crew, '--as', 'crew-number', '-r', RULES]],
  ['hand-over', [crew, '-r', RULES, '--to', 'out']],
  ['show', ['{3}', '123']],
  ['type', ['{3}', '12']],
  ['explain', ['zeros-lost']],
  ['publish', ['-r', RULES, '--as', 'regex']],
  ['catalog', ['phone/za']],
]

test.each(commands)('%s takes them', (name, args) => {
  const plain = sornak([name, ...args], { cwd: dir })
  const ran = sornak([name, ...args, '--quiet', '--no-color', '--jobs', '2'], { cwd: dir })
  expect(plain.status).toBeLessThan(2)
  expect({ out: ran.out, status: ran.status }).toEqual({ out: plain.out, status: plain.status })
})

test('--jobs takes a number from 1', () => {
  for (const wrong of ['0', 'two', '-1', '1.5'])
    expect(sornak(['inspect', crew, '-r', RULES, '--jobs', wrong])).toMatchObject({
      status: 2,
      out: '',
    })
})

test('--one-pass gives verdicts without the column, and says that they are not final', () => {
  const run = (...more: string[]) =>
    lines(sornak(['inspect', crew, '-r', RULES, '--format', 'jsonl', ...more]).out)
  const [alone, whole] = [run('--one-pass'), run()]
  const values = (all: typeof alone) => all.filter(({ kind }) => kind === 'value')
  expect(values(alone).length).toBeGreaterThan(100)
  expect(values(alone).every((line) => line['final'] === false)).toBe(true)
  expect(values(whole).every((line) => !('final' in line))).toBe(true)
  expect(alone.filter(({ finding }) => finding === 'run-converted')).toEqual([])
  expect(whole.filter(({ finding }) => finding === 'run-converted')).not.toEqual([])
  // What does not fit is found either way.
  const place = ({ record, column }: (typeof alone)[number]) =>
    `${String(record)} ${String(column)}`
  const doubted = new Set(
    values(whole)
      .filter(({ verdict }) => verdict === 'suspect')
      .map(place),
  )
  expect(values(alone).map(place)).toEqual(
    values(whole)
      .map(place)
      .filter((one) => !doubted.has(one)),
  )
})
