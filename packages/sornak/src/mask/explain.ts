// A mask in plain words, and its outline: what it looks like before anything is typed.

import { kindWord } from './kinds.js'
import type { Node, Slot } from './tree.js'

/** `(___) ___-____`: literals as they are, `_` for each character, `…` where there is no limit. */
export function outline(nodes: readonly Node[]): string {
  return nodes
    .map((node) => {
      if (node.kind === 'literal') return node.text
      if (node.kind === 'section') return `[${outline(node.nodes)}]`
      return node.max === Infinity ? `${'_'.repeat(Math.max(1, node.min))}…` : '_'.repeat(node.max)
    })
    .join('')
}

/** One phrase for each piece of the mask, in order. */
export function phrases(nodes: readonly Node[]): string[] {
  return nodes.flatMap((node) => {
    if (node.kind === 'literal') return [`the text "${node.text}"`]
    if (node.kind === 'section')
      return [`if there are characters left for it: ${phrases(node.nodes).join(', ')}`]
    return [slotPhrase(node)]
  })
}

export function slotPhrase(slot: Slot): string {
  const { min, max } = slot
  const many = max !== 1
  const word = kindWord(slot.chars, many)
  const single = max === 1 && min === 1 && slot.chars.kind === 'of'
  const amount = single
    ? word
    : max === Infinity
      ? `${min} or more ${word}`
      : min === max
        ? `${max} ${word}`
        : `${min} to ${max} ${word}`
  const notes = [
    slot.name === undefined ? '' : `called "${slot.name}"`,
    slot.pad === undefined ? '' : `filled on the left with "${slot.pad}"`,
    slot.hide === undefined ? '' : `shown as "${slot.hide}"`,
  ].filter(Boolean)
  return [amount, ...notes].join(', ')
}
