// The words that rules may use for what lies beyond them: findings, and channels with their forms.

import { CHANNELS, FINDING_CODES, type KnownWords } from 'sornak'

export const KNOWN_WORDS: KnownWords = {
  findings: FINDING_CODES,
  channels: new Map([...CHANNELS].map(([id, { forms }]) => [id, forms])),
}
