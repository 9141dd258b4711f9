// What a value that fits says of integer types: that it may have wrapped round in one, or is held at its limit.

import { HOLDING_TYPES, type IntegerType } from '../../channel/integer-limits.js'
import type { Space } from '../../identifier/space.js'
import { bits, MOST, OUT, type Process } from './process.js'
import { compare, leadingZero } from './value-bytes.js'

export function wraps({ name, max }: IntegerType): Process {
  const most = max.toString()
  return {
    id: `wrapped ${name}`,
    usual: OUT,
    max,
    nearly: nearlyOf(max),
    turns: turnsAt(max),
    fits: (bytes, start, end) =>
      leadingZero(bytes, start, end) ||
      compare(bytes, start, end, most) > 0 ||
      isLimit(bytes, start, end)
        ? OUT
        : 0,
  }
}

// What is exactly the limit of a type was held there, and did not come round to it.
const isLimit = (bytes: Uint8Array, start: number, end: number) =>
  LIMITS.some((limit) => compare(bytes, start, end, limit) === 0)

const LIMITS = HOLDING_TYPES.map(({ max }) => max.toString())

// Exactly the limit stands for all that lies beyond it.
export function holds({ max }: IntegerType, space: Space): Process {
  const most = max.toString()
  const beyond = bits(space.count(max, 10n ** 60n).count)
  return {
    id: `clamped ${most}`,
    usual: OUT,
    max,
    limit: beyond,
    ...(beyond >= MOST && { exactly: beyond }),
    nearly: nearlyOf(max),
    turns: turnsAt(max),
    fits(bytes, start, end) {
      if (leadingZero(bytes, start, end)) return OUT
      const order = compare(bytes, start, end, most)
      return order > 0 ? OUT : order === 0 ? beyond : 0
    },
  }
}

const nearlyOf = (max: bigint) => max - max / 16n

// Values are on the same side of a limit, and of where they come near it.
const turnsAt = (max: bigint) => [max, nearlyOf(max)].map(String)
