// How a command ends early: with a status, a sentence and the way out.

export const STATUS = { fine: 0, findings: 1, usage: 2, unreadable: 3, interrupted: 130 } as const

/** Ends the command; the message goes to standard error. */
export class Stop extends Error {
  readonly status: number
  readonly todo: string
  constructor(status: number, message: string, todo = '') {
    super(message)
    this.status = status
    this.todo = todo
  }
}

export const usage = (message: string, todo = ''): Stop => new Stop(STATUS.usage, message, todo)
export const unreadable = (message: string, todo = ''): Stop =>
  new Stop(STATUS.unreadable, message, todo)

/** A sentence for an error of the operating system. */
export function systemReason(error: unknown): string {
  const { code, message } = error as NodeJS.ErrnoException
  switch (code) {
    case 'ENOENT':
      return 'there is no such file'
    case 'EACCES':
    case 'EPERM':
      return 'access is not allowed'
    case 'EISDIR':
      return 'it is a directory'
    case 'ENOTDIR':
      return 'a part of the path is not a directory'
    case 'ENOSPC':
      return 'there is no space left on the device'
    default:
      return message
  }
}
