// Plain value -> shown text. Never cuts, never overflows: what does not fit is a misfit.

import type { Program } from './compile.js'
import { fillClash, fillUp, isLonger } from './frame.js'
import { misfit, type NoFit, type Shown } from './misfit.js'
import type { Node, Slot } from './tree.js'
import { walk, type Step } from './walk.js'

/** A value as it may be given: a number only where it is a safe integer. */
export type Given = string | bigint | number

export function show(program: Program, value: Given): Shown {
  const text = givenText(value)
  if (typeof text !== 'string') return text
  const fixed = program.fixed?.(text)
  if (fixed !== undefined) return { ok: true, text: fixed }
  const filled = fill(program, text)
  if (!filled.ok) return filled
  const longer =
    program.framed && program.slots.some((slot) => isLonger(filled.fills.get(slot) ?? '', slot))
  return {
    ok: true,
    text: emit(program.nodes, filled.fills, true),
    ...(longer && { longer: true }),
  }
}

/** The plain value with padding and case as the mask keeps them. */
export function canon(program: Program, value: Given): { ok: true; plain: string } | NoFit {
  const text = givenText(value)
  if (typeof text !== 'string') return text
  const filled = fill(program, text)
  if (!filled.ok) return filled
  return { ok: true, plain: program.slots.map((slot) => filled.fills.get(slot) ?? '').join('') }
}

/** The text of a value, or why it has none. */
export function givenText(value: Given): string | NoFit {
  if (typeof value === 'string') return value
  if (typeof value === 'bigint' || Number.isSafeInteger(value)) return value.toString()
  const text = `${value}`
  return misfit(Number.isInteger(value) ? 'digits-lost' : 'not-whole', text, 0, 'text', text)
}

/** The shown text of a layout: a section stands where one of its slots has a character. */
export function emit(
  nodes: readonly Node[],
  fills: ReadonlyMap<Slot, string>,
  hiding: boolean,
): string {
  let out = ''
  for (const node of nodes) {
    if (node.kind === 'literal') out += node.text
    else if (node.kind === 'section') {
      if (filledAny(node.nodes, fills)) out += emit(node.nodes, fills, hiding)
    } else if (node.kind === 'slot') {
      const text = fills.get(node) ?? ''
      const seen = hiding && node.hide !== undefined ? node.hide.repeat([...text].length) : text
      out += node.width === undefined ? seen : fillUp(seen, node)
    }
  }
  return out
}

/** What each slot holds along a way through the cells. */
export function fillsOf(last: Step | undefined): Map<Slot, string> {
  const chars = new Map<Slot, string[]>()
  for (let step = last; step; step = step.before) {
    const { slot } = step.cell
    if (!slot) continue
    const held = chars.get(slot)
    if (held) held.push(step.char)
    else chars.set(slot, [step.char])
  }
  return new Map([...chars].map(([slot, held]) => [slot, held.reverse().join('')]))
}

function fill(program: Program, text: string): { ok: true; fills: Map<Slot, string> } | NoFit {
  const walked = walk(program.given, 'given', text)
  if (!walked.ok) return walked
  const fills = fillsOf(walked.last)
  for (const slot of program.slots) {
    const held = fills.get(slot)
    if (slot.pad === undefined || held === undefined) continue
    const missing = slot.min - [...held].length
    if (missing > 0) fills.set(slot, slot.pad.repeat(missing) + held)
  }
  if (program.framed) {
    for (const slot of program.slots) {
      const clash = fillClash(fills.get(slot) ?? '', slot)
      if (clash) return clash
    }
  }
  return { ok: true, fills }
}

function filledAny(nodes: readonly Node[], fills: ReadonlyMap<Slot, string>): boolean {
  return nodes.some((node) =>
    node.kind === 'slot'
      ? (fills.get(node) ?? '') !== ''
      : node.kind === 'section' && filledAny(node.nodes, fills),
  )
}
