// Fields on a page for masks of every kind. Pages that need character masks only, and want to be small,
// take `attach` from `sornak/dom/characters` instead.

import { entry, type EntryMask, type EntryOptions } from '../entry/entry.js'
import type { Definition } from '../identifier/definition.js'
import type { MaskList } from '../mask/list.js'
import type { Mask } from '../mask/mask.js'
import { bind, type Field, type FieldOptions } from './bind.js'

export type { Field, FieldOptions } from './bind.js'
export type { Reason, State, Status } from '../entry/state.js'

export interface AttachOptions extends FieldOptions, EntryOptions {}

/**
 * Guides typing in an input by a mask, a list of masks, a definition or an entry mask.
 *
 * What a definition calls secret is hidden when the field is left, but for what it lets be seen.
 *
 * @throws {TypeError} where the input is of a type without selections, such as `number` or `email`
 * @example
 * const phone = attach(document.querySelector('#phone'), mask('({3}) {3}-{4}'), { submit: 'plain' })
 * phone.status // 'empty'
 */
export function attach(
  input: HTMLInputElement,
  source: Mask | MaskList | Definition | EntryMask,
  options: AttachOptions = {},
): Field {
  if ('edit' in source) return bind(input, source, options)
  const secret =
    'sensitivity' in source && source.sensitivity === 'secret'
      ? { secret: { last: source.reveal.last } }
      : {}
  return bind(input, entry(source, options), { ...secret, ...options })
}
