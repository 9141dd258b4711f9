// Column evidence -> what a report says of it and what a judgement needs: the runs that stand out, the
// process that explains each best, and how far every process gains or loses there.

import type { Definition } from '../../identifier/definition.js'
import { spaceOf } from '../../identifier/space.js'
import type { EvidenceState } from '../evidence/evidence-state.js'
import { settled } from '../evidence/joined-evidence.js'
import { channelOf, printsRound, sameKind } from '../evidence/process-channel.js'
import { betweenEdges, coveringRuns } from '../evidence/row-lookup.js'
import type { Lift } from '../ways/scales.js'
import { BY_PLACES, isShortening, toDigits } from '../ways/shortening.js'
import { DOUBT_BITS, RUN_BITS } from '../ways/weights.js'
import { columnStory, isForm, isOneOfSequence, type OwnRun } from './column-story.js'
import { cutBlocks } from './cut-blocks.js'
import type { EvidenceRun } from './evidence-run.js'
import { roundedBlocks } from './rounded-blocks.js'
import { toldRuns } from './told-runs.js'

export interface ColumnRuns {
  /** Runs worth a line of their own, in order. */
  readonly told: readonly EvidenceRun[]
  /** The run in which a record lies: of several, the one that explains it best; the whole column where none does. */
  around(index: number): EvidenceRun
  /** Runs in which values that fit are doubted. */
  readonly suspects: readonly EvidenceRun[]
  /** Bits that say zeros at the front are missing throughout; 0 where nothing says so. */
  readonly zerosAbsent: number
}

export function columnRuns(definition: Definition, state: EvidenceState): ColumnRuns {
  const whole = settled(definition, state)
  const story = columnStory(definition, whole)
  const every = story.ofEach.flat()
  const cores = every.filter((run) => !isForm(run))
  const covering = coveringRuns(story.ofEach.filter(([first]) => first && !isForm(first)))
  const formed = coveringRuns(story.ofEach.filter(([first]) => first && isForm(first)))
  const cut = blockRuns(definition, whole, story.all, cores)
  const cutAt = coveringRuns([cut])
  const likeliest = (index: number) => {
    const [block] = cutAt(index)
    if (block) return block
    const runs = covering(index)
    if (!story.mixed) return narrowed(story.all, runs, true)
    const [widest, ...inside] = runs
    return widest ? narrowed(widest, inside) : (formed(index)[0] ?? story.aside)
  }
  const around = betweenEdges(
    [...every, ...cut].flatMap(({ from, to }) => [from.index, to.index + 1]),
    likeliest,
  )
  return {
    told: toldRuns(every, cut),
    around,
    suspects: [...cores.filter(({ suspect }) => suspect), ...cut],
    zerosAbsent: zerosAbsent(definition, whole),
  }
}

// Rows that were cut or rounded, and what is left fits, where nothing else explains that they are no wider, or all end in zeros.
function blockRuns(
  definition: Definition,
  { narrow, endings }: EvidenceState,
  all: EvidenceRun,
  others: readonly EvidenceRun[],
): EvidenceRun[] {
  const cut = cutBlocks(definition, narrow).map(({ from, to, process, bits }) => {
    const run = {
      ...ofBlock(all, process, bits, (id) => id === process),
      from: from.place,
      to: to.place,
    }
    return { run, isExplained: others.some((other) => other.bits > bits && touch(run, other)) }
  })
  // Of numbers with a check digit hardly any fits that was rounded: they are told by those that do not.
  const round = definition.check ? [] : roundedBlocks(endings)
  const rounded = round.map(({ from, to, bits, zeros }) => {
    const process = BY_PLACES[zeros - 1]!
    const toKept = toDigits(spaceOf(definition).widest - zeros)
    const explains = (id: string) => id === process || id === toKept
    const run = { ...ofBlock(all, process, bits, explains), from, to }
    return {
      run,
      isExplained: others.some(
        (other) =>
          sameKind(other.channel, run.channel) &&
          !isShortening(other.process) &&
          other.bits * 5 >= bits * 4 &&
          touch(run, other),
      ),
    }
  })
  return [...cut, ...rounded].flatMap(({ run, isExplained }) => (isExplained ? [] : [run]))
}

