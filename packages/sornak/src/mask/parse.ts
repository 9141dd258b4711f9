// Tokens -> tree: literals, slots, and sections inside one another. What the words of a slot mean is
// read in parse-slot.ts; whether the tree as a whole makes sense is left to check.ts.

import { problems } from './messages.js'
import { parseSlot } from './parse-slot.js'
import { MaskError } from './problem.js'
import { scan } from './scan.js'
import type { Node } from './tree.js'

/** @throws {MaskError} where the text is not a mask. */
export function parse(text: string): Node[] {
  const tokens = scan(text)
  const open: { nodes: Node[]; at: number }[] = [{ nodes: [], at: 0 }]
  for (const token of tokens) {
    const inner = open.at(-1)!
    if (token.kind === 'literal') inner.nodes.push(token)
    else if (token.kind === 'slot') inner.nodes.push(parseSlot(text, token))
    else if (token.kind === 'section-start') open.push({ nodes: [], at: token.at })
    else {
      if (open.length === 1) throw new MaskError(text, problems.bracketStray(text, token.at))
      open.pop()
      open
        .at(-1)!
        .nodes.push({ kind: 'section', nodes: inner.nodes, at: inner.at, end: token.at + 1 })
    }
  }
  if (open.length > 1) throw new MaskError(text, problems.sectionOpen(text, open.at(-1)!.at))
  return open[0]!.nodes
}
