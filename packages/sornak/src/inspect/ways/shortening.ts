// Numbers that hardly any digits are gone of: the names of what shortened them, and of which values it may have been.

import { FIFTEEN } from '../../channel/fifteen-digits.js'
import { TOGETHER } from './weights.js'

/** Rounded or cut to tens or hundreds, by the zeros that they then end in. */
export const BY_ZEROS: readonly string[] = ['short-display by tens', 'short-display by hundreds']
/** The same with thousands, which a number tells by itself. */
export const BY_PLACES: readonly string[] = [...BY_ZEROS, 'thousands']
/** So many digits are hardly any. */
export const FEW_GONE: readonly number[] = [1, 2, 3]

const TO = 'short-display to '
/** The same to so many digits. */
export const toDigits = (kept: number): string => `${TO}${kept}`

export const isShortening = (process: string): boolean => process.startsWith('short-display ')

/** For all originals together. */
export const weightOf = (process: string): number =>
  BY_PLACES.includes(process) ? TOGETHER.thousands : TOGETHER.shortened

/** How many digits of a number of so many are gone. */
export const goneBy = (process: string, digits: number): number =>
  process.startsWith(TO)
    ? Math.max(0, digits - Number.parseInt(process.slice(TO.length), 10))
    : BY_ZEROS.indexOf(process) + 1

/**
 * It may be one beside lost zeros, or beside fifteen digits where fewer are left: that a digit is wrong makes no number round.
 *
 * @param bare the digits of the number
 */
export const mayBeShortened = (
  process: string,
  bare: string | undefined,
  isRead: boolean,
  isFifteen: boolean,
): boolean =>
  isRead ||
  (isFifteen && bare !== undefined && goneBy(process, bare.length) > bare.length - FIFTEEN)
