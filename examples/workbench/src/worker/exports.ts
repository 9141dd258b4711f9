// Files for the steward to take away: the mended copy with its change record, and the report.

import { htmlPage, type PageFile } from 'sornak'
import {
  changeLines,
  changeTable,
  mended,
  type Change,
  type Input,
  type Progress,
  type Source,
} from 'sornak-files'
import type { ValueFinding } from 'sornak'
import { inBlobs } from './sources.js'
import { cellKey, type MendChoice, type MendCounts } from './protocol.js'

export interface NamedBlob {
  readonly name: string
  readonly blob: Blob
}

export interface Wanted {
  readonly mend: MendChoice
  readonly chosen: Readonly<Record<string, string>>
}

export interface Sheet {
  readonly source: Source
  readonly headers: readonly string[]
  /** From 1. */
  readonly headerRow: number
}

/** The changes that a choice of mends comes to, in the order of the file. */
export function changesOf(
  found: readonly ValueFinding[],
  { mend, chosen }: Wanted,
  { source, headers, headerRow }: Sheet,
  accepted: (finding: ValueFinding) => boolean,
): { readonly changes: readonly Change[]; readonly counts: MendCounts } {
  const changes: Change[] = []
  const counts = { exact: 0, odds: 0, chosen: 0, left: 0 }
  for (const finding of found) {
    if (finding.verdict === 'intact') continue
    const { record, line, key, column, identifier, value: before, sheet, cell } = finding
    const stored = source.storage?.cell(record + headerRow - 1, headers.indexOf(column))
    const choice = chosen[cellKey(record, column)]
    const wanted = mend === 'all' || (mend === 'exact' && finding.proof === 'exact')
    const after = choice ?? (wanted && !accepted(finding) ? finding.mend : null)
    if (after === null || after === undefined || stored?.formula === true) {
      counts.left++
      continue
    }
    if (choice !== undefined) counts.chosen++
    else counts[finding.proof!]++
    changes.push({
      record,
      line,
      key,
      column,
      identifier,
      before,
      after,
      finding: finding.finding,
      ...(cell !== undefined && { sheet, cell, number: stored?.as === 'number' }),
      proof: choice === undefined ? finding.proof! : 'answer',
    })
  }
  return { changes, counts }
}

export async function mendedCopy(
  input: Input,
  { source, headerRow }: Sheet,
  original: Source,
  file: File,
  identifiers: ReadonlySet<string>,
  changes: readonly Change[],
  progress: Progress,
): Promise<NamedBlob[]> {
  const kept = inBlobs(file.name)
  const name = mendedName(file.name, input.format)
  const given = {
    format: input.format,
    sheet: input.sheet,
    source,
    original,
    headerRow,
    identifiers,
  }
  await mended(given, changes, name, inBlobs, kept.write, progress)
  const copy = blobOf(kept.done())
  const record = {
    from: await sha256(file),
    to: await sha256(copy),
    headerRow,
    sheet: input.sheet,
    changes,
  }
  return [
    { name, blob: copy },
    { name: `${name}.changes.jsonl`, blob: new Blob([...changeLines(record)]) },
    { name: `${name}.changes.csv`, blob: new Blob([...changeTable(record)], { type: 'text/csv' }) },
  ]
}

export function report(page: PageFile, notices: readonly string[], revealed: boolean): NamedBlob {
  const errors = page.ragged.count
  const summary = {
    files: 1,
    records: page.records,
    errors,
    columns: page.columns,
    unbound: [{ file: page.file, columns: page.unbound }],
    notices,
    status: 0,
  }
  const html = htmlPage([page], summary, { title: 'Identifiers inspected', revealed })
  return { name: `${page.file}.report.html`, blob: new Blob([html], { type: 'text/html' }) }
}

// Formats that are not mended in place become text that keeps its zeros.
function mendedName(name: string, format: string): string {
  const [, bare = name, end = ''] = /^(.*?)((?:\.[A-Za-z]+)*)$/.exec(name) ?? []
  if (format === 'text') return `${bare}-mended${end.replace(/\.gz$|\.zip$/, '') || '.csv'}`
  if (format === 'xlsx' || format === 'ods') return `${bare}-mended.${format}`
  if (format === 'json') return `${bare}-mended${/jsonl|ndjson/.test(end) ? '.jsonl' : '.json'}`
  return `${bare}-mended.${format === 'parquet' ? 'parquet' : 'csv'}`
}

function blobOf(source: Source): Blob {
  const parts: Uint8Array<ArrayBuffer>[] = []
  for (let at = 0; at < source.size;) {
    const part = new Uint8Array(Math.min(1024 * 1024, source.size - at))
    at += source.read(part, at)
    parts.push(part)
  }
  return new Blob(parts)
}

async function sha256(blob: Blob): Promise<string> {
  const hash = await crypto.subtle.digest('SHA-256', await blob.arrayBuffer())
  return Array.from(new Uint8Array(hash), (byte) => byte.toString(16).padStart(2, '0')).join('')
}
