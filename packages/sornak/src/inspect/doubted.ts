// Values that fit, in rows that say they were converted all the same.

import type { Definition } from '../identifier/definition.js'
import { spaceOf } from '../identifier/space.js'
import type { Context } from './context.js'
import { channelOf, sameKind } from './evidence/process-channel.js'
import { INTACT, NOTHING, type Judgement } from './judgement.js'
import { likelyIn } from './neighbours.js'
import { findingsOf, told } from './told-findings.js'
import { unchanged } from './ways/from-cut.js'
import type { Hypothesis } from './ways/hypothesis.js'
import { hypotheses } from './ways/originals.js'
import { weigh, type Weighed } from './ways/weigh.js'
import { MOST_AMBIGUOUS } from './ways/weights.js'

/** A value that fits in a run of converted ones: intact only where it is the one original left. */
export function doubted(
  definition: Definition,
  seen: string,
  most: number,
  context: Context,
): Judgement {
  const space = spaceOf(definition)
  const known = likelyIn(definition, seen, context, hypotheses(definition, seen))
  // What reads as a number stands as it is read.
  const ways = known.some(isRead) ? known : [...known, unchanged(seen)]
  const column = { lift: context.lift, usual: context.usual?.of }
  const weighedBy = (some: readonly Hypothesis[]) => weigh(space, some, Math.max(most, 2), column)
  const own = ofRun(ways, context)
  const ofOwn = weighedBy(own)
  if (!isDoubtful(ofOwn, seen, context)) return INTACT
  const weighed = own.length === ways.length ? ofOwn : weighedBy(ways)
  const { possible, counted, beyondList, ranked } = weighed
  // Others may be counted only.
  const by = ranked.find(({ text }) => text !== seen)
  return {
    ...NOTHING,
    verdict: 'suspect',
    ...(context.beside !== undefined && { beside: context.beside }),
    findings: by ? findingsOf(definition, seen, by, ways) : told(definition, seen, ways, weighed),
    possible,
    counted,
    candidates: possible > MOST_AMBIGUOUS || beyondList ? [] : ranked.slice(0, most),
  }
}

// What is doubted is what the rows of a run say: that it was converted in another way is no likelier than elsewhere.
function ofRun(ways: readonly Hypothesis[], { channel, beside }: Context): readonly Hypothesis[] {
  if (channel === undefined || beside !== undefined) return ways
  return ways.filter(
    (way) =>
      isRead(way) || way.process === 'unchanged' || sameKind(channelOf(way.process), channel),
  )
}

const isRead = ({ process }: Hypothesis) => process === 'number-read'

// Rows that were not converted hold their own value; of those that were, as many come out as it as have become it.
function isDoubtful(
  { possible, ranked }: Weighed,
  seen: string,
  { struck = 1, zerosGone = true }: Context,
): boolean {
  const number = bareOf(seen)
  const same = ranked
    .filter(({ text }) => text === seen || (!zerosGone && bareOf(text) === number))
    .reduce((sum, { odds }) => sum + odds, 0)
  const come = struck * Number(possible)
  const unchanged = (1 - struck + come * same) / (1 - struck + come)
  const isOnly = possible === 1n && ranked[0]?.text === seen
  return !isOnly && unchanged <= STILL_INTACT
}

const bareOf = (text: string) => text.replace(/^0+/, '')

/** What other rows say of that limit they say of values that are not it. */
export const atLimit = (context: Context): Context => ({
  ...context,
  channel: 'clamped',
  struck: 1,
  lift: (process) => Math.max(process.startsWith('clamped') ? 0 : -Infinity, context.lift(process)),
})

/** Odds at which a value among converted ones is still taken as it stands. */
const STILL_INTACT = 0.9
