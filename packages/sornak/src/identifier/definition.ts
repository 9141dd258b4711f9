// All that is said of one identifier, ready to use: how it is stored, shown and read, what rules it
// obeys and what of it may be seen. How a rules file says it is decided in define.ts.

import type { MaskList } from '../mask/list.js'
import type { CheckScheme } from './check-digit/scheme.js'
import type { PartRule } from './ranges.js'
import type { Reveal, Sensitivity } from './reveal.js'

export interface Definition {
  /** Its name in the rules file or catalog, such as `crew-number`. */
  readonly key: string
  readonly title: string
  readonly note: string | undefined
  readonly stored: MaskList
  /** The default display form. */
  readonly display: MaskList
  /** All display forms by name; one that was not named is called `display`. */
  readonly displays: ReadonlyMap<string, MaskList>
  /** How it is typed: the default display without anything hidden, where nothing else is said. */
  readonly entry: MaskList
  readonly alsoRead: MaskList | undefined
  /** Whether 042 and 42 are two values (`significant`) or one (`padding`). */
  readonly zeros: 'significant' | 'padding'
  readonly check: Check | undefined
  readonly never: readonly PartRule[]
  readonly only: readonly PartRule[]
  readonly unique: boolean
  readonly required: boolean
  readonly sensitivity: Sensitivity
  readonly reveal: Reveal
  readonly samples: { readonly fits: readonly string[]; readonly doesNotFit: readonly string[] }
  readonly owner: string | undefined
  /** Standard or numbering plan, for catalog entries. */
  readonly cites: string | undefined
}

export interface Check {
  readonly scheme: CheckScheme
  readonly over: 'plain' | 'stored' | readonly string[]
}

/** The name of the whole stored text among the parts. */
export const WHOLE = 'value'
