// A column whose rows went through a conversion, and what its mends are held against what was there before.

import {
  columnEvidence,
  columnRuns,
  fit,
  judge,
  type Definition,
  type EvidenceState,
  type Judgement,
} from 'sornak'
import { definition } from '../identifier/definition-for.js'
import { next, restart } from './draws.js'

export { next }

export const digits = (count: number): string =>
  Array.from({ length: count }, () => `${next(10)}`).join('')
export const padded = (value: number, width: number): string => `${value}`.padStart(width, '0')
/** Read as a number. */
export const bare = (text: string): string => text.replace(/^0+(?=\d)/, '')
/** With the check digit of ISO/IEC 7812-1, annex B. */
export function withCheckDigit(body: string): string {
  const sum = [...body].reverse().reduce((total, digit, i) => {
    const twice = Number.parseInt(digit, 10) * (i % 2 === 0 ? 2 : 1)
    return total + (twice > 9 ? twice - 9 : twice)
  }, 0)
  return `${body}${(10 - (sum % 10)) % 10}`
}

/** To so many significant bits; a half goes up. */
export function toBits(value: bigint, bits: number): bigint {
  const unit = 1n << BigInt(Math.max(0, value.toString(2).length - bits))
  return ((value + unit / 2n) / unit) * unit
}
/** To so many significant digits, with zeros behind them; a half goes up. */
export function toDigits(value: bigint, keep: number): bigint {
  const unit = 10n ** BigInt(Math.max(0, `${value}`.length - keep))
  return ((value + unit / 2n) / unit) * unit
}

export const of = (stored: string): Definition => definition({ stored })

/** What the rows of a column say together. */
export function evidenceOf(made: Definition, values: readonly string[]): EvidenceState {
  const evidence = columnEvidence(made)
  values.forEach((value, index) => {
    const place = { index, line: index, offset: index }
    const bytes = new TextEncoder().encode(value)
    if (fit(made, value).ok) evidence.fits(bytes, 0, bytes.length, place)
    else evidence.misfit(value, place)
  })
  return evidence.state()
}

/** The same of some rows; an `x` fits nothing. */
export function partOf(
  made: Definition,
  values: readonly string[],
  first: number,
  end?: number,
): EvidenceState {
  const evidence = columnEvidence(made)
  values.slice(first, end).forEach((value, i) => {
    const place = { index: first + i, line: first + i, offset: first + i }
    if (value === 'x') evidence.misfit(value, place)
    else evidence.fits(new TextEncoder().encode(value), 0, value.length, place)
  })
  return evidence.state()
}

export interface Row {
  readonly original: string
  readonly seen: string
  readonly told: Judgement
}

/** Rows that were converted between 240 clean ones on each side; those that were `kept` were not. */
export function convertedRun(
  made: Definition,
  draw: () => string,
  convert: (text: string) => string,
  count = 120,
  kept: (row: number) => boolean = () => false,
): Row[] {
  const first = 240
  const rows = Array.from({ length: 2 * first + count }, (_, i) => {
    const original = draw()
    const row = i - first
    const struck = row >= 0 && row < count && !kept(row)
    return { original, seen: struck ? convert(original) : original }
  })
  const values = rows.map(({ seen }) => seen)
  const runs = columnRuns(made, evidenceOf(made, values))
  return rows
    .map((row, i) => ({ ...row, told: judge(made, row.seen, 1000, runs.around(i)) }))
    .slice(first, first + count)
}

/** The original is among the candidates. */
export const isListed = ({ original, told }: Row): boolean =>
  told.candidates.some(({ text }) => text === original)

/** A kind of column. */
export interface Population {
  readonly of: Definition
  /** Makes a source of values. */
  readonly values: () => () => string
}

export interface Outcome {
  /** Values that do not fit. */
  short: number
  mended: number
  wrong: string[]
  /** Values that only lost their zeros. */
  known: number
  found: number
}

export function outcome(
  { of, values }: Population,
  convert: (text: string) => string,
  struck: (row: number) => boolean,
  count = 520,
): Outcome {
  restart(20_261_126)
  const draw = values()
  const rows = Array.from({ length: count }, (_, row) => {
    const original = draw()
    return { original, seen: struck(row) ? convert(original) : original }
  })
  const runs = columnRuns(
    of,
    evidenceOf(
      of,
      rows.map(({ seen }) => seen),
    ),
  )
  const made: Outcome = { short: 0, mended: 0, wrong: [], known: 0, found: 0 }
  rows.forEach(({ original, seen }, index) => {
    if (fit(of, seen).ok) return
    made.short++
    const { mend } = judge(of, seen, 3, runs.around(index))
    const isKnown = seen.replace(/\.0$|,/g, '') === bare(original)
    if (isKnown) made.known++
    if (mend === undefined) return
    made.mended++
    if (mend !== original) made.wrong.push(`${original} -> ${seen} -> ${mend}`)
    else if (isKnown) made.found++
  })
  return made
}
