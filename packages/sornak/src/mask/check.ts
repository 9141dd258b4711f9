// Refuses trees that would leave a value, or a text, more than one way to be taken.

import { twoWays } from './ambiguity.js'
import { build } from './automaton.js'
import { classOf, takes } from './kinds.js'
import { problems } from './messages.js'
import { print } from './print.js'
import { MaskError } from './problem.js'
import { MOST_CHARACTERS } from './slot-words.js'
import { everySlot, slotsOf, type Node, type Section } from './tree.js'

/** @throws {MaskError} for a tree that is not one clear mask. */
export function check(text: string, nodes: readonly Node[]): void {
  const every = everySlot(nodes)
  if (every.length === 0) throw new MaskError(text, problems.maskEmpty())
  for (const { width, align, fill, at, end } of every) {
    if (width === undefined && (align ?? fill) !== undefined)
      throw new MaskError(text, problems.fillWithout(text, at, end))
  }
  const single = every.find(({ kind }) => kind !== 'slot')
  if (single) {
    if (every.length > 1 || nodes.some(({ kind }) => kind === 'section'))
      throw new MaskError(text, problems.kindsMixed(text, single.at, single.end))
    return
  }
  const slots = slotsOf(nodes)
  const first = slots[0]!
  const composite = slots.some((slot) => slot.from !== undefined)
  const names = new Set<string>()
  let width = 0
  for (const slot of slots) {
    width += slot.max === Infinity ? Math.max(slot.min, 1) : slot.max
    if (width > MOST_CHARACTERS) {
      throw new MaskError(text, problems.countLarge(text, slot.at + 1, 1, MOST_CHARACTERS))
    }
    if (composite && slot.from === undefined)
      throw new MaskError(text, problems.fromMissing(text, slot.at, slot.end))
    if (slot.first && slot.from === undefined)
      throw new MaskError(text, problems.firstAlone(text, slot.at, slot.end))
    if (slot.name !== undefined && names.has(slot.name)) {
      throw new MaskError(text, problems.nameDuplicate(text, slot.at, slot.name))
    }
    if (slot.name !== undefined) names.add(slot.name)
    if (slot.hide !== undefined && takes(classOf(slot.chars), slot.hide.codePointAt(0)!)) {
      throw new MaskError(text, problems.hideTaken(text, slot.at, slot.end, slot.hide))
    }
  }
  for (const section of sectionsOf(nodes)) {
    if (canBeEmpty(section.nodes)) {
      throw new MaskError(text, problems.sectionEmpty(text, section.at, section.end))
    }
  }
  const variable = slots.find((slot) => slot.min !== slot.max || slot.pad !== undefined) ?? first
  // What fills a composite comes field by field, so its plain value is never taken apart.
  const layouts = composite
    ? undefined
    : (twoWays(build(nodes, 'plain')) ?? twoWays(build(nodes, 'given')))
  if (layouts !== undefined) {
    throw new MaskError(text, problems.twoLayouts(variable.at, layouts, print(settled(nodes))))
  }
  const readings = twoWays(build(nodes, 'strict'))
  if (readings !== undefined) {
    throw new MaskError(text, problems.twoReadings(variable.at, readings, print(settled(nodes))))
  }
}

function sectionsOf(nodes: readonly Node[]): Section[] {
  return nodes.flatMap((node) => (node.kind === 'section' ? [node, ...sectionsOf(node.nodes)] : []))
}

function canBeEmpty(nodes: readonly Node[]): boolean {
  return nodes.every((node) => node.kind !== 'slot' || node.min === 0)
}

/** The same mask with every count fixed and no section: a layout that cannot be doubted. */
function settled(nodes: readonly Node[]): Node[] {
  return nodes.flatMap((node): Node[] => {
    if (node.kind === 'section') return settled(node.nodes)
    if (node.kind !== 'slot') return [node]
    const { pad: _pad, ...slot } = node
    const count = slot.max === Infinity ? Math.max(1, slot.min) : slot.max
    return [{ ...slot, min: count, max: count }]
  })
}
