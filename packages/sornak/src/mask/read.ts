// Shown text -> plain value: first as the mask stands, then with separators that vary.

import type { Program } from './compile.js'
import { misfit, type Misfit, type NoFit, type Read } from './misfit.js'
import { emit, fillsOf } from './show.js'
import { plainOf, walk, type Step } from './walk.js'

export interface ReadOptions {
  /** Take the text only exactly as the mask stands. */
  readonly strict?: boolean
}

export function read(program: Program, text: string, { strict = false }: ReadOptions = {}): Read {
  const exact = walk(program.strict, 'strict', text)
  if (exact.ok) {
    // Fill may be of any length when a text is read; it is strict only where it is as shown.
    const whole = !program.framed || emit(program.nodes, fillsOf(exact.last), false) === text
    if (whole || !strict) return { ok: true, plain: plainOf(exact.last), strict: whole }
    return misfit('too-short', text, text.length, 'fill up to the width')
  }
  if (!strict && program.loose) {
    const varied = walk(program.loose, 'loose', text)
    if (varied.ok) return { ok: true, plain: plainOf(varied.last), strict: false }
    if (varied.misfit.code === 'two-readings') return varied
    if (varied.misfit.at > exact.misfit.at) return hiddenOr(program, text, varied.misfit)
  }
  return hiddenOr(program, text, exact.misfit)
}

/** The named parts of a text that fits strictly, or undefined where it does not fit. */
export function partsOf(program: Program, text: string): ReadonlyMap<string, string> | undefined {
  const exact = walk(program.strict, 'strict', text)
  return exact.ok ? named(exact.last) : undefined
}

function named(last: Step | undefined): ReadonlyMap<string, string> {
  const parts = new Map<string, string>()
  for (const [slot, held] of fillsOf(last)) if (slot.name !== undefined) parts.set(slot.name, held)
  return parts
}

function hiddenOr(program: Program, text: string, found: Misfit): NoFit {
  const hidden = program.slots.some((slot) => slot.hide !== undefined && slot.hide === found.found)
  return hidden ? misfit('hidden', text, found.at, found.expected) : { ok: false, misfit: found }
}
