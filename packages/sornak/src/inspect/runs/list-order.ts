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
 * Bits that it says for a cut that a short value starts as the one beside it, in a list that is sorted from below or from
 * above: as many as it takes to name one of the starts that are met, and to say that the value stands elsewhere than it
 * belongs; 0 where the list is not.
 */
export const startsTell = (all: Steps): number =>
  isSorted(all)
    ? Math.log2(Math.min(MOST_STARTS, Math.max(all.ups, all.downs))) + Math.log2(SELDOM)
    : 0

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

const FEW_STEPS = 10
/** One in so many may stand elsewhere. */
const SELDOM = 20
/** Numbers without a zero in front start with one of so many. */
const MOST_STARTS = 90
