// A `{date PATTERN}` slot and its options.

import { datePattern } from '../date/pattern.js'
import { problems } from './messages.js'
import { isLocale } from './parse-number.js'
import { MaskError } from './problem.js'
import { argument, frameOption, size, type SlotWords } from './slot-words.js'
import type { DateSlot, Frame } from './tree.js'

export const DATE_OPTIONS = ['pivot', 'locale', 'width', 'align', 'fill'] as const
/** First of the hundred years that two digits stand for, unless the mask says otherwise. */
export const PIVOT = 2000

export function parseDate(words: SlotWords, name: string | undefined): DateSlot {
  const { text, token } = words
  const written = words.take('pattern')
  if (!written || written.text === '')
    throw new MaskError(text, problems.dateMissing(text, token.at, token.end))
  const frame: { -readonly [K in keyof Frame]: Frame[K] } = {}
  let pivot = PIVOT
  let locale = 'en'
  for (let word = words.next(); word; word = words.next()) {
    if (word.kind !== 'word') throw new MaskError(text, problems.slotToken(text, token.at, word.at))
    words.once(word)
    if (frameOption(words, word, frame)) continue
    if (word.text === 'pivot') pivot = size(words, word, 'pivot 1950')
    else if (word.text === 'locale') {
      const tag = words.take('word')?.text
      if (tag === undefined || tag === 'reader' || !isLocale(tag))
        throw argument(words, word, 'a language tag (BCP 47)', 'locale fr')
      locale = tag
    } else throw new MaskError(text, problems.optionUnknown(text, word.text, word.at, DATE_OPTIONS))
  }
  const made = datePattern(written.text, pivot, locale)
  if (!made.ok)
    throw new MaskError(text, problems.datePattern(text, written.at, written.text, made.trouble))
  return {
    kind: 'date',
    ...(name !== undefined && { name }),
    date: made.pattern,
    ...frame,
    at: token.at,
    end: token.end,
  }
}