const ofBlock = (
  all: EvidenceRun,
  process: string,
  bits: number,
  explains: (id: string) => boolean,
) => ({
  ...all,
  process,
  conversion: process,
  channel: channelOf(process),
  bits: Math.round(bits),
  lift: (id: string) => (explains(id) ? bits : 0),
  suspect: true,
  struck: undefined,
})

// The widest first; a narrower one inside takes its place where it explains its rows so much better
// that saying so is worth a run of its own. Where what all rows tell has its own run, no other was looked for: what else
// explains those rows as well is as likely there, and casts doubt on values that fit where it explains them better.
function narrowed(first: EvidenceRun, runs: readonly OwnRun[], ofAll = false): EvidenceRun {
  let best = first
  for (const run of runs) {
    // What was rounded ends in zeros now and then: a few such rows lie together by chance. So they do where only zeros in front
    // are gone.
    if (best.suspect && !run.suspect && printsRound(run.process)) continue
    if (isShortening(run.own) && !isOwn(run)) continue
    if (isOneOfSequence(run, best)) continue
    if (isOneAgain(run) && run.process === first.process) continue
    const outside = ofAll && best === first
    const better = run.beyond(best)
    if (
      run.process === best.process
        ? outside || (isOwn(run) && run.suspect && !best.suspect)
        : better > leastOf(run) || (outside && run.alone >= best.evidence)
    )
      best = run
    else if (outside && readsDigits(run) && readsDigits(best))
      best = { ...run, lift: ofBoth(run, best) }
    else if (outside && run.own === first.process && better > 0)
      best = { ...run, suspect: run.suspect && Math.max(better, run.wrapped) >= DOUBT_BITS }
  }
  // How many were mistyped beside a conversion is counted outside its runs where all rows are asked.
  const [widest] = runs
  return ofAll && best === first && widest ? { ...best, slips: widest.slips } : best
}

// One short value that comes again and again says no more than once what all rows say.
const isOneAgain = ({ misfits, different, from, to }: EvidenceRun) =>
  different === 1 && misfits > 1 && to.index - from.index < 2 * misfits

// Its rows were looked for because they speak for another process: of so many one explains them by chance.
const leastOf = (run: OwnRun) => RUN_BITS + (isOwn(run) ? 0 : DOUBT_BITS)

// It was looked for because it speaks for what explains it best: others have rows that say nothing of that.
const isOwn = ({ own, process }: OwnRun) => own === process

// Both read digits as a number. Which of the ways it was the short values tell: those of the run, or all of them.
const readsDigits = ({ process }: EvidenceRun) =>
  process === 'number-read' || process.startsWith('octal')

const ofBoth =
  (run: EvidenceRun, all: EvidenceRun): Lift =>
  (id) =>
    id.startsWith('octal') ? Math.max(run.lift(id), all.lift(id)) : run.lift(id)

const touch = (a: EvidenceRun, b: EvidenceRun) =>
  a.from.index <= b.to.index && b.from.index <= a.to.index

// One in ten should start with a zero; that none does says something only where all other digits are
// about as frequent as they should be.
function zerosAbsent(definition: Definition, { sums, starts }: EvidenceState): number {
  const space = spaceOf(definition)
  const { widest } = space
  // Numbers of several widths are issued without zeros in front; and where these are padding they may be left out.
  const isLeftOut = space.widths.length > 1 || definition.zeros === 'padding'
  if (isLeftOut || widest < 2 || sums.zeros > 0 || sums.short > 0) return 0
  const share =
    Number(
      (space.count(0n, 10n ** BigInt(widest - 1) - 1n).count * 10_000n) /
        (space.integers.count || 1n),
    ) / 10_000
  const others = Array.from({ length: 9 }, (_, i) =>
    starts.slice((i + 1) * 10, (i + 2) * 10).reduce((sum, count) => sum + count, 0),
  )
  const even = others.every((count) => count * 27 >= sums.fits)
  return share > 0.02 && share < 0.5 && even ? Math.floor(-Math.log2(1 - share) * sums.fits) : 0
}
