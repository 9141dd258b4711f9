// Whether a text can be a whole one of a mask at all, told by a table: for those who try many texts, of which hardly
// one is, and do not ask why not.

import { accept, END, type Automaton, type Edge, type View } from './automaton.js'
import type { MaskList } from './list.js'
import type { Mask } from './mask.js'
import { isSeparator } from './separator.js'

/** False where `list.read(text)` surely gives a misfit. */
export const mayRead = ({ masks }: MaskList, text: string): boolean =>
  masks.some((mask) => tablesOf(mask).some((takes) => takes(text)))

type Takes = (text: string) => boolean

const known = new WeakMap<Mask, readonly Takes[]>()

function tablesOf(mask: Mask): readonly Takes[] {
  let tables = known.get(mask)
  if (!tables) known.set(mask, (tables = tablesFor(mask)))
  return tables
}

function tablesFor({ kind, program: { strict, loose } }: Mask): Takes[] {
  if (kind !== 'characters') return [() => true]
  return [tableOf(strict, 'strict'), ...(loose ? [tableOf(loose, 'loose')] : [])]
}

const ASCII = 128
const UNKNOWN = 0
const NOWHERE = -1
/** No mask that people write comes near it; one that does is read as it always was. */
const MOST_PLACES = 4000

/** A set of places in an automaton, each the number of its last cell, and whether separators were passed since then. */
interface Place {
  readonly cell: number
  readonly inGap: boolean
}

// All ways through the cells side by side, as in walk.ts; what was asked of a set of places once is found there from then on.
function tableOf({ cells, start }: Automaton, view: View): Takes {
  const numbers = new Map<string, number>()
  const sets: (readonly Place[])[] = []
  const ends: boolean[] = []
  let next = new Int32Array(ASCII * 16)
  const edgesOf = ({ cell }: Place): readonly Edge[] => (cell < 0 ? start : cells[cell]!.next)
  const leading = (place: Place) => edgesOf(place).filter(({ gap }) => gap || !place.inGap)

  function numberOf(places: ReadonlyMap<string, Place>): number {
    const key = [...places.keys()].sort().join(' ')
    let number = numbers.get(key)
    if (number === undefined) {
      number = sets.length
      numbers.set(key, number)
      sets.push([...places.values()])
      ends.push(sets[number]!.some((place) => leading(place).some(({ to }) => to === END)))
      if (sets.length * ASCII > next.length) {
        const grown = new Int32Array(next.length * 2)
        grown.set(next)
        next = grown
      }
    }
    return number
  }

  function learn(from: number, code: number): number {
    const places = new Map<string, Place>()
    const arrive = (cell: number, inGap: boolean) =>
      places.set(`${cell}${inGap ? '+' : ''}`, { cell, inGap })
    const gap = view === 'loose' && isSeparator(String.fromCharCode(code))
    for (const place of sets[from]!) {
      if (gap && edgesOf(place).some((edge) => edge.gap)) arrive(place.cell, true)
      for (const { to } of leading(place))
        if (to !== END && accept(cells[to]!, view, code) !== undefined) arrive(to, false)
    }
    // The start is never come back to, so its number can stand for what is not known yet.
    const found = places.size ? numberOf(places) : NOWHERE
    next[from * ASCII + code] = found
    return found
  }

  numberOf(new Map([['start', { cell: -1, inGap: false }]]))
  return (text) => {
    let at = 0
    for (let i = 0; i < text.length; i++) {
      const code = text.charCodeAt(i)
      if (code >= ASCII || sets.length > MOST_PLACES) return true
      let to = next[at * ASCII + code]!
      if (to === UNKNOWN) to = learn(at, code)
      if (to === NOWHERE) return false
      at = to
    }
    return ends[at]!
  }
}
