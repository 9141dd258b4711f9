// A problem in a rules file: where, what, and what to do. The path leads from the top of the file
// to the value; whoever read the file turns it into a line and a column.

export interface RulesProblem {
  readonly code: string
  readonly path: readonly (string | number)[]
  /** The key itself is meant, not its value. */
  readonly onKey?: boolean
  /** UTF-16 offset into the text of the value. */
  readonly offset?: number
  readonly message: string
  readonly todo: string
}
