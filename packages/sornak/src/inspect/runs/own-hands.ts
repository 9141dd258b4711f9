// A column that went through several hands, each of which prints numbers in its own way: what the values say that stand in one
// way tells nothing of those that stand in another. One thing happened to all of them, or one to each of these kinds.

import { areOfOne, handOf, type Hand } from '../evidence/hands.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { without } from '../evidence/sums.js'
import { joinedShorts } from '../short/short-values.js'
import type { StandsAs } from '../ways/hypothesis.js'
import { RUN_BITS } from '../ways/weights.js'
import { alsoAtWork } from './also-at-work.js'
import type { EvidenceRun, OwnHands } from './evidence-run.js'

/** Those of more ways are not told apart. */
const MOST_HANDS = 12

/** The ways in which one program prints. */
type Program = readonly Hand[]

const misfitsOf = (hands: Program) => hands.reduce((sum, { sums }) => sum + sums.misfits, 0)

// Those of the short numbers of a program are put to those of its long ones.
function ofOneProgram(hands: readonly Hand[], widest: number): Program[] {
  const own = (hand: Hand) => hands.find((other) => areOfOne(hand, other, widest)) ?? hand
  const groups = new Map<Hand, Hand[]>()
  for (const hand of hands) {
    const long = own(hand)
    groups.set(long, [...(groups.get(long) ?? []), hand])
  }
  return [...groups.values()]
}

/**
 * What each kind of values tells; undefined where all are of one kind.
 *
 * @param widest digits of the widest number
 * @param all what all rows tell together
 * @param least bits for the best that is told of them otherwise
 * @param storyOf what all rows of a column tell
 */
export function ownHands(
  whole: EvidenceState,
  widest: number,
  all: EvidenceRun,
  least: number,
  storyOf: (state: EvidenceState) => EvidenceRun,
): OwnHands | undefined {
  const hands = ofOneProgram(whole.hands, widest)
    .sort((a, b) => misfitsOf(b) - misfitsOf(a) || a[0]!.way - b[0]!.way)
    .slice(0, MOST_HANDS)
  if (hands.length < 2) return undefined
  const own = new Map<number, EvidenceRun>()
  const stories = new Map<number, EvidenceRun>()
  const told = hands.map((hand) => storyOf(withOnly(whole, hand)))
  const said = told.reduce((sum, { evidence }) => sum + evidence, 0)
  // Where many programs left their numbers, several of them print in one way.
  const apart = all.seldom === 0 && said - RUN_BITS * (told.length - 1) > least
  told.forEach((one, i) => {
    const others = told.filter((other) => other !== one)
    // A number with a fraction has no form of its own: any program may have printed it.
    const inForm = (form: StandsAs) => (form === 'fraction' ? all : one).inForm(form)
    const lift = alsoAtWork(one.lift, others)
    const story = { ...one, inForm, inColumn: all.inColumn, lift }
    for (const { way } of hands[i]!) {
      own.set(way, one)
      if (apart && one.evidence > RUN_BITS) stories.set(way, story)
    }
  })
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
function withOnly(whole: EvidenceState, hands: Program): EvidenceState {
  const ways = new Set(hands.map(({ way }) => way))
  const others = whole.hands.filter(({ way }) => !ways.has(way))
  return {
    ...whole,
    sums: others.reduce((sums, other) => without(sums, other.sums), whole.sums),
    shorts: hands.reduce<EvidenceState['shorts']>(
      (shorts, hand) => joinedShorts(shorts, hand.shorts, 0),
      [],
    ),
    standing: whole.standing.filter(([way]) => ways.has(handOf(way))),
    hands,
  }
}
