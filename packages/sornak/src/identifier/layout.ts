// A definition's stored masks as layouts of fixed length: one for each way the variable slots and
// sections can come out. What can be counted is counted over layouts.

import { classOf } from '../mask/kinds.js'
import type { Node, Slot } from '../mask/tree.js'
import type { Definition } from './definition.js'

export interface Place {
  /** ASCII codes that may stand here, ascending. */
  readonly chars: readonly number[]
  /** Characters beyond ASCII may stand here too, so counts over it are bounds. */
  readonly open: boolean
  /** Undefined for the mask's own text. */
  readonly slot: Slot | undefined
}

export interface Layout {
  readonly places: readonly Place[]
  /** Half-open span of places of each named part. */
  readonly parts: ReadonlyMap<string, readonly [number, number]>
}

/** An unlimited slot is followed this far: no conversion of identifiers prints longer ones. */
const LONGEST = 48
const MOST_LAYOUTS = 1000

/** All layouts, shortest first; `complete` is false where there were too many to list. */
export function layoutsOf(definition: Definition): { layouts: Layout[]; complete: boolean } {
  const layouts: Layout[] = []
  let complete = true
  for (const mask of definition.stored.masks) {
    // A number or a date has no layout of characters: its values cannot be counted here.
    if (mask.kind !== 'characters') return { layouts: [], complete: false }
    const expanded = expand(mask.nodes)
    complete &&= expanded.complete
    for (const places of expanded.all) layouts.push({ places, parts: partsIn(places) })
  }
  layouts.sort((a, b) => a.places.length - b.places.length)
  return { layouts, complete }
}

/** What fills the slots, in order, with the mask's own text around it. */
export function filled(places: readonly Place[], plain: string): string {
  let next = 0
  return places
    .map(({ slot, chars }) => (slot ? plain[next++]! : String.fromCharCode(chars[0]!)))
    .join('')
}

/** The places of every text that fits: each way in which variable slots and sections can come out. */
export function expand(nodes: readonly Node[]): { all: Place[][]; complete: boolean } {
  let all: Place[][] = [[]]
  let complete = true
  const cross = (choices: readonly Place[][]) => {
    const next: Place[][] = []
    for (const before of all) {
      for (const choice of choices) {
        if (next.length >= MOST_LAYOUTS || before.length + choice.length > LONGEST) {
          complete = false
          continue
        }
        next.push([...before, ...choice])
      }
    }
    all = next
  }
  for (const node of nodes) {
    if (node.kind === 'literal') {
      cross([
        [...node.text].map((char): Place => {
          const code = char.codePointAt(0)!
          return { chars: code < 128 ? [code] : [], open: code >= 128, slot: undefined }
        }),
      ])
    } else if (node.kind === 'slot') {
      const place = placeOf(node)
      const most = node.max === Infinity ? LONGEST : node.max
      const widths = Array.from(
        { length: Math.min(most, LONGEST) - node.min + 1 },
        (_, i) => node.min + i,
      )
      if (most > LONGEST) complete = false
      cross(widths.map((width) => Array<Place>(width).fill(place)))
    } else if (node.kind === 'section') {
      const inner = expand(node.nodes)
      complete &&= inner.complete
      cross([[], ...inner.all])
    }
  }
  return { all, complete }
}

function placeOf(slot: Slot): Place {
  const { ascii, beyondAscii } = classOf(slot.chars)
  const chars: number[] = []
  for (let c = 0; c < 128; c++) if (ascii[c] === 1) chars.push(c)
  return { chars, open: [0xe9, 0xc9, 0x416, 0x4e2d].some(beyondAscii), slot }
}

function partsIn(places: readonly Place[]): Map<string, readonly [number, number]> {
  const parts = new Map<string, readonly [number, number]>()
  places.forEach(({ slot }, i) => {
    if (slot?.name === undefined) return
    parts.set(slot.name, [parts.get(slot.name)?.[0] ?? i, i + 1])
  })
  return parts
}
