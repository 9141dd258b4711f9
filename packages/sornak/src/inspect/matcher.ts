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
  const byLength: Machine[][] = Array.from({ length: LONGEST + 1 }, () => [])
  for (const layout of layouts) {
    const machine = machineOf(definition, layout, () => true)
    // A check that the machine cannot follow makes its yes unsure.
    if (machine.checked) byLength[layout.places.length]?.push(machine)
  }
  return (bytes, start, end) => {
    const machines = byLength[end - start]
    if (!machines) return false
    for (const machine of machines) {
      let node: MachineNode | null = machine.start
      for (let at = start; node && at < end; at++) {
        const code = bytes[at]!
        node = node.next[code] ?? machine.step(node, code)
      }
      if (node) return true
    }
    return false
  }
}
