// Where in a file the damage lies: the rows in a few hundred equal parts, and how many values of each part
// could be mended, are open, or are gone.

import type { Verdict } from '../inspect/judgement.js'

export const PARTS = 240

/** One list for each kind; parts from the first row to the last. */
export interface Strip {
  readonly rows: number
  readonly mendable: number[]
  /** Ambiguous and suspect values. */
  readonly open: number[]
  /** Lost values and misfits. */
  readonly gone: number[]
}

const none = () => Array<number>(PARTS).fill(0)

export function strip(rows: number): Strip {
  return { rows, mendable: none(), open: none(), gone: none() }
}

const KINDS: Partial<Record<Verdict, 'mendable' | 'open' | 'gone'>> = {
  mendable: 'mendable',
  ambiguous: 'open',
  suspect: 'open',
  lost: 'gone',
  misfit: 'gone',
}

/** @param record 1-based data record */
export function mark(into: Strip, record: number, verdict: Verdict): void {
  const kind = KINDS[verdict]
  if (!kind || into.rows === 0) return
  into[kind][Math.min(PARTS - 1, Math.floor(((record - 1) * PARTS) / into.rows))]!++
}
