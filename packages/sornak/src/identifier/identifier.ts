// A definition from code: the keys of a rules file as an object.

import { define } from './define.js'
import type { Definition } from './definition.js'
import { reader, type PlainMap } from './plain.js'
import { CATALOG } from './catalog/catalog.js'

/**
 * The definition of one identifier, from the keys that a rules file has for it.
 *
 * @param source all values are text, as in a rules file; `like` names a catalog entry
 * @param key its name in messages
 * @throws {RangeError} with every problem that the definition has
 * @example
 * const crew = identifier({ stored: '{5}', display: 'HS-{5}' }, 'crew-number')
 * crew.display.show('00417') // { ok: true, text: 'HS-00417' }
 * identifier({ like: 'phone/za' }).stored.masks[0].text // '0{9}'
 */
export function identifier(source: PlainMap, key: string = 'identifier'): Definition {
  const read = reader()
  const { like, ...own } = source
  const base = typeof like === 'string' ? CATALOG.get(like) : undefined
  if (like !== undefined && !base)
    throw new RangeError(`There is no catalog entry "${typeof like === 'string' ? like : ''}".`)
  const made = define(key, { ...base, ...own }, [], read)
  if (!made)
    throw new RangeError(read.problems.map(({ message, todo }) => `${message} ${todo}`).join('\n'))
  return made
}
