// A display form that was read as a number: its separators, its plus and the zeros at its front went first, and then digits of it
// were lost, as of any other.

import type { ShownNumbers } from '../../identifier/shown-numbers.js'
import type { Space } from '../../identifier/space.js'
import { shownIn } from './forms.js'
import { leavesAny, type Bare } from './hypothesis.js'
import type { Reading } from './readings.js'
import { TOGETHER } from './weights.js'

/** Hardly any form lacks more zeros than one: what does went another way. */
const MOST_ZEROS = 1

/**
 * @param ways what the number may have been before digits of it were lost, as it is first
 * @param isShort it shows fewer digits than it has: all there were, hardly
 */
export function asShown(space: Space, ways: readonly Reading[], isShort: boolean): Bare[] {
  const shown = shownIn(space)
  const [asItIs, ...others] = ways
  if (!shown || !asItIs || `${asItIs.high}`.length < shown.narrowest - MOST_ZEROS) return []
  const weight = shown.joined ? TOGETHER.joined : TOGETHER.displayedLoosely
  const { channel, process, low, high } = asItIs
  const whole: Bare = {
    originals: { kind: 'integers', of: shown, low, high },
    channel,
    process: 'display',
    shown: true,
    weight,
    per: 'all',
  }
  const rounded = (isShort ? ways : others).map(
    ({ low, high, channel, process, weight: own, per = 'original' }): Bare => ({
      originals: { kind: 'integers', of: shown, low, high },
      channel,
      process,
      shown: true,
      finding: 'digits-rounded',
      weight: weight * own,
      per,
    }),
  )
  // What was filled up lacks nothing.
  const isWhole = isShort || process === 'repadded' || `${low}`.length >= shown.narrowest
  const cut = shown.joined && !isWhole ? withoutOne(shown, low) : []
  const found = isShort ? rounded : [whole, ...rounded, ...cut]
  return found.filter((one) => leavesAny(space, one))
}

// It may lack a digit behind or in front that is no zero: all rows that lack one tell of it.
function withoutOne(shown: ShownNumbers, value: bigint): Bare[] {
  const unit = 10n ** BigInt(`${value}`.length)
  const behind = shown.list(value * 10n, value * 10n + 9n, MOST_TEXTS)
  const before = Array.from({ length: 9 }, (_, i) => unit * BigInt(i + 1) + value)
  const texts = [...behind, ...before.flatMap((one) => shown.list(one, one, MOST_TEXTS))]
  return [
    {
      originals: { kind: 'texts', texts: [...new Set(texts)] },
      channel: 'cut-short',
      process: 'cut-short by 1',
      shown: true,
      finding: 'cut-short',
      weight: TOGETHER.joined * TOGETHER.cutShort,
      per: 'original',
    },
  ]
}

const MOST_TEXTS = 64
