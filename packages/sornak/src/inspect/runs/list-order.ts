// Whether values follow each other in the order of their numbers, by their first two digits.

import type { Sums } from '../evidence/sums.js'

/** How often one is larger than the one before by these, the same, and smaller. */
type Steps = Pick<Sums, 'ups' | 'levels' | 'downs'>

/**
 * A long list that starts anew now and then: most start as the one before, and of the others more start with more than
 * with less.
 */
export const isInOrder = ({ ups, levels, downs }: Steps): boolean =>
  ups >= FEW_STEPS && ups * 2 >= downs * 3 && levels >= ups + downs

/**
 * Bits that it says for a cut, in a list that is sorted from below or from above, how many short values start as the one beside
 * them: of those that were cut most do, of others one in as many as there are starts, and these stand elsewhere than they belong.
 */
export function startsTell(all: Steps, from: Pairs, to: Pairs): number {
  if (!isSorted(all)) return 0
  const starts = Math.min(MOST_STARTS, Math.max(all.ups, all.downs))
  const alike = to.alike - from.alike
  const others = to.pairs - from.pairs - alike
  const gain = Math.log2(MOSTLY * starts) + Math.log2(SELDOM)
  const loss = Math.log2((1 - 1 / starts) / (1 - MOSTLY))
  return Math.max(0, alike * gain - others * loss)
}

/** A short value and one beside it that fits, and those that start alike. */
type Pairs = Pick<Sums, 'pairs' | 'alike'>

/** Values that fit between two places are sorted: that all of them lie below a number says nothing. */
export const areSorted = (from: Steps, to: Steps): boolean =>
  isSorted({
    ups: to.ups - from.ups,
    levels: to.levels - from.levels,
    downs: to.downs - from.downs,
  })

// Hardly any starts with less than the one before, where the list goes up, or with more, where it goes down; and not as many as
// go its way, as in one that is put together from the lists of a few offices.
const isSorted = ({ ups, levels, downs }: Steps) => {
  const [against, along] = ups < downs ? [ups, downs] : [downs, ups]
  return along >= FEW_STEPS && against * SELDOM <= ups + levels + downs && against * 2 <= along
}

/** So many of what was cut start as the next one does. */
const MOSTLY = 0.8
const FEW_STEPS = 10
/** One in so many may stand elsewhere. */
const SELDOM = 20
/** Numbers without a zero in front start with one of so many. */
const MOST_STARTS = 90
