// Whether every stored value can be shown: walks the stored mask with all display masks beside it and
// returns the first value, as stored, that no display mask takes.

import { accept, build, END, type Automaton } from '../mask/automaton.js'
import type { MaskList } from '../mask/list.js'
import type { Definition } from './definition.js'

const MOST_STATES = 50_000
const ALPHABET = [
  ...Array.from({ length: 95 }, (_, i) => 32 + i),
  0xe9,
  0xc9,
  0x416,
  0x4e2d,
  0x1f600,
]

export function uncovered({ stored }: Definition, display: MaskList): string | undefined {
  for (const one of stored.masks) {
    const witness = gap(
      build(one.nodes, 'plain'),
      display.masks.map((shown) => build(shown.nodes, 'given')),
    )
    if (witness !== undefined) return witness
  }
  return undefined
}

function gap(from: Automaton, into: readonly Automaton[]): string | undefined {
  interface State {
    readonly cell: number
    readonly sets: readonly (readonly number[])[]
    readonly text: string
  }
  const seen = new Set<string>()
  let front: State[] = [{ cell: -1, sets: into.map(() => [-1]), text: '' }]
  while (front.length && seen.size < MOST_STATES) {
    const after: State[] = []
    for (const { cell, sets, text } of front) {
      for (const { to } of cell < 0 ? from.start : from.cells[cell]!.next) {
        if (to === END) {
          const covered = sets.some((set, i) =>
            set.some((at) => edges(into[i]!, at).some((e) => e.to === END)),
          )
          if (!covered) return text
          continue
        }
        const signatures = new Set<string>()
        for (const code of ALPHABET) {
          if (accept(from.cells[to]!, 'plain', code) === undefined) continue
          const next = sets.map((set, i) => stepAll(into[i]!, set, code))
          const key = `${to}|${next.join('|')}`
          if (signatures.has(key)) continue
          signatures.add(key)
          if (seen.has(key)) continue
          seen.add(key)
          after.push({ cell: to, sets: next, text: text + String.fromCodePoint(code) })
        }
      }
    }
    front = after
  }
  return undefined
}

const edges = (automaton: Automaton, at: number) =>
  at < 0 ? automaton.start : automaton.cells[at]!.next

function stepAll(automaton: Automaton, set: readonly number[], code: number): number[] {
  const next = new Set<number>()
  for (const at of set) {
    for (const { to } of edges(automaton, at)) {
      if (to !== END && accept(automaton.cells[to]!, 'given', code) !== undefined) next.add(to)
    }
  }
  return [...next].sort((a, b) => a - b)
}
