// Tree -> the shortest text that parses to the same tree.

import type { Digits, Quantity } from '../quantity/quantity.js'
import { rangesText } from './kinds.js'
import { PIVOT } from './parse-date.js'
import type { DateSlot, Frame, Node, NumberSlot, Slot } from './tree.js'

export function print(nodes: readonly Node[]): string {
  return nodes
    .map((node) => {
      if (node.kind === 'literal') return escape(node.text)
      if (node.kind === 'section') return `[${print(node.nodes)}]`
      const name = node.name === undefined ? '' : `${node.name}: `
      return `{${name}${slotWords(node).join(' ')}}`
    })
    .join('')
}

/** Text with everything escaped that would mean something in a mask. */
export const escape = (text: string): string => text.replace(/[{}[\]\\]/g, '\\$&')

function slotWords(slot: Slot | NumberSlot | DateSlot): string[] {
  if (slot.kind === 'number')
    return ['number', ...quantityWords(slot.quantity), ...frameWords(slot)]
  if (slot.kind === 'date') {
    const { text, pivot, locale } = slot.date
    const words = [
      ...(pivot === PIVOT ? [] : [`pivot ${pivot}`]),
      ...(locale === 'en' ? [] : [`locale ${locale}`]),
      ...frameWords(slot),
    ]
    return [`date ${text}${words.length ? ',' : ''}`, ...words]
  }
  const words: string[] = []
  const count = countText(slot)
  const isText = slot.chars.kind === 'any' && slot.min === 1 && slot.max === Infinity
  const kind = isText ? 'text' : slot.chars.kind === 'digit' ? '' : kindText(slot)
  if (!isText && (count !== '1' || !kind)) words.push(count)
  if (kind) words.push(kind)
  if (slot.pad !== undefined) words.push(slot.pad === '0' ? 'pad' : `pad ${quote(slot.pad)}`)
  if (slot.hide !== undefined) words.push(slot.hide === '•' ? 'hide' : `hide ${quote(slot.hide)}`)
  if (slot.first) words.push('first')
  if (slot.from !== undefined)
    words.push(`from ${/^\p{L}[\p{L}\d_/-]*$/u.test(slot.from) ? slot.from : quote(slot.from)}`)
  return [...words, ...frameWords(slot)]
}

function quantityWords(quantity: Quantity): string[] {
  const { decimals, whole, group, point, percent, scientific, base } = quantity
  const words: (string | false | undefined)[] = [
    whole && `whole ${digitsText(whole, true)}`,
    decimals && `decimals ${digitsText(decimals, false)}`,
    group && groupText(group),
    point !== undefined && `point ${quote(point)}`,
    percent && 'percent',
    scientific !== undefined && `scientific ${scientific}`,
    base && `base ${base}`,
    quantity.sign && `sign ${quantity.sign}`,
    quantity.negative && `negative ${quantity.negative}`,
    quantity.currency !== undefined && `currency ${quantity.currency}`,
    quantity.locale !== undefined && `locale ${quantity.locale}`,
    quantity.round && `round ${quantity.round}`,
  ]
  return words.filter((word) => typeof word === 'string')
}

function digitsText({ min, max, spaced }: Digits, open: boolean): string {
  const range =
    max === Infinity ? (open ? `${min}` : `${min}..`) : min === max ? `${min}` : `${min}..${max}`
  const exact = open && min === max ? `${min}..${max}` : range
  return exact + (spaced ? ' spaced' : '')
}

function groupText(group: NonNullable<Quantity['group']>): string {
  if (group === 'locale') return 'group'
  const { separator, first, next } = group
  if (separator === ',' && first === 3 && next === 2) return 'group indian'
  const sizes = next === first ? (first === 3 ? '' : ` ${first}`) : ` ${first} ${next}`
  return `group ${quote(separator)}${sizes}`
}

function frameWords({ width, align, fill }: Frame): string[] {
  return [
    ...(width === undefined ? [] : [`width ${width}`]),
    ...(align === undefined ? [] : [`align ${align}`]),
    ...(fill === undefined ? [] : [`fill ${quote(fill)}`]),
  ]
}

function countText({ min, max }: Slot): string {
  if (max === Infinity) return `${min}..`
  return min === max ? `${min}` : `${min}..${max}`
}

function kindText({ chars }: Slot): string {
  if (chars.kind === 'of') return `of ${quote(rangesText(chars.ranges))}`
  return chars.kind === 'own' ? chars.name : chars.kind
}

const quote = (text: string) => `"${text.replace(/["\\]/g, '\\$&')}"`
