// A PostgreSQL cluster of the tests' own, reached by a socket in a temporary directory.

import { execFileSync, spawnSync } from 'node:child_process'
import { chownSync, existsSync, mkdtempSync, readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

export interface Cluster {
  /** Directory of the socket. */
  readonly host: string
  /** What a script prints, a value a line. */
  run(script: string): string
  stop(): void
}

const versions = existsSync('/usr/lib/postgresql') ? readdirSync('/usr/lib/postgresql') : []
const bin = versions.length ? `/usr/lib/postgresql/${versions.at(-1)!}/bin` : ''
export const hasPostgres: boolean = bin !== '' && existsSync(`${bin}/initdb`)

const root = process.getuid?.() === 0
const as = (command: string) =>
  root
    ? execFileSync('su', ['postgres', '-s', '/bin/sh', '-c', command], { stdio: 'pipe' })
    : execFileSync('sh', ['-c', command], { stdio: 'pipe' })

export function startPostgres(): Cluster {
  const host = mkdtempSync(join(tmpdir(), 'sornak-pg-'))
  if (root) {
    const id = (flag: string) =>
      Number.parseInt(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }), 10)
    chownSync(host, id('-u'), id('-g'))
  }
  as(`${bin}/initdb -D ${host}/db -E UTF8 --locale=C.UTF-8 -A trust >/dev/null`)
  as(`${bin}/pg_ctl -D ${host}/db -o "-k ${host} -h ''" -w start >/dev/null`)
  return {
    host,
    run(script) {
      const { stdout, stderr } = spawnSync(
        'psql',
        ['-h', host, '-U', 'postgres', '-qAt', '-v', 'ON_ERROR_STOP=1'],
        { input: script, encoding: 'utf8' },
      )
      if (stderr) throw new Error(stderr)
      return stdout.trim()
    },
    stop: () => void as(`${bin}/pg_ctl -D ${host}/db stop -m immediate`),
  }
}
