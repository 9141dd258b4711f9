// Tree -> what showing and reading need. A mask whose every slot has a fixed width becomes runs of
// slices, so that showing costs one length test, one table look-up a character and a joining.

import { build, type Automaton } from './automaton.js'
import { classOf, givenClassOf } from './kinds.js'
import { slotsOf, type Node, type Slot } from './tree.js'

export interface Program {
  readonly nodes: readonly Node[]
  readonly slots: readonly Slot[]
  readonly given: Automaton
  readonly strict: Automaton
  /** Undefined where no separator literal could vary. */
  readonly loose: Automaton | undefined
  /** Some slot is filled up to a width. */
  readonly framed: boolean
  /** Shows a value of the one layout there is; undefined where it does not fit. */
  readonly fixed: ((value: string) => string | undefined) | undefined
}

export function compile(nodes: readonly Node[]): Program {
  const loose = build(nodes, 'loose')
  const gaps = [loose.start, ...loose.cells.map((cell) => cell.next)]
  const slots = slotsOf(nodes)
  return {
    nodes,
    slots,
    given: build(nodes, 'given'),
    strict: build(nodes, 'strict'),
    loose: gaps.some((edges) => edges.some((edge) => edge.gap)) ? loose : undefined,
    framed: slots.some(({ width }) => width !== undefined),
    fixed: fix(nodes),
  }
}

/** A slice of the value, and the text that stands before it. */
interface Run {
  readonly text: string
  readonly from: number
  readonly to: number
}

// One ASCII layout without padding, filling or change of case.
function fix(nodes: readonly Node[]): Program['fixed'] {
  const runs: Run[] = []
  const classes: Uint8Array[] = []
  let text = ''
  for (const node of nodes) {
    if (node.kind === 'literal') {
      text += node.text
      continue
    }
    if (node.kind !== 'slot') return undefined
    const cased = node.chars.kind === 'upper' || node.chars.kind === 'lower'
    if (node.min !== node.max || node.pad !== undefined || node.width !== undefined || cased)
      return undefined
    const from = classes.length
    const taken = givenClassOf(node.chars).ascii
    for (let i = 0; i < node.max; i++) classes.push(taken)
    if (node.hide !== undefined) text += node.hide.repeat(node.max)
    else {
      runs.push({ text, from, to: classes.length })
      text = ''
    }
  }
  return join(fitsAll(classes), classes.length, runs, text)
}

// Whether each character is of its class. Digits throughout, the commonest mask, need no table.
function fitsAll(classes: readonly Uint8Array[]): (value: string) => boolean {
  const width = classes.length
  const digits = classOf({ kind: 'digit' }).ascii
  if (classes.every((one) => one === digits)) {
    return (value) => {
      for (let i = 0; i < width; i++) {
        const code = value.charCodeAt(i)
        if (code < 48 || code > 57) return false
      }
      return true
    }
  }
  const table = new Uint8Array(width * 128)
  classes.forEach((one, i) => table.set(one, i * 128))
  return (value) => {
    for (let i = 0; i < width; i++) {
      const code = value.charCodeAt(i)
      if (code > 127 || table[(i << 7) | code] !== 1) return false
    }
    return true
  }
}

// Joining in one expression is what engines do fastest; masks of more runs are joined in a loop.
function join(
  fits: (value: string) => boolean,
  width: number,
  runs: readonly Run[],
  last: string,
): (value: string) => string | undefined {
  const [a, b, c, d] = runs
  const no = (value: string) => value.length !== width || !fits(value)
  if (runs.length === 2)
    return (value) =>
      no(value)
        ? undefined
        : a!.text + value.slice(a!.from, a!.to) + b!.text + value.slice(b!.from, b!.to) + last
  if (runs.length === 3)
    return (value) =>
      no(value)
        ? undefined
        : a!.text +
          value.slice(a!.from, a!.to) +
          b!.text +
          value.slice(b!.from, b!.to) +
          c!.text +
          value.slice(c!.from, c!.to) +
          last
  if (runs.length === 4)
    return (value) =>
      no(value)
        ? undefined
        : a!.text +
          value.slice(a!.from, a!.to) +
          b!.text +
          value.slice(b!.from, b!.to) +
          c!.text +
          value.slice(c!.from, c!.to) +
          d!.text +
          value.slice(d!.from, d!.to) +
          last
  return (value) => {
    if (no(value)) return undefined
    let out = ''
    for (const run of runs) out += run.text + value.slice(run.from, run.to)
    return out + last
  }
}
