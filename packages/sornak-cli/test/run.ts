// The built command as a process.

import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

export const COMMAND = new URL('../bin/sornak.js', import.meta.url).pathname
export const DATA = new URL('../../../examples/data', import.meta.url).pathname
export const RULES = join(DATA, 'sornak.yaml')

export interface Ran {
  readonly status: number | null
  readonly out: string
  readonly err: string
}

export function sornak(
  args: readonly string[],
  options: { input?: string | Uint8Array; cwd?: string } = {},
): Ran {
  const { status, stdout, stderr } = spawnSync(process.execPath, [COMMAND, ...args], {
    ...options,
    input: options.input ?? '',
    maxBuffer: 1 << 28,
    env: { ...process.env, NO_COLOR: '1' },
  })
  return { status, out: stdout.toString(), err: stderr.toString() }
}

export const started = (args: readonly string[]): ChildProcess =>
  spawn(process.execPath, [COMMAND, ...args], { stdio: ['ignore', 'pipe', 'pipe'] })

export function folder(files: Readonly<Record<string, string | Uint8Array>> = {}): string {
  const dir = mkdtempSync(join(tmpdir(), 'sornak-test-'))
  for (const [name, content] of Object.entries(files)) writeFileSync(join(dir, name), content)
  return dir
}

/** The crew roster with every fourth row, for tests that ask for findings of any kind and not for all of them. */
export function shortRoster(): string {
  const rows = readFileSync(join(DATA, 'crew.csv'), 'utf8').split('\n')
  const some = rows.filter((_, row) => row % 4 === 0).join('\n')
  return join(folder({ 'crew.csv': some }), 'crew.csv')
}

export interface Line {
  readonly kind: string
  readonly [key: string]: unknown
}

export const lines = (out: string): Line[] =>
  out
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Line)
