// Fields on a page for masks of every kind. Pages that need character masks only, and want to be small,
// take `attach` from `sornak/dom/characters` instead.

import { entry, type EntryMask, type EntryOptions } from '../entry/entry.js'
import type { Definition } from '../identifier/definition.js'
import { hide } from '../identifier/reveal.js'
import type { MaskList } from '../mask/list.js'
import type { Mask } from '../mask/mask.js'
import { bind, type Field, type FieldOptions } from './bind.js'

export type { Field, FieldOptions } from './bind.js'
export type { Reason, State, Status } from '../entry/state.js'

export interface AttachOptions extends Omit<FieldOptions, 'hide'>, EntryOptions {
  /** Characters of a complete value are hidden when the field is left, all but the last so many. */
  readonly secret?: { readonly last: number } | undefined
}

/**
 * Guides typing in an input by a mask, a list of masks, a definition or an entry mask.
 *
 * What a definition calls secret is hidden when the field is left, but for what it lets be seen.
 *
 * `attach(document.querySelector('#phone'), mask('({3}) {3}-{4}'), { submit: 'plain' })` guides an input and
 * gives its form the ten digits.
 *
 * @throws {TypeError} where the input is of a type without selections, such as `number` or `email`
 */
export function attach(
  input: HTMLInputElement,
  source: Mask | MaskList | Definition | EntryMask,
  options: AttachOptions = {},
): Field {
  const reveal =
    options.secret ??
    ('sensitivity' in source && source.sensitivity === 'secret' ? source.reveal : undefined)
  const hidden = reveal && { hide: (text: string) => hide(text, { first: 0, ...reveal }) }
  const mask = 'edit' in source ? source : entry(source, options)
  return bind(input, mask, { ...options, ...hidden })
}
