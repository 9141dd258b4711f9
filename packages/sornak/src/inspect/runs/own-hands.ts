// A column that went through several hands, each of which prints numbers in its own way: what the values say that stand in one
// way tells nothing of those that stand in another. One thing happened to all of them, or one to each of these kinds.

import { handOf, type Hand } from '../evidence/hands.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { without } from '../evidence/sums.js'
import { RUN_BITS } from '../ways/weights.js'
import { alsoAtWork } from './also-at-work.js'
import type { EvidenceRun, OwnHands } from './evidence-run.js'

/** Those of more ways are not told apart. */
const MOST_HANDS = 12

/**
 * What each kind of values tells; undefined where all are of one kind.
 *
 * @param all what all rows tell together
 * @param least bits for the best that is told of them otherwise
 * @param storyOf what all rows of a column tell
 */
export function ownHands(
  whole: EvidenceState,
  all: EvidenceRun,
  least: number,
  storyOf: (state: EvidenceState) => EvidenceRun,
): OwnHands | undefined {
  const hands = [...whole.hands]
    .sort((a, b) => b.sums.misfits - a.sums.misfits || a.way - b.way)
    .slice(0, MOST_HANDS)
  if (hands.length < 2) return undefined
  const own = new Map(hands.map((hand) => [hand.way, storyOf(withOnly(whole, hand))]))
  const told = [...own.values()]
  const said = told.reduce((sum, { evidence }) => sum + evidence, 0)
  // Where many programs left their numbers, several of them print in one way.
  const apart = all.seldom === 0 && said - RUN_BITS * (own.size - 1) > least
  const stories = new Map<number, EvidenceRun>()
  for (const [way, one] of own) {
    if (!apart || one.evidence <= RUN_BITS) continue
    const others = told.filter((other) => other !== one)
    stories.set(way, { ...one, inColumn: all.inColumn, lift: alsoAtWork(one.lift, others) })
  }
  return { apart, of: (way) => own.get(way), story: (way) => stories.get(way) }
}

/** The same where these rows lie beside them. */
export const handsBeside = (
  hands: OwnHands,
  beside: readonly (EvidenceRun | undefined)[],
): OwnHands => ({
  ...hands,
  story(way) {
    const one = hands.story(way)
    return one && { ...one, lift: alsoAtWork(one.lift, beside) }
  },
})

// The same column without the values that stand in any other way and do not fit.
function withOnly(whole: EvidenceState, hand: Hand): EvidenceState {
  const others = whole.hands.filter(({ way }) => way !== hand.way)
  return {
    ...whole,
    sums: others.reduce((sums, other) => without(sums, other.sums), whole.sums),
    shorts: hand.shorts,
    standing: whole.standing.filter(([way]) => handOf(way) === hand.way),
    hands: [hand],
  }
}
