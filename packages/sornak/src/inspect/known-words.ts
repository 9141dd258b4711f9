// The words that rules files may use for what lies beyond definitions: findings, and channels with their forms.

import { CHANNELS } from '../channel/channels.js'
import { FINDING_CODES } from '../channel/findings.js'
import type { KnownWords } from '../identifier/rules.js'

export const KNOWN_WORDS: KnownWords = {
  findings: FINDING_CODES,
  channels: new Map([...CHANNELS].map(([id, { forms }]) => [id, forms])),
}
