// Characters as they come -> their places in one mask. A prefix of a value may lead several ways through
// the cells of a mask; the way that fills the earliest slots is kept, or one on which the value is whole.

import { accept, build, END, isSeparator, type Cell, type Edge } from '../mask/automaton.js'
import { convert, oneOf } from '../mask/kinds.js'
import type { Node, Slot } from '../mask/tree.js'

/** A way through the cells, last step first. */
interface Step {
  readonly to: number
  /** Text of the mask before the character. */
  readonly run: string
  readonly char: string
  readonly before: Step | undefined
}

/** Where a value can go on: over text of the mask to a slot, or to the end. */
interface Onward {
  readonly run: string
  readonly to: number
}

export interface Way {
  /** Text of the mask before each character. */
  readonly runs: readonly string[]
  readonly chars: readonly string[]
  readonly onward: readonly Onward[]
  readonly last: number
}

export interface Layout {
  /** The way of these characters; or how many of them there is a way for, with that way. */
  follow(chars: readonly string[]): { readonly way: Way; readonly taken: number }
  /** How the way may end: the text of the mask that stands behind it; undefined where more is needed. */
  ending(way: Way): string | undefined
  /** More characters can come. */
  open(way: Way): boolean
  expected(way: Way): string
  /** What is still to be typed, drawn. */
  rest(way: Way, shown: number): string
  /** The slot that the way ends in is to be filled with these, before its characters. */
  padding(way: Way): { readonly at: number; readonly fill: readonly string[] } | undefined
  readonly slots: readonly Slot[]
}

/**
 * @param early a last slot with `pad` may be left before it is full
 */
export function layoutOf(given: readonly Node[], early: boolean): Layout {
  const nodes = plainNodes(given, early)
  const { cells, start } = build(nodes, 'strict')
  const slots = cells.flatMap(({ slot }) => (slot ? [slot] : []))

  // Over the mask's own text to the next slots, the nearest first.
  function over(edges: readonly Edge[], run = '', out: Onward[] = []): Onward[] {
    for (const { to } of [...edges].sort((a, b) =>
      a.to === END ? 1 : b.to === END ? -1 : a.to - b.to,
    ))
      if (to === END || cells[to]!.literal === undefined) out.push({ run, to })
      else over(cells[to]!.next, run + cells[to]!.literal, out)
    return out
  }
  const first = over(start)
  const after = cells.map(({ next }) => over(next))
  const onwardOf = (last: number) => (last < 0 ? first : after[last]!)

  const ended = (last: number) => onwardOf(last).find(({ to }) => to === END)?.run

  function wayOf(step: Step | undefined): Way {
    const runs: string[] = []
    const chars: string[] = []
    for (let one = step; one; one = one.before) {
      runs.unshift(one.run)
      chars.unshift(one.char)
    }
    const last = step?.to ?? -1
    return { runs, chars, onward: onwardOf(last), last }
  }

  return {
    slots: [...new Set(slots)],
    follow(chars) {
      let ways: (Step | undefined)[] = [undefined]
      let taken = 0
      for (const char of chars) {
        const code = char.codePointAt(0)!
        const next: Step[] = []
        for (const before of ways)
          for (const { run, to } of onwardOf(before?.to ?? -1)) {
            if (to === END || next.some((way) => way.to === to)) continue
            const held = heldBy(cells[to]!, code)
            if (held !== undefined) next.push({ to, run, char: held, before })
          }
        if (!next.length) break
        ways = next
        taken++
      }
      const whole = ways.find((way) => ended(way?.to ?? -1) !== undefined)
      return { way: wayOf(taken === chars.length ? (whole ?? ways[0]) : ways[0]), taken }
    },
    ending: ({ last }) => (last < 0 ? undefined : ended(last)),
    open: ({ onward }) => onward.some(({ to }) => to !== END),
    expected({ onward }) {
      const words = onward.map(({ to }) => (to === END ? '' : oneOf(cells[to]!.kind!)))
      return [...new Set(words)].filter(Boolean).join(' or ')
    },
    rest({ onward, last }, shown) {
      let out = ''
      let [next] = onward
      let cell = last < 0 ? undefined : cells[last]!
      let skip = shown
      for (let i = 0; next && i < 400; i++) {
        // Slots that may come short are drawn whole; anything else only as far as it must be filled.
        const filling =
          cell?.slot?.pad !== undefined && next.to !== END && cells[next.to]!.slot === cell.slot
        const end = onwardOf(i === 0 ? last : cells.indexOf(cell!)).find(({ to }) => to === END)
        if (end && !filling && (i > 0 || last >= 0)) {
          out += end.run.slice(skip)
          break
        }
        if (next.to === END) break
        out += `${next.run.slice(skip)}_`
        skip = 0
        cell = cells[next.to]!
        next = after[next.to]![0]
      }
      return out
    },
    padding({ chars, last }) {
      const slot = last < 0 ? undefined : cells[last]!.slot
      if (!slot || slot.pad === undefined) return undefined
      const full = given.flatMap(inner).find((one) => one.at === slot.at && one.end === slot.end)
      const filled = last - cells.findIndex((cell) => cell.slot === slot) + 1
      const missing = (full?.min ?? slot.min) - filled
      if (missing <= 0) return undefined
      return { at: chars.length - filled, fill: Array<string>(missing).fill(slot.pad) }
    },
  }
}

/** How far a run of the mask's text goes on when this character is typed in it; undefined where it does not. */
export function passes(run: string, from: number, char: string): number | undefined {
  let at = from
  for (; at < run.length; at++) {
    if (same(run[at]!, char)) return at + 1
    if (!isSeparator(run[at]!)) break
  }
  // Any separator stands for those of the mask.
  return isSeparator(char) && at > from ? at : undefined
}

const same = (a: string, b: string) => a === b || a.toLowerCase() === b.toLowerCase()

function heldBy(cell: Cell, code: number): string | undefined {
  const held = cell.kind ? convert(cell.kind, code) : accept(cell, 'strict', code)
  return held === undefined ? undefined : String.fromCodePoint(held)
}

const inner = (node: Node): Slot[] =>
  node.kind === 'section' ? node.nodes.flatMap(inner) : node.kind === 'slot' ? [node] : []

// Typing knows no widths to fill and hides nothing.
function plainNodes(nodes: readonly Node[], early: boolean): Node[] {
  const lastSlot = nodes.flatMap(inner).at(-1)
  const plain = (node: Node): Node => {
    if (node.kind === 'section') return { ...node, nodes: node.nodes.map(plain) }
    if (node.kind !== 'slot') return node
    const { kind, at, end, min, max, chars, pad } = node
    const least = early && node === lastSlot && pad !== undefined ? Math.min(1, min) : min
    return { kind, at, end, min: least, max, chars, ...(pad !== undefined && { pad }) }
  }
  return nodes.map(plain)
}
