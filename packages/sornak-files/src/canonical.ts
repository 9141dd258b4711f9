// Any table as delimited UTF-8 text, so that one scanner reads all formats, and beside it what text cannot
// say: how each value was stored and shown.

import { displayDiffers, type Storage, type StoredAs, type StoredCell } from 'sornak'
import type { Progress } from './source.js'
import type { Cell, Table } from './table.js'

const FLUSH = 256 * 1024

/** Writes a table as CSV (RFC 4180): comma, double quotes, a line feed. An empty row is an empty line. */
export async function canonical(
  table: Table,
  write: (bytes: Uint8Array) => void,
  progress: Progress,
): Promise<Storage> {
  const kinds: Runs[] = []
  const displays: Texts[] = []
  let held = ''
  let next = 0
  let width = 0
  const flush = () => {
    if (held) write(utf8.encode(held))
    held = ''
  }
  const visit = (index: number, cells: readonly (Cell | undefined)[]) => {
    for (; next < index; next++) held += '\n'
    next++
    width = Math.max(width, cells.length)
    let line = ''
    let empty = true
    for (let i = 0; i < width; i++) {
      const cell = cells[i]
      if (i > 0) line += ','
      if (!cell) continue
      if (cell.text !== '') empty = false
      line += field(cell.text)
      if (cell.as !== undefined || cell.formula)
        (kinds[i] ??= runs()).set(index, kindOf(cell.as, cell.formula === true))
      if (displayDiffers(cell.text, cell.shown)) (displays[i] ??= texts()).set(index, cell.shown)
    }
    held += empty && width > 1 ? '\n' : `${line}\n`
    if (held.length >= FLUSH) flush()
  }
  await table.read(visit, progress)
  flush()
  progress.clear()
  return {
    types: table.types(),
    cell(index, column): StoredCell | undefined {
      const kind = kinds[column]?.at(index)
      return kind && { ...kind, shown: displays[column]?.at(index) }
    },
    place(index, column) {
      if (table.placed === 'line') return { line: index }
      if (table.placed === 'record') return { line: null }
      return { line: null, cell: cellName(index, column) }
    },
  }
}

const utf8 = new TextEncoder()

function field(text: string): string {
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text
}

/** `B7` for row 6 and column 1, both counted from 0. */
export function cellName(row: number, column: number): string {
  let letters = ''
  for (let n = column; n >= 0; n = Math.floor(n / 26) - 1)
    letters = String.fromCharCode(65 + (n % 26)) + letters
  return `${letters}${row + 1}`
}

interface Kind {
  readonly as: StoredAs | undefined
  readonly formula: boolean
}

// One object for each kind there is, so that kinds can be told apart by what they are.
const KINDS = new Map<string, Kind>()
function kindOf(as: StoredAs | undefined, formula: boolean): Kind {
  const key = `${as} ${formula}`
  let kind = KINDS.get(key)
  if (!kind) KINDS.set(key, (kind = { as, formula }))
  return kind
}

interface Runs {
  set(row: number, kind: Kind): void
  at(row: number): Kind | undefined
}

// Most columns are stored in one way from top to bottom: a run costs as much as a cell would.
function runs(): Runs {
  const from: number[] = []
  const to: number[] = []
  const what: Kind[] = []
  return {
    set(row, kind) {
      const last = what.length - 1
      if (what[last] === kind && to[last] === row) to[last] = row + 1
      else {
        from.push(row)
        to.push(row + 1)
        what.push(kind)
      }
    },
    at(row) {
      const i = lastUpTo(from, from.length, row)
      return i >= 0 && row < to[i]! ? what[i] : undefined
    },
  }
}

interface Texts {
  set(row: number, text: string): void
  at(row: number): string | undefined
}

// A million short texts in a few arrays, not in a million objects.
function texts(): Texts {
  let rows = new Uint32Array(1024)
  let ends = new Uint32Array(1024)
  let pool = new Uint8Array(16 * 1024)
  let count = 0
  let used = 0
  return {
    set(row, text) {
      const bytes = utf8.encode(text)
      if (count === rows.length) {
        rows = grown(rows, Uint32Array, count * 2)
        ends = grown(ends, Uint32Array, count * 2)
      }
      if (used + bytes.length > pool.length)
        pool = grown(pool, Uint8Array, (used + bytes.length) * 2)
      pool.set(bytes, used)
      used += bytes.length
      rows[count] = row
      ends[count++] = used
    },
    at(row) {
      const i = lastUpTo(rows, count, row)
      if (i < 0 || rows[i] !== row) return undefined
      return decoder.decode(pool.subarray(i === 0 ? 0 : ends[i - 1], ends[i]))
    },
  }
}

const decoder = new TextDecoder()

function grown<T extends Uint8Array | Uint32Array>(
  from: T,
  make: new (size: number) => T,
  size: number,
): T {
  const into = new make(size)
  into.set(from)
  return into
}

// The last index whose value is not above `value`; -1 where there is none.
function lastUpTo(sorted: ArrayLike<number>, count: number, value: number): number {
  let low = -1
  let high = count - 1
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (sorted[middle]! <= value) low = middle
    else high = middle - 1
  }
  return low
}
