// What a `{number}` slot says: settings only. How they show and read is in show.ts and read.ts.

import type { RoundingMode } from './decimal.js'

/** Sizes are in digits. What is left out follows the locale, or is not done at all. */
export interface Quantity {
  /** Digits after the point: fewest and most. Left out: as many as the value has. */
  readonly decimals?: Digits
  /** Digits before the point. More than `max` are a misfit, never cut. */
  readonly whole?: Digits
  readonly group?: 'locale' | Grouping
  /** The decimal mark; the locale's where it is left out. */
  readonly point?: string
  readonly percent?: true
  /** Digits after the point of the coefficient; the value is shown with a power of ten. */
  readonly scientific?: number
  readonly base?: 2 | 8 | 16
  /** `always`: a plus sign too; `nonzero`: a plus sign but for zero. */
  readonly sign?: 'always' | 'nonzero'
  readonly negative?: 'brackets'
  /** ISO 4217 code. */
  readonly currency?: string
  /** BCP 47 tag, or `reader` for the locale of whoever looks. Left out: `en`. */
  readonly locale?: string
  readonly round?: RoundingMode
}

export interface Digits {
  readonly min: number
  readonly max: number
  /** Digits that are missing up to `max` leave a space, so that points line up in a column. */
  readonly spaced: boolean
}

/** Digits in the group next to the point, and in all further ones. */
export interface Grouping {
  readonly separator: string
  readonly first: number
  readonly next: number
}

/** What is wrong with a value or text, before it is worded: the offset is in UTF-16 units. */
export interface Trouble {
  readonly code:
    | 'not-decimal'
    | 'wrong-character'
    | 'too-long'
    | 'too-short'
    | 'empty'
    | 'decimals'
    | 'not-whole'
    | 'sign-missing'
  readonly at: number
  readonly expected: string
}

export type QuantityShown =
  | { readonly ok: true; readonly text: string; readonly rounded: boolean }
  | { readonly ok: false; readonly trouble: Trouble }
export type QuantityRead =
  { readonly ok: true; readonly value: string } | { readonly ok: false; readonly trouble: Trouble }
