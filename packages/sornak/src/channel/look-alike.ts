// Letters that look like digits, and back: O for 0, l or I for 1.

import type { Channel, Preimage } from './channel.js'

const DIGIT_FOR: Readonly<Record<string, string>> = {
  O: '0',
  o: '0',
  Q: '0',
  D: '0',
  l: '1',
  I: '1',
  i: '1',
  '|': '1',
  Z: '2',
  S: '5',
  s: '5',
  G: '6',
  B: '8',
  Ο: '0',
  О: '0',
  о: '0',
  І: '1',
}
const LETTERS_FOR: Readonly<Record<string, string>> = {
  '0': 'O',
  '1': 'I',
  '2': 'Z',
  '5': 'S',
  '8': 'B',
}
/** Digits that are tried as letters one by one. */
const MOST = 12

export const lookAlike: Channel = {
  id: 'look-alike',
  finding: 'look-alike',
  title: 'Look-alike letters',
  describe: 'A letter stands for the digit that looks like it, or a digit for a letter.',
  met: 'values typed from paper or read from a picture',
  prevent: 'Use an entry field that takes digits only, and check digits.',
  example: { before: '20417', after: '2O417', form: '0 as O' },
  forms: [
    ...Object.entries(DIGIT_FOR).map(([letter, digit]) => `${digit} as ${letter}`),
    ...Object.entries(LETTERS_FOR).map(([digit, letter]) => `${letter} as ${digit}`),
  ],
  forward(text, form) {
    const [from = '', to = ''] = form.split(' as ')
    // Of several that were there before, no one could tell which.
    const before = text.split(to).length - 1
    return from === '' || before > 1 ? text : text.replaceAll(from, to)
  },
  inverse(seen) {
    const texts = lookAlikes(seen)
    return texts.length ? [{ kind: 'texts', texts } satisfies Preimage] : []
  },
}

/** The letter that looks like a digit, or the digit that looks like a letter. */
export const looksLike = (char: string): string | undefined => LETTERS_FOR[char] ?? DIGIT_FOR[char]

/** One of its digits stands for a letter of what was meant, and not the reverse. */
export const hasDigitForLetter = (seen: string, meant: string): boolean =>
  digitsIn(seen) > digitsIn(meant)

const digitsIn = (text: string) => text.replace(/\D/g, '').length

/** Whether it has a letter that may stand for a digit. */
export const hasLookAlike = (text: string): boolean => [...text].some((char) => char in DIGIT_FOR)

/** The texts that look like this one: letters as digits, and the reverse, one or all of them. */
export function lookAlikes(seen: string): string[] {
  const chars = [...seen]
  const letters = chars.flatMap((char, i) => (DIGIT_FOR[char] === undefined ? [] : [i]))
  const digits = chars.flatMap((char, i) => (LETTERS_FOR[char] === undefined ? [] : [i]))
  const texts = new Set<string>()
  const swap = (places: readonly number[], table: Readonly<Record<string, string>>) => {
    const copy = [...chars]
    for (const i of places) copy[i] = table[copy[i]!]!
    texts.add(copy.join(''))
  }
  // All of one kind, and all but one, which was right.
  const swapAlike = (places: readonly number[], table: Readonly<Record<string, string>>) => {
    swap(places, table)
    for (const kept of places.slice(0, MOST))
      swap(
        places.filter((i) => i !== kept),
        table,
      )
  }
  if (letters.length > 0) swap(letters, DIGIT_FOR)
  // Each subset of a few letters; of many, all that are the same letter.
  if (letters.length <= 6)
    for (let some = 1; some < 1 << letters.length; some++)
      swap(
        letters.filter((_, i) => (some >> i) & 1),
        DIGIT_FOR,
      )
  for (const alike of new Set(letters.map((i) => chars[i]!)))
    swapAlike(
      letters.filter((i) => chars[i] === alike),
      DIGIT_FOR,
    )
  for (const i of digits.slice(0, MOST)) swap([i], LETTERS_FOR)
  for (const alike of new Set(digits.map((i) => chars[i]!)))
    swapAlike(
      digits.filter((i) => chars[i] === alike),
      LETTERS_FOR,
    )
  texts.delete(seen)
  return [...texts]
}
