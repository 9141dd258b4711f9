// A display form that was read as a number: its separators, its plus and the zeros at its front went first, and then digits of it
// were lost, as of any other.

import type { Space } from '../../identifier/space.js'
import { shownIn } from './forms.js'
import { leavesAny, type Bare } from './hypothesis.js'
import type { Reading } from './readings.js'
import { TOGETHER } from './weights.js'

/** Hardly any form lacks more zeros than these: what does went another way. */
const MOST_ZEROS = 2

/**
 * @param ways what the number may have been before digits of it were lost, as it is first
 * @param isShort it shows fewer digits than it has: all there were, hardly
 */
export function asShown(space: Space, ways: readonly Reading[], isShort: boolean): Bare[] {
  const shown = shownIn(space)
  const [asItIs, ...others] = ways
  if (!shown || !asItIs || `${asItIs.high}`.length < shown.narrowest - MOST_ZEROS) return []
  const weight = shown.joined ? TOGETHER.joined : TOGETHER.displayedLoosely
  const { channel, low, high } = asItIs
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
  const found = isShort ? rounded : [whole, ...rounded]
  return found.filter((one) => leavesAny(space, one))
}
