// Whether bytes fit a definition, without making them text: the place of the fast kernel. Says yes
// only where it is sure; everything else goes the slow way and is judged as text.

import type { Definition } from '../identifier/definition.js'
import { layoutsOf } from '../identifier/layout.js'
import { machineOf, type Machine, type MachineNode } from '../identifier/machine.js'

/** True where the bytes from `start` to `end` surely fit. */
export type Matcher = (bytes: Uint8Array, start: number, end: number) => boolean

const LONGEST = 48

export function matcherOf(definition: Definition): Matcher {
  const { layouts } = layoutsOf(definition)
  const byLength: Matcher[][] = Array.from({ length: LONGEST + 1 }, () => [])
  for (const layout of layouts) {
    const machine = machineOf(definition, layout, () => true)
    // A check that the machine cannot follow makes its yes unsure.
    if (machine.checked) byLength[layout.places.length]?.push(walker(machine))
  }
  return (bytes, start, end) => {
    const walkers = byLength[end - start]
    if (!walkers) return false
    for (const walks of walkers) if (walks(bytes, start, end)) return true
    return false
  }
}

const CODES = 128
const UNKNOWN = 0
const NOWHERE = -1

// The automaton as one table of numbers: what was asked of a node once is found there from then on.
function walker(machine: Machine): Matcher {
  const nodes: MachineNode[] = [machine.start]
  const numbers = new Map<MachineNode, number>([[machine.start, 0]])
  let next = new Int32Array(CODES * 64)

  function learn(from: number, code: number): number {
    const node = machine.step(nodes[from]!, code)
    let to = node ? numbers.get(node) : NOWHERE
    if (node && to === undefined) {
      to = nodes.length
      nodes.push(node)
      numbers.set(node, to)
      if (nodes.length * CODES > next.length) {
        const grown = new Int32Array(next.length * 2)
        grown.set(next)
        next = grown
      }
    }
    // The start is never come back to, so its number can stand for what is not known yet.
    next[from * CODES + code] = to!
    return to!
  }

  return (bytes, start, end) => {
    let at = 0
    for (let i = start; i < end; i++) {
      const code = bytes[i]!
      if (code >= CODES) return false
      let to = next[at * CODES + code]!
      if (to === UNKNOWN) to = learn(at, code)
      if (to === NOWHERE) return false
      at = to
    }
    return true
  }
}
