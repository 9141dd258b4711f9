// What is said of a mask that is not well formed, and the error that carries it. The wording is in
// messages.ts.

export type MaskProblemCode =
  | 'slot-open'
  | 'slot-empty'
  | 'slot-token'
  | 'count-zero'
  | 'count-reversed'
  | 'count-large'
  | 'kind-unknown'
  | 'kind-repeated'
  | 'set-missing'
  | 'set-reversed'
  | 'option-repeated'
  | 'option-argument'
  | 'quote-open'
  | 'brace-stray'
  | 'bracket-stray'
  | 'section-open'
  | 'section-empty'
  | 'escape-end'
  | 'mask-empty'
  | 'name-duplicate'
  | 'two-layouts'
  | 'two-readings'
  | 'hide-taken'
  | 'count-misplaced'
  | 'option-unknown'
  | 'options-clash'
  | 'marks-clash'
  | 'date-pattern'
  | 'kinds-mixed'
  | 'from-missing'
  | 'first-alone'
  | 'fill-without-width'

/** Why a mask was refused. */
export interface MaskProblem {
  readonly code: MaskProblemCode
  /** UTF-16 offset into the mask text at which the trouble starts. */
  readonly at: number
  /** One sentence: what is wrong. */
  readonly message: string
  /** What to do about it. */
  readonly todo: string
  /** A mask close to the one given that is well formed. */
  readonly example: string
}

/** Thrown by `mask` for a mask text that is not well formed. */
export class MaskError extends RangeError {
  readonly problem: MaskProblem
  constructor(text: string, problem: MaskProblem) {
    super(`${problem.message} ${problem.todo}\n  ${text}\n  ${' '.repeat(problem.at)}^`)
    this.name = 'MaskError'
    this.problem = problem
  }
}
