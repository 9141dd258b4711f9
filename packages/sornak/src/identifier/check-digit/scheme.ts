// What every check-digit scheme is: an automaton over the characters of a value. As an automaton it
// can test a value, find the character that would make it right, tell which errors it catches, and
// count the values in an interval that pass (space.ts).

export interface CheckScheme {
  readonly id: string
  readonly title: string
  /** The standard or issuer that publishes the scheme. */
  readonly cites: string
  /** The characters it knows. */
  readonly alphabet: string
  /** How many characters from the right the check character stands; 0 where it is the last. */
  readonly checkAt?: number
  /** State before the first character. */
  readonly start: number
  /**
   * The state after one more character, or -1 where the scheme does not know the character.
   * `fromRight` is 0 for the last character of the value.
   */
  step(state: number, charCode: number, fromRight: number): number
  /** Whether the state after the last character is one of a right value. */
  passes(state: number): boolean
}

/**
 * Whether the whole text passes. An empty text does not.
 *
 * @example
 * passes(SCHEMES.get('luhn'), '4111111111111111') // true
 */
export function passes(scheme: CheckScheme, text: string): boolean {
  let state = scheme.start
  for (let i = 0; i < text.length; i++) {
    state = scheme.step(state, text.charCodeAt(i), text.length - 1 - i)
    if (state < 0) return false
  }
  return text !== '' && scheme.passes(state)
}

/**
 * The characters that would make a text right in the place of its check character.
 *
 * @param text the whole text; what stands in the place of the check character does not matter
 * @returns usually one character; none where the other characters are not known to the scheme
 * @example
 * rightCharacters(SCHEMES.get('luhn'), '411111111111111?') // ['1']
 */
export function rightCharacters(scheme: CheckScheme, text: string): string[] {
  const at = text.length - 1 - (scheme.checkAt ?? 0)
  if (at < 0) return []
  return [...scheme.alphabet].filter((char) =>
    passes(scheme, text.slice(0, at) + char + text.slice(at + 1)),
  )
}

export const digitValue = (charCode: number): number =>
  charCode >= 48 && charCode <= 57 ? charCode - 48 : -1

/** 0 to 9 for digits, 10 to 35 for A to Z, as ISO 7064 counts them. */
export const letterValue = (charCode: number): number =>
  charCode >= 65 && charCode <= 90 ? charCode - 55 : digitValue(charCode)
