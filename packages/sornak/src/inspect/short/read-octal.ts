// Short digits of a definition of several widths: whether leading zeros were read as octal, where that could be, or lost.
// Of what was read as octal only few values have no 8 or 9 in them; of what is left of others, many have none.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import type { Originals } from '../hypothesis.js'
import { hypotheses } from '../originals.js'
import { MOST_AT_STAKE, ROW_BITS } from '../weights.js'
import type { ShortGroup } from './group.js'

/** The story's process. */
export const READ_OCTAL = 'octal or decimal'

/** Bits for it rather than for lost zeros. */
export function readOctal(definition: Definition, values: ShortGroup['values']): number {
  const space = spaceOf(definition)
  let bits = 0
  let rows = 0
  for (const { digits, count } of values) {
    const ways = hypotheses(definition, digits)
    const chance = (process: string) =>
      chanceOf(
        ways.flatMap(({ process: own, originals }) =>
          own === process ? textsOf(space, originals) : [],
        ),
      )
    const [octal, lost] = [chance(READ_OCTAL), chance('number-read')]
    if (octal === 0 && lost === 0) continue
    rows += count
    bits += count * Math.max(-ROW_BITS, Math.min(ROW_BITS, Math.log2(octal / lost)))
  }
  return bits + Math.log2(Math.max(1, Math.min(MOST_AT_STAKE, rows)))
}

const textsOf = (space: Space, originals: Originals) =>
  originals.kind === 'texts'
    ? originals.texts
    : originals.kind === 'integers'
      ? space.list(originals.low, originals.high, 16)
      : []

// Any value of a width is as likely as any other of it, and no width more likely than another.
const chanceOf = (texts: readonly string[]) =>
  [...new Set(texts)].reduce((sum, { length }) => sum + 10 ** -length, 0)
