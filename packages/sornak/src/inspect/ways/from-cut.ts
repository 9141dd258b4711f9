// Text of which only a part is left, and text that is all of it.

import { holds } from '../../identifier/holds.js'
import { endingWith, startingWith } from '../../identifier/parts-of-space.js'
import type { Space } from '../../identifier/space.js'
import { way, type Bare, type Hypothesis } from './hypothesis.js'
import { TOGETHER } from './weights.js'

/** Nothing happened to a value that fits. */
export const unchanged = (seen: string): Hypothesis => way('unchanged', [], [], [seen], 1)

/** Only the front or the end is left. `alone`: nothing else explains the text. */
export function cut(space: Space, seen: string, alone: boolean): Hypothesis[] {
  if (seen.length < 1 || seen.length > LONGEST) return []
  if (!/\d/.test(seen)) return lettersLeft(space, seen)
  const longer = space.widths.filter((width) => width > seen.length)
  const sides = longer.flatMap((width) =>
    [startingWith, endingWith].map((side) => ({ width, subset: side(space, seen, width) })),
  )
  const weight = (alone ? TOGETHER.onlyCut : TOGETHER.cutShort) / sides.length
  const found = sides.map(({ width, subset }) => ({
    process: `cut-short by ${width - seen.length}`,
    subset,
  }))
  // A field that holds so many characters takes more from wide values than from narrow ones, and nothing from one that it
  // holds: as likely as any other width is that of what is seen.
  if (space.widths.length > 1 && longer.length)
    found.push({ process: `cut-short to ${seen.length}`, subset: startingWith(space, seen) })
  const fits = holds(space.definition, seen)
  return found.flatMap(({ process, subset }): Hypothesis[] => {
    if (subset.count === 0n) return []
    const toWidth = process === `cut-short to ${seen.length}`
    const whole = fits && toWidth ? weight / (longer.length + 1) : 0
    const cutShort: Hypothesis = {
      originals: { kind: 'subset', subset },
      process,
      channels: ['cut-short'],
      findings: ['cut-short'],
      weight: weight - whole,
      per: 'all',
    }
    return whole
      ? [cutShort, way(process, ['cut-short'], ['cut-short'], [seen], whole)]
      : [cutShort]
  })
}

const LONGEST = 48

// Letters alone are words as often: rows have to say that they are the start of codes.
function lettersLeft(space: Space, seen: string): Hypothesis[] {
  const [width = 0] = space.widths
  if (space.widths.length > 1 || seen.length >= width) return []
  const subset = startingWith(space, seen)
  if (subset.count === 0n) return []
  return [
    {
      originals: { kind: 'subset', subset },
      process: `cut-short by ${width - seen.length}`,
      channels: ['cut-short'],
      findings: ['cut-short'],
      weight: TOGETHER.onlyCut,
      per: 'all',
      inRows: true,
    },
  ]
}

/** So many zeros at the front of an end hardly ever stand there by chance. */
const MOST_ZEROS = 2

/**
 * Only the end of a number is left, or the front of a text, and was read as one: its zeros at the front are gone.
 *
 * @param printed it stands in a printed form, so that its digits are no text that was cut
 */
export function ends(space: Space, value: bigint, printed: boolean): Bare[] {
  const [width = 0] = space.widths
  const digits = value.toString()
  if (space.widths.length > 1 || value === 0n) return []
  const found: Bare[] = []
  for (let zeros = printed ? 0 : 1; zeros <= MOST_ZEROS; zeros++) {
    const kept = digits.length + zeros
    if (kept >= width) break
    for (const side of zeros > 0 ? [endingWith, startingWith] : [endingWith]) {
      const subset = side(space, digits.padStart(kept, '0'), width)
      if (subset.count > 0n)
        found.push({
          originals: { kind: 'subset', subset },
          channel: 'cut-short',
          process: `cut-short by ${width - kept}`,
          finding: 'cut-short',
          weight: TOGETHER.cutShort,
          per: 'all',
          quiet: zeros > 0,
        })
    }
  }
  return found
}
