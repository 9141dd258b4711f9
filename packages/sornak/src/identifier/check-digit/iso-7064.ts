// ISO/IEC 7064. Pure systems: the value read in base r leaves 1 modulo M. Hybrid systems: product
// and sum in two moduli, one apart.

import { letterValue, type CheckScheme } from './scheme.js'

const DIGITS = '0123456789'
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'
const CITES = 'ISO/IEC 7064'

function pure(
  id: string,
  modulus: number,
  radix: number,
  alphabet: string,
  extra = '',
): CheckScheme {
  const all = alphabet + extra
  return {
    id,
    title: `Modulus ${modulus}, radix ${radix}`,
    cites: CITES,
    alphabet: all,
    start: 0,
    step(state, charCode, fromRight) {
      const value = all.indexOf(String.fromCharCode(charCode))
      // The supplementary character stands for the highest value, in the last place only.
      if (value < 0 || (value >= alphabet.length && fromRight !== 0)) return -1
      return (state * radix + value) % modulus
    },
    passes: (state) => state === 1,
  }
}

function hybrid(id: string, modulus: number, alphabet: string): CheckScheme {
  return {
    id,
    title: `Modulus ${modulus + 1}, ${modulus}`,
    cites: CITES,
    alphabet,
    start: modulus,
    step(state, charCode, fromRight) {
      const value = alphabet.indexOf(String.fromCharCode(charCode))
      if (value < 0) return -1
      const sum = (state + value) % modulus
      return fromRight === 0 ? sum : ((sum || modulus) * 2) % (modulus + 1)
    },
    passes: (state) => state === 1,
  }
}

export const mod11radix2: CheckScheme = pure('mod-11-2', 11, 2, DIGITS, 'X')
export const mod37radix2: CheckScheme = pure('mod-37-2', 37, 2, DIGITS + LETTERS, '*')
export const mod661radix26: CheckScheme = pure('mod-661-26', 661, 26, LETTERS)
export const mod1271radix36: CheckScheme = pure('mod-1271-36', 1271, 36, DIGITS + LETTERS)
export const mod11and10: CheckScheme = hybrid('mod-11-10', 10, DIGITS)
export const mod27and26: CheckScheme = hybrid('mod-27-26', 26, LETTERS)
export const mod37and36: CheckScheme = hybrid('mod-37-36', 36, DIGITS + LETTERS)

/** Two digits at the end; letters count as two digits, 10 to 35, as entity identifiers have them. */
export const mod97radix10: CheckScheme = {
  id: 'mod-97-10',
  title: 'Modulus 97, radix 10',
  cites: `${CITES}; letters as in ISO 17442`,
  alphabet: DIGITS + LETTERS,
  start: 0,
  step(state, charCode) {
    const value = letterValue(charCode)
    return value < 0 ? -1 : (state * (value < 10 ? 10 : 100) + value) % 97
  },
  passes: (state) => state === 1,
}

// The same over a value whose first four characters, country and check, are read last. They are kept
// as one remainder, and what follows as another, until the end.
const HEAD = 4
export const iban: CheckScheme = {
  id: 'iban',
  title: 'Modulus 97 with the first four characters moved to the end',
  cites: 'ISO 13616-1',
  alphabet: DIGITS + LETTERS,
  start: 0,
  //  0 to 3: characters of the head so far; its remainder; the remainder of what follows
  step(state, charCode, fromRight) {
    const value = letterValue(charCode)
    if (value < 0) return -1
    const factor = value < 10 ? 10 : 100
    const read = state % HEAD_STATES
    const seen = Math.floor(state / HEAD_STATES)
    if (read < HEAD) return ((seen * factor + value) % 97) * HEAD_STATES + read + 1
    const head = seen % 97
    const rest = (Math.floor(seen / 97) * factor + value) % 97
    // Country letters are four digits and the check two: the head stands behind 10^6.
    if (fromRight === 0) return ((rest * 1_000_000 + head) % 97) * HEAD_STATES + read
    return (rest * 97 + head) * HEAD_STATES + read
  },
  passes: (state) => Math.floor(state / HEAD_STATES) === 1,
}
const HEAD_STATES = 5
