// The definitions that ship, as the same plain objects that rules files hold. A definition is built
// when it is first asked for, and not proven anew: tests do that for all of them.

import { defineUnproven } from '../define.js'
import type { Definition } from '../definition.js'
import { reader, type PlainMap } from '../plain.js'
import { BANKS } from './banks.js'
import { CARDS } from './cards.js'
import { GENERIC } from './generic.js'
import { PEOPLE } from './people.js'
import { PHONES } from './phones.js'
import { PLACES } from './places.js'
import { TAX } from './tax.js'
import { TRADE } from './trade.js'

/** Plain definitions by name, `kind/which`. */
export const CATALOG: ReadonlyMap<string, PlainMap> = new Map(
  [PHONES, CARDS, PEOPLE, TAX, BANKS, PLACES, TRADE, GENERIC].flatMap((group) =>
    Object.entries(group),
  ),
)

const built = new Map<string, Definition>()

/**
 * The definition of a catalog entry, or undefined where there is none of that name.
 *
 * @example
 * fromCatalog('card/payment').check.scheme.id // 'luhn'
 * fromCatalog('no/such') // undefined
 */
export function fromCatalog(name: string): Definition | undefined {
  const known = built.get(name)
  const source = CATALOG.get(name)
  if (known || !source) return known
  const read = reader()
  const definition = defineUnproven(name, source, [], read)
  if (!definition) {
    throw new TypeError(
      `Catalog entry ${name}: ${read.problems.map(({ message }) => message).join(' ')}`,
    )
  }
  built.set(name, definition)
  return definition
}
