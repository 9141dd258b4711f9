// Values of a definition that start or end with given text, and those that leave a given rest: counted by
// the same automata as intervals, listed only while they are few.

import { machineOf, spell, type Machine, type MachineNode } from './machine.js'
import { remembered } from './remembered.js'
import { widestNumber, type Space, type Tally } from './space.js'

/** Some values of a definition: how many, and the first of them. Counted when first asked. */
export interface Subset extends Tally {
  /** At least as many as there are, without counting. */
  readonly bound: bigint
  list(most: number): string[]
}

/** Steps of a progression that are looked at one by one. */
const MOST_STEPS = 12_000n

/** Whether the text is a value of the definition, as far as the automata can tell. */
export function mayHold(space: Space, text: string): boolean {
  return machines(space).some(
    (machine) =>
      !machine.exact ||
      (machine.length === text.length && walk(machine, machine.start, text) !== null),
  )
}

/** Whether the automata can tell that of every text. */
export const tellsAll: (space: Space) => boolean = remembered((space: Space) =>
  machines(space).every(({ exact }) => exact),
)

/** The values that are longer than the text and start with it; of several widths those of one, where it is given. */
export function startingWith(space: Space, text: string, width?: number): Subset {
  const ways = machines(space).flatMap((machine) => {
    if (!isLonger(machine, text, width)) return []
    const node = walk(machine, machine.start, text)
    return node ? [{ machine, node, count: machine.endings(node) }] : []
  })
  const count = ways.reduce((sum, one) => sum + one.count, 0n)
  return {
    count,
    bound: count,
    exact: ways.every(({ machine }) => machine.exact),
    list(most) {
      const out: string[] = []
      for (const { machine, node } of ways) spell(machine, node, text, most, out)
      return out
    },
  }
}

/** Those of several sets that have none in common. */
export function anyOf(sets: readonly Subset[]): Subset {
  const count = sets.reduce((sum, one) => sum + one.count, 0n)
  return {
    count,
    bound: count,
    exact: sets.every(({ exact }) => exact),
    list(most) {
      const out: string[] = []
      for (const one of sets) out.push(...one.list(most - out.length))
      return out
    },
  }
}

/** The values that are longer than the text and end with it; of several widths those of one, where it is given. */
export function endingWith(space: Space, text: string, width?: number): Subset {
  const ways = machines(space).filter((machine) => isLonger(machine, text, width))
  let all = 0n
  for (const machine of ways)
    for (const [node, fronts] of frontsOf(machine, machine.length - text.length)) {
      const last = walk(machine, node, text)
      if (last) all += fronts * machine.endings(last)
    }
  return {
    count: all,
    bound: all,
    exact: ways.every((machine) => machine.exact),
    list(most) {
      const out: string[] = []
      const leads = new Map<MachineNode, boolean>()
      const visit = (machine: Machine, node: MachineNode, front: string): void => {
        if (out.length >= most || leads.get(node) === false) return
        if (node.at === machine.length - text.length) {
          const last = walk(machine, node, text)
          if (last && machine.endings(last) > 0n) out.push(front + text)
          else leads.set(node, false)
          return
        }
        const before = out.length
        for (const code of machine.alphabet[node.at] ?? []) {
          const to = machine.step(node, code)
          if (to) visit(machine, to, front + String.fromCharCode(code))
        }
        if (out.length === before) leads.set(node, false)
      }
      for (const machine of ways) visit(machine, machine.start, '')
      return out
    },
  }
}

const isLonger = ({ length }: Machine, text: string, width = length) =>
  length > text.length && length === width

/**
 * The values of digits, or with a number in front, from `from` on, that leave `rest` when divided by `modulus`; and
 * `same`, one that is taken in beside them.
 */
export function leaving(
  space: Space,
  { rest, modulus, from }: { rest: bigint; modulus: bigint; from: bigint },
  same: bigint | undefined,
): Subset {
  const { fronts } = space
  const last = 10n ** BigInt(widestNumber(space)) - 1n
  const first = from + ((((rest - from) % modulus) + modulus) % modulus)
  const steps = first > last ? 0n : (last - first) / modulus + 1n
  let all: bigint | undefined
  let known: readonly string[] = []
  // Read until there are so many.
  const read = (most = Infinity) => {
    if (known.length >= most || known.length === Number(all)) return known
    const texts = same === undefined ? [] : space.list(same, same, 16)
    for (let value = first; value <= last && texts.length < most; value += modulus)
      texts.push(...reading(space, value))
    return (known = texts)
  }
  const ofDigits = () => {
    if (all !== undefined) return all
    if (!space.holdsAll(first, last)) return (all = BigInt(read().length))
    return (all = steps + (same === undefined ? 0n : space.count(same, same).count))
  }
  let behind: bigint | undefined
  const inFront = () => {
    if (behind !== undefined) return behind
    behind = same === undefined ? 0n : fronts!.count(same, same).count
    for (let value = first; value <= last; value += modulus)
      behind += fronts!.count(value, value).count
    return behind
  }
  const few = steps <= MOST_STEPS
  const count = () => {
    if (few) return ofDigits() + (fronts ? inFront() : 0n)
    // Of more there are about as many as there are steps, thinned like all values.
    const between = space.count(first, last).count + (fronts?.count(first, last).count ?? 0n)
    return between / modulus + 1n
  }
  return {
    get bound() {
      return (fronts ? count() : steps) + (same === undefined ? 0n : 1n)
    },
    get count() {
      return count()
    },
    exact: few,
    list(most) {
      if (!few) return []
      const out = read(most).slice(0, most)
      if (fronts && same !== undefined) out.push(...fronts.list(same, same, most - out.length))
      for (let value = first; fronts && value <= last && out.length < most; value += modulus)
        out.push(...fronts.list(value, value, most - out.length))
      return out
    },
  }
}

// Texts of digits, with or without a plus, that read as the value.
function reading(space: Space, value: bigint): string[] {
  const digits = value.toString()
  return machines(space).flatMap((machine) => {
    const texts = [
      digits.padStart(machine.length, '0'),
      `+${digits.padStart(machine.length - 1, '0')}`,
    ]
    return texts.filter(
      (text) => text.length === machine.length && walk(machine, machine.start, text) !== null,
    )
  })
}

const machines = remembered(({ definition, layouts }: Space) =>
  layouts.map((layout) => machineOf(definition, layout, () => true)),
)

function walk(machine: Machine, from: MachineNode, text: string): MachineNode | null {
  let node: MachineNode | null = from
  for (let i = 0; node && i < text.length; i++) node = machine.step(node, text.charCodeAt(i))
  return node
}

const layers = remembered((machine: Machine): ReadonlyMap<MachineNode, bigint>[] => [
  new Map([[machine.start, 1n]]),
])

// The nodes that stand behind so many characters, and how many texts lead to each.
function frontsOf(machine: Machine, length: number): ReadonlyMap<MachineNode, bigint> {
  const known = layers(machine)
  for (let at = known.length; at <= length; at++) {
    const next = new Map<MachineNode, bigint>()
    for (const [node, fronts] of known[at - 1]!)
      for (const code of machine.alphabet[at - 1] ?? []) {
        const to = machine.step(node, code)
        if (to) next.set(to, (next.get(to) ?? 0n) + fronts)
      }
    known.push(next)
  }
  return known[length]!
}
