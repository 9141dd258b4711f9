// Findings as JSON Lines, one object a line, keys in a fixed order. Counts may be longer than a binary
// number holds, so they are written as the digits they are.

import type { ColumnFinding, ValueFinding } from '../inspect/finding.js'
import type { ColumnTally } from './tally.js'

export interface ErrorLine {
  readonly file: string
  readonly record: number | null
  readonly line: number | null
  readonly code: string
  readonly message: string
  readonly todo: string
}

export interface Summary {
  readonly files: number
  readonly records: number
  readonly errors: number
  readonly columns: readonly ColumnTally[]
  readonly unbound: readonly { readonly file: string; readonly columns: readonly string[] }[]
  readonly notices: readonly string[]
  readonly status: number
}

export const valueLine = (finding: ValueFinding): string => json(finding)

export const columnLine = (finding: ColumnFinding): string => json(finding)

/** Padding and precision of one column under one identifier. */
export function profileLines({ file, column, profiles }: ColumnTally): string[] {
  return profiles.map(([identifier, profile]) =>
    json({ kind: 'profile', file, column, identifier, ...profile }),
  )
}

export const errorLine = (error: ErrorLine): string => json({ kind: 'error', ...error })

export function summaryLine({ columns, ...rest }: Summary): string {
  return json({
    kind: 'summary',
    ...rest,
    columns: columns.map(({ findings, runs: _runs, profiles: _profiles, ...column }) => ({
      ...column,
      findings: Object.fromEntries([...findings].map(([code, { count }]) => [code, count])),
    })),
  })
}

/** JSON text in which a bigint is a number of as many digits as it takes. */
export function json(value: unknown): string {
  if (typeof value === 'bigint') return value.toString()
  if (Array.isArray(value)) return `[${value.map(json).join(',')}]`
  if (typeof value === 'object' && value !== null) {
    let members = ''
    for (const [key, one] of Object.entries(value))
      if (one !== undefined) members += `${members && ','}${JSON.stringify(key)}:${json(one)}`
    return `{${members}}`
  }
  return JSON.stringify(value ?? null)
}
