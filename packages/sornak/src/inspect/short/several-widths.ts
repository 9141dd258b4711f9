// Short digits of a definition of several widths: what else than lost zeros explains them as well.

import { WRAPPING_TYPES } from '../../channel/integer-limits.js'
import { octalTexts } from '../../channel/other-base.js'
import type { Definition } from '../../identifier/definition.js'
import { startingWith } from '../../identifier/parts-of-space.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import { numbersIn, STOPS, type Originals } from '../ways/hypothesis.js'
import { hypotheses } from '../ways/originals.js'
import { ROW_BITS, TOGETHER } from '../ways/weights.js'
import { allAlike } from './alike.js'
import { bitsOf } from './chance-of-counts.js'
import type { ShortGroup } from './group.js'
import { ofColumn } from './throughout.js'

/**
 * The stories of such values beside that of zeros lost, in bits; `undefined` for a process that has none.
 *
 * @param stake by how many bits they must suit lost zeros better than octal reading
 */
export function rivalsOfWidths(
  definition: Definition,
  group: ShortGroup,
  values: ShortGroup['values'],
  stake: number,
): (process: string) => number | undefined {
  const alike = allAlike(spaceOf(definition), group)
  const tell = (process: string): number | undefined => {
    if (process === READ_OCTAL || process === STOPS)
      return stake + readOctal(definition, values, process)
    if (process.startsWith('cut-short')) return alike ? ofColumn(TOGETHER.cutShort) : undefined
    const type = WRAPPING_TYPES.find(({ name, signed }) => !signed && process === `wrapped ${name}`)
    const told = type ? belowLimit(values, type.max.toString()) : 0
    return told > 0 ? told : undefined
  }
  const known = new Map<string, number | undefined>()
  return (process) => {
    if (!known.has(process)) known.set(process, tell(process))
    return known.get(process)
  }
}

const READ_OCTAL = 'octal or decimal'

// Of what was read as octal only few values have no 8 or 9 in them; of what is left of others, many have none.
function readOctal(
  definition: Definition,
  values: ShortGroup['values'],
  process: typeof READ_OCTAL | typeof STOPS,
): number {
  const space = spaceOf(definition)
  let bits = 0
  for (const { digits, count } of values) {
    const ways = hypotheses(definition, digits)
    const chance = (process: string) =>
      chanceOf(
        ways.flatMap(({ process: own, originals }) =>
          own === process ? textsOf(space, originals) : [],
        ),
      )
    const lost = chance('number-read')
    const octal = process === STOPS ? stopped(space, digits) : chance(process)
    if (octal === 0 && lost === 0) continue
    bits += count * Math.max(-ROW_BITS, Math.min(ROW_BITS, Math.log2(octal / lost)))
  }
  return bits
}

// What has no 8 or 9 in it is read to its end; of the rest what stands before the first of them.
function stopped(space: Space, digits: string): number {
  let sum = 0
  for (const front of octalTexts(digits)) {
    if (space.widths.includes(front.length)) sum += 10 ** -front.length
    for (const width of space.widths)
      for (const digit of ['8', '9'])
        if (startingWith(space, front + digit, width).count > 0n) sum += 10 ** -(front.length + 1)
  }
  return sum
}

// Numbers with as many digits as a limit, none beyond it: spread evenly below it, rather than over starts of their own.
function belowLimit(values: ShortGroup['values'], limit: string): number {
  const longest = values.filter(
    ({ digits }) => /^[1-9]/.test(digits) && digits.length >= limit.length,
  )
  if (longest.some(({ digits }) => digits.length > limit.length || digits > limit)) return 0
  const rows = longest.reduce((sum, { count }) => sum + count, 0)
  const starts = Array<number>(Number.parseInt(limit.slice(0, 2), 10) - 9).fill(0)
  for (const { digits, count } of longest)
    starts[Number.parseInt(digits.slice(0, 2), 10) - 10]! += count
  return rows * -Math.log2(starts.length) - bitsOf(starts, 90)
}

const textsOf = (space: Space, originals: Originals) =>
  originals.kind === 'texts'
    ? originals.texts
    : originals.kind === 'integers'
      ? numbersIn(space, originals).list(originals.low, originals.high, 16)
      : []

// Any value of a width is as likely as any other of it, and no width more likely than another.
const chanceOf = (texts: readonly string[]) =>
  [...new Set(texts)].reduce((sum, { length }) => sum + 10 ** -length, 0)
