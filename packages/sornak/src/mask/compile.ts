// Tree -> what showing and reading need. A mask whose every slot has a fixed width becomes runs of
// slices, so that showing costs one length test, one table look-up a character and a joining.

import { build, type Automaton } from './automaton.js'
import { givenClassOf } from './kinds.js'
import { slotsOf, type Node, type Slot } from './tree.js'

export interface Program {
  readonly nodes: readonly Node[]
  readonly slots: readonly Slot[]
  readonly given: Automaton
  readonly strict: Automaton
  /** Undefined where no separator literal could vary. */
  readonly loose: Automaton | undefined
  readonly fixed: Fixed | undefined
}

/** Runs of slices for a mask of one ASCII layout without padding or change of case. */
export interface Fixed {
  readonly width: number
  /** One table of 128 for each character of the plain value. */
  readonly classes: readonly Uint8Array[]
  readonly runs: readonly Run[]
}

export type Run =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'slice'; readonly from: number; readonly to: number }

export function compile(nodes: readonly Node[]): Program {
  const loose = build(nodes, 'loose')
  const gaps = [loose.start, ...loose.cells.map((cell) => cell.next)]
  return {
    nodes,
    slots: slotsOf(nodes),
    given: build(nodes, 'given'),
    strict: build(nodes, 'strict'),
    loose: gaps.some((edges) => edges.some((edge) => edge.gap)) ? loose : undefined,
    fixed: fix(nodes),
  }
}

function fix(nodes: readonly Node[]): Fixed | undefined {
  const runs: Run[] = []
  const classes: Uint8Array[] = []
  for (const node of nodes) {
    if (node.kind === 'section') return undefined
    if (node.kind === 'literal') {
      runs.push({ kind: 'text', text: node.text })
      continue
    }
    const cased = node.chars.kind === 'upper' || node.chars.kind === 'lower'
    if (node.min !== node.max || node.pad !== undefined || cased) return undefined
    const from = classes.length
    for (let i = 0; i < node.max; i++) classes.push(givenClassOf(node.chars).ascii)
    if (node.hide !== undefined) runs.push({ kind: 'text', text: node.hide.repeat(node.max) })
    else runs.push({ kind: 'slice', from, to: classes.length })
  }
  return { width: classes.length, classes, runs }
}
