// The options of a `{number}` slot.

import { ROUNDING_MODES } from '../quantity/decimal.js'
import { factsFor } from '../quantity/locale.js'
import type { Digits, Grouping, Quantity } from '../quantity/quantity.js'
import { problems } from './messages.js'
import { MaskError } from './problem.js'
import type { Word } from './scan.js'
import {
  argument,
  choice,
  frameOption,
  MOST_CHARACTERS,
  oneCharacter,
  size,
  small,
  type SlotWords,
} from './slot-words.js'
import type { Frame, NumberSlot } from './tree.js'

type Draft = { -readonly [K in keyof Quantity]: Quantity[K] }

export const NUMBER_OPTIONS = [
  'decimals',
  'whole',
  'group',
  'point',
  'percent',
  'scientific',
  'base',
  'sign',
  'negative',
  'currency',
  'locale',
  'round',
  'width',
  'align',
  'fill',
] as const

export function parseNumber(words: SlotWords, name: string | undefined): NumberSlot {
  const { text, token } = words
  const quantity: Draft = {}
  const frame: { -readonly [K in keyof Frame]: Frame[K] } = {}
  for (let word = words.next(); word; word = words.next()) {
    if (word.kind === 'count')
      throw new MaskError(text, problems.countMisplaced(text, token.at, token.end, 'number'))
    if (word.kind !== 'word') throw new MaskError(text, problems.slotToken(text, token.at, word.at))
    words.once(word)
    if (frameOption(words, word, frame)) continue
    if (!readOption(words, word, quantity))
      throw new MaskError(text, problems.optionUnknown(text, word.text, word.at, NUMBER_OPTIONS))
  }
  refuseClashes(words, quantity)
  return {
    kind: 'number',
    ...(name !== undefined && { name }),
    quantity,
    ...frame,
    at: token.at,
    end: token.end,
  }
}

function readOption(words: SlotWords, word: Word & { kind: 'word' }, into: Draft): boolean {
  switch (word.text) {
    case 'decimals':
      into.decimals = readDigits(words, word, 'decimals 2')
      return true
    case 'whole': {
      const digits = readDigits(words, word, 'whole 6')
      // One number is the fewest digits; more may always come.
      into.whole = digits.min === digits.max ? { ...digits, max: Infinity } : digits
      return true
    }
    case 'group':
      into.group = readGroup(words)
      return true
    case 'point': {
      const char = oneCharacter(words)
      if (char === undefined) throw argument(words, word, 'one character in quotes', 'point ","')
      into.point = char
      return true
    }
    case 'percent':
      into.percent = true
      return true
    case 'scientific':
      into.scientific = size(words, word, 'scientific 2')
      return true
    case 'base': {
      const base = size(words, word, 'base 16')
      if (base !== 2 && base !== 8 && base !== 16)
        throw argument(words, word, 'the base 2, 8 or 16', 'base 16')
      into.base = base
      return true
    }
    case 'sign':
      into.sign = choice(words, word, ['always', 'nonzero'] as const)
      return true
    case 'negative':
      into.negative = choice(words, word, ['brackets'] as const)
      return true
    case 'round':
      into.round = choice(words, word, ROUNDING_MODES)
      return true
    case 'currency': {
      const code = words.take('word')?.text
      if (code === undefined || !/^[A-Z]{3}$/.test(code))
        throw argument(words, word, 'a currency code of three capitals (ISO 4217)', 'currency ZAR')
      into.currency = code
      return true
    }
    case 'locale': {
      const tag = words.take('word')?.text
      if (tag === undefined || !isLocale(tag))
        throw argument(words, word, 'a language tag (BCP 47) or "reader"', 'locale en-ZA')
      into.locale = tag
      return true
    }
    default:
      return false
  }
}

export function isLocale(tag: string): boolean {
  if (tag === 'reader') return true
  try {
    factsFor({ locale: tag })
    return true
  } catch {
    return false
  }
}

function readDigits(words: SlotWords, word: Word & { kind: 'word' }, example: string): Digits {
  const count = words.take('count')
  const min = count && small(count.min)
  const max = count && (count.max === null ? Infinity : small(count.max))
  if (min === undefined || max === undefined || min > MOST_CHARACTERS || max < min)
    throw argument(words, word, 'a number of digits or a range', example)
  const next = words.peek()
  const spaced = next?.kind === 'word' && next.text === 'spaced'
  if (spaced) words.next()
  return { min, max: Math.min(max, max === Infinity ? max : MOST_CHARACTERS), spaced }
}

// group · group " " · group "," 3 2 · group indian
function readGroup(words: SlotWords): 'locale' | Grouping {
  const next = words.peek()
  if (next?.kind === 'word' && next.text === 'indian') {
    words.next()
    return { separator: ',', first: 3, next: 2 }
  }
  const separator = oneCharacter(words)
  if (separator === undefined) return 'locale'
  const first = small(words.take('count')?.min ?? '3') || 3
  const further = small(words.take('count')?.min ?? `${first}`) || first
  return { separator, first, next: further }
}

function refuseClashes({ text, token }: SlotWords, quantity: Quantity): void {
  const { group, point, base, scientific, percent, currency, decimals } = quantity
  const kinds = [
    base && 'base',
    scientific !== undefined && 'scientific',
    percent && 'percent',
    currency && 'currency',
  ].filter((kind) => typeof kind === 'string')
  if (kinds.length > 1)
    throw new MaskError(
      text,
      problems.optionsClash(text, token.at, token.end, kinds[0]!, kinds[1]!),
    )
  if (decimals && (base ?? scientific) !== undefined)
    throw new MaskError(
      text,
      problems.optionsClash(text, token.at, token.end, 'decimals', kinds[0]!),
    )
  const facts = factsFor(quantity)
  const separator = group === 'locale' ? facts.group.separator : group?.separator
  const mark = point ?? facts.point
  const digits = [separator, mark].some((char) => char !== undefined && /^[\p{Nd}+-]$/u.test(char))
  if (digits || (separator !== undefined && separator === mark))
    throw new MaskError(text, problems.marksClash(text, token.at, token.end, separator ?? mark))
}
