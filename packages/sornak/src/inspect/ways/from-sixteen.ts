// A number that was printed with digits of base sixteen, and no mark says so: of a lone value it is hardly to be told.

import { ofUnmarkedDigits } from '../../channel/other-digits.js'
import type { Unmarked } from '../../channel/text-marks.js'
import type { Space } from '../../identifier/space.js'
import { holdsSixteen } from './forms.js'
import type { Hypothesis } from './hypothesis.js'
import { TOGETHER } from './weights.js'

export const SIXTEEN = 'base-sixteen'

export function sixteen(space: Space, { text, findings }: Unmarked): Hypothesis[] {
  const value = mayBeSixteen(space) ? ofUnmarkedDigits(text) : undefined
  if (value === undefined || space.count(value, value).count === 0n) return []
  return [
    {
      originals: { kind: 'integers', low: value, high: value },
      process: SIXTEEN,
      channels: [...findings, 'base-form'],
      findings: [...findings, 'base-changed'],
      weight: TOGETHER.sixteen,
      per: 'all',
    },
  ]
}

/** Values are numbers, and hold no letter that is such a digit. */
export const mayBeSixteen = (space: Space): boolean =>
  space.integers.count > 0n && !holdsSixteen(space)
