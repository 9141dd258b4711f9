// What happened to the rows of a column: one thing to all of them, or one to each stretch of rows and another to the rest.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { sameKind } from '../evidence/process-channel.js'
import type { Process } from '../evidence/process.js'
import { processesOf } from '../evidence/processes.js'
import { runsOfEach } from '../evidence/repeating.js'
import { firstWhere } from '../evidence/row-lookup.js'
import type { Run } from '../evidence/run-state.js'
import type { Sums } from '../evidence/sums.js'
import { RUN_BITS } from '../ways/weights.js'
import { alsoAtWork } from './also-at-work.js'
import { isOfChance } from './at-limit.js'
import { outsideOf, stretches, type Stretch } from './aside.js'
import { beyondChance, withoutChance } from './chance-runs.js'
import { comparison, type Comparison } from './comparison.js'
import { denseRuns } from './dense-runs.js'
import type { EvidenceRun } from './evidence-run.js'
import { ownHands } from './own-hands.js'
import { against } from './left-alone.js'
import { roundedAmong } from './rounded-among.js'
import { usualStarts } from './usual-starts.js'

/** A run that was looked for because it speaks for this process; another may explain it better. */
export interface OwnRun extends EvidenceRun {
  readonly own: string
  /** Values that fit and its process could have printed, those that repeat the one before left out. */
  readonly fresh: number
  /** Its values of digits that are too short. */
  readonly short: number
  /** Bits by which what it explains is more frequent in its rows than chance has it, among others here and there. */
  readonly apart: number
}

export interface ColumnStory {
  /** The runs of each process. */
  readonly ofEach: readonly (readonly OwnRun[])[]
  /** What all rows tell. */
  readonly all: EvidenceRun
  /** What those tell that lie in no run, where these have a story of their own. */
  readonly aside: EvidenceRun
  /** All rows tell no story of their own: each stretch has one, and the rest has. */
  readonly mixed: boolean
}

export function columnStory(definition: Definition, whole: EvidenceState): ColumnStory {
  const processes = processesOf(definition)
  const runs = runsOfEach(whole).map((runs, i) =>
    runs.filter((run) => !isTorn(processes[i]!, i, run) && !isOfChance(processes[i]!, i, run)),
  )
  const inRuns = withoutChance(processes, denseRuns(processes, runs), whole)
  const usual = usualStarts(whole)
  // Rows that were rounded together are told as runs. Others take away certainty, and give none.
  const among = processes.map((process, i) =>
    inRuns[i]!.length ? 0 : roundedAmong(whole, process, i),
  )
  const compared = (state: EvidenceState, runs: typeof inRuns, mixed: boolean) =>
    comparison(definition, state, runs, { usual, among, mixed })
  const runsOf = ({ processes, over }: Comparison) =>
    processes.map((own, i) => {
      const apart = beyondChance(own, i, inRuns[i]!, whole)
      return inRuns[i]!.map((run) => ({
        ...over(run.from, run.to, own, run.score),
        own: own.id,
        apart: apart(run),
        fresh: run.to.known.fresh[i]! - run.from.known.fresh[i]!,
        short: run.to.known.short - run.from.known.short,
      }))
    })
  const together = compared(whole, inRuns, false)
  const all = together.everywhere()
  const apart = stretches(inRuns)
  const rest = outsideOf(whole, apart)
  const none = inRuns.map(() => [])
  const ofRest = compared(rest, none, false).everywhere()
  const ofEach = runsOf(together)
  const most = mostInEach(apart, ofEach.flat())
  const divided = most.reduce((sum, run) => sum + (run?.evidence ?? 0) - RUN_BITS, ofRest.evidence)
  const hands = ownHands(
    whole,
    spaceOf(definition).widest,
    all,
    Math.max(divided, all.evidence),
    (state) => compared(state, none, false).everywhere(),
  )
  const mixed = !hands?.apart && (divided > all.evidence || isOfNone(all, [...most, ofRest]))
  return {
    ofEach: mixed ? runsOf(compared(whole, inRuns, true)) : ofEach,
    all: hands ? { ...all, hands } : all,
    aside: mixed ? { ...ofRest, inColumn: all.inColumn, lift: alsoAtWork(ofRest.lift, most) } : all,
    mixed,
  }
}

/** The run is one of a printed form or of marks, which say nothing of what happened to the values. */
export const isForm = ({ own }: Pick<OwnRun, 'own'>): boolean =>
  own.startsWith('form ') || own === 'marks'

/**
 * One number of a sequence that was rounded, again and again: it may look as if it went through another rounding than the
 * sequence around it.
 */
export const isOneOfSequence = (run: OwnRun, around: EvidenceRun): boolean =>
  run.misfits === 0 &&
  run.fresh > 0 &&
  run.fresh <= ONE &&
  run.process !== around.process &&
  sameKind(run.channel, around.channel)

/** A number that goes on from the one before is counted twice. */
const ONE = 2

// For each stretch the run in it that explains its rows best; undefined where none says anything for itself.
function mostInEach(apart: readonly Stretch[], runs: readonly OwnRun[]): Parts {
  const most: (OwnRun | undefined)[] = apart.map(() => undefined)
  for (const run of runs) {
    const at =
      firstWhere(apart.length, (i) => apart[i]!.from.known.place.index > run.from.index) - 1
    if (run.evidence > (most[at]?.evidence ?? 0)) most[at] = run
  }
  return most
}

// What explains all rows together, and those of no stretch best, nor the rest, happened to none of them.
function isOfNone({ conversion }: EvidenceRun, parts: Parts): boolean {
  const told = new Set(parts.flatMap((part) => (part && part.evidence > 0 ? part.conversion : [])))
  return told.size > 0 && !told.has(conversion)
}

// Values in it that its process would have changed say that it struck rows here and there, and not all from the first to the last.
function isTorn({ usual, rounds }: Process, i: number, { from, to }: Run<Sums>): boolean {
  if (usual !== 0 || rounds) return false
  const hits = to.known.hits[i]! - from.known.hits[i]!
  return against(i, from.known, to.known) * 10 > hits
}

type Parts = readonly (EvidenceRun | undefined)[]
