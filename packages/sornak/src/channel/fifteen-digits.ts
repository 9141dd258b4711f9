// Fifteen significant digits: what lies behind the fifteenth becomes zeros, by cutting or by rounding.

import type { Channel, Preimage } from './channel.js'
import { bareDigits, isDigits } from './number-text.js'
import { fromSignificant, toSignificant } from './significant.js'

export const FIFTEEN = 15

export const fifteenDigits: Channel = {
  id: 'fifteen-digits',
  finding: 'digits-rounded',
  title: 'Fifteen significant digits',
  describe: 'Only fifteen significant digits are kept; every later digit becomes zero.',
  met: 'card numbers and long serials in spreadsheet cells, and programs that print numbers with 15 digits',
  prevent:
    'Keep values of more than 15 digits as text from the first import on; no format brings the digits back.',
  example: { before: '4300222233334444', after: '4300222233334440', form: 'cut' },
  forms: ['cut', 'rounded'],
  forward(text, form) {
    if (!isDigits(text)) return text
    const value = BigInt(bareDigits(text))
    const kept = toSignificant(value, FIFTEEN, form === 'cut' ? 'cut' : 'rounded')
    return kept === value ? text : kept.toString()
  },
  inverse(seen) {
    if (!/^[1-9]\d{15,}$/.test(seen)) return []
    const unit = 10n ** BigInt(seen.length - FIFTEEN)
    const value = BigInt(seen)
    if (value % unit !== 0n) return []
    return (['cut', 'rounded'] as const).map((how): Preimage => ({
      kind: 'integers',
      ...trim(fromSignificant(value, unit, how), value),
    }))
  },
}

// A half that rounds up does not come out as the value below it: forms here round halves up.
function trim(
  { low, high }: { low: bigint; high: bigint },
  value: bigint,
): { low: bigint; high: bigint } {
  return toSignificant(high, FIFTEEN, 'rounded') === value ||
    toSignificant(high, FIFTEEN, 'cut') === value
    ? { low, high }
    : { low, high: high - 1n }
}
