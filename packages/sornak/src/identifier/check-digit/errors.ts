// Which typing errors a scheme catches: one wrong character, or two neighbours swapped. Worked out from
// the automaton, so the figures are exact for every value of a length and not for a sample.

import type { CheckScheme } from './scheme.js'

/** Of so many different errors so many are caught in every value in which they can occur. */
export interface Caught {
  readonly caught: number
  readonly of: number
  /** An error that can pass, such as `09` for `90`; undefined where none can. */
  readonly missed: string | undefined
}

/** Schemes of more states than this are not worked out: pairs of states are looked at. */
const MOST_STATES = 1500

/**
 * What a scheme catches in values of a length; undefined for a scheme of too many states.
 *
 * @param length in characters
 * @param alphabet the characters that are mistyped; the scheme's own where it is left out
 * @example
 * errorsCaught(SCHEMES.get('luhn'), 16)?.single // { caught: 1440, of: 1440, missed: undefined }
 * errorsCaught(SCHEMES.get('luhn'), 16)?.swapped.missed // '09 for 90'
 */
export function errorsCaught(
  scheme: CheckScheme,
  length: number,
  alphabet: string = '0123456789',
): { readonly single: Caught; readonly swapped: Caught } | undefined {
  const codes = [...alphabet].map((char) => char.charCodeAt(0))
  const reached = statesAt(scheme, length, codes)
  if (reached.some(({ size }) => size > MOST_STATES)) return undefined
  const meets = together(scheme, length, codes)
  const after = (state: number, at: number, ...typed: number[]) =>
    typed.reduce(
      (from, code, i) => (from < 0 ? -1 : scheme.step(from, code, length - 1 - at - i)),
      state,
    )
  const passesUnseen = (at: number, right: number[], wrong: number[]) =>
    [...reached[at]!].some((state) => {
      const [a, b] = [after(state, at, ...right), after(state, at, ...wrong)]
      return a >= 0 && b >= 0 && meets(a, b, at + right.length)
    })
  const char = (code: number) => String.fromCharCode(code)
  const count = (size: number, errors: [number[], number[]][]): Caught => {
    let caught = 0
    let of = 0
    let missed: string | undefined
    for (let at = 0; at + size <= length; at++) {
      for (const [right, wrong] of errors) {
        of++
        if (!passesUnseen(at, right, wrong)) caught++
        else missed ??= `${right.map(char).join('')} for ${wrong.map(char).join('')}`
      }
    }
    return { caught, of, missed }
  }
  const pairs = codes.flatMap((a) =>
    codes.flatMap((b): [number, number][] => (a === b ? [] : [[a, b]])),
  )
  return {
    single: count(
      1,
      pairs.map(([a, b]) => [[a], [b]]),
    ),
    swapped: count(
      2,
      pairs.map(([a, b]) => [
        [a, b],
        [b, a],
      ]),
    ),
  }
}

// The states that some beginning leads to, before each place.
function statesAt(scheme: CheckScheme, length: number, codes: readonly number[]): Set<number>[] {
  const all: Set<number>[] = [new Set([scheme.start])]
  for (let at = 0; at < length; at++) {
    const next = new Set<number>()
    for (const state of all[at]!) {
      for (const code of codes) {
        const to = scheme.step(state, code, length - 1 - at)
        if (to >= 0) next.add(to)
      }
    }
    all.push(next)
  }
  return all
}

// Whether some ending brings both states to a right value.
function together(scheme: CheckScheme, length: number, codes: readonly number[]) {
  const known = new Map<string, boolean>()
  const meets = (a: number, b: number, at: number): boolean => {
    if (at === length) return scheme.passes(a) && scheme.passes(b)
    const key = `${a}|${b}|${at}`
    let answer = known.get(key)
    if (answer === undefined) {
      answer = codes.some((code) => {
        const [x, y] = [
          scheme.step(a, code, length - 1 - at),
          scheme.step(b, code, length - 1 - at),
        ]
        return x >= 0 && y >= 0 && meets(x, y, at + 1)
      })
      known.set(key, answer)
    }
    return answer
  }
  return meets
}
