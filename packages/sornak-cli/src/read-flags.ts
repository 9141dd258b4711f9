// The options that say how an input is read; every command that reads takes them.

import { availableParallelism } from 'node:os'

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
  /** How many threads may work, from 1. */
  readonly jobs?: string
}

/** From so many bytes on threads gain more than it takes to start them, as measured with two on two cores. */
const GAIN = 64 * 1024 * 1024

/** Each thread holds the library and what it knows: more of them than this to a core only take memory. */
const MOST_TO_A_CORE = 2

/** How many threads may work on a file of so many bytes: where it is not said, as many as there are cores to gain by. */
export function jobsFor(size: number, { jobs }: ReadFlags): number {
  const cores = availableParallelism()
  if (jobs !== undefined) return Math.min(Number.parseInt(jobs, 10), MOST_TO_A_CORE * cores)
  return size < GAIN ? 1 : cores
}
