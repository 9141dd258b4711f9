// The row of headers, as it is given on the command line.

import { usage } from './stop.js'

/** @throws {Stop} for anything but a whole number from 1 */
export function headerRowGiven(text: string | undefined): number | undefined {
  if (text === undefined) return undefined
  if (!/^[1-9]\d{0,6}$/.test(text))
    throw usage(`--header-row takes a row counted from 1, not "${text}".`)
  return Number.parseInt(text, 10)
}
