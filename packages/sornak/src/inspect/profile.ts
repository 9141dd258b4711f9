// Padding and precision of a column as questions of their own: which widths there are, what is short or
// over, and what each kind of number column would lose.

import { BINARY32, BINARY64, nearestFloat } from '../channel/binary-float.js'
import { INTEGER_TYPES } from '../channel/integer-limits.js'
import type { Definition } from '../identifier/definition.js'
import { holds } from '../identifier/holds.js'
import { layoutsOf } from '../identifier/layout.js'

export interface Profile {
  /** Values of digits only. */
  readonly digits: number
  /** How many of them have so many digits. */
  readonly widths: Readonly<Record<string, number>>
  /** Values of digits that start with a zero: every number column loses it. */
  readonly leadingZeros: number
  /** More than 15 significant digits, and beyond 2^53. */
  readonly beyond15: number
  readonly beyond53: number
  /** Against the widths of the definition: shorter, right, longer by zeros only, and otherwise wrong. */
  readonly padding: Padding
  /** For each kind of column how many values it would not hold as they are. */
  readonly types: readonly TypeLoss[]
  /** What to store the column as. */
  readonly store: string
}

export interface Padding {
  readonly short: number
  readonly right: number
  readonly over: number
  readonly wrong: number
}

export interface TypeLoss {
  readonly type: string
  readonly lost: number
}

export interface Profiler {
  /** One value that is not blank. */
  add(text: string): void
  profile(): Profile
}

/** Whether a number column holds a value of so much. */
const HOLDS: readonly (readonly [type: string, holds: (value: bigint) => boolean])[] = [
  ...INTEGER_TYPES.filter(({ signed }) => signed).map(
    ({ bits, max }) => [`${bits}-bit integer`, (value: bigint) => value <= max] as const,
  ),
  ['32-bit binary (real, float)', (value) => nearestFloat(value, BINARY32) === value],
  ['64-bit binary (double)', (value) => nearestFloat(value, BINARY64) === value],
  ['15 significant digits (spreadsheet)', (value) => significant(value) <= 15],
  ['decimal(18)', (value) => value < 10n ** 18n],
  ['decimal(38)', (value) => value < 10n ** 38n],
]

export function profiler(definition: Definition): Profiler {
  const widths = new Map<number, number>()
  const lost = HOLDS.map(() => 0)
  let [digits, leadingZeros, beyond15, beyond53] = [0, 0, 0, 0]
  const padding = { short: 0, right: 0, over: 0, wrong: 0 }
  const known = new Set(layoutsOf(definition).layouts.map(({ places }) => places.length))
  const longest = Math.max(0, ...known)

  function pad(text: string): keyof Padding {
    if (holds(definition, text)) return 'right'
    if (!/^\d+$/.test(text)) return 'wrong'
    for (const width of known)
      if (width > text.length && holds(definition, text.padStart(width, '0'))) return 'short'
    const bare = text.replace(/^0+(?=\d)/, '')
    const over =
      text.length > longest &&
      [...known].some(
        (width) => width >= bare.length && holds(definition, bare.padStart(width, '0')),
      )
    return over ? 'over' : 'wrong'
  }

  return {
    add(text) {
      const padded = pad(text)
      padding[padded]++
      if (!/^\d{1,60}$/.test(text)) {
        // A code is no number.
        if (padded === 'right') HOLDS.forEach((_, i) => lost[i]!++)
        return
      }
      digits++
      widths.set(text.length, (widths.get(text.length) ?? 0) + 1)
      const value = BigInt(text)
      const zero = text.length > 1 && text.startsWith('0')
      if (zero) leadingZeros++
      if (significant(value) > 15) beyond15++
      if (value > 1n << 53n) beyond53++
      HOLDS.forEach(([, holds], i) => {
        if (zero || !holds(value)) lost[i]!++
      })
    },
    profile: () => ({
      digits,
      widths: Object.fromEntries(
        [...widths].sort(([a], [b]) => a - b).map(([width, count]) => [`${width}`, count]),
      ),
      leadingZeros,
      beyond15,
      beyond53,
      padding: { ...padding },
      types: HOLDS.map(([type], i) => ({ type, lost: lost[i]! })),
      store: `text of ${widthsText([...known])} characters`,
    }),
  }
}

/** Significant digits of an integer: zeros at its end do not count. */
const significant = (value: bigint) => value.toString().replace(/0+$/, '').length

function widthsText(widths: readonly number[]): string {
  const sorted = [...widths].sort((a, b) => a - b)
  const [first, last] = [sorted[0], sorted.at(-1)]
  return first === last ? `${first ?? 'any number of'}` : `${first} to ${last}`
}
