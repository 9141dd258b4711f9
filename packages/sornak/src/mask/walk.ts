// One pass over a text along the cells of an automaton. All ways are followed side by side, so the
// time is linear in the text whatever the mask; a mask that check.ts has passed leaves one way.

import { accept, END, type Automaton, type Cell, type Edge, type View } from './automaton.js'
import { isSeparator } from './separator.js'
import { oneOf } from './kinds.js'
import { misfit, type Misfit } from './misfit.js'

/** A way through the cells, last step first. */
export interface Step {
  readonly cell: Cell
  /** The character as the cell holds it. */
  readonly char: string
  /** Where it stands in the text, in UTF-16 units. */
  readonly at: number
  readonly before: Step | undefined
}

export type Walked =
  | { readonly ok: true; readonly last: Step | undefined }
  | { readonly ok: false; readonly misfit: Misfit }

interface Way {
  /** Index of the cell last filled; -1 before the first. */
  readonly at: number
  /** Separators have been passed since that cell: only edges over a gap lead on. */
  readonly inGap: boolean
  readonly last: Step | undefined
  /** Another way led to this same place, so the text has two readings. */
  two: boolean
}

export function walk(automaton: Automaton, view: View, text: string): Walked {
  const { cells, start } = automaton
  const edgesOf = (way: Way): readonly Edge[] => (way.at < 0 ? start : cells[way.at]!.next)
  const leadsOn = (way: Way, edge: Edge) => edge.gap || !way.inGap
  let ways: Way[] = [{ at: -1, inGap: false, last: undefined, two: false }]

  for (let at = 0; at < text.length;) {
    const code = text.codePointAt(at)!
    const char = code > 0xffff ? String.fromCodePoint(code) : text.charAt(at)
    const gap = view === 'loose' && isSeparator(char)
    const after: Way[] = []
    for (const way of ways) {
      if (gap && edgesOf(way).some((edge) => edge.gap)) arrive(after, { ...way, inGap: true })
      for (const edge of edgesOf(way)) {
        if (edge.to === END || !leadsOn(way, edge)) continue
        const cell = cells[edge.to]!
        const held = accept(cell, view, code)
        if (held === undefined) continue
        const last = {
          cell,
          char: held === code ? char : String.fromCodePoint(held),
          at,
          before: way.last,
        }
        arrive(after, { at: edge.to, inGap: false, last, two: way.two })
      }
    }
    if (after.length === 0) return refuse(ways, text, at)
    ways = after
    at += char.length
  }

  const ended = ways.filter((way) =>
    edgesOf(way).some((edge) => edge.to === END && leadsOn(way, edge)),
  )
  const [only, other] = ended
  if (!only) return refuse(ways, text, text.length)
  const two = other ? [only, other] : only.two ? [only] : undefined
  if (two) {
    const readings = two.map((way) => `"${plainOf(way.last)}"`)
    return misfit(
      'two-readings',
      text,
      0,
      readings.join(' or as ') + (other ? '' : ' and otherwise'),
    )
  }
  return { ok: true, last: only.last }

  function refuse(from: readonly Way[], whole: string, at: number): Walked {
    const expected: string[] = []
    let ends = false
    for (const way of from) {
      for (const edge of edgesOf(way)) {
        if (!leadsOn(way, edge)) continue
        if (edge.to === END) ends = true
        else expected.push(describe(cells[edge.to]!))
      }
    }
    const words = [...new Set(expected)].join(' or ')
    if (at === whole.length) {
      const left = words + moreAfter(from)
      return misfit(whole ? 'too-short' : 'empty', whole, at, left)
    }
    return words
      ? misfit('wrong-character', whole, at, words + (ends ? ' or the end' : ''))
      : misfit('too-long', whole, at, 'the end')
  }

  // How many characters the slot in which the text ends still wants: "digit (2 more in "group")".
  function moreAfter(from: readonly Way[]): string {
    const way = from[0]
    const edge = way && edgesOf(way).find((edge) => edge.to !== END && leadsOn(way, edge))
    const slot = edge && cells[edge.to]?.slot
    if (!slot || slot.max === Infinity) return ''
    let filled = 0
    for (let step = way.last; step && step.cell.slot === slot; step = step.before) filled++
    const missing = slot.min - filled
    const name = slot.name === undefined ? '' : ` of "${slot.name}"`
    return missing > 1 ? ` and ${missing - 1} more${name}` : name
  }
}

/** The characters that fill the slots, in order. */
export function plainOf(last: Step | undefined): string {
  const chars: string[] = []
  for (let step = last; step; step = step.before) if (step.cell.slot) chars.push(step.char)
  return chars.reverse().join('')
}

function arrive(ways: Way[], way: Way): void {
  if (ways.length === 0) {
    ways.push(way)
    return
  }
  const there = ways.find((other) => other.at === way.at && other.inGap === way.inGap)
  if (there) there.two ||= there.last !== way.last || way.two
  else ways.push(way)
}

const described = new WeakMap<Cell, string>()
function describe(cell: Cell): string {
  let words = described.get(cell)
  if (words === undefined) {
    words = cell.literal !== undefined ? `"${cell.literal}"` : oneOf(cell.kind!)
    described.set(cell, words)
  }
  return words
}
