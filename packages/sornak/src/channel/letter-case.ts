// Capital letters made small, and small ones capital.

import type { Channel } from './channel.js'

export const letterCase: Channel = {
  id: 'letter-case',
  finding: 'case-changed',
  title: 'Letter case',
  describe: 'Capital letters became small ones, or small ones capital.',
  met: 'forms and imports that tidy text up, addresses and keys that are made small',
  prevent: 'Keep codes out of steps that change the case of text.',
  example: { before: 'CSQU3054383', after: 'csqu3054383', form: 'small letters' },
  forms: ['small letters', 'capital letters'],
  forward(text, form) {
    // Where both stood before, no one could tell which was which.
    if (text !== text.toUpperCase() && text !== text.toLowerCase()) return text
    return form === 'capital letters' ? text.toUpperCase() : text.toLowerCase()
  },
  inverse(seen) {
    const texts = [seen.toUpperCase(), seen.toLowerCase()].filter((text) => text !== seen)
    return texts.length ? [{ kind: 'texts', texts }] : []
  },
}
