// A small notation for fields in tests: `20|6` for a text with a caret, `2[06]5` for a selection.

import { mask, maskList, type Mask, type MaskList } from 'sornak'
import { entry, type Edit, type EntryMask, type EntryOptions, type State } from 'sornak/entry'

export interface Field {
  readonly mask: EntryMask
  state: State
  /** Edits in order: text is typed, `⌫` and `⌦` delete, anything else is an edit. */
  do(...edits: (string | Edit)[]): Field
  /** Text and caret. */
  readonly seen: string
}

export function fieldFor(
  source: string | readonly string[] | Mask | MaskList,
  options?: EntryOptions,
): Field {
  const of =
    typeof source === 'string' ? mask(source) : 'length' in source ? maskList(source) : source
  const made = entry(of, options)
  const field: Field = {
    mask: made,
    state: made.start,
    do(...edits) {
      for (const one of edits)
        for (const edit of typeof one === 'string' ? keys(one) : [one])
          field.state = made.edit(field.state, edit)
      return field
    },
    get seen() {
      return seen(field.state)
    },
  }
  return field
}

export function keys(text: string): Edit[] {
  return [...text].map((char) =>
    char === '⌫'
      ? { kind: 'delete' }
      : char === '⌦'
        ? { kind: 'delete', to: 'forward' }
        : { kind: 'type', text: char },
  )
}

export const seen = ({ text, from, to }: State): string =>
  from === to
    ? `${text.slice(0, from)}|${text.slice(from)}`
    : `${text.slice(0, from)}[${text.slice(from, to)}]${text.slice(to)}`
