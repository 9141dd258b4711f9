// The syntax tree of a mask and the words it is made of. What a tree may not say is decided in
// check.ts; how it is matched, in automaton.ts.

/** Names of the character kinds, in the order in which messages list them. */
export const KIND_NAMES = ['digit', 'letter', 'upper', 'lower', 'alnum', 'hex', 'any'] as const

export type KindName = (typeof KIND_NAMES)[number]

/** What one character of a slot may be. `of` holds inclusive ranges of code points, in order. */
export type Kind =
  | { readonly kind: KindName }
  | { readonly kind: 'of'; readonly ranges: readonly (readonly [number, number])[] }

/** Text that stands as it is. `at` counts UTF-16 units from the start of the mask text. */
export interface Literal {
  readonly kind: 'literal'
  readonly text: string
  readonly at: number
}

/** The place of `min` to `max` characters (code points) of one kind. `max` may be `Infinity`. */
export interface Slot {
  readonly kind: 'slot'
  readonly name?: string
  readonly min: number
  readonly max: number
  readonly chars: Kind
  /** Missing characters are filled on the left with this one. */
  readonly pad?: string
  /** Shown in place of each character. */
  readonly hide?: string
  readonly at: number
  readonly end: number
}

/** A part of a mask that is there only if its slots have characters. */
export interface Section {
  readonly kind: 'section'
  readonly nodes: readonly Node[]
  readonly at: number
  readonly end: number
}

export type Node = Literal | Slot | Section

/** The slots of a tree from left to right, those of sections included. */
export function slotsOf(nodes: readonly Node[]): Slot[] {
  return nodes.flatMap((node) =>
    node.kind === 'slot' ? [node] : node.kind === 'section' ? slotsOf(node.nodes) : [],
  )
}
