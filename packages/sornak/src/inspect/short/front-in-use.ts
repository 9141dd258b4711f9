// How much likelier a reader that stops at the first character that is no digit is in a column than by itself.

import type { Space } from '../../identifier/space.js'
import { isOwnShape } from '../ways/front-weight.js'
import { GOING_ON, MEND_ODDS, TOGETHER } from '../ways/weights.js'
import { FEW_ROWS_ALIKE, ofColumn } from './throughout.js'

/**
 * By how many bits it is likelier in a column, where of the values that were left alone so many go on behind a number: a
 * shape was there as often as it still is. Where none was left alone, nothing tells whether it was there.
 *
 * @param some how many do
 * @param others how many are digits only
 * @param read how many a reader of numbers took for one: they lost their zeros, at least, or none was left alone
 */
export function inUse(space: Space, some: number, others: number, read: number): number {
  if (!isOwnShape(space)) return 0
  const often = (some + 1 / GOING_ON) / (others + 1)
  const throughout = some === 0 && read >= FEW_ROWS_ALIKE ? ofColumn(TOGETHER.front) : 0
  return Math.log2(GOING_ON * Math.min(1, often)) + throughout
}

/** In a column whose values gain so many bits it is not sure that nothing stood behind them. */
export const isUnsure = (space: Space, used: number): boolean =>
  isOwnShape(space) && TOGETHER.front * 2 ** used > 1 - MEND_ODDS
