// Tree -> cells: one cell for each place of one character, with the cells that may follow it. Both
// reading and showing walk these cells; how they walk is in walk.ts.

import { isSeparator } from './separator.js'
import { classOf, convert, givenClassOf, type CharClass } from './kinds.js'
import type { Kind, Node, Slot } from './tree.js'

/** Follows the last cell. */
export const END = -1

export interface Edge {
  /** Index of the next cell, or END. */
  readonly to: number
  /** A separator literal lies between: loose reading lets separators vary here. */
  readonly gap: boolean
}

export interface Cell {
  readonly chars: CharClass
  /** Set where the cell is a character of the mask's own text. */
  readonly literal?: string
  /** Set where the cell holds a character of the value. */
  readonly slot?: Slot
  readonly kind?: Kind
  /** Set where the cell is a character that fills a slot up to its width. */
  readonly fill?: string
  readonly next: Edge[]
}

export interface Automaton {
  readonly cells: readonly Cell[]
  readonly start: readonly Edge[]
}

/**
 * - `strict`: literals are cells and must stand as they are;
 * - `loose`: separator literals become gaps, other literals stay;
 * - `plain`: no literals, only the characters that fill the slots;
 * - `given`: plain, where a slot with `pad` may come short and `upper`/`lower` take either case.
 */
export type View = 'strict' | 'loose' | 'plain' | 'given'

export function build(nodes: readonly Node[], view: View): Automaton {
  const cells: Cell[] = []
  const start: Edge[] = []
  const ends = sequence(nodes, [{ into: start, gap: false }])
  for (const end of ends) link(end, END)
  return { cells, start }

  function sequence(inner: readonly Node[], from: Loose[]): Loose[] {
    return inner.reduce<Loose[]>((ends, node) => one(node, ends), from)
  }

  function one(node: Node, from: Loose[]): Loose[] {
    if (node.kind === 'section') return [...from, ...sequence(node.nodes, from)]
    if (node.kind === 'slot') return slot(node, from)
    if (node.kind !== 'literal') return from
    if (view === 'plain' || view === 'given') return from
    return [...node.text].reduce<Loose[]>((ends, char) => {
      if (view === 'loose' && isSeparator(char))
        return ends.map(({ into }) => ({ into, gap: true }))
      return cell({ chars: exactly(char), literal: char, next: [] }, ends)
    }, from)
  }

  function slot(node: Slot, from: Loose[]): Loose[] {
    const chars = view === 'given' ? givenClassOf(node.chars) : classOf(node.chars)
    const min = view === 'given' && node.pad !== undefined ? Math.min(1, node.min) : node.min
    const width = node.max === Infinity ? Math.max(min, 1) : node.max
    if (node.width !== undefined && (view === 'strict' || view === 'loose'))
      return framed(node, from, width)
    const ends: Loose[] = min === 0 ? [...from] : []
    let before = from
    for (let i = 1; i <= width; i++) {
      before = cell({ chars, slot: node, kind: node.chars, next: [] }, before)
      if (i >= min) ends.push(...before)
    }
    if (node.max === Infinity) link(before[0]!, cells.length - 1)
    return ends
  }

  //  ....ab..   fill, then characters of which the first and last are no fill, then fill
  //  ^^^^  ^^
  function framed(node: Slot, from: Loose[], width: number): Loose[] {
    const { align = 'left', fill = ' ' } = node
    const filler = exactly(fill)
    const all = classOf(node.chars)
    const bare = without(all, fill)
    const loop = (ends: Loose[]) => {
      const after = cell({ chars: filler, literal: fill, fill, next: [] }, ends)
      link(after[0]!, cells.length - 1)
      return [...ends, ...after]
    }
    const leads = align === 'left' ? from : loop(from)
    const lasts: Loose[] = []
    const shared = { slot: node, kind: node.chars }
    let before = leads
    for (let i = 1; i <= width; i++) {
      const first = i === 1 && align !== 'left' ? bare : all
      if (i >= node.min)
        lasts.push(
          ...cell({ chars: align === 'right' ? first : bare, ...shared, next: [] }, before),
        )
      if (i < width || node.max === Infinity)
        before = cell({ chars: first, ...shared, next: [] }, before)
    }
    if (node.max === Infinity) {
      const middle = cell({ chars: all, ...shared, next: [] }, before)
      link(middle[0]!, cells.length - 1)
      const last = { chars: align === 'right' ? all : bare, ...shared, next: [] }
      lasts.push(...cell(last, [...before, ...middle]))
    }
    const open = node.min === 0 ? [...lasts, ...leads] : lasts
    return align === 'right' ? open : loop(open)
  }

  function cell(made: Cell, from: Loose[]): Loose[] {
    cells.push(made)
    for (const end of from) link(end, cells.length - 1)
    return [{ into: made.next, gap: false }]
  }
}

/** The character as a cell takes it in this view. */
export function accept(cell: Cell, view: View, codePoint: number): number | undefined {
  if (view === 'given' && cell.kind) return convert(cell.kind, codePoint)
  const taken =
    codePoint < 128 ? cell.chars.ascii[codePoint] === 1 : cell.chars.beyondAscii(codePoint)
  return taken ? codePoint : undefined
}

/** An end that still looks for its next cell. */
interface Loose {
  readonly into: Edge[]
  readonly gap: boolean
}

function link({ into, gap }: Loose, to: number): void {
  if (!into.some((edge) => edge.to === to && edge.gap === gap)) into.push({ to, gap })
}

function without({ ascii, beyondAscii }: CharClass, char: string): CharClass {
  const code = char.codePointAt(0)!
  const table = Uint8Array.from(ascii)
  if (code < 128) table[code] = 0
  return { ascii: table, beyondAscii: (c) => c !== code && beyondAscii(c) }
}

// The same few separators stand in most masks.
const singles = new Map<number, CharClass>()

function exactly(char: string): CharClass {
  const code = char.codePointAt(0)!
  let known = singles.get(code)
  if (!known) singles.set(code, (known = classOf({ kind: 'of', ranges: [[code, code]] })))
  return known
}
