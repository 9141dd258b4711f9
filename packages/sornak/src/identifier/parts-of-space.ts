// Values of a definition that start or end with given text, and those that leave a given rest: counted by
// the same automata as intervals, listed only while they are few.

import type { Definition } from './definition.js'
import { machineOf, type Machine, type MachineNode } from './machine.js'
import type { Space, Tally } from './space.js'

/** Some values of a definition: how many, and the first of them. */
export interface Subset extends Tally {
  list(most: number): string[]
}

export const NONE: Subset = { count: 0n, exact: true, list: () => [] }
/** Steps of a progression that are looked at one by one. */
const MOST_STEPS = 4000n

/** The values that are longer than the text and start with it. */
export function startingWith(space: Space, text: string): Subset {
  const ways = machines(space).flatMap((machine) => {
    if (machine.length <= text.length) return []
    const node = walk(machine, machine.start, text)
    return node ? [{ machine, node, count: machine.endings(node) }] : []
  })
  return {
    count: ways.reduce((sum, { count }) => sum + count, 0n),
    exact: ways.every(({ machine }) => machine.exact),
    list(most) {
      const out: string[] = []
      for (const { machine, node } of ways) spell(machine, node, text, most, out)
      return out
    },
  }
}

/** The values that are longer than the text and end with it. */
export function endingWith(space: Space, text: string): Subset {
  const ways = machines(space).filter((machine) => machine.length > text.length)
  const known = new Map<MachineNode, bigint>()
  const count = (machine: Machine, node: MachineNode): bigint => {
    if (node.at === machine.length - text.length) {
      const last = walk(machine, node, text)
      return last ? machine.endings(last) : 0n
    }
    let sum = known.get(node)
    if (sum === undefined) {
      sum = 0n
      for (const code of machine.alphabet[node.at] ?? []) {
        const to = machine.step(node, code)
        if (to) sum += count(machine, to)
      }
      known.set(node, sum)
    }
    return sum
  }
  return {
    count: ways.reduce((sum, machine) => sum + count(machine, machine.start), 0n),
    exact: ways.every((machine) => machine.exact),
    list(most) {
      const out: string[] = []
      const visit = (machine: Machine, node: MachineNode, front: string): void => {
        if (out.length >= most || count(machine, node) === 0n) return
        if (node.at === machine.length - text.length) {
          out.push(front + text)
          return
        }
        for (const code of machine.alphabet[node.at] ?? []) {
          const to = machine.step(node, code)
          if (to) visit(machine, to, front + String.fromCharCode(code))
        }
      }
      for (const machine of ways) visit(machine, machine.start, '')
      return out
    },
  }
}

/** The values of digits, from `from` on, that leave `rest` when divided by `modulus`. */
export function leaving(space: Space, rest: bigint, modulus: bigint, from: bigint): Subset {
  const last = 10n ** BigInt(space.widest) - 1n
  const first = from + ((((rest - from) % modulus) + modulus) % modulus)
  if (first > last) return NONE
  const steps = (last - first) / modulus + 1n
  if (steps > MOST_STEPS) {
    // Too many to look at: about as many as there are steps, and no more than there are values.
    const all = space.count(first, last)
    const dense = all.count / modulus + 1n
    return { count: dense, exact: false, list: () => [] }
  }
  const texts: string[] = []
  for (let value = first; value <= last; value += modulus)
    texts.push(...space.list(value, value, 16))
  return { count: BigInt(texts.length), exact: true, list: (most) => texts.slice(0, most) }
}

const made = new WeakMap<Definition, Machine[]>()
function machines({ definition, layouts }: Space): Machine[] {
  let all = made.get(definition)
  if (!all) {
    all = layouts.map((layout) => machineOf(definition, layout, () => true))
    made.set(definition, all)
  }
  return all
}

function walk(machine: Machine, from: MachineNode, text: string): MachineNode | null {
  let node: MachineNode | null = from
  for (let i = 0; node && i < text.length; i++) node = machine.step(node, text.charCodeAt(i))
  return node
}

function spell(
  machine: Machine,
  node: MachineNode,
  front: string,
  most: number,
  out: string[],
): void {
  if (out.length >= most || machine.endings(node) === 0n) return
  if (node.at === machine.length) {
    out.push(front)
    return
  }
  for (const code of machine.alphabet[node.at] ?? []) {
    const to = machine.step(node, code)
    if (to) spell(machine, to, front + String.fromCharCode(code), most, out)
  }
}
