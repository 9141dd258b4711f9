// A field with its own way of typing, as pure functions.

import { edited, started } from './edit.js'
import type { Edit, State, Typing } from './state.js'

/** A field that guides typing: a state and an edit make a new state. */
export interface EntryMask {
  /** The state before the first key. */
  readonly start: State
  /** Linear in the length of the text; refused edits change nothing but `refused`. */
  edit(state: State, edit: Edit): State
  /** The on-screen keyboard that serves best (HTML `inputmode`). */
  readonly inputMode: Typing['inputMode']
  /** How the stored form of a complete plain value is written; the plain value itself for a bare mask. */
  stored(plain: string): string
}

export function fieldOf(typing: Typing, stored: (plain: string) => string = same): EntryMask {
  return {
    start: started(typing),
    edit: (state, edit) => edited(typing, state, edit),
    inputMode: typing.inputMode,
    stored,
  }
}

const same = (plain: string) => plain
