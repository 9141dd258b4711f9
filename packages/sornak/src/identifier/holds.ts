// Whether a text fits, where nobody asks why not: the automata say no at once.

import type { Definition } from './definition.js'
import { fit } from './fit.js'
import { mayHold } from './parts-of-space.js'
import { spaceOf } from './space.js'

/** The same as `fit(definition, text).ok`. */
export function holds(definition: Definition, text: string): boolean {
  const padding = definition.zeros === 'padding'
  return (padding || mayHold(spaceOf(definition), text)) && fit(definition, text).ok
}
