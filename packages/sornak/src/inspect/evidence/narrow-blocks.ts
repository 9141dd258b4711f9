// Rows one behind the other in which no value is wider than so many characters, where values have several widths: what a
// field leaves that holds so many. What two parts know joins into what the whole would.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf } from '../../identifier/space.js'
import type { RecordPlace } from '../../rows/reader.js'
import { sumOf } from './sums.js'

/** The widths of values that fit, in ascending order: where zeros are padding, those of the numbers behind them. */
export function ownWidths(definition: Definition): readonly number[] {
  const { widths, widest } = spaceOf(definition)
  return definition.zeros === 'padding' ? Array.from({ length: widest }, (_, i) => i + 1) : widths
}

/** A place between two rows. */
export interface Edge {
  /** Of the first row behind it where a block begins, of the last one before it where one ends. */
  readonly place: RecordPlace
  /** How many values before it have each width, the narrowest first. */
  readonly widths: readonly number[]
  /** How many of them start with each two digits, `00` to `99`. */
  readonly starts: readonly number[]
}

export interface Block {
  readonly from: Edge
  readonly to: Edge
}

/** Blocks in which no value is wider than one of the widths. */
export interface Narrow {
  /** Where the block ends with which the rows begin; undefined where no value is wider. */
  readonly head: Edge | undefined
  /** Where the block begins with which they end; undefined where the last value is wider, or where there is no head. */
  readonly open: Edge | undefined
  /** How many blocks lie between, and the longest of them. */
  readonly count: number
  readonly longest: readonly Block[]
}

export interface NarrowBlocks {
  /** Undefined where there are no rows. */
  readonly begin: RecordPlace | undefined
  readonly end: Edge
  /** For each width but the widest. */
  readonly each: readonly Narrow[]
}

export interface NarrowCounter {
  /**
   * A value that fits.
   *
   * @param width wider than all others where it is none of the widths
   * @param start its first two digits, 0 to 99; negative where it has none
   */
  take(width: number, start: number, place: RecordPlace): void
  /** A value that does not fit: it ends every block. */
  misfit(place: RecordPlace): void
  blocks(): NarrowBlocks
}

/** The same while rows come. */
interface Growing {
  head: Edge | undefined
  /** `recent`: the edge is not known yet. */
  open: Edge | 'recent' | undefined
  count: number
  longest: readonly Block[]
}

/** Shorter ones come by chance. */
const LEAST_ROWS = 12
const MOST_KEPT = 64

/** @param widths of values that fit, in ascending order */
export function narrowBlocks(widths: readonly number[], from?: NarrowBlocks): NarrowCounter {
  const top = widths.length - 1
  const levels = Array.from({ length: (widths.at(-1) ?? 0) + 1 }, (_, width) =>
    widths.includes(width) ? widths.indexOf(width) : top,
  )
  const counts = from ? [...from.end.widths] : widths.map(() => 0)
  const starts = from ? [...from.end.starts] : Array<number>(100).fill(0)
  const last = { index: 0, line: 0, offset: 0, ...from?.end.place }
  const recent = recentRows()
  const each = widths.slice(0, -1).map((_, k): Growing => ({ ...(from?.each[k] ?? NOTHING) }))
  let first = from?.begin
  let row = 0
  // In no block of narrower widths is the row before.
  let level = each.findIndex(({ head, open }) => head === undefined || open !== undefined)
  if (level < 0) level = top
  /** Rows before blocks that have no edge yet: most end before they are long enough to need one. */
  const since = widths.map(() => 0)
  let due = Infinity
  const here = (): Edge => ({ place: { ...last }, widths: [...counts], starts: [...starts] })

  function go(next: number, place: RecordPlace): void {
    first ??= { ...place }
    if (next > level) end(next)
    for (let k = next; k < level; k++) {
      each[k]!.open = 'recent'
      since[k] = row
      due = Math.min(due, row + LEAST_ROWS)
    }
    level = next
    last.index = place.index
    last.line = place.line
    last.offset = place.offset
  }

  // A wider value comes.
  function end(next: number): void {
    let to: Edge | undefined
    for (let k = level; k < next; k++) {
      const one = each[k]!
      if (one.open === 'recent') {
        one.open = undefined
        one.count++
      } else each[k] = ended({ ...one, open: one.open }, (to ??= here()))
    }
  }

  // Blocks that have become long get an edge, while their first rows are known.
  function settle(): void {
    due = Infinity
    each.forEach((one, k) => {
      if (one.open !== 'recent') return
      if (row - since[k]! >= LEAST_ROWS) one.open = recent.edgeBefore(row - since[k]!, here())
      else due = Math.min(due, since[k]! + LEAST_ROWS)
    })
  }

  return {
    take(width, start, place) {
      // Where all have one width none is narrower.
      if (each.length === 0) return
      const next = levels[width] ?? top
      go(next, place)
      counts[next]!++
      if (start >= 0) starts[start]!++
      recent.keep(next, start, place)
      row++
      if (row >= due) settle()
    },
    misfit(place) {
      if (each.length > 0) go(top, place)
    },
    blocks: () => ({
      begin: first,
      end: here(),
      each: each.map((one, k) => ({
        ...one,
        open: one.open === 'recent' ? recent.edgeBefore(row - since[k]!, here()) : one.open,
      })),
    }),
  }
}

