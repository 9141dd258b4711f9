// Accounts with a point in them, sent through programs that know numbers only, as all rows of a list or some of them: what
// lost its zeros gets them back, what lost other digits is left open with the original among the candidates.

import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { drawing } from './drawn.js'
import { folder, lines, sornak } from './run.js'

const { digits } = drawing(20_261_130)
const ROWS = 400

const PROGRAMS: Record<string, readonly [command: string, ...args: string[]]> = {
  'perl, a number': ['perl', '-ne', 'chomp; print $_ + 0, "\\n"'],
  'awk, one decimal': ['awk', '{ printf "%.1f\\n", $1 }'],
  'awk, six digits': ['awk', '{ print $1 + 0 }'],
  'awk, whole numbers': ['awk', '{ printf "%.0f\\n", $1 }'],
}
const SCENES: Record<string, (row: number) => boolean> = {
  'all rows': () => true,
  'some rows': (row) => row >= 100 && row < 250,
}

const cases = Object.keys(PROGRAMS).flatMap((program) =>
  Object.keys(SCENES).map((scene) => [program, scene] as const),
)

test.each(cases)('%s, %s', (program, scene) => {
  const originals = Array.from({ length: ROWS }, () => `${digits(6)}.${digits(2)}`)
  const [command, ...args] = PROGRAMS[program]!
  const printed = execFileSync(command, args, {
    input: originals.map((one) => `${one}\n`).join(''),
    encoding: 'utf8',
  })
    .trim()
    .split('\n')
  const seen = originals.map((one, row) => (SCENES[scene]!(row) ? printed[row]! : one))
  const dir = folder({ 'ledger.csv': `Account\n${seen.join('\n')}\n` })
  const { out } = sornak([
    ...['inspect', join(dir, 'ledger.csv'), '--stored', '{6}.{2}', '--column', 'Account'],
    ...['--format', 'jsonl', '--reveal', '--candidates', '1000'],
  ])
  const found = new Map(
    lines(out).flatMap((line) =>
      line.kind === 'value' ? [[(line.record as number) - 1, line] as const] : [],
    ),
  )
  const changed = originals.flatMap((original, row) =>
    original === seen[row] ? [] : [{ original, line: found.get(row) }],
  )
  expect(changed.length).toBeGreaterThan(20)
  expect(found.size).toBe(changed.length)
  for (const { original, line } of changed) {
    expect(line, original).toBeDefined()
    if (line!.mend) expect(line!.mend).toBe(original)
    else if (line!.verdict === 'ambiguous') expect(line!.candidates).toContain(original)
  }
  const mended = changed.filter(({ line }) => line!.mend)
  if (program === 'perl, a number') expect(mended.length).toBeGreaterThan(changed.length * 0.8)
})
