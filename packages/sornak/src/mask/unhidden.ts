// A mask with nothing hidden: what is typed in a field, and what a display form holds.

import { mask, type Mask } from './mask.js'
import { print } from './print.js'
import { slotsOf, type Node } from './tree.js'

export function unhidden(one: Mask): Mask {
  if (!slotsOf(one.nodes).some((slot) => slot.hide !== undefined)) return one
  const open = (node: Node): Node => {
    if (node.kind === 'section') return { ...node, nodes: node.nodes.map(open) }
    if (node.kind !== 'slot') return node
    const { hide: _hide, ...slot } = node
    return slot
  }
  return mask(print(one.nodes.map(open)))
}
