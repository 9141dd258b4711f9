// Files as lists of texts, for tests.

import { readFileSync } from 'node:fs'
import {
  copyTable,
  inMemory,
  inputsOf,
  memorySource,
  noProgress,
  readTexts,
  type Input,
  type InputOptions,
  type Source,
} from 'sornak-files'

export const fixture = (name: string): Uint8Array =>
  readFileSync(new URL(`fixtures/${name}`, import.meta.url))
export const demo = (name: string): Uint8Array =>
  readFileSync(new URL(`../../../examples/data/${name}`, import.meta.url))

export const bytes = (text: string): Uint8Array => new TextEncoder().encode(text)

export async function inputs(
  name: string,
  content: Uint8Array,
  options: InputOptions = {},
): Promise<readonly Input[]> {
  return (await inputsOf(memorySource(name, content), options, inMemory)).inputs
}

export async function open(
  name: string,
  content: Uint8Array,
  options: InputOptions = {},
): Promise<Source> {
  const [first] = await inputs(name, content, options)
  return first!.open(noProgress)
}

/** Every row, the header first, empty fields at the end left out. */
export async function rowsOf(source: Source, headerRow = 1): Promise<string[][]> {
  const rows: string[][] = []
  const trimmed = (texts: string[]) => {
    while (texts.at(-1) === '') texts.pop()
    return texts
  }
  await readTexts(
    source,
    {
      header: (headers) => void rows.push(trimmed([...headers])),
      record: (text, _record, _line, fields) =>
        void rows.push(trimmed(Array.from({ length: fields }, (_, i) => text(i)))),
    },
    noProgress,
    headerRow,
  )
  return rows
}

export const rows = async (name: string, content: Uint8Array, options: InputOptions = {}) =>
  rowsOf(await open(name, content, options))

/** A table as the bytes of another format. */
export async function written(
  source: Source,
  format: string,
  identifiers: readonly string[],
): Promise<Uint8Array> {
  const parts: Uint8Array[] = []
  await copyTable(
    source,
    { format, sheet: 'Data', headerRow: 1, identifiers: new Set(identifiers), keep: inMemory },
    (piece) => void parts.push(piece.slice()),
    noProgress,
  )
  return Buffer.concat(parts)
}
