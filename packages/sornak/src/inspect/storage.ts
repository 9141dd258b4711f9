// How the values of a table were stored where they come from: as text, or as something that does not keep
// identifiers. Readers of workbooks, databases and the like fill it in; inspection turns it into findings.

import { INTEGER_TYPES } from '../channel/integer-limits.js'
import type { Definition } from '../identifier/definition.js'
import { layoutsOf } from '../identifier/layout.js'

export type StoredAs = 'number' | 'date' | 'boolean' | 'error'

/** A value that is stored as something other than text. */
export interface StoredCell {
  /** Undefined for the text that a formula came to. */
  readonly as: StoredAs | undefined
  /** It is what a formula came to. */
  readonly formula: boolean
  /** What the display format makes of it, where it is another text. */
  readonly shown?: string | undefined
}

/** The type that a column declares. */
export interface ColumnType {
  /** In the words of its system, such as `double precision`. */
  readonly name: string
  /** Undefined for text. */
  readonly as: StoredAs | undefined
  /** What it can hold; undefined where it holds anything. */
  readonly holds?: Holds | undefined
}

export type Holds =
  | { readonly kind: 'integer'; readonly bits: 8 | 16 | 32 | 64; readonly signed: boolean }
  | { readonly kind: 'binary'; readonly bits: 32 | 64 }
  /** Decimal digits before the point. */
  | { readonly kind: 'decimal'; readonly digits: number }
  /** Characters. */
  | { readonly kind: 'text'; readonly length: number }

export interface Storage {
  /** By index of the column; undefined where no type is declared. */
  readonly types: readonly (ColumnType | undefined)[]
  /** @param index 0-based record of the table, its header included */
  cell(index: number, column: number): StoredCell | undefined
  /** Where a value stands in the file itself. */
  place(index: number, column: number): StoredPlace
}

export interface StoredPlace {
  /** Physical line; null where the file has none. */
  readonly line: number | null
  /** Column letters and row, such as `B7`. */
  readonly cell?: string | undefined
}

/** What the cells of one column were stored as; sums of two parts are those of the whole. */
export interface StoredCounts {
  as: Record<StoredAs, number>
  /** Values whose display shows other letters or digits. */
  differs: number
  /** The first of them. */
  example: { readonly stored: string; readonly shown: string } | undefined
}

export const storedCounts = (): StoredCounts => ({
  as: { number: 0, date: 0, boolean: 0, error: 0 },
  differs: 0,
  example: undefined,
})

/** Whether a display shows other letters or digits than are stored; separators alone hide nothing. */
export function displayDiffers(stored: string, shown: string | undefined): shown is string {
  return shown !== undefined && shown !== stored && bare(shown) !== bare(stored)
}

const bare = (text: string) => text.replace(/[^\p{L}\p{N}]/gu, '')

/** Why a type cannot hold every value of a definition, in a phrase; undefined where it can. */
export function tooSmall(definition: Definition, { holds }: ColumnType): string | undefined {
  if (!holds) return undefined
  const { layouts } = layoutsOf(definition)
  const longest = layouts.at(-1)?.places.length ?? 0
  if (holds.kind === 'text')
    return longest > holds.length
      ? `it takes ${holds.length} characters, and values have up to ${longest}`
      : undefined
  const digits = Math.max(
    0,
    ...layouts
      .filter(({ places }) => places.every(({ chars }) => chars.every((c) => c >= 48 && c <= 57)))
      .map(({ places }) => places.length),
  )
  const top = 10n ** BigInt(digits) - 1n
  const said = `values have up to ${digits} digits`
  switch (holds.kind) {
    case 'integer': {
      const max =
        INTEGER_TYPES.find(({ bits, signed }) => bits === holds.bits && signed === holds.signed)
          ?.max ?? (holds.signed ? 127n : 255n)
      return top > max ? `its largest number is ${max}, and ${said}` : undefined
    }
    case 'binary': {
      const exact = holds.bits === 32 ? 1n << 24n : 1n << 53n
      return top > exact ? `it is exact up to ${exact} only, and ${said}` : undefined
    }
    case 'decimal':
      return digits > holds.digits ? `it takes ${holds.digits} digits, and ${said}` : undefined
  }
}
