// Trees of character masks -> what typing needs of them, as plain data: it can be written out once, so that
// a page with a field need not carry the mask language.

import { build } from '../mask/automaton.js'
import { classOf, oneOf, takes } from '../mask/kinds.js'
import type { Kind, Node, Slot } from '../mask/tree.js'

/** One place of a mask, and the places that may follow it; -1 is the end. */
export type Cell =
  | { readonly text: string; readonly next: readonly number[] }
  | {
      /** What it takes: the inside of a character class of a regular expression (flag `u`). */
      readonly takes: string
      readonly cased?: 'upper' | 'lower'
      readonly word: string
      /** Which slot it belongs to. */
      readonly slot: number
      /** What fills the slot, and up to how many characters. */
      readonly pad?: readonly [char: string, width: number]
      readonly next: readonly number[]
    }

export interface WrittenMask {
  readonly start: readonly number[]
  readonly cells: readonly Cell[]
}

/** One mask or a list of them, the preferred first. */
export interface WrittenMasks {
  readonly masks: readonly WrittenMask[]
  readonly mode: 'numeric' | 'tel' | 'text'
  /** Country code that may stand before a pasted number (ITU-T E.164); empty for none. */
  readonly country: string
}

/**
 * @param early a last slot with `pad` may be left before it is full
 */
export function written(
  trees: readonly (readonly Node[])[],
  early = true,
  country: string = trees.length === 1 ? countryOf(trees[0]!) : '',
): WrittenMasks {
  const slots = trees.flatMap((nodes) => nodes.flatMap(slotsIn))
  const plus = trees.some(([first]) => first?.kind === 'literal' && first.text.startsWith('+'))
  const digits = slots.every(({ chars }) => chars.kind === 'digit')
  const mode = digits ? (plus ? 'tel' : 'numeric') : 'text'
  return { masks: trees.map((nodes) => writtenMask(nodes, early)), mode, country }
}

function writtenMask(nodes: readonly Node[], early: boolean): WrittenMask {
  const given = nodes.flatMap(slotsIn)
  const typed = new Map<Slot, Slot>()
  // Typing knows no widths to fill and hides nothing.
  const plain = (node: Node): Node => {
    if (node.kind === 'section') return { ...node, nodes: node.nodes.map(plain) }
    if (node.kind !== 'slot') return node
    const { kind, at, end, min, max, chars, pad } = node
    const least = early && node === given.at(-1) && pad !== undefined ? Math.min(1, min) : min
    const made = { kind, at, end, min: least, max, chars, ...(pad !== undefined && { pad }) }
    typed.set(made, node)
    return made
  }
  const { cells, start } = build(nodes.map(plain), 'strict')
  return {
    start: start.map(({ to }) => to),
    cells: cells.map(({ literal, slot, kind, next }) => {
      const after = next.map(({ to }) => to)
      if (literal !== undefined) return { text: literal, next: after }
      const from = typed.get(slot!)!
      const oneCase = casedOf(kind!)
      const cased = oneCase ? { cased: oneCase } : {}
      const pad = from.pad === undefined ? {} : { pad: [from.pad, from.min] as const }
      return {
        takes: classText(kind!),
        ...cased,
        word: oneOf(kind!),
        slot: given.indexOf(from),
        ...pad,
        next: after,
      }
    }),
  }
}

// Letters are made what the slot takes, where it takes one case of them only.
function casedOf(kind: Kind): 'upper' | 'lower' | undefined {
  if (kind.kind === 'upper' || kind.kind === 'lower') return kind.kind
  if (kind.kind !== 'of') return undefined
  const holds = (from: string, to: string) =>
    kind.ranges.some(([low, high]) => low <= to.charCodeAt(0) && from.charCodeAt(0) <= high)
  const [capital, small] = [holds('A', 'Z'), holds('a', 'z')]
  return capital === small ? undefined : capital ? 'upper' : 'lower'
}

const CLASSES: Partial<Record<Kind['kind'], string>> = {
  digit: '0-9',
  letter: '\\p{L}',
  upper: '\\p{Lu}',
  lower: '\\p{Ll}',
  alnum: '0-9\\p{L}',
  hex: '0-9A-Fa-f',
  any: '^',
}

function classText(kind: Kind): string {
  const known = CLASSES[kind.kind]
  if (known !== undefined) return known === '^' ? '\\s\\S' : known
  const ranges = kind.kind === 'of' ? kind.ranges : rangesOf(kind)
  const char = (code: number) => `\\u{${code.toString(16)}}`
  return ranges
    .map(([low, high]) => (low === high ? char(low) : `${char(low)}-${char(high)}`))
    .join('')
}

// What an own kind takes of the basic plane, asked once for each character.
function rangesOf(kind: Kind): [number, number][] {
  const chars = classOf(kind)
  const ranges: [number, number][] = []
  for (let code = 0; code < 0xd800; code++) {
    if (!takes(chars, code)) continue
    const last = ranges.at(-1)
    if (last && last[1] === code - 1) last[1] = code
    else ranges.push([code, code])
  }
  return ranges
}

// Ten digits grouped 3-3-4 are a national number under country code 1, as all countries with it write them.
function countryOf(nodes: readonly Node[]): string {
  const sizes = nodes
    .flatMap(slotsIn)
    .map(({ min, max, chars }) => (min === max && chars.kind === 'digit' ? min : 0))
  return sizes.join() === '3,3,4' ? '1' : ''
}

const slotsIn = (node: Node): Slot[] =>
  node.kind === 'section' ? node.nodes.flatMap(slotsIn) : node.kind === 'slot' ? [node] : []
