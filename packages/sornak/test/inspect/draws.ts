// Numbers that are drawn the same way in every run.

let state = 1

/** From here on, whatever was drawn before: so does each file of tests. */
export function restart(from = 1): void {
  state = from
}

/** A whole number from 0 to one less. */
export const next = (below: number): number => (state = (state * 48271) % 2147483647) % below
