// Column evidence -> what a report says of it and what a judgement needs: the runs that stand out, the
// process that explains each best, and how far every process gains or loses there.

import type { FindingCode } from '../channel/channel.js'
import type { Definition } from '../identifier/definition.js'
import { spaceOf } from '../identifier/space.js'
import type { RecordPlace } from '../rows/reader.js'
import { settled, type EvidenceState, type Sums } from './column-evidence.js'
import { bits, OUT, processesOf, UNIT, type Process } from './processes.js'
import { runsOf } from './run-state.js'
import type { Lift } from './weigh.js'
import { EACH, TOGETHER } from './weights.js'

export interface EvidenceRun {
  /** The process that explains its rows best. */
  readonly process: string
  readonly channel: string
  /** The first and the last record in which it was at work, and where the last one begins. */
  readonly from: RecordPlace
  readonly to: RecordPlace
  /** Evidence in bits. */
  readonly bits: number
  /** What the rows say of each process, beside digits that were read as a number. */
  readonly lift: Lift
  /** Values that fit may be others than they were. */
  readonly suspect: boolean
}

export interface ColumnRuns {
  /** Runs worth a line of their own, in order. */
  readonly told: readonly EvidenceRun[]
  /** The run in which a record lies, the narrowest where there are several. */
  around(index: number): EvidenceRun | undefined
  /** Runs in which values that fit are doubted. */
  readonly suspects: readonly EvidenceRun[]
  /** Bits that say zeros at the front are missing throughout; 0 where nothing says so. */
  readonly zerosAbsent: number
}

export function columnRuns(definition: Definition, state: EvidenceState): ColumnRuns {
  const processes = processesOf(definition)
  const whole = settled(definition, state)
  const every = processes.flatMap((process, i) =>
    runsOf(whole.runs[i]!).map(({ from, to, score }) => ({
      ...judged(definition, processes, process, from.known, to.known, score),
      own: process.id,
      short: to.known.short - from.known.short,
    })),
  )
  const isForm = ({ own }: { own: string }) => own.startsWith('form ') || own === 'marks'
  const cores = every.filter((run) => !isForm(run))
  const size = ({ from, to }: EvidenceRun) => to.index - from.index
  cores.sort((a, b) => size(a) - size(b))
  const told = every.filter((run) =>
    isForm(run)
      ? run.own !== 'marks'
      : run.process === run.own && (run.own !== 'number-read' || run.short > 0),
  )
  told.sort((a, b) => a.from.index - b.from.index || b.bits - a.bits)
  return {
    told: told.filter(
      (run, i) =>
        !told.some(
          (other, k) =>
            k !== i &&
            inside(run, other) &&
            (covers(other, run) || (k < i && other.channel === run.channel)),
        ),
    ),
    around: (index) => cores.find(({ from, to }) => from.index <= index && index <= to.index),
    suspects: cores.filter(({ suspect }) => suspect),
    zerosAbsent: zerosAbsent(definition, whole),
  }
}

// An exponent is how few digits are printed, and binary numbers too: one line says it.
const covers = (other: EvidenceRun, run: EvidenceRun) =>
  run.process === 'form exponent' && !other.process.startsWith('form ')

const inside = (a: EvidenceRun, b: EvidenceRun) =>
  b.from.index <= a.from.index && a.to.index <= b.to.index

function judged(
  definition: Definition,
  processes: readonly Process[],
  own: Process,
  from: Sums,
  to: Sums,
  score: number,
): EvidenceRun {
  const totals = processes.map((process, i) => total(definition, process, i, from, to))
  const base = totals[processes.findIndex(({ id }) => id === 'number-read')] ?? 0
  const place = new Map(processes.map(({ id }, i) => [id, i]))
  const form = own.id.startsWith('form ')
  let best = own
  let most = -Infinity
  for (const [i, process] of processes.entries()) {
    if (process.id.startsWith('form ') || process.id === 'marks') continue
    const weighed = totals[i]! / UNIT + Math.log2(prior(process.id))
    if (weighed > most) [best, most] = [process, weighed]
  }
  const process = form ? own : best
  return {
    process: process.id,
    channel: channelOf(process.id),
    from: from.place,
    to: to.place,
    bits: Math.round(score / UNIT),
    lift: (id) => {
      const i = place.get(id)
      return i === undefined ? 0 : (totals[i]! - base) / UNIT
    },
    suspect: !form && (process.rounds === true || process.max !== undefined),
  }
}

// Evidence for a process over the rows between two places.
function total(
  definition: Definition,
  { id, usual, max }: Process,
  i: number,
  from: Sums,
  to: Sums,
): number {
  const over = (key: 'fits' | 'misfits' | 'short' | 'zeros') => to[key] - from[key]
  const of = (key: 'scores' | 'extra' | 'held' | 'near') => to[key][i]! - from[key][i]!
  const flat = of('scores') + usual * over('fits') + OUT * over('misfits')
  if (id.startsWith('wrapped') && max !== undefined) {
    // Columns are seldom even: that all values lie below a limit says something only where they come
    // up to it.
    const even = of('held') >= 32 && of('near') * 32 >= of('held')
    const originals = spaceOf(definition).integers.count / (max + 1n)
    return flat + (even ? bits(originals) * of('held') : 0)
  }
  if (id.startsWith('octal')) {
    // The same for short values: only where wider ones stand between them.
    const even = over('fits') - over('zeros') >= over('short')
    const width = spaceOf(definition).widest
    if (!even) return flat
    return id === 'octal'
      ? flat + Math.round(Math.log2(1.25) * (width - 1) * UNIT) * over('short')
      : flat + of('extra')
  }
  return flat + of('extra')
}

function prior(id: string): number {
  if (id.startsWith('wrapped')) return TOGETHER.wrapped
  if (id.startsWith('octal')) return TOGETHER.otherBase
  if (id.startsWith('cut-short')) return TOGETHER.cutShort
  if (id === 'binary32') return EACH.binary32
  return 1
}

function channelOf(process: string): string {
  if (process.startsWith('form ')) return FORM_CHANNELS[process.slice(5)] ?? process.slice(5)
  if (process.startsWith('fifteen')) return 'fifteen-digits'
  if (process.startsWith('octal') || process === 'base-sixty') return 'other-base'
  return process.split(' ')[0]!
}

const FORM_CHANNELS: Partial<Record<FindingCode, string>> & Record<string, string> = {
  exponent: 'exponent-form',
  grouped: 'grouping',
  'display-stored': 'display',
}

// One in ten should start with a zero; that none does says something only where all other digits are
// about as frequent as they should be.
function zerosAbsent(definition: Definition, { sums, firsts }: EvidenceState): number {
  const space = spaceOf(definition)
  const { widest } = space
  if (widest < 2 || sums.zeros > 0 || sums.short > 0) return 0
  const share =
    Number(
      (space.count(0n, 10n ** BigInt(widest - 1) - 1n).count * 10_000n) /
        (space.integers.count || 1n),
    ) / 10_000
  const others = firsts.slice(1)
  const even = others.every((count) => count * 27 >= sums.fits)
  return share > 0.02 && share < 0.5 && even ? Math.floor(-Math.log2(1 - share) * sums.fits) : 0
}
