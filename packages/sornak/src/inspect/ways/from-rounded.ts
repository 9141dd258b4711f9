// A number that ends in zeros, where the rows around it tell that they were rounded, or cut, to so many.

import { fromSignificant } from '../../channel/significant.js'
import { ROUNDED, type Hypothesis } from './hypothesis.js'

/** @param zeros at the end of each number around it */
export function fromRounded(seen: string, zeros: number): Hypothesis[] {
  if (!/^[1-9]\d*$/.test(seen) || !seen.endsWith('0'.repeat(zeros))) return []
  return (['cut', 'rounded'] as const).map((how) => ({
    originals: { kind: 'integers', ...fromSignificant(BigInt(seen), 10n ** BigInt(zeros), how) },
    process: ROUNDED,
    channels: ['short-display'],
    findings: ['digits-rounded'],
    weight: 1,
    per: 'all',
  }))
}
