// A display form that was read as a number: its separators, its plus and the zeros at its front went first, and then digits of it
// were lost, or it wrapped round in an integer type, as any other does.

import { unwrap, wrappingTypes, type IntegerType } from '../../channel/integer-limits.js'
import { remembered } from '../../identifier/remembered.js'
import type { ShownNumbers } from '../../identifier/shown-numbers.js'
import type { Space } from '../../identifier/space.js'
import { shownIn } from './forms.js'
import { everyStep, soSmall } from './from-types.js'
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

/** A number below zero, of which one of a display form went through an integer type and wrapped round. */
export function shownBelowZero(space: Space, value: bigint): Bare[] {
  const shown = shownIn(space)
  if (!shown) return []
  return wrappedIn(shown).flatMap((type): Bare[] => {
    const back = unwrap(value, type)
    if (!back) return []
    const { rest, modulus, from } = back
    const [least, last] = boundsOf(shown)
    const low = least > from ? least : from
    const first = low + ((((rest - low) % modulus) + modulus) % modulus)
    const subset = everyStep(shown, { low: first, high: first }, { modulus, last }, MOST_TIMES)
    if (subset.count === 0n) return []
    return [
      {
        originals: { kind: 'subset', subset },
        channel: 'wrapped',
        process: shownWrapped(type),
        shown: true,
        finding: 'wrapped',
        weight:
          TOGETHER.negativeWrapped *
          soSmall(type, value) *
          (shown.joined ? TOGETHER.joined : TOGETHER.displayedLoosely),
        per: 'all',
      },
    ]
  })
}

/** A number of a display form that wrapped round, as the evidence of a column knows it. */
export const shownWrapped = ({ name }: IntegerType): string => `${SHOWN_WRAPPED} ${name}`
export const SHOWN_WRAPPED = 'display wrapped'

/** Types that some numbers of a display form are too large for. */
export const wrappedIn = ({ widest }: ShownNumbers): readonly IntegerType[] =>
  wrappingTypes(widest).filter(({ max, bits }) => bits >= 32 && max < 10n ** BigInt(widest))

/** Of more numbers that leave the same rest it is only told about how many there are. */
const MOST_TIMES = 500n

// The smallest and the largest of the numbers.
const boundsOf = remembered((shown: ShownNumbers): readonly [bigint, bigint] => {
  const top = 10n ** BigInt(shown.widest) - 1n
  const searched = (isBeyond: (value: bigint) => boolean) => {
    let [low, high] = [0n, top]
    while (low < high) {
      const middle = (low + high) / 2n
      if (isBeyond(middle)) high = middle
      else low = middle + 1n
    }
    return low
  }
  const { count: all } = shown.count(0n, top)
  return [
    searched((value) => shown.count(0n, value).count > 0n),
    searched((value) => shown.count(0n, value).count === all),
  ]
})

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
