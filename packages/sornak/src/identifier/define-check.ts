// The `check` of a definition: a scheme by name, or weights of the steward's own, and over which part of
// the value it goes.

import type { MaskList } from '../mask/list.js'
import { nearest } from '../words/nearest.js'
import { SCHEMES } from './check-digit/schemes.js'
import type { CheckScheme } from './check-digit/scheme.js'
import { weighted } from './check-digit/weighted.js'
import { WHOLE, type Check } from './definition.js'
import { isList, isMap, type Path, type Plain, type PlainMap, type Reader } from './plain.js'

/** The name under which a rules file sets weights of its own. */
export const WEIGHTED = 'weighted'
const WEIGHTED_KEYS = ['weights', 'modulus', 'remainder', 'ten'] as const

export function readCheck(
  value: Plain,
  path: Path,
  stored: MaskList,
  reader: Reader,
): Check | undefined {
  const source = isMap(value) ? value : { scheme: value }
  const own = source['scheme'] === WEIGHTED
  reader.keys(source, ['scheme', 'over', ...(own ? WEIGHTED_KEYS : [])], path)
  const inside = (name: string) => (isMap(value) ? [...path, name] : path)
  const name =
    source['scheme'] === undefined ? undefined : reader.text(source['scheme'], inside('scheme'))
  if (name === undefined) {
    if (source['scheme'] === undefined)
      reader.refuse(
        'key-missing',
        path,
        'The key "scheme" is missing here.',
        'Name a scheme, such as luhn.',
      )
    return undefined
  }
  const scheme = own ? readWeights(source, path, reader) : known(name, inside('scheme'), reader)
  if (!scheme) return undefined
  const over = source['over'] ?? 'plain'
  if (over === 'plain' || over === 'stored') return { scheme, over }
  const parts = reader.texts(over, inside('over'))
  parts?.forEach((part) => knownPart(part, inside('over'), stored, reader))
  return parts && { scheme, over: parts }
}

function known(name: string, path: Path, reader: Reader): CheckScheme | undefined {
  const scheme = SCHEMES.get(name)
  if (scheme) return scheme
  const names = [...SCHEMES.keys(), WEIGHTED]
  const near = nearest(name, names)
  return reader.refuse(
    'check-unknown',
    path,
    `There is no check-digit scheme "${name}".`,
    near ? `Did you mean "${near}"?` : `Known schemes: ${names.join(', ')}.`,
  )
}

// Weights are written from the left and end with that of the check digit: [3, 7, 1, 3, 7, 1, 3, 7, 1].
function readWeights(source: PlainMap, path: Path, reader: Reader): CheckScheme | undefined {
  const listed = source['weights']
  const modulus = source['modulus'] && reader.count(source['modulus'], [...path, 'modulus'])
  if (!isList(listed) || listed.length === 0 || !modulus || modulus < 2) {
    return reader.refuse(
      'weights',
      path,
      'Weights of your own need a list and a modulus.',
      'Write, for example: { scheme: weighted, weights: [3, 7, 1, 3, 7, 1, 3, 7, 1], modulus: 10 }, one weight a character, the last for the check digit.',
    )
  }
  const weights = listed.map((one, i) => reader.count(one, [...path, 'weights', i]))
  const remainder = source['remainder'] && reader.count(source['remainder'], [...path, 'remainder'])
  const ten = source['ten'] && reader.text(source['ten'], [...path, 'ten'])
  if (!weights.every((one) => one !== undefined)) return undefined
  return weighted({
    id: WEIGHTED,
    title: `Weights ${weights.join(' ')}, modulus ${modulus}`,
    cites: 'the rules file',
    modulus,
    weights: [...weights].reverse(),
    ...(remainder && { remainder }),
    ...(ten && { ten }),
  })
}

export function knownPart(part: string, path: Path, stored: MaskList, reader: Reader): void {
  const known = [
    WHOLE,
    ...stored.masks.flatMap((one) => one.program.slots.flatMap((slot) => slot.name ?? [])),
  ]
  if (known.includes(part)) return
  const near = nearest(part, known)
  reader.refuse(
    'part-unknown',
    path,
    `No stored mask has a part "${part}".`,
    near
      ? `Did you mean "${near}"?`
      : `Name the part in the mask, such as "{${/^\p{L}[\p{L}\d_-]*$/u.test(part) ? part : 'area'}: 3}", or use "${WHOLE}" for the whole stored text.`,
  )
}
