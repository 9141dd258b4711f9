// Values by the number that one of their forms reads as, where it is not the one that they read as themselves: `+44 7700
// 900123` of a telephone number that is stored as 07700900123, or 78051120 of one that is stored as 078-05-1120. Separators and a
// plus go, and zeros at the front. Counted like values, by the automaton of the stored text, which the digits of the form walk.

import type { MaskList } from '../mask/list.js'
import { isDigit, isLetter } from './codes.js'
import type { Definition } from './definition.js'
import { holds } from './holds.js'
import { expand, filled, type Layout, type Place } from './layout.js'
import { endingsBehind, machineOf, spell, type Machine, type MachineNode } from './machine.js'
import { numbersOf, type Digits, type Numbers, type Space } from './space.js'

/** Of more ways to write a value none is looked for. */
const MOST_VIEWS = 200

export interface ShownNumbers extends Numbers {
  /** Digits of the shortest form, zeros of the mask's own at its front left out. */
  readonly narrowest: number
  /** Values have separators in every form: these were taken out before a number was read. */
  readonly joined: boolean
  /** The numbers as which a value is shown. */
  numbersOf(text: string): bigint[]
}

/** Values by the integer that the digits of one of these forms are; undefined where there are none. */
export function shownNumbers(
  { definition, layouts, integers }: Space,
  forms: readonly MaskList[],
): ShownNumbers | undefined {
  const found: (View & { readonly digits: number })[] = []
  let joined = true
  for (const layout of layouts) {
    if (!isSeparated(layout.places)) continue
    const stored = digitsIn(layout.places)
    const isNumber = isBare(layout.places)
    const known = new Set(isNumber ? [patternOf(stored)] : [])
    for (const form of forms)
      for (const shown of writingsIn(form)) {
        if (!isSeparated(shown)) continue
        if (isNumber || isBare(shown)) joined = false
        const places = digitsIn(shown)
        const pattern = patternOf(places)
        if (known.has(pattern) || found.length >= MOST_VIEWS) continue
        const view = viewOf(definition, layout, places)
        if (!view || !readsBack(definition, form, shown, view)) continue
        known.add(pattern)
        found.push({ ...view, digits: pattern.length })
      }
  }
  if (found.length === 0) return undefined
  const narrowest = Math.min(...found.map(({ digits }) => digits))
  return {
    ...numbersOf(found, layouts.length, integers.exact && found.length < MOST_VIEWS),
    narrowest,
    joined,
    numbersOf: (text) => found.flatMap(({ shownOf }) => shownOf(text) ?? []),
  }
}

const writingsIn = ({ masks }: MaskList) =>
  masks.flatMap(({ nodes, kind }) => (kind === 'characters' ? expand(nodes).all : []))

// The places of digits: those of slots, and the mask's own.
const digitsIn = (places: readonly Place[]) =>
  places.filter((place) => place.slot !== undefined || isOwnDigit(place))

const isOwnDigit = ({ slot, chars }: Place) => slot === undefined && isDigit(chars[0] ?? 0)

// Between its digits a form has nothing that people do not leave out: no letters of its own.
const isSeparated = (places: readonly Place[]) =>
  places.every(
    (place) =>
      place.slot !== undefined ||
      isOwnDigit(place) ||
      (place.chars.length === 1 && !isLetter(place.chars[0]!)),
  )

// Nothing but digits, and a plus maybe.
const isBare = (places: readonly Place[]) =>
  places.every((place) => place.slot !== undefined || isOwnDigit(place) || place.chars[0] === PLUS)

const PLUS = 43

// Forms that are the same number have the same one; zeros at the front are no part of it.
const patternOf = (places: readonly Place[]) =>
  places
    .map(({ slot, chars }) => (slot ? '#' : String.fromCharCode(chars[0]!)))
    .join('')
    .replace(/^0+/, '')

interface View extends Digits {
  written(digits: string): string
  shownOf(text: string): bigint | undefined
}

// Digits of a form, each of a slot for the one of the stored text that has as many in front of it.
function viewOf(definition: Definition, layout: Layout, shown: readonly Place[]): View | undefined {
  const slots = layout.places.filter(({ slot }) => slot !== undefined)
  if (slots.length === 0 || shown.filter(({ slot }) => slot).length !== slots.length)
    return undefined
  const stored = machineOf(definition, layout, (code, { slot }) => !slot || isDigit(code))
  if (!stored.exact) return undefined
  const machine = alongDigits(stored, layout.places, shown)
  const { start } = machine
  const all = machine.endings(start)
  if (all === 0n) return undefined
  const shownOf = (text: string) => {
    if (text.length !== layout.places.length) return undefined
    const plain = inSlots(layout.places, text)
    return /^\d+$/.test(plain) ? BigInt(filled(shown, plain)) : undefined
  }
  return {
    machine,
    first: start,
    width: shown.length,
    prefix: '',
    all,
    least: 0n,
    upTo: undefined,
    written: (digits) => filled(layout.places, inSlots(shown, digits)),
    shownOf,
  }
}

// What stands in the slots of a text.
const inSlots = (places: readonly Place[], text: string) =>
  places.map(({ slot }, i) => (slot ? text[i]! : '')).join('')

// The automaton of the stored text, as it is walked by the digits of a form.
function alongDigits(stored: Machine, places: readonly Place[], shown: readonly Place[]): Machine {
  const made = shown.map(() => new Map<MachineNode, MachineNode>())
  made.push(new Map())
  const behind = new Map<MachineNode, MachineNode>()
  const node = (at: number, inner: MachineNode): MachineNode => {
    let one = made[at]!.get(inner)
    if (!one) {
      made[at]!.set(
        inner,
        (one = { at, check: 0, rules: [], next: [], endings: undefined, sums: undefined }),
      )
      behind.set(one, inner)
    }
    return one
  }
  // Past the mask's own text, up to the next slot.
  const toSlot = (from: MachineNode): MachineNode | null => {
    let inner: MachineNode | null = from
    while (inner && inner.at < places.length && !places[inner.at]!.slot)
      inner = stored.step(inner, places[inner.at]!.chars[0]!)
    return inner
  }
  const next = (from: MachineNode, code: number): MachineNode | null => {
    const place = shown[from.at]
    if (!place?.chars.includes(code)) return null
    const inner = behind.get(from)!
    if (!place.slot) return node(from.at + 1, inner)
    const slot = toSlot(inner)
    const to = slot && stored.step(slot, code)
    return to && node(from.at + 1, to)
  }
  const machine: Machine = {
    ...stored,
    length: shown.length,
    start: node(0, stored.start),
    alphabet: shown.map(({ chars }) => chars.filter(isDigit)),
    free: false,
    step(from, code) {
      let to = from.next[code]
      if (to === undefined) from.next[code] = to = next(from, code)
      return to
    },
    endings(from) {
      if (from.endings !== undefined) return from.endings
      const last = from.at === shown.length ? toSlot(behind.get(from)!) : null
      const sum = last ? stored.endings(last) : endingsBehind(machine, from)
      return (from.endings = sum)
    },
  }
  return machine
}

// Whether a value that is shown in the form is read from it: a slot may do more than to show what is there.
function readsBack(
  definition: Definition,
  form: MaskList,
  shown: readonly Place[],
  { machine, written }: View,
): boolean {
  const found: string[] = []
  spell(machine, machine.start, '', 1, found)
  const [digits = ''] = found
  const stored = written(digits)
  const read = form.read(filled(shown, inSlots(digitsIn(shown), digits)))
  const back = read.ok ? definition.stored.show(read.plain) : undefined
  return back?.ok === true && back.text === stored && holds(definition, stored)
}
