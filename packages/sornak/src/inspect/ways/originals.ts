// What is seen -> every way it could have come about, as sets of originals with a weight. Undoes a
// chain from the outside in: text marks, printed form, precision, number read.

import type { FindingCode } from '../../channel/channel.js'
import { numberTexts } from '../../channel/number-text.js'
import { aroundHundredths, unscaled } from '../../channel/scaled.js'
import type { Interval } from '../../channel/significant.js'
import { unmark } from '../../channel/text-marks.js'
import type { Definition } from '../../identifier/definition.js'
import { holds, isOnlyShaped } from '../../identifier/holds.js'
import { startingWith } from '../../identifier/parts-of-space.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import { holdsSixteen } from './forms.js'
import { cut } from './from-cut.js'
import { fromNumber } from './from-number.js'
import { sixteen } from './from-sixteen.js'
import { asDisplayed, asItStands, asLabelled, textual } from './from-text.js'
import { isPrintedEnd, leavesAny, PERCENT_OF, type Hypothesis } from './hypothesis.js'
import { EACH, MEND_ODDS, TOGETHER } from './weights.js'

/** The ways in which a value could have come about; known for a while, since values repeat. */
export function hypotheses(definition: Definition, seen: string): readonly Hypothesis[] {
  let known = recent.get(definition)
  if (!known) recent.set(definition, (known = new Map()))
  let found = known.get(seen)
  if (!found) {
    if (known.size >= MOST_KNOWN) known.clear()
    known.set(seen, (found = all(definition, seen)))
  }
  return found
}

// What a reader of numbers makes of a code.
const READ = new Set(['front', 'evaluated'])

// The start of a code, and hardly a number that was printed: that has a point, a sign or one digit before an exponent. Nor was
// what starts with a plus as all of it does: a reader of numbers drops that.
const isPartOfCode = (space: Space, text: string) =>
  /^(?:\d{2,}E|\+)\d+$/i.test(text) && startingWith(space, text).count > 0n

const MOST_KNOWN = 2000
const recent = new WeakMap<Definition, Map<string, readonly Hypothesis[]>>()

function all(definition: Definition, seen: string): Hypothesis[] {
  const space = spaceOf(definition)
  const found = unmark(seen).flatMap((unmarked): Hypothesis[] => {
    const { text, findings } = unmarked
    // What stands as it should was not filled up to a narrower width.
    const whole = holds(definition, text)
    const stands = whole && /^0\d+$/.test(text)
    // Nor was what stands so behind marks, as texts have them, left by a reader of numbers.
    const marked = whole && findings.length > 0
    const scales = unscaled(text).map(({ number }) => number)
    return [
      ...asItStands(definition, unmarked),
      ...asDisplayed(definition, unmarked),
      ...asLabelled(definition, unmarked),
      ...textual(definition, space, unmarked, whole),
      ...(stands || isPartOfCode(space, text)
        ? []
        : numberTexts(text)
            // Behind 0x stand the digits of a code itself, maybe.
            .filter(({ otherBase }) => !otherBase || !holdsSixteen(space))
            .flatMap((number) => fromNumber(definition, space, number, findings))
            .filter(({ process }) => !(marked && READ.has(process)))),
      ...sixteen(space, unmarked),
      ...(scales.length ? fromScaled(definition, text, findings) : []),
    ]
  })
  // A number that is the end of one, and was printed: only beside what is likelier.
  const likelier = found.filter((way) => !isPrintedEnd(way))
  const ways = likelier.some((way) => leavesAny(space, way)) ? found : likelier
  // A text of full width was not cut; its check digit or a reserved part speaks against it. One of several widths may have
  // been cut, if nothing usual happened to it.
  const usual =
    seen.length >= (space.widths.at(-1) ?? 0) ||
    ways.some((way) => isUsual(way) && leavesAny(space, way))
  return usual && isOnlyShaped(definition, seen)
    ? ways
    : [...ways, ...cut(space, seen, ways.length === 0 && !holds(definition, seen))]
}

const isUsual = ({ weight }: Hypothesis) => weight * (1 - MEND_ODDS) >= TOGETHER.mistyped

function fromScaled(
  definition: Definition,
  text: string,
  marks: readonly FindingCode[],
): Hypothesis[] {
  const space = spaceOf(definition)
  return unscaled(text).flatMap(({ value, number, percent, hundredths }) => {
    if (hundredths && isRounded(value)) return [roundedHundredths(aroundHundredths(value), marks)]
    const own = fromNumber(
      definition,
      space,
      { ...number, coefficient: value, power: 0, decimals: undefined, grouped: false },
      [...marks, 'scaled'],
    ).map((one) => ({ ...one, channels: ['scaled', ...one.channels], percent, hundredths }))
    if (percent !== 'as-it-is' || !isRounded(value)) return own
    // A hundredth of it was worked out, and shown as a percentage.
    const way = roundedHundredths(aroundHundredths(value, 3n), marks)
    return [
      ...own,
      { ...way, process: PERCENT_OF, percent, hundredths: undefined, weight: EACH.percentOf },
    ]
  })
}

const isRounded = (value: bigint) => {
  const { low, high } = aroundHundredths(value)
  return low < high
}

const roundedHundredths = (around: Interval, marks: readonly FindingCode[]): Hypothesis => ({
  originals: { kind: 'integers', ...around },
  process: 'binary64',
  channels: [...marks, 'scaled', 'binary64'],
  findings: [...marks, 'scaled', 'digits-rounded'],
  hundredths: true,
  weight: EACH.binary64,
  per: 'original',
})
