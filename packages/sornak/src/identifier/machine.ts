// A layout with its rules as one automaton. Nodes are made when first reached and remember how many
// right endings they have, so counting the values in an interval costs two walks down its ends
// however many values it holds.

import type { Check, Definition } from './definition.js'
import { WHOLE } from './definition.js'
import type { Layout, Place } from './layout.js'
import type { TextRange } from './ranges.js'

export interface MachineNode {
  readonly at: number
  readonly check: number
  /** For each rule how each of its ranges stands; null once the rule is settled. */
  readonly rules: readonly (readonly Tight[] | null)[]
  /** By character code; undefined until it is first asked for. */
  readonly next: (MachineNode | null | undefined)[]
  endings: bigint | undefined
  /** Of its endings, how many start with a digit smaller than each; kept here by those who count. */
  sums: readonly bigint[] | undefined
}

export interface Machine {
  readonly length: number
  readonly start: MachineNode
  /** Characters to try at a place, ascending. */
  readonly alphabet: readonly (readonly number[])[]
  /** False where counts are upper bounds, because a rule or character lies beyond the automaton. */
  readonly exact: boolean
  /** Whether the check digit is among what the automaton tests. */
  readonly checked: boolean
  /** Whatever stands at one place, any character of its own may stand at any other. */
  readonly free: boolean
  step(node: MachineNode, charCode: number): MachineNode | null
  /** How many ways to the end pass all rules. */
  endings(node: MachineNode): bigint
}

// How a text so far lies to a range: outside, on both ends, on the low end, on the high end, between.
type Tight = 0 | 1 | 2 | 3 | 4

interface Span {
  readonly from: number
  readonly to: number
  readonly ranges: readonly TextRange[]
  readonly forbids: boolean
}

export function machineOf(
  definition: Definition,
  layout: Layout,
  taken: (charCode: number, place: Place) => boolean,
): Machine {
  const { places } = layout
  const length = places.length
  const spans = spansOf(definition, layout)
  const subject = subjectOf(definition.check, layout)
  const scheme = subject && definition.check?.scheme
  const alphabet = places.map((place) => place.chars.filter((code) => taken(code, place)))
  const nodes = new Map<string | number, MachineNode>()
  const node = (at: number, check: number, rules: MachineNode['rules']): MachineNode => {
    // Most definitions have no rules, and many nodes.
    const place = check * (length + 1) + at
    const key = rules.length
      ? `${place}|${rules.map((rule) => rule?.join('') ?? '').join('|')}`
      : place
    let made = nodes.get(key)
    if (!made)
      nodes.set(key, (made = { at, check, rules, next: [], endings: undefined, sums: undefined }))
    return made
  }

  function make(from: MachineNode, code: number): MachineNode | null {
    const { at } = from
    if (!alphabet[at]?.includes(code)) return null
    let { check } = from
    const fromRight = subject?.get(at)
    if (scheme && fromRight !== undefined) {
      check = scheme.step(check, code, fromRight)
      if (check < 0 || (fromRight === 0 && !scheme.passes(check))) return null
      if (fromRight === 0) check = 0
    }
    const rules: (readonly Tight[] | null)[] = []
    for (const [i, span] of spans.entries()) {
      const before = from.rules[i]!
      if (before === null || at < span.from) {
        rules.push(before)
        continue
      }
      const after = before.map((tight, k) => narrow(tight, span.ranges[k]!, at - span.from, code))
      if (at + 1 < span.to) {
        rules.push(after)
        continue
      }
      if (after.some((tight) => tight !== 0) === span.forbids) return null
      rules.push(null)
    }
    return node(at + 1, check, rules)
  }

  const machine: Machine = {
    length,
    start: node(
      0,
      scheme?.start ?? 0,
      spans.map((span) => span.ranges.map((): Tight => 1)),
    ),
    alphabet,
    checked: definition.check === undefined || subject !== undefined,
    free: spans.length === 0 && subject === undefined,
    exact:
      !places.some((place) => place.open) &&
      (definition.check === undefined || subject !== undefined),
    step(from, code) {
      let to = from.next[code]
      if (to === undefined) from.next[code] = to = make(from, code)
      return to
    },
    endings(from) {
      if (from.endings !== undefined) return from.endings
      return (from.endings = from.at === length ? 1n : endingsBehind(machine, from))
    },
  }
  return machine
}

/** How many endings the nodes behind one have together. */
export function endingsBehind(machine: Machine, from: MachineNode): bigint {
  let sum = 0n
  for (const code of machine.alphabet[from.at] ?? []) {
    const to = machine.step(from, code)
    if (to) sum += machine.endings(to)
  }
  return sum
}

/** The texts behind a node, with what stands in front of it, ascending; `out` holds `most` of them at the end. */
export function spell(
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

function narrow(tight: Tight, { low, high }: TextRange, i: number, code: number): Tight {
  if (tight === 0 || tight === 4) return tight
  const l = low.charCodeAt(i)
  const h = high.charCodeAt(i)
  const onLow = tight === 1 || tight === 2
  const onHigh = tight === 1 || tight === 3
  if ((onLow && code < l) || (onHigh && code > h)) return 0
  const stillLow = onLow && code === l
  const stillHigh = onHigh && code === h
  return stillLow ? (stillHigh ? 1 : 2) : stillHigh ? 3 : 4
}

function spansOf({ never, only }: Definition, { places, parts }: Layout): Span[] {
  return [
    ...never.map((rule) => ({ rule, forbids: true })),
    ...only.map((rule) => ({ rule, forbids: false })),
  ].flatMap(({ rule, forbids }) => {
    const span = rule.part === WHOLE ? ([0, places.length] as const) : parts.get(rule.part)
    if (!span || span[0] === span[1]) return []
    const [from, to] = span
    return [
      { from, to, forbids, ranges: rule.ranges.filter(({ low }) => low.length === to - from) },
    ]
  })
}

// Place -> how many subject characters follow it. Undefined where parts are taken out of order, which
// one pass from the left cannot follow.
function subjectOf(
  check: Check | undefined,
  { places, parts }: Layout,
): Map<number, number> | undefined {
  if (!check) return undefined
  const subject: number[] = []
  if (check.over === 'plain') places.forEach((place, i) => place.slot && subject.push(i))
  else if (check.over === 'stored') places.forEach((_, i) => subject.push(i))
  else {
    for (const name of check.over) {
      const [from, to] = parts.get(name) ?? [0, 0]
      for (let i = from; i < to; i++) subject.push(i)
    }
  }
  if (subject.some((place, i) => i > 0 && place < subject[i - 1]!)) return undefined
  return new Map(subject.map((place, i) => [place, subject.length - 1 - i]))
}
