// Slips in typing: a wrong digit, one too many, or one too few. What they leave a conversion may have left as well, and then the rows
// around it tell which of the two it was.

import type { Definition } from '../../identifier/definition.js'
import { fit } from '../../identifier/fit.js'
import { holds, isOnlyShaped } from '../../identifier/holds.js'
import { spaceOf } from '../../identifier/space.js'
import { way, type Hypothesis } from '../ways/hypothesis.js'

/** A value of the right shape whose check digit or reserved part is wrong, or digits one wider or narrower than they should be. */
export type Slip = 'digit-wrong' | 'digit-added' | 'digit-left-out'
export const SLIPS: readonly Slip[] = ['digit-wrong', 'digit-added', 'digit-left-out']

/** What was typed, of which these digits are printed: a reader of numbers drops zeros that stand behind a plus. */
export const typedDigits = (seen: string, bare: string = seen): string =>
  /^\+\d+$/.test(seen) ? seen.slice(1) : bare

/** What slip typed digits may be that do not fit. */
export function slipIn(definition: Definition, bare: string): Slip | undefined {
  if (holds(definition, bare)) return undefined
  if (isOnlyShaped(definition, bare)) return 'digit-wrong'
  const { widths } = spaceOf(definition)
  const { length } = bare
  if (widths.includes(length) || !/\d/.test(bare)) return undefined
  if (widths.includes(length + 1)) return 'digit-left-out'
  return widths.includes(length - 1) && /^\d+$/.test(bare) ? 'digit-added' : undefined
}

/** A slip as one way among others in which the value could have come about: what could have been meant. */
export function mistyped(definition: Definition, bare: string, slip: Slip): Hypothesis {
  const meant = [...new Set(MEANT[slip](bare))].filter((text) => holds(definition, text))
  const fitted = fit(definition, bare)
  const code = fitted.ok || fitted.code === 'shape' ? 'unexplained' : fitted.code
  return way(MISTYPED, [], [code], meant, 1)
}

/** The process of such a way. */
export const MISTYPED = 'mistyped'

const MEANT: Readonly<Record<Slip, (bare: string) => string[]>> = {
  'digit-wrong': (bare) => [...withOther(bare), ...swapped(bare)],
  'digit-added': (bare) => withoutOne(bare),
  'digit-left-out': (bare) => withOneMore(bare),
}

const withoutOne = (bare: string) =>
  Array.from(bare, (_, at) => bare.slice(0, at) + bare.slice(at + 1))

const withOneMore = (bare: string) =>
  Array.from(`${bare} `).flatMap((_, at) =>
    DIGITS.map((digit) => bare.slice(0, at) + digit + bare.slice(at)),
  )

const withOther = (bare: string) =>
  Array.from(bare).flatMap((char, at) =>
    /\d/.test(char) ? DIGITS.map((digit) => bare.slice(0, at) + digit + bare.slice(at + 1)) : [],
  )

const swapped = (bare: string) =>
  Array.from(bare.slice(1), (next, at) => bare.slice(0, at) + next + bare[at] + bare.slice(at + 2))

const DIGITS = Array.from('0123456789')
