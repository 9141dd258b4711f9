// The record of what was changed in a file: JSON Lines for replaying and undoing, CSV for reading. It holds
// values in full, so only its owner may read it, and it is bound to its file by SHA-256 (FIPS 180-4).

import { createHash } from 'node:crypto'
import { openSync, readFileSync, readSync, closeSync } from 'node:fs'
import { changeLines, changeTable, type Change, type ChangeRecord } from 'sornak-files'
import { openOutput } from './output.js'
import { unreadable, usage } from './stop.js'

export const recordPath = (out: string): string => `${out}.changes.jsonl`
export const tablePath = (out: string): string => `${out}.changes.csv`

/** Writes the record in both forms. */
export function writeRecord(out: string, record: ChangeRecord): void {
  const lines = openOutput(recordPath(out), 0o600)
  for (const line of changeLines(record)) lines.write(line)
  const table = openOutput(tablePath(out), 0o600)
  for (const row of changeTable(record)) table.write(row)
  lines.finish()
  table.finish()
}

export function readRecord(path: string): ChangeRecord {
  let text: string
  try {
    text = readFileSync(path, 'utf8')
  } catch {
    throw unreadable(`${path} cannot be read.`, 'Name the .changes.jsonl file that "mend" wrote.')
  }
  const wrong = (line: number) =>
    usage(
      `${path}:${line} is no line of a change record.`,
      'Name the .changes.jsonl file that "mend" wrote, as it was written.',
    )
  const [head, ...rest] = text
    .split('\n')
    .filter(Boolean)
    .map((line, i) => {
      try {
        return JSON.parse(line) as Record<string, unknown>
      } catch {
        throw wrong(i + 1)
      }
    })
  if (
    head?.['kind'] !== 'changes' ||
    (head['from'] !== null && !isHash(head['from'])) ||
    !isHash(head['to'])
  )
    throw wrong(1)
  if (rest.length !== head['count'])
    throw usage(`${path} is cut short: it has ${rest.length} of ${String(head['count'])} changes.`)
  rest.forEach((one, i) => {
    const texts = ['column', 'before', 'after'].every((name) => typeof one[name] === 'string')
    if (one['kind'] !== 'change' || !texts || !Number.isSafeInteger(one['record']))
      throw wrong(i + 2)
  })
  const headerRow = typeof head['headerRow'] === 'number' ? head['headerRow'] : 1
  const sheet = typeof head['sheet'] === 'string' ? { sheet: head['sheet'] } : {}
  return {
    from: head['from'],
    to: head['to'],
    headerRow,
    ...sheet,
    changes: rest as unknown as Change[],
  }
}

const isHash = (value: unknown): value is string =>
  typeof value === 'string' && /^[0-9a-f]{64}$/.test(value)

export function hashOf(path: string): string {
  const hash = createHash('sha256')
  const fd = openSync(path, 'r')
  const buffer = Buffer.alloc(1024 * 1024)
  try {
    for (let size; (size = readSync(fd, buffer, 0, buffer.length, null)) > 0;)
      hash.update(buffer.subarray(0, size))
  } finally {
    closeSync(fd)
  }
  return hash.digest('hex')
}
