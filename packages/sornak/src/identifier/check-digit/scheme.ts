// What every check-digit scheme is: an automaton over the characters of a value. As an automaton it
// can test a value, and it can also count the values in an interval that pass (space.ts).

export interface CheckScheme {
  readonly id: string
  readonly title: string
  /** The standard or issuer that publishes the scheme. */
  readonly cites: string
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

/** Whether the whole text passes. An empty text does not. */
export function passes(scheme: CheckScheme, text: string): boolean {
  let state = scheme.start
  for (let i = 0; i < text.length; i++) {
    state = scheme.step(state, text.charCodeAt(i), text.length - 1 - i)
    if (state < 0) return false
  }
  return text !== '' && scheme.passes(state)
}

export const digitValue = (charCode: number): number =>
  charCode >= 48 && charCode <= 57 ? charCode - 48 : -1
