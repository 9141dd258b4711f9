// The words of a slot -> a slot of characters, a number or a date.

import { isKindName } from './kinds.js'
import { problems } from './messages.js'
import { ownKindNames } from './own-kinds.js'
import { parseDate } from './parse-date.js'
import { parseNumber } from './parse-number.js'
import { MaskError } from './problem.js'
import type { Token, Word } from './scan.js'
import {
  argument,
  frameOption,
  MOST_CHARACTERS,
  oneCharacter,
  slotWords,
  small,
  type SlotWords,
} from './slot-words.js'
import type { DateSlot, Frame, Kind, NumberSlot, Slot } from './tree.js'

export function parseSlot(
  text: string,
  token: Token & { kind: 'slot' },
): Slot | NumberSlot | DateSlot {
  const words = slotWords(text, token)
  const name = words.take('name')?.text
  const what = words.peek()
  if (what?.kind === 'word' && what.text === 'number') {
    words.next()
    return parseNumber(words, name)
  }
  if (what?.kind === 'word' && what.text === 'date') {
    words.next()
    return parseDate(words, name)
  }
  return parseCharacters(words, name)
}

type Options = { -readonly [K in 'pad' | 'hide' | 'from' | 'first' | keyof Frame]?: Slot[K] }

function parseCharacters(words: SlotWords, name: string | undefined): Slot {
  const { text, token } = words
  let count: { min: number; max: number } | undefined
  let chars: Kind | undefined
  let begun = false
  const options: Options = {}
  for (let word = words.next(); word; word = words.next()) {
    if (word.kind === 'count') {
      if (count || chars || begun) refuseSecond(text, word)
      count = readCount(text, word)
    } else if (word.kind !== 'word') {
      throw new MaskError(text, problems.slotToken(text, token.at, word.at))
    } else if (isOption(word.text)) {
      words.once(word)
      readOption(words, word, options)
      begun = true
    } else {
      const kind = readKind(words, word, !count && !chars && name === undefined)
      if (chars) refuseSecond(text, word)
      if (word.text === 'text') {
        if (count)
          throw new MaskError(text, problems.countMisplaced(text, token.at, token.end, 'text'))
        count = { min: 1, max: Infinity }
      }
      chars = kind
    }
  }
  if (!count && !chars) throw new MaskError(text, problems.slotEmpty(text, token.at, token.end))
  return {
    kind: 'slot',
    ...(name !== undefined && { name }),
    min: count?.min ?? 1,
    max: count?.max ?? 1,
    chars: chars ?? { kind: 'digit' },
    ...options,
    at: token.at,
    end: token.end,
  }
}

const isOption = (word: string) =>
  ['pad', 'hide', 'from', 'first', 'width', 'align', 'fill'].includes(word)

function readOption(words: SlotWords, word: Word & { kind: 'word' }, options: Options): void {
  if (word.text === 'pad') options.pad = oneCharacter(words) ?? '0'
  else if (word.text === 'hide') options.hide = oneCharacter(words) ?? '•'
  else if (word.text === 'first') options.first = true
  else if (word.text === 'from') {
    const field = words.take('word') ?? words.take('quoted')
    if (!field || field.text === '')
      throw argument(words, word, 'the name of a field', 'from region')
    options.from = field.text
  } else frameOption(words, word, options)
}

function readKind(words: SlotWords, word: Word & { kind: 'word' }, first: boolean): Kind {
  const { text, token } = words
  if (word.text === 'of') {
    const quoted = words.take('quoted')
    if (!quoted?.text) throw new MaskError(text, problems.setMissing(text, word.at))
    return { kind: 'of', ranges: readRanges(text, quoted) }
  }
  if (word.text === 'text') return { kind: 'any' }
  const kind = kindNamed(word.text)
  if (kind) return kind
  if (word.text === 'number' || word.text === 'date')
    throw new MaskError(text, problems.countMisplaced(text, token.at, token.end, word.text))
  throw new MaskError(text, problems.kindUnknown(text, word.text, word.at, token.end, first))
}

/** `digit` or `digits`: drafts and messages say "{3 digits}" where a bare count could confuse. */
function kindNamed(word: string): Kind | undefined {
  if (isKindName(word)) return { kind: word }
  if (ownKindNames().includes(word)) return { kind: 'own', name: word }
  const singular = word.replace(/s$/, '')
  return (singular === 'digit' || singular === 'letter') && singular !== word
    ? { kind: singular }
    : undefined
}

function readCount(text: string, word: Word & { kind: 'count' }): { min: number; max: number } {
  const { min, max, at } = word
  const length = min.length + (max === min ? 0 : 2 + (max?.length ?? 0))
  const low = small(min)
  const high = max === null ? Infinity : small(max)
  if (high === 0) throw new MaskError(text, problems.countZero(text, at, length))
  if (low > MOST_CHARACTERS || (max !== null && high > MOST_CHARACTERS)) {
    throw new MaskError(text, problems.countLarge(text, at, length, MOST_CHARACTERS))
  }
  if (high < low) throw new MaskError(text, problems.countReversed(text, at, min, max!))
  return { min: low, max: high }
}

function readRanges(text: string, quoted: Word & { kind: 'quoted' }): [number, number][] {
  const chars = [...quoted.text]
  const ranges: [number, number][] = []
  for (let i = 0; i < chars.length; i++) {
    const low = chars[i]!.codePointAt(0)!
    if (chars[i + 1] === '.' && chars[i + 2] === '.' && chars[i + 3] !== undefined) {
      const high = chars[i + 3]!.codePointAt(0)!
      if (high < low) {
        throw new MaskError(
          text,
          problems.setReversed(text, quoted.at, quoted.raw, chars[i]!, chars[i + 3]!),
        )
      }
      ranges.push([low, high])
      i += 3
    } else ranges.push([low, low])
  }
  return merge(ranges)
}

function merge(ranges: [number, number][]): [number, number][] {
  const out: [number, number][] = []
  for (const [low, high] of [...ranges].sort((a, b) => a[0] - b[0])) {
    const last = out.at(-1)
    if (last && low <= last[1] + 1) last[1] = Math.max(last[1], high)
    else out.push([low, high])
  }
  return out
}

function refuseSecond(text: string, word: Word & { kind: 'count' | 'word' }): never {
  const written =
    word.kind === 'count'
      ? word.min + (word.max === word.min ? '' : `..${word.max ?? ''}`)
      : word.text
  throw new MaskError(text, problems.kindRepeated(text, written, word.at))
}
