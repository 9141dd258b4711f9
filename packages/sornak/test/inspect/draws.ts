// Numbers that are drawn the same way in every run.

let state = 1

/** Before each file of tests, whatever was drawn for those before it. */
export const restart = (): void => {
  state = 1
}

/** A whole number from 0 to one less. */
export const next = (below: number): number => (state = (state * 48271) % 2147483647) % below
