// Dates in place of codes that were taken for them, and of numbers that were shown as days.

import { dateGuess } from '../../channel/date-guess.js'
import { dayCount, daysCounted, type Counted } from '../../channel/day-count.js'
import type { Unmarked } from '../../channel/text-marks.js'
import type { Definition } from '../../identifier/definition.js'
import type { Space } from '../../identifier/space.js'
import { holdsLetters, holdsSeparators, storedOf, storesSeparators } from './forms.js'
import { way, type Hypothesis } from './hypothesis.js'
import { TOGETHER } from './weights.js'

/** A word, a date, or the number of a day. */
const DATED = /[A-Za-z]{3}|\d[-/.]\d|^\d{5}$/

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
  const codes = dateGuess
    .inverse(text)
    .flatMap((one) => (one.kind === 'texts' ? one.texts : []))
    .flatMap((one) => storedOf(definition, one, separated))
  const weight = bare && !storesSeparators(space) ? TOGETHER.evaluatedDisplay : TOGETHER.dated
  const { id, finding } = dateGuess
  return codes.length
    ? [way(id, [...findings, id], [...findings, finding], [...new Set(codes)], weight)]
    : []
}

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
