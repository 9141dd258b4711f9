// A mask in plain words, and its outline: what it looks like before anything is typed.

import type { Quantity } from '../quantity/quantity.js'
import { kindWord } from './kinds.js'
import type { DateSlot, Frame, Node, NumberSlot, Slot } from './tree.js'

/** `(___) ___-____`: literals as they are, `_` for each character, `…` where there is no limit. */
export function outline(nodes: readonly Node[]): string {
  return nodes
    .map((node) => {
      if (node.kind === 'literal') return node.text
      if (node.kind === 'section') return `[${outline(node.nodes)}]`
      if (node.kind === 'number') return numberOutline(node.quantity)
      if (node.kind === 'date') return dateOutline(node)
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
    if (node.kind === 'number') return [numberPhrase(node)]
    if (node.kind === 'date') return [datePhrase(node)]
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
  return [
    slot.first ? `the first ${amount.replace(/^1 /, '')}` : amount,
    ...(slot.from === undefined ? [] : [`from the field "${slot.from}"`]),
    ...(slot.name === undefined ? [] : [`called "${slot.name}"`]),
    ...(slot.pad === undefined ? [] : [`filled on the left with "${slot.pad}"`]),
    ...(slot.hide === undefined ? [] : [`shown as "${slot.hide}"`]),
    ...framePhrases(slot),
  ].join(', ')
}

function numberPhrase(slot: NumberSlot): string {
  const { decimals, whole, group, point, percent, scientific, base, sign, negative } = slot.quantity
  const { currency, locale, round } = slot.quantity
  const range = (min: number, max: number, word: string) =>
    max === Infinity
      ? `at least ${min} ${word}`
      : min === max
        ? `${min} ${word}`
        : `${min} to ${max} ${word}`
  return [
    base ? `a whole number in base ${base}` : percent ? 'a number as percent' : 'a number',
    ...(currency === undefined ? [] : [`as an amount in ${currency}`]),
    ...(scientific === undefined
      ? []
      : [`with a power of ten and ${scientific} digits after the point`]),
    ...(whole
      ? [
          `${range(whole.min, whole.max, 'digits before the point')}${whole.spaced ? ', missing ones as spaces' : ''}`,
        ]
      : []),
    ...(decimals
      ? [
          `${range(decimals.min, decimals.max, 'decimals')}${decimals.spaced ? ', missing ones as spaces' : ''}`,
        ]
      : []),
    ...(group === 'locale'
      ? ['digits grouped']
      : group
        ? [
            `digits in groups of ${group.first}${group.next === group.first ? '' : `, then ${group.next}`} with "${group.separator}" between`,
          ]
        : []),
    ...(point === undefined ? [] : [`with "${point}" as decimal mark`]),
    ...(sign === undefined
      ? []
      : [sign === 'always' ? 'always with a sign' : 'with a sign unless it is zero']),
    ...(negative ? ['in brackets when negative'] : []),
    ...(round === undefined ? [] : [`rounded ${round}`]),
    ...(locale === undefined
      ? []
      : [locale === 'reader' ? 'in the way of the reader’s locale' : `in the way of ${locale}`]),
    ...framePhrases(slot),
  ].join(', ')
}

function datePhrase(slot: DateSlot): string {
  const { text, fields, pivot, locale } = slot.date
  const two = fields.some((field) => field.kind === 'year' && field.digits === 'two')
  return [
    `a date written ${text}`,
    ...(two ? [`years from ${pivot} to ${pivot + 99}`] : []),
    ...(locale === 'en' ? [] : [`with the names of ${locale}`]),
    ...framePhrases(slot),
  ].join(', ')
}

const SIDES = { left: 'on the left', right: 'on the right', center: 'in the middle' } as const

function framePhrases({ width, align = 'left', fill }: Frame): string[] {
  if (width === undefined) return []
  const filler = fill === undefined || fill === ' ' ? 'spaces' : `"${fill}"`
  return [`at least ${width} wide, ${SIDES[align]}, filled up with ${filler}`]
}

function numberOutline({ whole, decimals, point = '.' }: Quantity): string {
  const before = '_'.repeat(Math.max(1, whole?.min ?? 1))
  const after = decimals && decimals.min > 0 ? point + '_'.repeat(decimals.min) : ''
  return `${before}…`.replace('…', whole && whole.max === whole.min ? '' : '…') + after
}

function dateOutline({ date }: DateSlot): string {
  return date.fields
    .map((field) => {
      if (field.kind === 'text') return field.text
      if (field.kind === 'month-name' || field.kind === 'weekday') return '___'
      return '_'.repeat(field.digits === 'four' ? 4 : field.digits === 'two' ? 2 : 1)
    })
    .join('')
}
