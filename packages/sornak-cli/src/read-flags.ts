// The options that say how an input is read; every command that reads takes them.

export interface ReadFlags {
  readonly delimiter?: string
  readonly quote?: string
  readonly encoding?: string
  readonly layout?: string
  readonly sheet?: string
  readonly query?: string
  /** From 1. */
  readonly headerRow?: string
  readonly quiet?: boolean
}
