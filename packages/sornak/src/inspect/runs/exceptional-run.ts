// That the rows of a run are an exception to what all rows say costs as much as any run does. Numbers that wrapped, and
// those that stood in front of something, look like any others; by chance a few of them lie close together.

import type { Lift } from '../ways/scales.js'
import { RUN_BITS } from '../ways/weights.js'

/**
 * The lift of a run, where others are as likely beside what explains it as they are in all rows, but for the price of a run.
 *
 * @param best the process that explains the run best
 * @param likely how likely that is by itself
 */
export const exceptional = (ofRun: Lift, ofAll: Lift, best: string, likely: number): Lift => {
  const first = ofRun(best) + Math.log2(likely) > 0 ? best : 'number-read'
  // Octal digits are held down in all rows: that others are likelier there says no more than that they are as likely.
  const more = (id: string) => ofAll(id) - ofAll(first)
  const beside = (id: string) =>
    ofRun(first) + (first.startsWith('octal') ? Math.min(0, more(id)) : more(id))
  return (id) => {
    const said = ofRun(id)
    if ((id !== 'front' && !id.startsWith('wrapped')) || ofAll(id) <= 0) return said
    return Math.max(said, Math.min(beside(id), said + RUN_BITS))
  }
}
