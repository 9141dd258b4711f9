// The same for character masks only: the smallest way to put a mask on a page.

import { typing, type CharacterSettings } from '../entry/characters.js'
import { fieldOf } from '../entry/field.js'
import type { WrittenMasks } from '../entry/written.js'
import { bind, type Field, type FieldOptions } from './bind.js'

/**
 * Guides typing in an input by character masks that were written out: `written([mask('…').nodes])` of
 * `sornak/entry` is plain data, made once, so that the page need not carry the mask language.
 *
 * @throws {TypeError} where the input is of a type without selections, such as `number` or `email`
 */
export function attach(
  input: HTMLInputElement,
  masks: WrittenMasks,
  options: FieldOptions & CharacterSettings = {},
): Field {
  return bind(input, fieldOf(typing(masks, options)), options)
}
