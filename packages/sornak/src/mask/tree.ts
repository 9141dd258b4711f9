// The syntax tree of a mask and the words it is made of. What a tree may not say is decided in
// check.ts; how it is matched, in automaton.ts.

import type { DatePattern } from '../date/pattern.js'
import type { Quantity } from '../quantity/quantity.js'

/** Names of the character kinds, in the order in which messages list them. */
export const KIND_NAMES = ['digit', 'letter', 'upper', 'lower', 'alnum', 'hex', 'any'] as const

export type KindName = (typeof KIND_NAMES)[number]

/**
 * What one character of a slot may be. `of` holds inclusive ranges of code points, in order; `own` is a
 * kind that was registered by name.
 */
export type Kind =
  | { readonly kind: KindName }
  | { readonly kind: 'of'; readonly ranges: readonly (readonly [number, number])[] }
  | { readonly kind: 'own'; readonly name: string }

/** Text that stands as it is. `at` counts UTF-16 units from the start of the mask text. */
export interface Literal {
  readonly kind: 'literal'
  readonly text: string
  readonly at: number
}

export type Align = 'left' | 'right' | 'center'

/** What is filled up to a least width, in characters. */
export interface Frame {
  readonly width?: number
  readonly align?: Align
  readonly fill?: string
}

interface AnySlot extends Frame {
  readonly name?: string
  readonly at: number
  readonly end: number
}

/** The place of `min` to `max` characters (code points) of one kind. `max` may be `Infinity`. */
export interface Slot extends AnySlot {
  readonly kind: 'slot'
  readonly min: number
  readonly max: number
  readonly chars: Kind
  /** Missing characters are filled on the left with this one. */
  readonly pad?: string
  /** Shown in place of each character. */
  readonly hide?: string
  /** The field of a record that fills it. */
  readonly from?: string
  /** Takes the first characters of a longer field. */
  readonly first?: true
}

/** The place of an exact decimal. */
export interface NumberSlot extends AnySlot {
  readonly kind: 'number'
  readonly quantity: Quantity
}

/** The place of a calendar date. */
export interface DateSlot extends AnySlot {
  readonly kind: 'date'
  readonly date: DatePattern
}

/** A part of a mask that is there only if its slots have characters. */
export interface Section {
  readonly kind: 'section'
  readonly nodes: readonly Node[]
  readonly at: number
  readonly end: number
}

export type Node = Literal | Slot | NumberSlot | DateSlot | Section

/** The character slots of a tree from left to right, those of sections included. */
export function slotsOf(nodes: readonly Node[]): Slot[] {
  return everySlot(nodes).filter((slot) => slot.kind === 'slot')
}

/** All slots of a tree from left to right, those of sections included. */
export function everySlot(nodes: readonly Node[]): (Slot | NumberSlot | DateSlot)[] {
  return nodes.flatMap((node) =>
    node.kind === 'literal' ? [] : node.kind === 'section' ? everySlot(node.nodes) : [node],
  )
}
