// Digits as they are printed, in one form or another.

import { integerOf, numberTexts } from '../../channel/number-text.js'
import { unscaled } from '../../channel/scaled.js'
import { unmark } from '../../channel/text-marks.js'
import type { Space } from '../../identifier/space.js'

/** Digits before an exponent; undefined where there is none. */
export function shownDigits(seen: string): number | undefined {
  for (const { text } of unmark(seen))
    for (const { exponent, significant } of numberTexts(text)) if (exponent) return significant
  return undefined
}

/**
 * The digits of a printed integer, the reading that can be a value where there are several; undefined for anything else.
 */
export function printed(seen: string, space: Space): string | undefined {
  let first: bigint | undefined
  for (const { text } of unmark(seen)) {
    if (/^\d+$/.test(text)) return text
    const values = numberTexts(text).map((number) =>
      number.negative ? undefined : integerOf(number),
    )
    for (const value of [...values, ...unscaled(text).map((one) => one.value)]) {
      if (value === undefined) continue
      if (space.count(value, value).count > 0n) return value.toString()
      first ??= value
    }
  }
  return first?.toString()
}

// Values that fit and are watched this closely are digits, letters and separators of ASCII.
export const textOf = (bytes: Uint8Array, start: number, end: number): string =>
  String.fromCharCode(...bytes.subarray(start, Math.min(end, start + 64)))
export const bytesOf = (text: string): Uint8Array =>
  Uint8Array.from(text, (char) => char.charCodeAt(0) & 0xff)
