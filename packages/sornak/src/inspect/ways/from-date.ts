// Dates in place of codes that were taken for them, and of numbers that were shown as days.

import { codesOf, endsBehindWords, filledCodes } from '../../channel/date-codes.js'
import { dateGuess, datesOf } from '../../channel/date-guess.js'
import { dayCount, daysCounted, type Counted } from '../../channel/day-count.js'
import { daysOfNoYear, type Guess } from '../../channel/printed-dates.js'
import type { Unmarked } from '../../channel/text-marks.js'
import type { Definition } from '../../identifier/definition.js'
import { anyOf, endingWith } from '../../identifier/parts-of-space.js'
import type { Space } from '../../identifier/space.js'
import {
  holdsLetters,
  holdsSeparators,
  hasForeignSeparator,
  storedOf,
  storesSeparators,
} from './forms.js'
import { way, type Hypothesis, type Originals } from './hypothesis.js'
import { TOGETHER } from './weights.js'

/** A word, a date, or the number of a day or a second. */
const DATED = /\p{L}{3}|\d[-/.]\d|^(?:\d{5}|\d{8}|\d{9,13})$/u

export function fromDate(
  definition: Definition,
  space: Space,
  { text, findings }: Unmarked,
): Hypothesis[] {
  if (!DATED.test(text)) return []
  const bare = /^\d+$/.test(text)
  return [
    ...(bare ? [] : counted(space, text, findings)),
    ...guessed(definition, space, { text, findings }, bare),
  ]
}

function guessed(
  definition: Definition,
  space: Space,
  { text, findings }: Unmarked,
  bare: boolean,
): Hypothesis[] {
  const separated = holdsSeparators(definition)
  if (bare && !separated && !holdsLetters(space)) return []
  const dates = datesOf(text)
  const usual = dates.filter(({ seldom }) => !seldom)
  const foreign = hasForeignSeparator(definition)
  const held = new Map<string, readonly string[]>()
  const storedFor = (code: string) => {
    let stored = held.get(code)
    if (!stored)
      held.set(code, (stored = foreign(code) ? [] : storedOf(definition, code, separated)))
    return stored
  }
  // What was filled up has a separator or a name.
  const partly = separated || holdsLetters(space) ? usual : []
  const filled = partly.map((date) => filledCodes(date, (code) => storedFor(code).length > 0))
  const weight = bare && !storesSeparators(space) ? TOGETHER.evaluatedDisplay : TOGETHER.dated
  const { id, finding } = dateGuess
  const taken = (texts: readonly string[], share: number) =>
    way(id, [...findings, id], [...findings, finding], texts, weight * share)
  const offer = (codes: readonly string[], share: number): Hypothesis[] => {
    const texts = [...new Set(codes.flatMap(storedFor))].filter((one) => one !== text)
    return texts.length ? [taken(texts, share)] : []
  }
  const codesFrom = (some: readonly Guess[]) => some.flatMap((date) => codesOf(date))
  const words = holdsLetters(space) ? behindWords(space, dates) : undefined
  const likely = filled.flatMap((codes) => codes.likely)
  const odd = filled.flatMap((codes) => codes.odd)
  return [
    ...(words ? [{ ...taken([], FILLED.likely), originals: words }] : []),
    ...offer(codesFrom(usual), 1),
    ...offer(codesFrom(dates.filter(({ seldom }) => seldom)), TOGETHER.countedLater),
    ...offer(likely, isDate(definition) ? FILLED.odd : FILLED.likely),
    ...offer(odd, FILLED.odd),
    ...offer(codesFrom(daysOfNoYear(text)), FILLED.odd),
  ]
}

// What is defined as a date was read as one.
const isDate = ({ stored }: Definition) => stored.masks.every(({ kind }) => kind === 'date')

// Codes with any word in front of a number that became the date.
function behindWords(space: Space, dates: readonly Guess[]): Originals | undefined {
  const sets = dates.flatMap(endsBehindWords).map((end) => endingWith(space, end))
  const subset = anyOf(sets.filter(({ count }) => count > 0n))
  return subset.count > 0n ? { kind: 'subset', subset } : undefined
}

/** Beside a code of which the date says all. */
const FILLED = { likely: TOGETHER.datedInPart, odd: TOGETHER.datedOddly } as const

const WEIGHT: Readonly<Record<Counted, number>> = {
  'days from 1900': TOGETHER.counted,
  'days from 1904': TOGETHER.countedLater,
  'days from 1970': TOGETHER.countedElsewhere,
}

/** More zeros in front of the number of a day are hardly met: the date was written where it does not belong. */
const MOST_ZEROS = 3

function counted(space: Space, text: string, findings: Unmarked['findings']): Hypothesis[] {
  const [narrowest = 0] = space.widths
  return daysCounted(text).flatMap(({ low, high, by }) =>
    narrowest - `${high}`.length > MOST_ZEROS
      ? []
      : {
          originals: { kind: 'integers', low, high },
          process: by,
          channels: [...findings, dayCount.id],
          findings: [...findings, dayCount.finding],
          weight: WEIGHT[by],
          per: 'all',
        },
  )
}
