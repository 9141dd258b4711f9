// Binary32, a number type of 24 bits: beyond 2^24 only every 2nd, 4th, … integer exists.

import type { Channel, Preimage } from './channel.js'
import { BINARY32, nearestFloat, roundedTo, shortest } from './binary-float.js'
import { bareDigits, isDigits } from './number-text.js'

/** Up to here every integer is held exactly. */
const EXACT_TO = 1n << 24n

export const binary32: Channel = {
  id: 'binary32',
  finding: 'digits-rounded',
  title: 'Stored as a 32-bit binary number',
  describe:
    'Beyond 2^24 a binary32 number holds only every 2nd, 4th, 8th … integer, so values of 8 digits and more move to a neighbour.',
  met: 'columns of type real or float, and arrays of single precision',
  prevent: 'Store identifiers as text; seven digits are all that this type keeps.',
  example: { before: '2065550142', after: '2065550080', form: 'all digits' },
  forms: ['all digits', 'shortest'],
  forward(text, form) {
    if (!isDigits(text)) return text
    const value = BigInt(bareDigits(text))
    const float = nearestFloat(value, BINARY32)
    const printed = form === 'shortest' && float >= EXACT_TO ? shortest(float, BINARY32) : float
    return printed === value ? text : printed.toString()
  },
  inverse(seen) {
    if (!/^[1-9]\d{7,}$/.test(seen)) return []
    const value = BigInt(seen)
    const float = nearestFloat(value, BINARY32)
    if (float < EXACT_TO || (value !== float && value !== shortest(float, BINARY32))) return []
    return [{ kind: 'integers', ...roundedTo(float, BINARY32) } satisfies Preimage]
  },
}
