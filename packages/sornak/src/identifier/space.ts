// The set of all values that a definition allows, as something that can be counted and listed:
// how many read as an integer between two bounds, and which. Nothing is ever enumerated to count it.

import { isDigit } from './codes.js'
import type { Definition } from './definition.js'
import { layoutsOf, type Layout } from './layout.js'
import { remembered } from './remembered.js'
import { machineOf, spell, type Machine, type MachineNode } from './machine.js'

export interface Tally {
  readonly count: bigint
  /** False where the count is an upper bound. */
  readonly exact: boolean
}

/** Values by the integer that they read as. */
export interface Numbers {
  /** Digits of the widest of them; 0 where there are none. */
  readonly widest: number
  /** How many values read as an integer in the interval, both ends included. */
  count(low: bigint, high: bigint): Tally
  /** The share that they have of all values, where each shape and width is as likely as any other: 0 to 1. */
  share(low: bigint, high: bigint): number
  /** Whether every integer in the interval surely is one of them, and in one text only. */
  holdsAll(low: bigint, high: bigint): boolean
  /** Their texts in ascending order, `most` at the most. */
  list(low: bigint, high: bigint, most: number): string[]
}

export interface Space extends Numbers {
  readonly definition: Definition
  readonly layouts: readonly Layout[]
  /** How many characters a value has: each number once, the smallest first. */
  readonly widths: readonly number[]
  /** How many values there are whose text is digits, a leading `+` not counted. */
  readonly integers: Tally
  /**
   * Values that start with a number and go on with something else, by that number: it is what a reader leaves that
   * stops at the first character that is no digit. Undefined where there are none.
   */
  readonly fronts: Numbers | undefined
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

/** The share that one value of digits has of all, and where there are none one that has a number in front: 0 to 1. */
export const shareOfOne: (space: Space) => number = remembered((space: Space): number => {
  const numbers = space.integers.count > 0n ? space : space.fronts
  if (!numbers) return 0
  const most = 10n ** BigInt(numbers.widest) - 1n
  return numbers.share(0n, most) / Number(numbers.count(0n, most).count)
})

/** Digits of the widest number that a value is, or has in front. */
export const widestNumber = ({ widest, fronts }: Space): number =>
  Math.max(widest, fronts?.widest ?? 0)

export interface Digits {
  readonly machine: Machine
  readonly first: MachineNode
  /** Places of digits; a leading `+` stands before them, and others may follow. */
  readonly width: number
  readonly prefix: string
  /** All values of the layout. */
  readonly all: bigint
  /** The smallest number that is one of this width. */
  readonly least: bigint
  /** The largest number, where all up to it are values; else undefined. */
  readonly upTo: bigint | undefined
  /** The value of such a number, where its text is another. */
  readonly written?: (digits: string) => string
}

const PLUS = 43

function make(definition: Definition): Space {
  const { layouts, complete } = layoutsOf(definition)
  // Who asks for shapes only need not wait until all values are counted.
  let digits: Numbers | undefined
  const numbers = () =>
    (digits ??= numbersOf(allNumbers(definition, layouts), layouts.length, complete))
  let integers: Tally | undefined
  let fronts: Numbers | 'none' | undefined
  return {
    definition,
    layouts,
    widths: [...new Set(layouts.map(({ places }) => places.length))],
    get widest() {
      return numbers().widest
    },
    count: (low, high) => numbers().count(low, high),
    share: (low, high) => numbers().share(low, high),
    holdsAll: (low, high) => numbers().holdsAll(low, high),
    list: (low, high, most) => numbers().list(low, high, most),
    get integers() {
      return (integers ??= numbers().count(0n, 10n ** BigInt(numbers().widest)))
    },
    get fronts() {
      if (!fronts) {
        const found = layouts.flatMap((layout) => frontsOf(definition, layout))
        fronts = found.length ? numbersOf(found, layouts.length, complete) : 'none'
      }
      return fronts === 'none' ? undefined : fronts
    },
  }
}

// Where zeros are padding, each key belongs to one width only: the narrowest that holds it.
function allNumbers(definition: Definition, layouts: readonly Layout[]): readonly Digits[] {
  const digits = layouts.flatMap((layout) => digitsOf(definition, layout))
  if (definition.zeros !== 'padding') return digits
  return digits.map((one, i) => {
    const narrower = digits[i - 1]
    return narrower ? { ...one, least: 10n ** BigInt(narrower.width) } : one
  })
}

/** Values by the number that their digits are. */
export function numbersOf(digits: readonly Digits[], layouts: number, complete: boolean): Numbers {
  const exact = complete && digits.every(({ machine }) => machine.exact)
  return {
    widest: digits.reduce((width, one) => Math.max(width, one.width), 0),
    count(low, high) {
      let sum = 0n
      for (const one of digits) {
        const from = low > one.least ? low : one.least
        if (from <= high) sum += between(one, from, high)
      }
      return { count: sum, exact }
    },
    share: (low, high) =>
      digits.reduce((sum, one) => {
        const from = low > one.least ? low : one.least
        return from > high ? sum : sum + Number(between(one, from, high)) / Number(one.all)
      }, 0) / layouts,
    holdsAll(low, high) {
      const [only, more] = digits
      if (!only || more || only.upTo === undefined) return false
      return exact && low >= only.least && high <= only.upTo
    },
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
  const all = allOf(definition, layout)
  const most = 10n ** BigInt(width)
  const upTo = machine.free && machine.endings(first) === most ? most - 1n : undefined
  return [{ machine, first, width, prefix: plus ? '+' : '', all, least: 0n, upTo }]
}

// For each width of a number in front those values that have it there, and no digit behind it.
function frontsOf(definition: Definition, { places: all, parts }: Layout): Digits[] {
  // Places of one slot are the same object: here each is one of its own.
  const places = all.map((place) => ({ ...place }))
  const layout = { places, parts }
  const found: Digits[] = []
  for (let width = 1; width < places.length; width++) {
    if (!places[width - 1]!.chars.some(isDigit)) break
    const stop = places[width]!
    if (stop.chars.every(isDigit)) continue
    const numeric = new Set(places.slice(0, width))
    const machine = machineOf(definition, layout, (code, place) =>
      numeric.has(place) ? isDigit(code) : place !== stop || !isDigit(code),
    )
    const first = machine.start
    if (machine.endings(first) === 0n) continue
    found.push({
      machine,
      first,
      width,
      prefix: '',
      all: allOf(definition, layout),
      least: 0n,
      upTo: undefined,
    })
  }
  return found
}

function allOf(definition: Definition, layout: Layout): bigint {
  const machine = machineOf(definition, layout, () => true)
  return machine.endings(machine.start)
}

// How many values of this width lie between two bounds, both included: down the digits that the bounds share, then
// down each of them.
function between({ machine, first, width, upTo }: Digits, low: bigint, high: bigint): bigint {
  if (upTo !== undefined) {
    const most = high < upTo ? high : upTo
    return low > most ? 0n : most - low + 1n
  }
  const from = low.toString().padStart(width, '0')
  if (from.length > width) return 0n
  let to = high.toString().padStart(width, '0')
  if (to.length > width) to = '9'.repeat(width)
  let node: MachineNode | null = first
  let i = 0
  for (; i < width && from.charCodeAt(i) === to.charCodeAt(i); i++) {
    node = machine.step(node, from.charCodeAt(i))
    if (!node) return 0n
  }
  if (i === width) return machine.endings(node)
  const [least, most] = [from.charCodeAt(i) - 48, to.charCodeAt(i) - 48]
  const sums = sumsOf(machine, node)
  const inside = sums[most]! - sums[least + 1]!
  const above = beside(machine, machine.step(node, least + 48), from, i + 1, true)
  return inside + above + beside(machine, machine.step(node, most + 48), to, i + 1, false)
}

// How many endings of a node are at least, or at most, the rest of the text.
function beside(
  machine: Machine,
  from: MachineNode | null,
  text: string,
  start: number,
  above: boolean,
): bigint {
  let sum = 0n
  let node = from
  for (let i = start; node && i < text.length; i++) {
    const digit = text.charCodeAt(i) - 48
    const sums = sumsOf(machine, node)
    sum += above ? sums[10]! - sums[digit + 1]! : sums[digit]!
    node = machine.step(node, digit + 48)
  }
  return node ? sum + machine.endings(node) : sum
}

// For each digit, and for one beyond 9, how many endings of a node start with a smaller one.
function sumsOf(machine: Machine, node: MachineNode): readonly bigint[] {
  if (node.sums) return node.sums
  const sums = [0n]
  for (let digit = 0; digit < 10; digit++) {
    const to = machine.step(node, digit + 48)
    sums.push(sums[digit]! + (to ? machine.endings(to) : 0n))
  }
  return (node.sums = sums)
}

function collect(
  one: Digits,
  low: bigint,
  high: bigint,
  limit: number,
  out: { value: bigint; text: string }[],
): void {
  const { machine, width, prefix, upTo, written } = one
  if (upTo !== undefined) {
    for (let value = low, left = limit; value <= high && value <= upTo && left > 0; value++, left--)
      out.push({ value, text: prefix + value.toString().padStart(width, '0') })
    return
  }
  const lowText = low.toString().padStart(width, '0')
  if (lowText.length > width) return
  const highText =
    high.toString().length > width ? '9'.repeat(width) : high.toString().padStart(width, '0')
  let left = limit
  const visit = (node: MachineNode, text: string, onLow: boolean, onHigh: boolean): void => {
    if (left <= 0 || machine.endings(node) === 0n) return
    const i = text.length
    if (i === width) {
      const texts: string[] = written ? [written(text)] : []
      if (!written) spell(machine, node, prefix + text, left, texts)
      for (const whole of texts) out.push({ value: BigInt(text), text: whole })
      left -= texts.length
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
