// Which slot each character of a value went to. The explanation of a value that fits; where it does not,
// the misfit is the explanation.

import { slotPhrase } from './explain.js'
import type { Mask } from './mask.js'
import type { Misfit } from './misfit.js'
import { walk, type Step } from './walk.js'

/** Characters of the value, side by side, that went to one place. */
export interface Placed {
  readonly text: string
  /** UTF-16 offset into the value. */
  readonly at: number
  /** The mask's own text, the separator it stands for, or a slot. */
  readonly to: 'literal' | 'separator' | 'slot'
  /** The place in plain words, such as `3 digits, called "area"`. */
  readonly place: string
}

export type Traced =
  | { readonly ok: true; readonly as: 'shown' | 'plain'; readonly places: readonly Placed[] }
  | { readonly ok: false; readonly misfit: Misfit }

/**
 * Each character of a value and the place it went to, the value taken as shown text or else as a plain
 * value; or why it fits neither.
 *
 * @example
 * trace(mask('{3}-{4}'), '555-0142').ok // true
 * trace(mask('{3}-{4}'), '555-014').misfit.code // 'too-short'
 */
export function trace(mask: Mask, value: string): Traced {
  const { program } = mask
  if (mask.kind !== 'characters' && mask.kind !== 'composite') return traceWhole(mask, value)
  const strict = walk(program.strict, 'strict', value)
  if (strict.ok) return { ok: true, as: 'shown', places: placesOf(value, strict.last) }
  const given = mask.kind === 'characters' ? walk(program.given, 'given', value) : undefined
  if (given?.ok) return { ok: true, as: 'plain', places: placesOf(value, given.last) }
  const loose = program.loose && walk(program.loose, 'loose', value)
  if (loose?.ok) return { ok: true, as: 'shown', places: placesOf(value, loose.last) }
  const misfits = [strict, loose, given].flatMap((one) => (one && !one.ok ? [one.misfit] : []))
  // The way that came furthest says best what is wrong; two readings say more than either.
  const two = misfits.find(({ code }) => code === 'two-readings')
  return { ok: false, misfit: two ?? misfits.reduce((a, b) => (b.at > a.at ? b : a)) }
}

function traceWhole(mask: Mask, value: string): Traced {
  const read = mask.read(value)
  const place = mask.kind === 'number' ? 'a number' : 'a date'
  const places = [{ text: value, at: 0, to: 'slot' as const, place }]
  if (read.ok) return { ok: true, as: 'shown', places }
  return mask.show(value).ok ? { ok: true, as: 'plain', places } : read
}

function placesOf(value: string, last: Step | undefined): Placed[] {
  const steps: Step[] = []
  for (let step = last; step; step = step.before) steps.push(step)
  steps.reverse()
  const places: Placed[] = []
  const add = (one: Placed) => {
    const before = places.at(-1)
    if (before && before.to === one.to && before.place === one.place)
      places[places.length - 1] = { ...before, text: before.text + one.text }
    else places.push(one)
  }
  let at = 0
  const separators = (to: number) => {
    if (at < to)
      add({ text: value.slice(at, to), at, to: 'separator', place: 'a separator, not counted' })
  }
  let slot: Step['cell']['slot']
  for (const step of steps) {
    separators(step.at)
    const char = String.fromCodePoint(value.codePointAt(step.at)!)
    at = step.at + char.length
    const same = step.cell.slot !== undefined && step.cell.slot === slot
    slot = step.cell.slot
    const one: Placed = slot
      ? { text: char, at: step.at, to: 'slot', place: slotPhrase(slot) }
      : { text: char, at: step.at, to: 'literal', place: 'the mask’s own text' }
    // Two slots of one kind side by side stay two places.
    if (slot && !same) places.push(one)
    else add(one)
  }
  separators(value.length)
  return places
}
