// What was handed over: a list of the files with their SHA-256 (FIPS 180-4), and a mark of each column of
// identifiers that tells whether it arrived. No value stands in it.

import { createHash, type Hash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { usage } from './stop.js'

export interface Manifest {
  readonly kind: 'hand-over'
  readonly version: 1
  readonly tables: readonly SentTable[]
}

export interface SentTable {
  /** Its name in the directory of the manifest. */
  readonly file: string
  readonly format: string
  /** Of the whole file, in hexadecimal digits. */
  readonly sha256: string
  readonly records: number
  readonly columns: readonly SentColumn[]
}

export interface SentColumn {
  readonly column: string
  readonly identifier: string
  /** Values that are not blank. */
  readonly values: number
  /** Of all values in their order, and of all values in whatever order. */
  readonly ordered: string
  readonly unordered: string
}

export interface ColumnMark {
  add(value: string): void
  mark(): Pick<SentColumn, 'values' | 'ordered' | 'unordered'>
}

const MODULUS = 1n << 256n

/** A value counts by its characters; a blank one only by its place. */
export function columnMark(): ColumnMark {
  const ordered: Hash = createHash('sha256')
  let unordered = 0n
  let values = 0
  return {
    add(value) {
      const bytes = Buffer.from(value)
      ordered.update(`${bytes.length}:`).update(bytes)
      if (value.trim() === '') return
      values++
      const one = createHash('sha256').update(bytes).digest('hex')
      unordered = (unordered + BigInt(`0x${one}`)) % MODULUS
    },
    mark: () => ({
      values,
      ordered: ordered.digest('hex'),
      unordered: unordered.toString(16).padStart(64, '0'),
    }),
  }
}

export function readManifest(path: string): Manifest {
  let found: unknown
  try {
    found = JSON.parse(readFileSync(path, 'utf8'))
  } catch {
    found = undefined
  }
  const { kind, version, tables } = (found ?? {}) as Partial<Manifest>
  if (kind !== 'hand-over' || version !== 1 || !Array.isArray(tables))
    throw usage(
      `${path} is no manifest of a hand-over.`,
      'Name the manifest.json that "hand-over" wrote.',
    )
  return found as Manifest
}
