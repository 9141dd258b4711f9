// What a value that does not fit adds to the figures of its column.

import { plainDigits } from '../../channel/number-text.js'
import type { Misfit } from './misfit-evidence.js'
import { shownDigits } from './printed-digits.js'
import { bits, IN, OUT, type Process } from './process.js'
import { SLIPS } from './slips.js'
import { MOST_DIGITS, type Tally } from './sums.js'

/** Digits, printed in any form, that are fewer than they should be. */
export const isShort = ({ bare, stands }: Misfit, widest: number): boolean =>
  bare !== undefined && bare.length < widest && !stands

/**
 * @param widest how many digits the widest value has
 * @param repeated the value before was the same
 */
export function countMisfit(
  now: Tally,
  processes: readonly Process[],
  widest: number,
  seen: string,
  misfit: Misfit,
  repeated: boolean,
): void {
  const { found, isRead, inForm, percent, isShortened, isFraction, bare } = misfit
  now.misfits++
  if (isRead) now.reads++
  if (inForm) now.formed++
  if (isFraction) now.fractions++
  if (percent) now.percents++
  if (percent === 'hundredfold') now.hundreds++
  // A percent sign leaves two numbers open, which have the same zeros at the end but for two.
  if (isShortened && !repeated) countDigits(now, seen, percent ? seen.replace(/\D/g, '') : bare)
  if (/^0\d+$/.test(seen)) now.padded++
  if (/^-\d+$/.test(seen)) now.belowZero++
  if (found.length === 0) now.unexplained++
  if (isShort(misfit, widest)) {
    now.short++
    if (bare!.length * 2 <= widest) now.tiny++
  } else if (bare !== undefined) now.wide++
  countFound(now, processes, widest, seen, misfit, repeated)
}

// What each process says that explains it. That many originals come out as the same value again is said already, but of
// one that is held at a limit.
function countFound(
  now: Tally,
  processes: readonly Process[],
  widest: number,
  seen: string,
  { found, isRead, bare, slip }: Misfit,
  repeated: boolean,
): void {
  const kind = slip === undefined ? -1 : SLIPS.indexOf(slip)
  if (kind >= 0) now.slips[kind]!++
  for (const [i, many] of found) {
    if (kind >= 0) now.slipsToo[kind * processes.length + i]!++
    now.scores[i]! += IN - OUT
    now.hits[i]!++
    const more = repeated && !processes[i]!.id.startsWith('clamped') ? 0 : bits(many)
    now.extra[i]! += more
    if (isRead) {
      now.readsToo[i]!++
      now.readsExtra[i]! += more
    }
    const { nearly, max } = processes[i]!
    // A signed type has as many numbers below zero.
    const size = max === undefined ? bare : (bare ?? /^-(\d+)$/.exec(seen)?.[1])
    if (nearly === undefined || size === undefined) continue
    if (max === undefined && size.length >= widest) continue
    now.held[i]!++
    if (BigInt(size) >= nearly) now.near[i]!++
  }
}

/** How many digits a number shows that was shortened, maybe. */
export function countDigits(now: Tally, seen: string, bare: string = seen): void {
  const shown = shownDigits(seen)
  const long = plainDigits(bare)
  if (shown !== undefined) {
    const k = Math.min(MOST_DIGITS, shown)
    now.digits[k]!++
    if (shown >= bare.length) now.complete++
    else now.partial[k]!++
  } else if (long > 0) {
    now.plain[Math.min(MOST_DIGITS, long)]!++
    if (long < bare.length) now.ending[long]!++
  }
}
