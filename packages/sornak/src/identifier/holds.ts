// Whether a text fits, where nobody asks why not: the automata say so at once, or at least that it does not.

import { mayReadAny } from '../mask/recognize.js'
import type { Definition } from './definition.js'
import { fit } from './fit.js'
import { layoutsOf } from './layout.js'
import { mayHold, tellsAll } from './parts-of-space.js'
import { remembered } from './remembered.js'
import { spaceOf } from './space.js'

/** The same as `fit(definition, text).ok`. */
export function holds(definition: Definition, text: string): boolean {
  if (!toldByAutomata(definition)) return fit(definition, text).ok
  const space = spaceOf(definition)
  return mayHold(space, text) && (isSure(definition) || fit(definition, text).ok)
}

/** It has the shape of a value, and its check digit or a reserved part is wrong. */
export function isOnlyShaped(definition: Definition, text: string): boolean {
  if (!mayReadAny(definition.stored, text)) return false
  const fitted = fit(definition, text)
  return !fitted.ok && fitted.code !== 'shape'
}

// Several masks may read a text in two ways, which no automaton tells.
const isSure = remembered(
  (definition: Definition) => definition.stored.masks.length === 1 && tellsAll(spaceOf(definition)),
)

// Numbers, dates and values of any length lie beyond the automata; where zeros are padding, so does a value of a width
// that is not stored.
const toldByAutomata = remembered(
  (definition: Definition) => definition.zeros !== 'padding' && layoutsOf(definition).complete,
)
