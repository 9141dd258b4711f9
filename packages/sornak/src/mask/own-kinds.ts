// Kinds that a team adds to those that are built in, by name. A kind is known from the moment it is
// registered; masks built before do not change.

import { KIND_NAMES } from './tree.js'

export interface OwnKind {
  /** Whether one character (code point) is of the kind. */
  readonly takes: (char: string) => boolean
  /** `seat letter`: one of them, as messages say it. */
  readonly one: string
  /** `seat letters`. */
  readonly many: string
}

const kinds = new Map<string, OwnKind>()
/** Words that mean something in a slot already. */
export const SLOT_WORDS: readonly string[] = [
  ...KIND_NAMES,
  'of',
  'number',
  'date',
  'text',
  'pad',
  'hide',
  'first',
  'from',
  'width',
  'align',
  'fill',
]

/**
 * Adds a kind of slot under a name of your own.
 *
 * @param name letters, digits and hyphens, starting with a letter; a word that masks know is refused
 * @throws {RangeError} for a name that is taken or cannot be one
 * @example
 * registerKind('seat', { takes: (char) => /[A-HJ-K]/.test(char), one: 'seat letter', many: 'seat letters' })
 * mask('{2}{1 seat}').show('12C') // { ok: true, text: '12C' }
 */
export function registerKind(name: string, kind: OwnKind): void {
  if (!/^\p{L}[\p{L}\d-]*$/u.test(name))
    throw new RangeError(
      `"${name}" cannot name a kind: start with a letter, then letters, digits and "-".`,
    )
  if (SLOT_WORDS.includes(name) || kinds.has(name))
    throw new RangeError(`The kind "${name}" is known already; choose another name.`)
  kinds.set(name, kind)
}

/** The names of registered kinds. */
export const ownKindNames = (): string[] => [...kinds.keys()]

export function ownKind(name: string): OwnKind {
  const kind = kinds.get(name)
  if (!kind) throw new RangeError(`There is no kind "${name}"; register it first.`)
  return kind
}
