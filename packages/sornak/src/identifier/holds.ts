// Whether a text fits, where nobody asks why not: the automata say no at once.

import type { Definition } from './definition.js'
import { fit } from './fit.js'
import { layoutsOf } from './layout.js'
import { mayHold } from './parts-of-space.js'
import { spaceOf } from './space.js'

/** The same as `fit(definition, text).ok`. */
export function holds(definition: Definition, text: string): boolean {
  return (
    (!toldByAutomata(definition) || mayHold(spaceOf(definition), text)) && fit(definition, text).ok
  )
}

// Numbers, dates and values of any length lie beyond the automata; where zeros are padding, so does a value of a width
// that is not stored.
const told = new WeakMap<Definition, boolean>()
function toldByAutomata(definition: Definition): boolean {
  let known = told.get(definition)
  if (known === undefined) {
    known = definition.zeros !== 'padding' && layoutsOf(definition).complete
    told.set(definition, known)
  }
  return known
}
