// What of a value may be seen. Hidden text keeps its shape, so that damage shows without the value:
// every letter and digit becomes a dot, punctuation stays.

export type Sensitivity = 'open' | 'personal' | 'secret'

export interface Reveal {
  /** Letters and digits left visible at either end; Infinity for all. */
  readonly first: number
  readonly last: number
}

export const REVEAL_ALL: Reveal = { first: Infinity, last: 0 }
export const REVEAL_NONE: Reveal = { first: 0, last: 0 }

/** `none`, `all`, `last N`, `first N last M`; undefined for anything else. */
export function parseReveal(text: string): Reveal | undefined {
  if (text === 'none') return REVEAL_NONE
  if (text === 'all') return REVEAL_ALL
  const found = /^(?:first (\d{1,3}))?(?: ?(?<= |^)last (\d{1,3}))?$/.exec(text)
  if (!found || (found[1] === undefined && found[2] === undefined)) return undefined
  return { first: Number.parseInt(found[1] ?? '0', 10), last: Number.parseInt(found[2] ?? '0', 10) }
}

export const hidesAnything = ({ first }: Reveal): boolean => first !== Infinity

/**
 * The text with all letters and digits hidden but those that `reveal` leaves visible.
 *
 * @example
 * hide('4111 1111', { first: 0, last: 4 }) // '•••• 1111'
 * hide('4.30022E+15') // '•.••••••+••'
 */
export function hide(text: string, { first, last }: Reveal = REVEAL_NONE): string {
  if (first === Infinity) return text
  if (first === 0 && last === 0)
    return text.replace(PLAIN.test(text) ? EACH_PLAIN : EACH_NAMING, '•')
  const chars = [...text]
  const places = chars.flatMap((char, i) => (NAMING.test(char) ? [i] : []))
  const visible = new Set([
    ...places.slice(0, first),
    ...places.slice(Math.max(0, places.length - last)),
  ])
  return chars.map((char, i) => (NAMING.test(char) && !visible.has(i) ? '•' : char)).join('')
}

// Letters, marks and digits of every script carry a value; all else is its shape.
const NAMING = /[\p{L}\p{M}\p{N}]/u
const EACH_NAMING = new RegExp(NAMING, 'gu')
// The same where there are no others, which is much faster.
const PLAIN = /^[ -~]*$/
const EACH_PLAIN = /[A-Za-z\d]/g
