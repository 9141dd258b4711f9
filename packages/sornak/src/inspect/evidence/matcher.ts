// Whether bytes fit a definition, without making them text: the place of the fast kernel. Says yes
// only where it is sure; everything else goes the slow way and is judged as text.

import type { Definition } from '../../identifier/definition.js'
import { layoutsOf } from '../../identifier/layout.js'
import { machineOf, type Machine, type MachineNode } from '../../identifier/machine.js'
import { stepTable } from '../../mask/step-table.js'

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

function walker({ start, step }: Machine): Matcher {
  const { behind } = stepTable<MachineNode>(start, step)
  return (bytes, from, end) => behind(bytes, from, end) >= 0
}
