// By how far a process gains or loses over some rows, beside digits that were read as a number: what the rows say of it, what
// the stories of short values add or take away, and what else explains them.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { processesOf } from '../evidence/processes.js'
import type { Sums } from '../evidence/sums.js'
import type { ShortGroup } from '../short/group.js'
import { breaksOrder } from '../short/in-order.js'
import { allByChance, leadsAnywhere } from '../ways/by-chance.js'
import { pointedIn } from '../ways/from-decimals.js'
import { FEWER_DECIMALS, STOPS } from '../ways/hypothesis.js'
import type { Lift } from '../ways/scales.js'
import { MEND_ODDS, RUN_BITS, THROUGHOUT, TOGETHER } from '../ways/weights.js'
import { isInOrder, startsTell } from './list-order.js'
import { rarity } from './prior.js'
import { against as leftAlone } from './left-alone.js'
import type { Column, Rows } from './rows-between.js'
import { rowsSay } from './rows-say.js'
import { differentIn } from './short-group.js'
import { storiesSay } from './stories-say.js'

/** What is known of the column. */
interface Known {
  /** All values of the definition have one width. */
  readonly alike: boolean
  /** For each process: bits for rows that it rounded here and there. */
  readonly among: readonly number[]
  /** A type shows by its minus signs. */
  readonly signed: (id: string, from: Sums, to: Sums) => boolean
  /** A type of which only numbers below zero tell, and there are none. */
  readonly isUntold: (id: string) => boolean
  readonly everyShort: ShortGroup
  /** Those of a run are no exception to what all short values tell. */
  readonly mixed: boolean
}

/**
 * Over rows between two places, for which each process has this sum in 1/256 bit; `ofRun` are their short values, where
 * they are not all rows.
 */
export type Lifts = (sums: readonly number[], from: Sums, to: Sums, ofRun?: ShortGroup) => Lift

export function lifts(definition: Definition, whole: EvidenceState, known: Known): Lifts {
  const { alike, everyShort, isUntold } = known
  const space = spaceOf(definition)
  const processes = processesOf(definition)
  const place = new Map(processes.map(({ id }, i) => [id, i]))
  const column: Column = { space, whole, processes, place, alike, everyShort }
  const byRows = rowsSay(column, known.among)
  const byStories = storiesSay(definition, column, known)
  const cuts = processes.flatMap(({ id }) => (id.startsWith('cut-short') ? [id] : []))
  const isList = alike && isInOrder(whole.sums)
  const isPointed = pointedIn(space).length > 0
  return (sums, from, to, ofRun) => {
    const rows: Rows = { sums, from, to, short: ofRun ?? everyShort, isRun: ofRun !== undefined }
    const said = byRows(rows)
    const withStories = byStories(rows)
    let gone: boolean | undefined
    const zerosGone = () => (gone ??= isPointed && areZerosGone(place.get('evaluated')!, from, to))
    const explained = (id: string): number => {
      const i = place.get(id)
      if (i === undefined) return 0
      if (isUntold(id)) return -Infinity
      if (id !== FEWER_DECIMALS) return withStories(i, said(i))
      // What lacks zeros behind its point may lack any digits, where others have kept theirs.
      const ofZeros = explained('evaluated')
      return zerosGone() ? Math.min(said(i), ofZeros) : Math.max(said(i), ofZeros + rarity(id))
    }
    const others = once(() => Math.max(0, ...cuts.map(explained)))
    const byChance = chanceOf(column, rows)
    const stray = isList && areOutOfOrder(from, to)
    const ofStarts = alike ? startsTell(whole.sums, from, to) : 0
    const likely = (id: string): number => {
      const own = explained(id)
      // A few numbers that come again and again may all be right by chance, where what else explains them is no more likely.
      const isByChance = byChance > 1 - MEND_ODDS && leadsAnywhere(id)
      const lift = isByChance ? Math.min(own, others() - Math.log2(byChance)) : own
      const least = stray && breaksOrder(id) ? Math.max(lift, rarity(id)) : lift
      if (!id.startsWith('cut-short')) return least
      // What cuts some values leaves others as they are, with zeros in front and behind.
      const most = zerosGone() ? explained('evaluated') : Infinity
      // What is left of a value that was cut starts as those beside it do, in a list that is sorted.
      return Math.min(most, least + ofStarts)
    }
    // What cuts values here and there is no field too narrow for all: it took more from others, maybe.
    const isField = !alike || (to.fits - from.fits) * 10 <= to.short - from.short
    const mostCut = once(() => Math.max(...cuts.map(likely)))
    const ofAnyCut = (lift: number) =>
      mostCut() >= -Math.log2(TOGETHER.cutShort) - 1
        ? Math.max(lift, mostCut() + Math.log2(THROUGHOUT))
        : lift
    // Hardly a reader of octal digits goes as far as they do and no further: what explains the rows about as well is no less likely.
    const noMoreThanOthers = (lift: number) => {
      const other = processes.reduce(
        (most, { id }) => (/^(?:wrapped|cut-short)/.test(id) ? Math.max(most, likely(id)) : most),
        -Infinity,
      )
      return other > RUN_BITS && lift - other < RUN_BITS ? Math.min(lift, other) : lift
    }
    const settled = (id: string): number => {
      const lift = likely(id)
      if (id === STOPS) return noMoreThanOthers(lift)
      return !isField && id.startsWith('cut-short') ? ofAnyCut(lift) : lift
    }
    // Every value of these rows asks for the same.
    const asked = new Map<string, number>()
    return (id) => {
      let lift = asked.get(id)
      if (lift === undefined) asked.set(id, (lift = settled(id)))
      return lift
    }
  }
}

// The same answer, worked out where it is asked for.
function once(answer: () => number): () => number {
  let known: number | undefined
  return () => (known ??= answer())
}

// The chance that all their different numbers lead to a value as it is; none where none comes again.
function chanceOf({ space }: Column, { from, to, short }: Rows): number {
  const different = differentIn(short, from, to)
  return to.misfits - from.misfits > different ? allByChance(space, different) : 0
}

// No code has kept a zero in front or behind its point, of so many that one in ten should end in one: a reader of numbers dropped
// them, and no other digit is missing from those that have fewer.
function areZerosGone(evaluated: number, from: Sums, to: Sums): boolean {
  const bits = (to.spelt - from.spelt) * Math.log2(10 / 9)
  return leftAlone(evaluated, from, to) === 0 && bits >= -Math.log2(1 - MEND_ODDS)
}

// With zeros in front these would stand behind larger ones, in such a list.
function areOutOfOrder(from: Sums, to: Sums): boolean {
  const back = to.back - from.back
  return back >= FEW_BACK && back * 3 >= to.short - from.short
}

const FEW_BACK = 4