// The last values, as many as a block has before it is kept.
function recentRows() {
  const levels = new Uint8Array(LEAST_ROWS)
  const starts = new Int32Array(LEAST_ROWS)
  const places = Array.from({ length: LEAST_ROWS }, () => ({ index: 0, line: 0, offset: 0 }))
  let row = 0
  return {
    keep(level: number, start: number, { index, line, offset }: RecordPlace): void {
      const at = row++ % LEAST_ROWS
      levels[at] = level
      starts[at] = start
      const place = places[at]!
      place.index = index
      place.line = line
      place.offset = offset
    },
    /** The edge before so many of them. */
    edgeBefore(count: number, end: Edge): Edge {
      const widths = [...end.widths]
      const before = [...end.starts]
      for (let i = row - count; i < row; i++) {
        const start = starts[i % LEAST_ROWS]!
        widths[levels[i % LEAST_ROWS]!]!--
        if (start >= 0) before[start]!--
      }
      return { place: { ...places[(row - count) % LEAST_ROWS]! }, widths, starts: before }
    },
  }
}

const NOTHING: Narrow = { head: undefined, open: undefined, count: 0, longest: [] }

// A wider value comes.
function ended(one: Narrow, to: Edge): Narrow {
  if (one.head === undefined) return { ...one, head: to }
  return one.open ? withBlock(one, { from: one.open, to }) : one
}

const withBlock = ({ head, count, longest }: Narrow, block: Block): Narrow => ({
  head,
  open: undefined,
  count: count + 1,
  longest: rowsOf(block) < LEAST_ROWS ? longest : kept([...longest, block]),
})

/** How many of its values have each width. */
export const rowsBetween = ({ from, to }: Block): number[] =>
  to.widths.map((count, k) => count - from.widths[k]!)

const rowsOf = (block: Block) => rowsBetween(block).reduce((sum, count) => sum + count, 0)

// The longest, of those that are as long the first.
const kept = (blocks: readonly Block[]): readonly Block[] =>
  [...blocks]
    .sort((a, b) => rowsOf(b) - rowsOf(a) || a.from.place.index - b.from.place.index)
    .slice(0, MOST_KEPT)

export function joinedBlocks(a: NarrowBlocks, b: NarrowBlocks): NarrowBlocks {
  if (!b.begin) return a
  if (!a.begin) return b
  const moved = ({ place, widths, starts }: Edge): Edge => ({
    place,
    widths: sumOf(a.end.widths, widths),
    starts: sumOf(a.end.starts, starts),
  })
  const between: Edge = { ...a.end, place: b.begin }
  return {
    begin: a.begin,
    end: moved(b.end),
    each: a.each.map((one, k) => {
      const other = b.each[k]!
      const opened = one.head === undefined ? one : { ...one, open: one.open ?? between }
      if (other.head === undefined) return opened
      // What the second begins with may be nothing at all.
      const isNothing = other.head.widths.every((count) => count === 0)
      const closed = isNothing ? ended(one, a.end) : ended(opened, moved(other.head))
      return {
        head: closed.head,
        open: other.open && moved(other.open),
        count: closed.count + other.count,
        longest: kept([
          ...closed.longest,
          ...other.longest.map(({ from, to }) => ({ from: moved(from), to: moved(to) })),
        ]),
      }
    }),
  }
}
