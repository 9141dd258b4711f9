// The forms in which values of a definition are shown or come in, and which characters these and the values have.

import type { Definition } from '../../identifier/definition.js'
import { holds } from '../../identifier/holds.js'
import { remembered } from '../../identifier/remembered.js'
import { shownNumbers, type ShownNumbers } from '../../identifier/shown-numbers.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import type { MaskList } from '../../mask/list.js'
import type { Read } from '../../mask/misfit.js'
import { mayReadAny } from '../../mask/recognize.js'
import { pointedIn } from './from-decimals.js'

/** Every form in which a value may be shown or come in, its own stored form read loosely included. */
export const formsOf: (definition: Definition) => readonly MaskList[] = remembered(
  ({ stored, displays, alsoRead }) => [
    ...new Set([stored, ...displays.values(), ...(alsoRead ? [alsoRead] : [])]),
  ],
)

/**
 * Values by the number that one of these forms is, separators left out; undefined where each is the value's own. A code with a
 * point in it is a number as it stands.
 */
export const shownIn: (space: Space) => ShownNumbers | undefined = remembered((space) =>
  pointedIn(space).length > 0 ? undefined : shownNumbers(space, formsOf(space.definition)),
)

/** What a form takes a text for; undefined where it does not fit. */
export function readIn(form: MaskList, text: string): (Read & { readonly ok: true }) | undefined {
  const read = mayReadAny(form, text) && form.read(text)
  return read && read.ok ? read : undefined
}

/** The stored text of a plain value, where it fits. */
export function restore(definition: Definition, plain: string): string | undefined {
  const stored = definition.stored.show(plain)
  return stored.ok && holds(definition, stored.text) ? stored.text : undefined
}

// The text itself where it is a stored one, or the stored text of which it is a display form.
export function storedOf(definition: Definition, text: string, displayed: boolean): string[] {
  if (holds(definition, text)) return [text]
  if (!displayed) return []
  return formsOf(definition).flatMap((form) => {
    const read = readIn(form, text)
    const original = read?.strict ? restore(definition, read.plain) : undefined
    return original === undefined ? [] : [original]
  })
}

const literalsOf = (definition: Definition): string[] =>
  formsOf(definition)
    .flatMap(({ masks }) => masks)
    .flatMap(({ nodes }) => nodes)
    .map((node) => (node.kind === 'literal' ? node.text : ''))

/** Whether a form of it has separators at all, spaces too. */
export const showsSeparators: (definition: Definition) => boolean = remembered((definition) =>
  literalsOf(definition).some((text) => /[ \-./()]/.test(text)),
)

/** Whether a form of it has separators that dates, sums and times have. */
export const holdsSeparators: (definition: Definition) => boolean = remembered(
  (definition) =>
    literalsOf(definition).some((text) => /[-/.:()]/.test(text)) ||
    formsOf(definition).some(takesSeparators),
)

/** Whether a text has a separator that no form of the definition has. */
export const hasForeignSeparator: (definition: Definition) => (text: string) => boolean =
  remembered((definition) => {
    const { layouts } = spaceOf(definition)
    const own = literalsOf(definition).join('')
    const isHeld = (char: string) =>
      own.includes(char) ||
      formsOf(definition).some(takesSeparators) ||
      layouts.some(({ places }) => places.some(({ chars }) => chars.includes(char.charCodeAt(0))))
    const others = Array.from('-/. ').filter((char) => !isHeld(char))
    return (text) => others.some((char) => text.includes(char))
  })

const takesSeparators = ({ masks }: MaskList) =>
  masks.some(
    ({ kind, program }) =>
      kind === 'date' ||
      program.slots.some(({ chars }) => chars.kind === 'any' || chars.kind === 'of'),
  )

// Whether values can hold one of these characters.
function holdsAny(chars: string): (space: Space) => boolean {
  const codes = Array.from(chars, (char) => char.charCodeAt(0))
  return remembered(({ layouts }) =>
    layouts.some(({ places }) =>
      places.some((place) => codes.some((code) => place.chars.includes(code))),
    ),
  )
}

/** Whether a form of it has letters that may be taken for digits. */
export const showsLookAlikes: (definition: Definition) => boolean = remembered((definition) =>
  literalsOf(definition).some((text) => /[OIZSB]/.test(text)),
)

/** A letter that names of months have. */
export const holdsLetters: (space: Space) => boolean = holdsAny('M')
/** A digit of base sixteen that is a letter. */
export const holdsSixteen: (space: Space) => boolean = holdsAny('ABCDEFabcdef')
export const holdsLookAlikes: (space: Space) => boolean = holdsAny('OIZSB')
/** A separator that dates have. */
export const storesSeparators: (space: Space) => boolean = holdsAny('-/.')
