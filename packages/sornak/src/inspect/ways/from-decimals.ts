// A code of digits with a point in it, of which fewer stand behind the point than belong there. A reader of numbers drops the
// zeros there; a program that prints few decimals leaves out any, cut or rounded.

import { isDigit } from '../../identifier/codes.js'
import { holds } from '../../identifier/holds.js'
import { remembered } from '../../identifier/remembered.js'
import type { Space } from '../../identifier/space.js'

/** Digits in front of a point, and behind it. */
interface Pointed {
  readonly before: number
  readonly behind: number
  readonly point: string
}

/** More digits than so many are not looked for. */
const MOST_LEFT_OUT = 3

/** The shapes of a definition that look like numbers with decimals. */
export const pointedIn: (space: Space) => readonly Pointed[] = remembered(
  ({ layouts }: Space): readonly Pointed[] =>
    layouts.flatMap(({ places }) => {
      const at = places.findIndex(({ chars }) => !chars.some(isDigit))
      const point = String.fromCharCode(places[at]?.chars[0] ?? 0)
      const others = places.filter((_, i) => i !== at)
      const pointed = at > 0 && at < places.length - 1 && '.,'.includes(point)
      if (!pointed || !others.every(({ chars }) => chars.every(isDigit))) return []
      return [{ before: at, behind: places.length - 1 - at, point }]
    }),
)

/** The codes that are printed so with fewer decimals. */
export function withFewerDecimals(space: Space, seen: string): string[] {
  const [, whole, fraction = ''] = /^(0|[1-9]\d*)(?:[.,](\d+))?$/.exec(seen) ?? []
  if (whole === undefined) return []
  return pointedIn(space).flatMap(({ before, behind, point }) => {
    const left = behind - fraction.length
    if (left <= 0 || left > MOST_LEFT_OUT || whole.length > before) return []
    const unit = 10n ** BigInt(left)
    const value = BigInt(whole + fraction) * unit
    const width = before + behind
    const found: string[] = []
    for (let one = value - unit / 2n; one < value + unit; one++) {
      const digits = `${one}`.padStart(width, '0')
      if (one >= 0n && digits.length === width)
        found.push(digits.slice(0, before) + point + digits.slice(before))
    }
    return found.filter((text) => holds(space.definition, text))
  })
}
