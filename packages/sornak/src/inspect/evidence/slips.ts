// Slips in typing: a wrong digit, one too many, or one too few. What they leave a conversion may have left as well, and then the rows
// around it tell which of the two it was.

import { isDigit, isLetter } from '../../identifier/codes.js'
import type { Definition } from '../../identifier/definition.js'
import { fit } from '../../identifier/fit.js'
import { holds, isOnlyShaped } from '../../identifier/holds.js'
import { spaceOf } from '../../identifier/space.js'
import { way, type Hypothesis } from '../ways/hypothesis.js'

/**
 * A value of the right shape whose check digit or reserved part is wrong, digits one wider or narrower than they should be,
 * or one digit where a letter belongs, or the reverse.
 */
export type Slip = 'digit-wrong' | 'digit-added' | 'digit-left-out' | 'other-kind'
export const SLIPS: readonly Slip[] = ['digit-wrong', 'digit-added', 'digit-left-out', 'other-kind']

/** What was typed, of which these digits are printed: a reader of numbers drops zeros that stand behind a plus. */
export const typedDigits = (seen: string, bare: string = seen): string =>
  /^\+\d+$/.test(seen) ? seen.slice(1) : bare

/** What slip typed digits may be that do not fit. */
export function slipIn(definition: Definition, bare: string): Slip | undefined {
  if (holds(definition, bare)) return undefined
  if (isOnlyShaped(definition, bare)) return 'digit-wrong'
  const { widths } = spaceOf(definition)
  const { length } = bare
  if (widths.includes(length))
    return ofOtherKind(definition, bare).length > 0 ? 'other-kind' : undefined
  if (!/\d/.test(bare)) return undefined
  if (widths.includes(length + 1)) return 'digit-left-out'
  // Of a code only a zero in front looks like what a conversion leaves.
  const isLeft = /^\d+$|^0[\dA-Za-z]+$/.test(bare)
  return widths.includes(length - 1) && isLeft ? 'digit-added' : undefined
}

interface OddPlace {
  readonly at: number
  /** What belongs there. */
  readonly chars: readonly number[]
}

/** Where nothing but one digit stands in place of a letter, or one letter in place of a digit: for each layout that it nearly is. */
export function ofOtherKind(definition: Definition, bare: string): OddPlace[] {
  return spaceOf(definition).layouts.flatMap(({ places }): OddPlace[] => {
    if (places.length !== bare.length) return []
    const odd = places.flatMap(({ chars }, at) =>
      chars.includes(bare.charCodeAt(at)) ? [] : [{ at, chars }],
    )
    const [one, other] = odd
    if (!one || other) return []
    const expected = isDigit(bare.charCodeAt(one.at)) ? isLetter : isDigit
    return /[\dA-Za-z]/.test(bare[one.at]!) && one.chars.every(expected) ? [one] : []
  })
}

/** A slip as one way among others in which the value could have come about: what could have been meant. */
export function mistyped(definition: Definition, bare: string, slip: Slip): Hypothesis {
  const meant = [...new Set(MEANT[slip](bare, definition))].filter((text) =>
    holds(definition, text),
  )
  const fitted = fit(definition, bare)
  const code = fitted.ok || fitted.code === 'shape' ? 'unexplained' : fitted.code
  return way(MISTYPED, [], [code], meant, 1)
}

/** The process of such a way. */
export const MISTYPED = 'mistyped'

const MEANT: Readonly<Record<Slip, (bare: string, definition: Definition) => string[]>> = {
  'digit-wrong': (bare) => [...withOther(bare), ...swapped(bare)],
  'digit-added': (bare) => withoutOne(bare),
  'digit-left-out': (bare, definition) => withOneMore(bare, definition),
  'other-kind': (bare, definition) =>
    ofOtherKind(definition, bare).flatMap(({ at, chars }) => put(bare, at, chars, at + 1)),
}

/** The text with each of the characters at a place; it goes on from another. */
const put = (bare: string, at: number, chars: readonly number[], rest: number) =>
  chars.map((code) => bare.slice(0, at) + String.fromCharCode(code) + bare.slice(rest))

const withoutOne = (bare: string) =>
  Array.from(bare, (_, at) => bare.slice(0, at) + bare.slice(at + 1))

const withOneMore = (bare: string, definition: Definition) =>
  spaceOf(definition).layouts.flatMap(({ places }) =>
    places.length === bare.length + 1
      ? places.flatMap(({ chars }, at) => put(bare, at, chars, at))
      : [],
  )

const withOther = (bare: string) =>
  Array.from(bare).flatMap((char, at) => (/\d/.test(char) ? put(bare, at, DIGITS, at + 1) : []))

const swapped = (bare: string) =>
  Array.from(bare.slice(1), (next, at) => bare.slice(0, at) + next + bare[at] + bare.slice(at + 2))

const DIGITS = Array.from({ length: 10 }, (_, digit) => 48 + digit)
