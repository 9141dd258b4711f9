// An entry mask: what a field does with keys, whatever it is for. Masks of characters, numbers and dates,
// lists of them, and whole definitions.

import { fit } from '../identifier/fit.js'
import type { Definition } from '../identifier/definition.js'
import type { MaskList } from '../mask/list.js'
import type { Mask } from '../mask/mask.js'
import { everySlot } from '../mask/tree.js'
import { unhidden } from '../mask/unhidden.js'
import { typing as characterTyping, type CharacterSettings } from './characters.js'
import { dateTyping } from './date.js'
import { fieldOf, type EntryMask } from './field.js'
import { quantityTyping } from './quantity.js'
import { NOTHING, type Typing } from './state.js'
import { written } from './written.js'

export { written, type WrittenMask, type WrittenMasks } from './written.js'
export type { EntryMask } from './field.js'
export type { Edit, Raw, Reason, State, Status } from './state.js'

export interface EntryOptions {
  /**
   * Country code that may stand before a pasted national number (ITU-T E.164). Left out, it is 1 for ten
   * digits grouped 3-3-4, as all countries with that code write them, else none.
   */
  readonly country?: string
  /** The locale that `locale reader` stands for (BCP 47). Without it, the platform's. */
  readonly reader?: string
}

/**
 * The entry mask for a mask, a list of masks or a definition.
 *
 * @throws {RangeError} for a date pattern with names of months or days, which are not typed in digits
 * @example
 * const phone = entry(mask('({3}) {3}-{4}'))
 * const state = phone.edit(phone.start, { kind: 'paste', text: '206.555.0142' })
 * state.text // '(206) 555-0142'
 * state.plain // '2065550142'
 * state.status // 'complete'
 */
export function entry(source: Mask | MaskList | Definition, options: EntryOptions = {}): EntryMask {
  if ('stored' in source) return forDefinition(source, options)
  return fieldOf(typingFor('masks' in source ? source.masks : [source], options, {}))
}

function forDefinition(definition: Definition, options: EntryOptions): EntryMask {
  const { stored, alsoRead, displays } = definition
  const shown = [...displays.values()].flatMap(({ masks }) => masks)
  const own = distinct([...definition.entry.masks, ...shown.map(unhidden)])
  const storedOf = (plain: string) => {
    const text = stored.show(plain)
    return text.ok ? text.text : plain
  }
  const typing = typingFor(own, options, {
    judge(plain) {
      const found = fit(definition, storedOf(plain))
      if (found.ok) return undefined
      return found.code === 'check-digit'
        ? { code: 'check-digit', message: 'The check digit does not fit; a digit is mistyped.' }
        : found.code === 'reserved'
          ? { code: 'reserved', message: 'Numbers like this are never issued.' }
          : { code: 'does-not-fit', message: 'It does not fit.' }
    },
  })
  const others = distinct([...stored.masks, ...(alsoRead?.masks ?? [])])
  return fieldOf(
    alsoReading(
      typing,
      others.map((one) => typingFor([one], { country: '' }, {})),
    ),
    storedOf,
  )
}

// What is pasted may stand in a form that is not typed, such as the stored one.
function alsoReading(typing: Typing, others: readonly Typing[]): Typing {
  return {
    ...typing,
    read(text) {
      const own = typing.read(text)
      if (own && typing.render(own).status === 'complete') return own
      for (const other of others) {
        const raw = other.read(text)
        if (!raw || other.render(raw).status !== 'complete') continue
        const mine = { ...NOTHING, chars: raw.chars }
        if (typing.left(mine).rendered.status === 'complete') return mine
      }
      return own
    },
  }
}

function typingFor(
  masks: readonly Mask[],
  { country, reader }: EntryOptions,
  settings: CharacterSettings,
): Typing {
  const [first] = masks
  const slot = everySlot(first!.nodes)[0]!
  if (slot.kind === 'number') return quantityTyping(first!, slot, reader)
  if (slot.kind === 'date') return dateTyping(first!, slot)
  const trees = masks.map(({ nodes }) => nodes)
  return characterTyping(written(trees, true, country), {
    ...settings,
    keep(plain, i) {
      const kept = masks[i]!.canon(plain)
      return kept.ok ? kept.plain : plain
    },
  })
}

function distinct(masks: readonly Mask[]): Mask[] {
  const texts = new Set<string>()
  return masks.filter(({ text }) => !texts.has(text) && texts.add(text))
}
