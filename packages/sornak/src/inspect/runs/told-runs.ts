// Which runs are worth a line of their own: each thing once, and nothing that chance has in long runs.

import { printsRound } from '../evidence/process-channel.js'
import { DOUBT_BITS, ROW_BITS, RUN_BITS } from '../ways/weights.js'
import { isForm, isOneOfSequence, type OwnRun } from './column-story.js'
import type { EvidenceRun } from './evidence-run.js'

/** @param cut rows that were cut, and what is left fits */
export function toldRuns(
  every: readonly OwnRun[],
  cut: readonly EvidenceRun[],
): readonly EvidenceRun[] {
  const worthALine = every.filter(
    (run) =>
      run.apart >= DOUBT_BITS &&
      !isOfRoundNumbers(run) &&
      (isForm(run)
        ? run.own !== 'marks'
        : run.process === run.own && (run.own !== 'number-read' || run.short > 0)),
  )
  worthALine.sort(inOrder)
  const told = worthALine.filter(
    (run, i) =>
      !worthALine.some(
        (other, k) =>
          k !== i &&
          inside(run, other) &&
          (covers(other, run) ||
            (k < i && other.channel === run.channel) ||
            byChance(run, other) ||
            isOneOfSequence(run, other) ||
            (isForm(run) === isForm(other) && saysMore(other, run))),
      ),
  )
  const cores = told.filter((run) => !isForm(run))
  return asOne([...told, ...cut].sort(inOrder), cores)
}

// All values fit and end in zeros: a column may have such, and none of them is doubted.
const isOfRoundNumbers = ({ process, suspect, misfits }: OwnRun) =>
  printsRound(process) && !suspect && misfits === 0

const inOrder = (a: EvidenceRun, b: EvidenceRun) => a.from.index - b.from.index || b.bits - a.bits

// An exponent is how few digits are printed, and binary numbers too: one line says it, where they were lost.
const covers = (other: EvidenceRun, run: EvidenceRun) =>
  run.process === 'form exponent' &&
  !other.process.startsWith('form ') &&
  other.process !== 'number-read'

// In a long run the values of a few rows look like what another process prints, too: that is told where it explains them
// so much better that they are judged by it. A form says nothing of what explains them, and has to be looked for in more rows.
function byChance(run: OwnRun, wider: OwnRun): boolean {
  if (isForm(wider) || run.process === wider.process) return false
  return isForm(run) ? run.bits < 2 * RUN_BITS : run.beyond(wider) <= RUN_BITS
}

// Of two runs the wider one, where its rows say as much for it on the average as those of the other.
function saysMore(a: EvidenceRun, b: EvidenceRun): boolean {
  return rowsOf(a) > rowsOf(b) && a.bits * rowsOf(b) >= b.bits * rowsOf(a)
}

const inside = (a: EvidenceRun, b: EvidenceRun) =>
  b.from.index <= a.from.index && a.to.index <= b.to.index

const rowsOf = ({ from, to }: EvidenceRun) => to.index - from.index + 1

// Where a conversion leaves some values alone, a few of them in a row end a run by chance, and another begins behind them:
// both are one line. What the rows between say against it is taken off. Of numbers that went through the same only the
// larger ones are grouped, maybe.
function asOne(runs: readonly EvidenceRun[], cores: readonly EvidenceRun[]): EvidenceRun[] {
  const together = (a: EvidenceRun, b: EvidenceRun) =>
    a.process.startsWith('form ') && cores.some((core) => inside(a, core) && inside(b, core))

  const found: EvidenceRun[] = []
  for (const run of runs) {
    const at = found.findLastIndex(({ channel, process }) => {
      return channel === run.channel && process === run.process
    })
    const before = found[at]
    const gap = before ? run.from.index - before.to.index - 1 : Infinity
    const against = ROW_BITS * gap
    const near = gap <= MOST_BETWEEN && against <= Math.min(before?.bits ?? 0, run.bits)
    if (before && gap >= 0 && near)
      found[at] = { ...before, to: run.to, bits: before.bits + run.bits - against }
    else if (before && gap >= 0 && gap <= rowsOf(before) + rowsOf(run) && together(before, run))
      found[at] = { ...before, to: run.to, bits: before.bits + run.bits }
    else found.push(run)
  }
  return found
}

/** Of more rows it is no chance. */
const MOST_BETWEEN = 32
