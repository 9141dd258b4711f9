// Several threads say what one says, to the byte: of a file that is large enough to be cut into parts.

import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { drawing } from './drawn.js'
import { folder, lines, sornak, started } from './run.js'

const { next, digits } = drawing(20_261_128)
const ROWS = 21_000
/** Rows of two runs; the second goes over the border between two parts. */
const LOST = [7_000, 8_500] as const
const ROUNDED = [15_400, 17_400] as const
const within = ([from, to]: readonly [number, number], row: number) => row >= from && row < to

const originals = Array.from({ length: ROWS }, () => ({
  crew: digits(5),
  serial: `${1 + next(9)}${digits(17)}`,
}))
const text = originals
  .map(({ crew, serial }, row) => {
    const lost = within(LOST, row) || row % 997 === 0
    const shown = lost ? crew.replace(/^0+(?=\d)/, '') : crew
    // Rounded to a binary number, by whole numbers: 18 digits lie between 2^56 and 2^60.
    const rounded = within(ROUNDED, row) ? binary64(BigInt(serial)) : serial
    const note =
      row % 50 === 0
        ? '"two\nlines, and ""more"""'
        : `Ann Other of the North Quay office${' where long notes are written'.repeat(5)}`
    return `${row + 1},${note},${shown},${rounded},,12.50`
  })
  .join('\n')
const RULES = `sornak: 1
identifiers:
  crew: { stored: '{5}', sensitivity: open }
  serial: { stored: '{18}', sensitivity: personal }
columns:
  - { in: 'list.csv', key: Row, bind: { Crew: crew, Serial: serial } }
accepted:
  - { in: 'list.csv', column: Crew, finding: zeros-lost, because: known, at-most: 50 }
`
const dir = folder({
  'list.csv': `Row,Note,Crew,Serial,Ship,Fare\n${text}\n`,
  'rules.yaml': RULES,
})
const inspect = (...more: string[]) =>
  sornak(['inspect', join(dir, 'list.csv'), '-r', join(dir, 'rules.yaml'), ...more])

// To the nearest multiple of the step between binary numbers, ties to the even one.
function binary64(value: bigint): string {
  const step = 1n << BigInt(value.toString(2).length - 53)
  const [down, rest] = [value / step, value % step]
  const up = rest * 2n > step || (rest * 2n === step && down % 2n === 1n)
  return `${(up ? down + 1n : down) * step}`
}

describe('the same to the byte', () => {
  const alone = inspect('--format', 'jsonl', '--jobs', '1')

  test('and right', () => {
    expect(alone.status).toBe(1)
    // Smaller files are not divided.
    expect(statSync(join(dir, 'list.csv')).size).toBeGreaterThan(4 * 1024 * 1024)
    const found = lines(alone.out)
    const changed = originals.flatMap(({ serial }, row) =>
      within(ROUNDED, row) && binary64(BigInt(serial)) !== serial ? [row + 1] : [],
    )
    const suspects = found.flatMap(({ verdict, column, record }) =>
      verdict === 'suspect' && column === 'Serial' ? [record as number] : [],
    )
    const known = new Set(suspects)
    expect(changed.length).toBeGreaterThan(1_900)
    expect(changed.filter((record) => known.has(record)).length).toBeGreaterThan(
      changed.length * 0.999,
    )
    const mends = new Map(
      found.flatMap(({ column, record, mend }) =>
        column === 'Crew' && mend ? [[(record as number) - 1, mend]] : [],
      ),
    )
    const lost = originals.flatMap(({ crew }, row) =>
      within(LOST, row) && crew.startsWith('0') ? [row] : [],
    )
    expect(lost.length).toBeGreaterThan(100)
    expect(lost.filter((row) => !mends.has(row))).toEqual([])
    for (const [row, mend] of mends) expect(mend).toBe(originals[row]!.crew)
  })

  test('with two threads', () => {
    const ran = inspect('--format', 'jsonl', '--jobs', '2')
    expect({ status: ran.status, err: ran.err }).toEqual({ status: alone.status, err: alone.err })
    expect(hashOf(ran.out)).toBe(hashOf(alone.out))
  })

  test('as text, and without a word of how many threads there are', () => {
    expect(inspect('--jobs', '2').out).toBe(inspect('--jobs', '1').out)
  })

  test('mended', () => {
    const mended = ['1', '2'].map((jobs) => {
      const out = join(dir, `mended-${jobs}.csv`)
      const ran = sornak([
        ...['mend', join(dir, 'list.csv'), '-r', join(dir, 'rules.yaml')],
        ...['-o', out, '--jobs', jobs],
      ])
      return { status: ran.status, copy: hashOf(readFileSync(out, 'utf8')) }
    })
    expect(mended[1]).toEqual(mended[0])
  })
})

test('an input that is not UTF-8 far behind is told as it is by one thread', () => {
  const bytes = readFileSync(join(dir, 'list.csv'))
  bytes[bytes.length - 100_000] = 0xff
  const bad = folder({ 'list.csv': bytes, 'rules.yaml': RULES })
  const [one, two] = ['1', '2'].map((jobs) =>
    sornak(['inspect', 'list.csv', '-r', 'rules.yaml', '-o', 'found.txt', '--jobs', jobs], {
      cwd: bad,
    }),
  )
  expect(one).toMatchObject({ status: 3, out: '' })
  expect(one!.err).toContain('is not UTF-8')
  expect(two).toEqual(one)
})

test('interrupted while threads work', async () => {
  const before = readdirSync(dir)
  const child = started([
    ...['inspect', join(dir, 'list.csv'), '-r', join(dir, 'rules.yaml')],
    ...['--jobs', '2', '-o', join(dir, 'never.txt')],
  ])
  const ended = new Promise((done) => child.once('exit', done))
  // It is at work as soon as there is something to clear up.
  await expect.poll(() => readdirSync(dir).length).toBeGreaterThan(before.length)
  child.kill('SIGINT')
  expect(await ended).toBe(130)
  expect(readdirSync(dir)).toEqual(before)
})

const hashOf = (out: string) => createHash('sha256').update(out).digest('hex')
