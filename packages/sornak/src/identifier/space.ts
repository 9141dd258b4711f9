// The set of all values that a definition allows, as something that can be counted and listed:
// how many read as an integer between two bounds, and which. Nothing is ever enumerated to count it.

import type { Definition } from './definition.js'
import { layoutsOf, type Layout } from './layout.js'
import { machineOf, type Machine, type MachineNode } from './machine.js'

export interface Tally {
  readonly count: bigint
  /** False where the count is an upper bound. */
  readonly exact: boolean
}

export interface Space {
  readonly definition: Definition
  readonly layouts: readonly Layout[]
  /** How many values there are whose text is digits, a leading `+` not counted. */
  readonly integers: Tally
  /** Digits of the widest of them; 0 where there are none. */
  readonly widest: number
  /** How many values read as an integer in the interval, both ends included. */
  count(low: bigint, high: bigint): Tally
  /** Their texts in ascending order, `most` at the most. */
  list(low: bigint, high: bigint, most: number): string[]
}

const spaces = new WeakMap<Definition, Space>()

/**
 * All values that a definition allows, to be counted and listed by the integer that they read as.
 *
 * @example
 * spaceOf(identifier({ stored: '{16}', check: 'luhn' })).count(4300222233334440n, 4300222233334449n) // { count: 1n, exact: true }
 */
export function spaceOf(definition: Definition): Space {
  let space = spaces.get(definition)
  if (!space) spaces.set(definition, (space = make(definition)))
  return space
}

interface Digits {
  readonly machine: Machine
  readonly first: MachineNode
  /** Places of digits; a leading `+` stands before them. */
  readonly width: number
  readonly prefix: string
  /** Where zeros are padding, each key belongs to one width only: the narrowest that holds it. */
  readonly least: bigint
}

const isDigit = (code: number) => code >= 48 && code <= 57
const PLUS = 43

function make(definition: Definition): Space {
  const { layouts, complete } = layoutsOf(definition)
  const digits = layouts.flatMap((layout) => digitsOf(definition, layout))
  if (definition.zeros === 'padding') {
    digits.forEach((one, i) => {
      const narrower = digits[i - 1]
      if (narrower) digits[i] = { ...one, least: 10n ** BigInt(narrower.width) }
    })
  }
  const exact = complete && digits.every(({ machine }) => machine.exact)
  const count = (low: bigint, high: bigint): Tally => {
    let sum = 0n
    for (const one of digits) {
      const from = low > one.least ? low : one.least
      if (from <= high) sum += upTo(one, high) - upTo(one, from - 1n)
    }
    return { count: sum, exact }
  }
  const most = digits.reduce((width, one) => Math.max(width, one.width), 0)
  let integers: Tally | undefined
  return {
    definition,
    layouts,
    widest: most,
    get integers() {
      return (integers ??= count(0n, 10n ** BigInt(most)))
    },
    count,
    list(low, high, limit) {
      const out: { value: bigint; text: string }[] = []
      for (const one of digits) {
        const from = low > one.least ? low : one.least
        if (from <= high) collect(one, from, high, limit, out)
      }
      out.sort((a, b) => (a.value < b.value ? -1 : a.value > b.value ? 1 : 0))
      return out.slice(0, limit).map(({ text }) => text)
    },
  }
}

function digitsOf(definition: Definition, layout: Layout): Digits[] {
  const plus = layout.places[0]?.chars.length === 1 && layout.places[0].chars[0] === PLUS
  const machine = machineOf(
    definition,
    layout,
    (code, place) => isDigit(code) || (code === PLUS && place === layout.places[0]),
  )
  const width = layout.places.length - (plus ? 1 : 0)
  const first = plus ? machine.step(machine.start, PLUS) : machine.start
  if (!first || width === 0 || machine.endings(first) === 0n) return []
  return [{ machine, first, width, prefix: plus ? '+' : '', least: 0n }]
}

// How many values of this width are at most `limit`.
function upTo({ machine, first, width }: Digits, limit: bigint): bigint {
  if (limit < 0n) return 0n
  const text = limit.toString().padStart(width, '0')
  if (text.length > width) return machine.endings(first)
  let sum = 0n
  let node: MachineNode | null = first
  for (let i = 0; i < width; i++) {
    const digit = text.charCodeAt(i)
    for (let code = 48; code < digit; code++) {
      const to = machine.step(node, code)
      if (to) sum += machine.endings(to)
    }
    node = machine.step(node, digit)
    if (!node) return sum
  }
  return sum + 1n
}

function collect(
  one: Digits,
  low: bigint,
  high: bigint,
  limit: number,
  out: { value: bigint; text: string }[],
): void {
  const { machine, width } = one
  const lowText = low.toString().padStart(width, '0')
  if (lowText.length > width) return
  const highText =
    high.toString().length > width ? '9'.repeat(width) : high.toString().padStart(width, '0')
  let left = limit
  const visit = (node: MachineNode, text: string, onLow: boolean, onHigh: boolean): void => {
    if (left <= 0 || machine.endings(node) === 0n) return
    const i = text.length
    if (i === width) {
      out.push({ value: BigInt(text), text: one.prefix + text })
      left--
      return
    }
    const from = onLow ? lowText.charCodeAt(i) : 48
    const to = onHigh ? highText.charCodeAt(i) : 57
    for (let code = from; code <= to && left > 0; code++) {
      const next = machine.step(node, code)
      if (next)
        visit(next, text + String.fromCharCode(code), onLow && code === from, onHigh && code === to)
    }
  }
  visit(one.first, '', true, true)
}
