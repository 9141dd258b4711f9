// Colour on a terminal, and only there: NO_COLOR and --no-color are obeyed.

import { PLAIN, type Paint } from 'sornak'

const sgr = (on: number, off: number) => (text: string) => `\u001b[${on}m${text}\u001b[${off}m`

const COLOURED: Paint = {
  strong: sgr(1, 22),
  quiet: sgr(2, 22),
  good: sgr(32, 39),
  warn: sgr(33, 39),
  bad: sgr(31, 39),
}

export function paintFor(stream: { readonly isTTY?: boolean }, allowed: boolean): Paint {
  return allowed &&
    stream.isTTY === true &&
    !process.env['NO_COLOR'] &&
    process.env['TERM'] !== 'dumb'
    ? COLOURED
    : PLAIN
}
