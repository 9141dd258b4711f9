// The words of one slot, read one after another, with the arguments that options take. What is out of
// place is refused here.

import { problems } from './messages.js'
import { MaskError } from './problem.js'
import type { Token, Word } from './scan.js'
import type { Align, Frame } from './tree.js'

/** The widest a mask may be, in characters; "N.." counts as N. */
export const MOST_CHARACTERS = 4096

export interface SlotWords {
  readonly text: string
  readonly token: Token & { kind: 'slot' }
  next(): Word | undefined
  peek(): Word | undefined
  /** Takes the next word if it is of this kind. */
  take<K extends Word['kind']>(kind: K): (Word & { kind: K }) | undefined
  /** Refuses an option that stands twice. */
  once(word: Word & { kind: 'word' }): void
}

export function slotWords(text: string, token: Token & { kind: 'slot' }): SlotWords {
  const words = token.words.filter((word) => word.kind !== 'comma')
  const seen = new Set<string>()
  let i = 0
  return {
    text,
    token,
    next: () => words[i++],
    peek: () => words[i],
    take(kind) {
      const word = words[i]
      if (word?.kind !== kind) return undefined
      i++
      return word as Word & { kind: typeof kind }
    },
    once({ text: option, at }) {
      if (seen.has(option)) throw new MaskError(text, problems.optionRepeated(text, option, at))
      seen.add(option)
    },
  }
}

/** Reads `width`, `align` or `fill`; false where the word is none of them. */
export function frameOption(
  words: SlotWords,
  word: Word & { kind: 'word' },
  frame: { -readonly [K in keyof Frame]: Frame[K] },
): boolean {
  if (word.text === 'width') {
    frame.width = size(words, word, 'width 12')
    return true
  }
  if (word.text === 'align') {
    frame.align = choice<Align>(words, word, ['left', 'right', 'center'])
    return true
  }
  if (word.text === 'fill') {
    const char = oneCharacter(words)
    if (char === undefined) throw argument(words, word, 'one character in quotes', 'fill "."')
    frame.fill = char
    return true
  }
  return false
}

/** One character in quotes, if there is one. */
export function oneCharacter(words: SlotWords): string | undefined {
  const quoted = words.take('quoted')
  if (!quoted) return undefined
  if ([...quoted.text].length !== 1)
    throw new MaskError(words.text, problems.optionArgument(words.text, quoted.at, quoted.raw))
  return quoted.text
}

/** A single number behind an option. */
export function size(words: SlotWords, option: Word & { kind: 'word' }, example: string): number {
  const count = words.take('count')
  if (!count || count.max !== count.min || small(count.min) > MOST_CHARACTERS)
    throw argument(words, option, 'one number', example)
  return small(count.min)
}

export function choice<T extends string>(
  words: SlotWords,
  option: Word & { kind: 'word' },
  known: readonly T[],
): T {
  const word = words.take('word')
  if (!word || !(known as readonly string[]).includes(word.text))
    throw argument(words, option, `one of ${known.join(', ')}`, `${option.text} ${known[0]}`)
  return word.text as T
}

/** The error for an option whose argument is missing or of the wrong kind. */
export function argument(
  { text, token }: SlotWords,
  option: Word & { kind: 'word' },
  expected: string,
  example: string,
): MaskError {
  return new MaskError(
    text,
    problems.optionNeeds(text, option.text, option.at, token.end, expected, example),
  )
}

// A count is a size, not an identifier: it may be a number. Absurd ones stay finite.
export const small = (digits: string): number =>
  digits.length > 9 ? 999_999_999 : Number.parseInt(digits, 10)
