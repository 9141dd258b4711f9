// Whether some text has two ways through an automaton, and the shortest such text. Walks pairs of
// ways at once: two ways that parted and both reach the end are a second reading.

import { END, type Automaton, type Edge } from './automaton.js'
import { common } from './kinds.js'

const MOST_PAIRS = 400_000

/** A text with two ways through, `'too-many'` where there is no telling, or undefined. */
export function twoWays(automaton: Automaton): string | 'too-many' | undefined {
  const { cells, start } = automaton
  // Most masks are one row of cells.
  if (start.length <= 1 && cells.every(({ next }) => next.length <= 1)) return undefined
  const width = cells.length + 1
  interface Pair {
    readonly a: number
    readonly b: number
    readonly char: number
    readonly from: Pair | undefined
    readonly parted: boolean
  }
  const seen = new Set<number>()
  let front: Pair[] = []
  const reach = (
    from: Pair | undefined,
    aNext: readonly Edge[],
    bNext: readonly Edge[],
    into: Pair[],
  ) => {
    for (const { to: a } of aNext) {
      for (const { to: b } of bNext) {
        if (a === END || b === END || b < a) continue
        const parted = a !== b || from?.parted === true
        const key = (a * width + b) * 2 + (parted ? 1 : 0)
        if (seen.has(key)) continue
        const char =
          a === b
            ? common(cells[a]!.chars, cells[a]!.chars)
            : common(cells[a]!.chars, cells[b]!.chars)
        if (char === undefined) continue
        seen.add(key)
        into.push({ a, b, char, from, parted })
      }
    }
  }
  reach(undefined, start, start, front)
  while (front.length) {
    const after: Pair[] = []
    for (const pair of front) {
      const a = cells[pair.a]!.next
      const b = cells[pair.b]!.next
      if (pair.parted && ends(a) && ends(b)) return spell(pair)
      reach(pair, a, b, after)
    }
    if (seen.size > MOST_PAIRS) return 'too-many'
    front = after
  }
  return undefined

  function spell(last: Pair): string {
    const chars: string[] = []
    for (let at: Pair | undefined = last; at; at = at.from)
      chars.push(String.fromCodePoint(at.char))
    return chars.reverse().join('')
  }
}

const ends = (edges: readonly Edge[]) => edges.some((edge) => edge.to === END)
