// Tree -> the shortest text that parses to the same tree.

import { rangesText } from './kinds.js'
import type { Node, Slot } from './tree.js'

export function print(nodes: readonly Node[]): string {
  return nodes
    .map((node) => {
      if (node.kind === 'literal') return node.text.replace(/[{}[\]\\]/g, '\\$&')
      if (node.kind === 'section') return `[${print(node.nodes)}]`
      return `{${slotText(node)}}`
    })
    .join('')
}

function slotText(slot: Slot): string {
  const words: string[] = []
  const count = countText(slot)
  const kind = slot.chars.kind === 'digit' ? '' : kindText(slot)
  if (count !== '1' || !kind) words.push(count)
  if (kind) words.push(kind)
  if (slot.pad !== undefined) words.push(slot.pad === '0' ? 'pad' : `pad ${quote(slot.pad)}`)
  if (slot.hide !== undefined) words.push(slot.hide === '•' ? 'hide' : `hide ${quote(slot.hide)}`)
  return (slot.name === undefined ? '' : `${slot.name}: `) + words.join(' ')
}

function countText({ min, max }: Slot): string {
  if (max === Infinity) return `${min}..`
  return min === max ? `${min}` : `${min}..${max}`
}

const kindText = ({ chars }: Slot) =>
  chars.kind === 'of' ? `of ${quote(rangesText(chars.ranges))}` : chars.kind

const quote = (text: string) => `"${text.replace(/["\\]/g, '\\$&')}"`
