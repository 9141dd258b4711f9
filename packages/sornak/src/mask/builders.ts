// Masks built in code. Builders make the same tree that text makes: what they build is printed and
// parsed, so that a mask built in code is the same object and is refused for the same reasons.

import type { Quantity } from '../quantity/quantity.js'
import { mask, type Mask, type MaskOptions } from './mask.js'
import { escape, print } from './print.js'
import type { Frame, KindName, Node, Section, Slot } from './tree.js'

/** Text stands for itself. */
export type Piece = string | Node

export interface SlotSettings extends Frame {
  /** How many characters: `3`, or fewest and most; `Infinity` for no limit. One where it is left out. */
  readonly count?: number | readonly [min: number, max: number]
  /** A kind of character, or the name of a registered one. */
  readonly kind?: KindName | (string & {})
  /** The characters that it takes, as in `of "A..F0..9"`; instead of a kind. */
  readonly of?: string
  readonly name?: string
  /** `true` for zeros, or the character to fill with. */
  readonly pad?: true | string
  /** `true` for dots, or the character to show instead. */
  readonly hide?: true | string
  readonly from?: string
  readonly first?: true
}

const NOWHERE = { at: 0, end: 0 }

/**
 * A mask of pieces: text, slots and sections, with sizes and fills from variables.
 *
 * @throws {MaskError} as `mask` does, with places in the text of the mask
 * @example
 * const width = 5
 * maskOf('REF-', slot({ count: width, pad: true })).show('42') // { ok: true, text: 'REF-00042' }
 * maskOf('REF-', slot({ count: width, pad: true })).text // 'REF-{5 pad}'
 */
export function maskOf(...pieces: readonly [Piece, ...Piece[]]): Mask {
  return mask(textOf(pieces))
}

/** The same with options. */
export function maskWith(options: MaskOptions, ...pieces: readonly [Piece, ...Piece[]]): Mask {
  return mask(textOf(pieces), options)
}

const textOf = (pieces: readonly Piece[]) =>
  pieces.map((piece) => (typeof piece === 'string' ? escape(piece) : print([piece]))).join('')

/**
 * A slot of characters.
 *
 * @example
 * maskOf(slot({ count: [1, 3], kind: 'upper' }), '-', slot({ count: 4 })).text // '{1..3 upper}-{4}'
 */
export function slot(settings: SlotSettings = {}): Slot {
  const { count = 1, kind, of, pad, hide, ...rest } = settings
  const [min, max] = typeof count === 'number' ? [count, count] : count
  return {
    kind: 'slot',
    min,
    max,
    chars:
      of === undefined
        ? // An unknown name is printed as it is, and refused with the known ones when it is parsed.
          kind === undefined
          ? { kind: 'digit' }
          : { kind: 'own', name: kind }
        : { kind: 'of', ranges: [...rangesOf(of)] },
    ...(pad !== undefined && { pad: pad === true ? '0' : pad }),
    ...(hide !== undefined && { hide: hide === true ? '•' : hide }),
    ...rest,
    ...NOWHERE,
  }
}

/** A part that is there only if its slots have characters. */
export function section(...pieces: readonly [Piece, ...Piece[]]): Section {
  const nodes = pieces.map((piece): Node =>
    typeof piece === 'string' ? { kind: 'literal', text: piece, at: 0 } : piece,
  )
  return { kind: 'section', nodes, ...NOWHERE }
}

export interface NumberSettings extends Omit<Quantity, 'decimals' | 'whole' | 'group'>, Frame {
  readonly name?: string
  /** Digits after the point: so many, or fewest and most. */
  readonly decimals?: number | readonly [min: number, max: number]
  /** Digits before the point: at least so many, or fewest and most. */
  readonly whole?: number | readonly [min: number, max: number]
  /** Missing digits leave spaces, so that points line up. */
  readonly spaced?: true
  /** `true` for the locale's way; a separator, for groups of three; or separator and sizes. */
  readonly group?: true | string | readonly [separator: string, first: number, next?: number]
}

/**
 * The slot of an exact decimal.
 *
 * @example
 * maskOf('R ', number({ decimals: 2, group: ' ' })).show('1234567.5') // { ok: true, text: 'R 1 234 567.50' }
 */
export function number(settings: NumberSettings = {}): Node {
  const { name, width, align, fill, decimals, whole, group, spaced = false, ...rest } = settings
  const both = (size: number | readonly [number, number]) =>
    typeof size === 'number' ? ([size, size] as const) : size
  const [fewest, most] = both(whole ?? 1)
  const [least, last] = both(decimals ?? 0)
  return {
    kind: 'number',
    ...(name !== undefined && { name }),
    quantity: {
      ...rest,
      ...(whole !== undefined && {
        whole: { min: fewest, max: typeof whole === 'number' ? Infinity : most, spaced },
      }),
      ...(decimals !== undefined && { decimals: { min: least, max: last, spaced } }),
      ...(group !== undefined && { group: groupingOf(group) }),
    },
    ...(width !== undefined && { width }),
    ...(align !== undefined && { align }),
    ...(fill !== undefined && { fill }),
    ...NOWHERE,
  }
}

export interface DateSettings extends Frame {
  readonly name?: string
  /** First of the hundred years that two digits stand for; 2000 where it is left out. */
  readonly pivot?: number
  /** Whose names of months and weekdays (BCP 47); English where it is left out. */
  readonly locale?: string
}

/**
 * The slot of a calendar date, in the field symbols of Unicode LDML (UTS #35).
 *
 * @example
 * maskOf('exp ', date('MM/yy')).show('2028-02') // { ok: true, text: 'exp 02/28' }
 */
export function date(pattern: string, settings: DateSettings = {}): Node {
  const { pivot = 2000, locale = 'en', ...rest } = settings
  return { kind: 'date', date: { text: pattern, fields: [], pivot, locale }, ...rest, ...NOWHERE }
}

function groupingOf(group: NonNullable<NumberSettings['group']>): NonNullable<Quantity['group']> {
  if (group === true) return 'locale'
  if (typeof group === 'string') return { separator: group, first: 3, next: 3 }
  const [separator, first, next = first] = group
  return { separator, first, next }
}

// The characters one by one; what is a range in the text stays one, since it is printed as it is.
function* rangesOf(of: string): Generator<readonly [number, number]> {
  const chars = [...of].map((char) => char.codePointAt(0)!)
  for (let i = 0; i < chars.length; i++) {
    if (chars[i + 1] === 46 && chars[i + 2] === 46 && chars[i + 3] !== undefined) {
      yield [chars[i]!, chars[i + 3]!]
      i += 3
    } else yield [chars[i]!, chars[i]!]
  }
}
