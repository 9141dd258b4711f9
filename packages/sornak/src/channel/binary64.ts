// Binary64, the number type of most programs: beyond 2^53 only every 2nd, 4th, … integer exists.

import type { Channel, Preimage } from './channel.js'
import { BINARY64, nearestFloat, roundedTo, shortest } from './binary-float.js'
import { bareDigits, isDigits } from './number-text.js'

/** Up to here every integer is held exactly. */
const EXACT_TO = 1n << 53n

export const binary64: Channel = {
  id: 'binary64',
  finding: 'digits-rounded',
  title: 'Stored as a 64-bit binary number',
  describe:
    'Beyond 2^53 a binary64 number holds only every 2nd, 4th, 8th … integer, so long values move to a neighbour.',
  met: 'JSON read by scripts, columns of type double or float, data frames, spreadsheets',
  prevent: 'Send and store values of more than 15 digits as text.',
  example: { before: '123456789012345678', after: '123456789012345680', form: 'shortest' },
  forms: ['shortest', 'all digits'],
  forward(text, form) {
    if (!isDigits(text)) return text
    const value = BigInt(bareDigits(text))
    const float = nearestFloat(value, BINARY64)
    const printed = form === 'shortest' && float >= EXACT_TO ? shortest(float, BINARY64) : float
    return printed === value ? text : printed.toString()
  },
  inverse(seen) {
    if (!/^[1-9]\d{15,}$/.test(seen)) return []
    const value = BigInt(seen)
    const float = nearestFloat(value, BINARY64)
    if (float < EXACT_TO || (value !== float && value !== shortest(float, BINARY64))) return []
    return [{ kind: 'integers', ...roundedTo(float, BINARY64) } satisfies Preimage]
  },
}
