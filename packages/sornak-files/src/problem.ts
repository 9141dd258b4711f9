// What is wrong with an input or with what was asked of it: a sentence and the way out.

/** `unreadable`: the input cannot be read; `unbound`: it is not what the rules say of it. */
export class FileProblem extends Error {
  readonly code: 'unreadable' | 'unbound'
  readonly todo: string
  constructor(code: 'unreadable' | 'unbound', message: string, todo = '') {
    super(message)
    this.name = 'FileProblem'
    this.code = code
    this.todo = todo
  }
}

export const unreadable = (message: string, todo = ''): FileProblem =>
  new FileProblem('unreadable', message, todo)
export const unbound = (message: string, todo = ''): FileProblem =>
  new FileProblem('unbound', message, todo)
