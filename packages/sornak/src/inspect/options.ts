// What can be asked for when a table is inspected.

import type { Shelf } from './shelf.js'
import type { Storage } from './storage.js'
import type { TrustedList } from './trusted.js'

export interface InspectOptions {
  readonly reveal: boolean
  /** How many candidates to list. */
  readonly candidates: number
  readonly quote: number
  /** Lists that are known to be right, by identifier. */
  readonly trusted?: ReadonlyMap<string, TrustedList>
  /** Ask for padding and precision too. */
  readonly profile?: boolean
  /** How the values were stored, where that was not text. */
  readonly storage?: Storage | undefined
  /** Without what the rows say together: verdicts are given value by value and are not final. */
  readonly onePass?: boolean
  /** Say why in hidden words too. */
  readonly hiddenWhy?: boolean
  /** Where what must be unique is laid down; in memory where it is left out. */
  readonly shelf?: Shelf | undefined
  /** The sheet or table of the file, where it has several. */
  readonly sheet?: string | undefined
}
