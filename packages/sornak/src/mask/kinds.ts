// What each character kind takes, as a test on code points and as a table for ASCII. `upper` and
// `lower` convert when a value is shown and are exact when text is read strictly.

import { ownKind } from './own-kinds.js'
import { KIND_NAMES, type Kind, type KindName } from './tree.js'

/** A compiled kind: `ascii[c]` is 1 where the code point c < 128 is taken. */
export interface CharClass {
  readonly ascii: Uint8Array
  readonly beyondAscii: (codePoint: number) => boolean
}

const LETTER = /^\p{L}$/u
const UPPER = /^\p{Lu}$/u
const LOWER = /^\p{Ll}$/u

const is = (pattern: RegExp) => (codePoint: number) => pattern.test(String.fromCodePoint(codePoint))
const never = () => false

const TESTS: Record<KindName, (codePoint: number) => boolean> = {
  digit: (c) => c >= 48 && c <= 57,
  letter: is(LETTER),
  upper: is(UPPER),
  lower: is(LOWER),
  alnum: (c) => (c >= 48 && c <= 57) || is(LETTER)(c),
  hex: (c) => (c >= 48 && c <= 57) || (c >= 65 && c <= 70) || (c >= 97 && c <= 102),
  any: () => true,
}

const compiled = new Map<KindName, CharClass>()

/** The class of characters that a kind takes when text is read strictly. */
export function classOf(kind: Kind): CharClass {
  if (kind.kind === 'of') {
    return fromTest((c) => kind.ranges.some(([low, high]) => c >= low && c <= high))
  }
  if (kind.kind === 'own') {
    const { takes } = ownKind(kind.name)
    return fromTest((c) => takes(String.fromCodePoint(c)))
  }
  let known = compiled.get(kind.kind)
  if (!known) {
    known = fromTest(TESTS[kind.kind], kind.kind === 'digit' || kind.kind === 'hex')
    compiled.set(kind.kind, known)
  }
  return known
}

/** The class taken when a value is given to be shown: `upper` and `lower` take either case. */
export function givenClassOf(kind: Kind): CharClass {
  if (kind.kind !== 'upper' && kind.kind !== 'lower') return classOf(kind)
  let known = eitherCase.get(kind.kind)
  if (!known) eitherCase.set(kind.kind, (known = fromTest((c) => convert(kind, c) !== undefined)))
  return known
}

const eitherCase = new Map<string, CharClass>()

/** The character as the slot holds it, or undefined where the slot does not take it. */
export function convert(kind: Kind, codePoint: number): number | undefined {
  if (kind.kind === 'upper' || kind.kind === 'lower') {
    const char = String.fromCodePoint(codePoint)
    const cased = kind.kind === 'upper' ? char.toUpperCase() : char.toLowerCase()
    const first = cased.codePointAt(0)
    // A capital that needs two letters (German sharp s) has no single place to stand in.
    return first !== undefined && String.fromCodePoint(first) === cased && TESTS[kind.kind](first)
      ? first
      : undefined
  }
  return takes(classOf(kind), codePoint) ? codePoint : undefined
}

export function takes(chars: CharClass, codePoint: number): boolean {
  return codePoint < 128 ? chars.ascii[codePoint] === 1 : chars.beyondAscii(codePoint)
}

/** A character that both classes take, or undefined. Beyond ASCII a few alphabets are sampled. */
export function common(a: CharClass, b: CharClass): number | undefined {
  for (const c of PREFERRED) if (a.ascii[c] === 1 && b.ascii[c] === 1) return c
  return SAMPLES.find((c) => a.beyondAscii(c) && b.beyondAscii(c))
}

/** One plain word for a kind, for messages and drawn outlines. */
export function kindWord(kind: Kind, many: boolean): string {
  if (kind.kind === 'own') return many ? ownKind(kind.name).many : ownKind(kind.name).one
  const one = kind.kind === 'of' ? `one of ${rangesText(kind.ranges)}` : WORDS[kind.kind]
  if (!many) return one
  return kind.kind === 'of' ? `characters out of ${rangesText(kind.ranges)}` : MANY[kind.kind]
}

/** One of a kind with its article: `a digit`, `one of A..F`. */
export function oneOf(kind: Kind): string {
  const word = kindWord(kind, false)
  return word.startsWith('one of') ? word : `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`
}

/** `A..Z0..9` for the ranges of an `of` kind, as masks write them. */
export function rangesText(ranges: readonly (readonly [number, number])[]): string {
  const char = (c: number) => String.fromCodePoint(c)
  return ranges
    .map(([low, high]) =>
      high - low < 3
        ? Array.from({ length: high - low + 1 }, (_, i) => char(low + i)).join('')
        : `${char(low)}..${char(high)}`,
    )
    .join('')
}

export function isKindName(word: string): word is KindName {
  return (KIND_NAMES as readonly string[]).includes(word)
}

const WORDS: Record<KindName, string> = {
  digit: 'digit',
  letter: 'letter',
  upper: 'capital letter',
  lower: 'small letter',
  alnum: 'letter or digit',
  hex: 'hexadecimal digit',
  any: 'character',
}

const MANY: Record<KindName, string> = {
  digit: 'digits',
  letter: 'letters',
  upper: 'capital letters',
  lower: 'small letters',
  alnum: 'letters or digits',
  hex: 'hexadecimal digits',
  any: 'characters',
}

const PREFERRED = [
  ...Array.from({ length: 10 }, (_, i) => 48 + i),
  ...Array.from({ length: 26 }, (_, i) => 65 + i),
  ...Array.from({ length: 128 }, (_, i) => i),
]
const SAMPLES = [0xe9, 0xc9, 0x416, 0x436, 0x4e2d, 0x5d0, 0x2022, 0x20ac, 0x1f600, 0xa0]

function fromTest(test: (c: number) => boolean, asciiOnly = false): CharClass {
  const ascii = new Uint8Array(128)
  for (let c = 0; c < 128; c++) if (test(c)) ascii[c] = 1
  return { ascii, beyondAscii: asciiOnly ? never : test }
}
