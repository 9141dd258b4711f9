// Characters as they come -> their places in one mask. A prefix of a value may lead several ways through
// the cells of a mask; the way that fills the earliest slots is kept, or one on which the value is whole.

import { isSeparator } from '../mask/separator.js'
import type { Cell, WrittenMask } from './written.js'

const END = -1

/** A way through the cells, last step first. */
interface Step {
  readonly to: number
  /** Text of the mask before the character. */
  readonly run: string
  readonly char: string
  readonly before: Step | undefined
}

type Slot = Exclude<Cell, { readonly text: string }>

/** Where a value can go on: over text of the mask to a slot, or to the end. */
interface Onward {
  readonly run: string
  readonly to: number
}

export interface Way {
  /** Text of the mask before each character. */
  readonly runs: readonly string[]
  readonly chars: readonly string[]
  readonly onward: readonly Onward[]
  readonly last: number
}

interface Followed {
  readonly way: Way
  readonly taken: number
}

export interface Layout {
  /** The way of these characters; or how many of them there is a way for, with that way. */
  follow(chars: readonly string[]): Followed
  /** How the way may end: the text of the mask that stands behind it; undefined where more is needed. */
  ending(way: Way): string | undefined
  /** More characters can come. */
  open(way: Way): boolean
  expected(way: Way): string
  /** What is still to be typed, drawn. */
  rest(way: Way, shown: number): string
  /** The slot that the way ends in is to be filled with these, before its characters. */
  padding(way: Way): { readonly at: number; readonly fill: readonly string[] } | undefined
}

export function layoutOf({ cells, start }: WrittenMask): Layout {
  const slot = (at: number) => cells[at] as Slot | undefined
  const classes = cells.map((cell) => new RegExp(`^[${'takes' in cell ? cell.takes : ''}]$`, 'u'))
  const held = (at: number, char: string): string | undefined => {
    const { cased } = slot(at)!
    const one = !cased ? char : cased === 'upper' ? char.toUpperCase() : char.toLowerCase()
    return classes[at]!.test(one) ? one : undefined
  }

  // Over the mask's own text to the next slots, the nearest first.
  function over(next: readonly number[], run = '', out: Onward[] = []): Onward[] {
    for (const to of [...next].sort((a, b) => (a === END ? 1 : b === END ? -1 : a - b))) {
      const cell = cells[to]
      if (cell && 'text' in cell) over(cell.next, run + cell.text, out)
      else out.push({ run, to })
    }
    return out
  }
  const first = over(start)
  const after = cells.map(({ next }) => over(next))
  const onwardOf = (last: number) => (last < 0 ? first : after[last]!)

  const ended = (last: number) => onwardOf(last).find(({ to }) => to === END)?.run

  function wayOf(step: Step | undefined): Way {
    const runs: string[] = []
    const chars: string[] = []
    for (let one = step; one; one = one.before) {
      runs.unshift(one.run)
      chars.unshift(one.char)
    }
    const last = step?.to ?? -1
    return { runs, chars, onward: onwardOf(last), last }
  }

  // The same characters are followed several times for one keystroke.
  const known = new WeakMap<readonly string[], Followed>()

  return {
    follow(chars) {
      const before = known.get(chars)
      if (before) return before
      let ways: (Step | undefined)[] = [undefined]
      let taken = 0
      for (const char of chars) {
        const next: Step[] = []
        for (const before of ways)
          for (const { run, to } of onwardOf(before?.to ?? -1)) {
            if (to === END || next.some((way) => way.to === to)) continue
            const one = held(to, char)
            if (one !== undefined) next.push({ to, run, char: one, before })
          }
        if (!next.length) break
        ways = next
        taken++
      }
      const whole = ways.find((way) => ended(way?.to ?? -1) !== undefined)
      const way = wayOf(taken === chars.length ? (whole ?? ways[0]) : ways[0])
      const found = { way, taken }
      known.set(chars, found)
      return found
    },
    ending: ({ last }) => (last < 0 ? undefined : ended(last)),
    open: ({ onward }) => onward.some(({ to }) => to !== END),
    expected({ onward }) {
      const words = onward.map(({ to }) => slot(to)?.word ?? '')
      return [...new Set(words)].filter(Boolean).join(' or ')
    },
    rest({ last }, shown) {
      let out = ''
      let at = last
      for (let skip = shown, i = 0; i < 400; i++, skip = 0) {
        const [next] = onwardOf(at)
        if (!next) break
        // Slots that may come short are drawn whole; anything else only as far as it must be filled.
        const here = slot(at)
        const filling = here?.pad && slot(next.to)?.slot === here.slot
        const end = at < 0 ? undefined : ended(at)
        if (next.to === END || (end !== undefined && !filling)) return out + (end ?? '').slice(skip)
        out += `${next.run.slice(skip)}_`
        at = next.to
      }
      return out
    },
    padding({ chars, last }) {
      const here = slot(last)
      if (!here?.pad) return undefined
      const [char, width] = here.pad
      const filled = last - cells.findIndex((_, i) => slot(i)?.slot === here.slot) + 1
      if (filled >= width) return undefined
      return { at: chars.length - filled, fill: Array<string>(width - filled).fill(char) }
    },
  }
}

/** How far a run of the mask's text goes on when this character is typed in it; undefined where it does not. */
export function passes(run: string, from: number, char: string): number | undefined {
  let at = from
  for (; at < run.length; at++) {
    if (same(run[at]!, char)) return at + 1
    if (!isSeparator(run[at]!)) break
  }
  // Any separator stands for those of the mask.
  return isSeparator(char) && at > from ? at : undefined
}

const same = (a: string, b: string) => a === b || a.toLowerCase() === b.toLowerCase()
