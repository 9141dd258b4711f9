// The steps of an automaton as one table of numbers: what was asked of a node once is found there from then on.

const CODES = 128
const UNKNOWN = 0
const NOWHERE = -1

export interface StepTable<Node> {
  /** The number of the node behind a character of ASCII; negative where there is none. The start is 0. */
  to(from: number, code: number): number
  /** The number of the node behind bytes of ASCII, from the start; negative where there is none. */
  behind(bytes: Uint8Array, start: number, end: number): number
  /** The nodes so far, by their numbers. */
  readonly nodes: readonly Node[]
}

/** @param step the same node for the same question; never the start again */
export function stepTable<Node>(
  start: Node,
  step: (node: Node, code: number) => Node | null,
): StepTable<Node> {
  const nodes: Node[] = [start]
  const numbers = new Map<Node, number>([[start, 0]])
  let next = new Int32Array(CODES * 64)

  function learn(from: number, code: number): number {
    const node = step(nodes[from]!, code)
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

  return {
    nodes,
    to(from, code) {
      const known = next[from * CODES + code]!
      return known === UNKNOWN ? learn(from, code) : known
    },
    behind(bytes, start, end) {
      let at = 0
      for (let i = start; i < end && at >= 0; i++) {
        const code = bytes[i]!
        if (code >= CODES) return NOWHERE
        const known = next[at * CODES + code]!
        at = known === UNKNOWN ? learn(at, code) : known
      }
      return at
    },
  }
}
