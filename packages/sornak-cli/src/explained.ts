// What an explanation comes to: lines for people, and the exit status.

export interface Explained {
  readonly lines: readonly string[]
  readonly status: number
}
