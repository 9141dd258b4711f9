// Whether a text can be a whole one of a mask at all, told by a table: for those who try many texts, of which hardly
// one is, and do not ask why not.

import { accept, END, type Automaton, type Edge, type View } from './automaton.js'
import type { Mask } from './mask.js'
import { isSeparator } from './separator.js'
import { stepTable } from './step-table.js'

/** False where `mask.read(text)` surely gives a misfit. */
export const mayRead = (mask: Mask, text: string): boolean =>
  tablesOf(mask).some((takes) => takes(text))

/** False where a list of masks surely gives a misfit for the text. */
export const mayReadAny = ({ masks }: { readonly masks: readonly Mask[] }, text: string): boolean =>
  masks.some((mask) => mayRead(mask, text))

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
/** No mask that people write comes near it; one that does is read as it always was. */
const MOST_SETS = 4000

/** A place in an automaton: its last cell by number, and whether separators were passed since then. */
interface Place {
  readonly cell: number
  readonly inGap: boolean
}

/** All places to which a text may lead, and whether it may end there. */
interface Places {
  readonly places: readonly Place[]
  readonly ends: boolean
}

// All ways through the cells side by side, as in walk.ts.
function tableOf({ cells, start }: Automaton, view: View): Takes {
  const sets = new Map<string, Places>()
  const edgesOf = ({ cell }: Place): readonly Edge[] => (cell < 0 ? start : cells[cell]!.next)
  const leading = (place: Place) => edgesOf(place).filter(({ gap }) => gap || !place.inGap)
  const setOf = (places: readonly Place[]): Places => ({
    places,
    ends: places.some((place) => leading(place).some(({ to }) => to === END)),
  })

  function step({ places }: Places, code: number): Places | null {
    const found = new Map<string, Place>()
    const arrive = (cell: number, inGap: boolean) =>
      found.set(`${cell}${inGap ? '+' : ''}`, { cell, inGap })
    const gap = view === 'loose' && isSeparator(String.fromCharCode(code))
    for (const place of places) {
      if (gap && edgesOf(place).some((edge) => edge.gap)) arrive(place.cell, true)
      for (const { to } of leading(place))
        if (to !== END && accept(cells[to]!, view, code) !== undefined) arrive(to, false)
    }
    if (found.size === 0) return null
    const key = [...found.keys()].sort().join(' ')
    let set = sets.get(key)
    if (!set) sets.set(key, (set = setOf([...found.values()])))
    return set
  }

  const { nodes, to } = stepTable(setOf([{ cell: -1, inGap: false }]), step)
  return (text) => {
    let at = 0
    for (let i = 0; i < text.length; i++) {
      const code = text.charCodeAt(i)
      if (code >= ASCII || nodes.length > MOST_SETS) return true
      at = to(at, code)
      if (at < 0) return false
    }
    return nodes[at]!.ends
  }
}
