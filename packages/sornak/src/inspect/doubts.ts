// What else may have left a value, beside the ways that explain it: where they explain it well, and the rows say that something
// was at work that nobody knows.

import { isDigits } from '../channel/number-text.js'
import { anyOf, startingWith } from '../identifier/parts-of-space.js'
import type { Space } from '../identifier/space.js'
import type { Context } from './context.js'
import { isWorkedOut } from './fractions.js'
import { MANY_ZEROS } from './short/strange.js'
import { FEW_ROWS_ALIKE } from './short/throughout.js'
import { allByChance, leadsAnywhere, oftenValue } from './ways/by-chance.js'
import { inEightBits } from './ways/from-types.js'
import type { Hypothesis } from './ways/hypothesis.js'
import type { Weighed } from './ways/weigh.js'
import { MEND_ODDS, THROUGHOUT, TOGETHER } from './ways/weights.js'

/** One way more, so many times as likely as all others together. */
export interface Doubt {
  readonly way: Hypothesis
  readonly odds: number
}

/** @param number the digits that it was printed from, where it was */
export function doubtOf(
  space: Space,
  seen: string,
  number: string,
  ways: readonly Hypothesis[],
  weighed: Weighed,
  column: Context | undefined,
): Doubt | undefined {
  const [most = ''] = weighed.processes[0] ?? []
  const wasRead = most === 'number-read'
  const wasRounded = most.startsWith('binary')
  if (column && (wasRead || wasRounded)) {
    // What is left of a rounded number by a narrow type is rounded, too.
    const lacksMany = isDigits(seen) && number.length <= space.widest - MANY_ZEROS
    const isLeft = wasRounded && lacksMany && (column.misfits ?? 0) >= FEW_ROWS_ALIKE
    const isFar = wasRead && isDigits(number) && column.isFarShort?.(number.length)
    if (isStrange(column, weighed) || isLeft || isFar)
      return { way: unknown(space), odds: THROUGHOUT }
  }
  if (wasRead && column?.bound?.bits === 8 && isDigits(number)) {
    const way = inEightBits(space, BigInt(number))
    if (way) return { way, odds: THROUGHOUT }
  }
  const both = column?.cutAndRead ? cutAndRead(space, number) : undefined
  if (both) return { way: both, odds: 1 }
  if (column && isWorkedOut(column, seen, ways)) return { way: unknown(space), odds: 1 }
  // They are amounts, maybe, in a column that never held identifiers.
  if (ways.some(({ hundredths }) => hundredths))
    return { way: unknown(space), odds: (1 - MEND_ODDS) / 2 }
  const odds = Math.max(
    unlikeOthers(column, weighed, number, space),
    hardlyEver(space, weighed, column),
  )
  return odds > 1 - MEND_ODDS ? { way: unknown(space), odds } : undefined
}

// It would have lost as many zeros as they have lost, all of them.
function isStrange({ strange = 0 }: Context, { ranked: [first] }: Weighed): boolean {
  const zeros = first ? /^0*/.exec(first.text)![0].length : strange
  return strange > 0 && zeros >= strange
}

// Something that nobody knows left what is seen, of any value.
const unknown = (space: Space): Hypothesis => ({
  originals: { kind: 'subset', subset: startingWith(space, '') },
  process: 'unknown',
  channels: [],
  findings: ['unexplained'],
  weight: 1,
  per: 'all',
})

// A field too narrow took characters behind, and then a reader of numbers the zeros in front.
function cutAndRead(space: Space, number: string): Hypothesis | undefined {
  const lacks = space.widest - number.length
  if (!/^[1-9]\d*$/.test(number) || lacks < 2) return undefined
  const fronts = Array.from({ length: lacks - 1 }, (_, i) => '0'.repeat(i + 1) + number)
  return {
    originals: { kind: 'subset', subset: anyOf(fronts.map((front) => startingWith(space, front))) },
    process: 'cut and read',
    channels: ['number-read', 'cut-short'],
    findings: ['zeros-lost', 'cut-short'],
    weight: 1,
    per: 'all',
  }
}

// Odds of that beside an original whose zeros at the front make it start as hardly any other value does. Where a check digit
// is right, zeros were there.
function unlikeOthers(
  column: Context | undefined,
  { ranked }: Weighed,
  number: string,
  { definition, widest }: Space,
): number {
  const [first] = ranked
  if (!first || !column?.usual || definition.check || number.length >= widest) return 0
  return TOGETHER.unknown / column.usual.ofWhole(first.text)
}

/** More originals than these are hardly there by chance, where values that come again and again tell it. */
const FEW = 3n

// Odds of that beside the one original that is left, where octal digits or a type that wraps round explain it and little else
// says so: any number comes to one in these ways, as often as a text of as many characters is a value. Nor do a few numbers
// say much together, that come again and again.
function hardlyEver(
  space: Space,
  { possible, weight, processes }: Weighed,
  { misfits = 1, different = misfits }: Partial<Context> = {},
): number {
  const isByChance = processes.every(
    ([process, share]) => share < 1 - MEND_ODDS || leadsAnywhere(process),
  )
  const again = misfits > different
  if (!isByChance || possible > (again ? FEW : 1n)) return 0
  const alone = possible === 1n ? (TOGETHER.unknown * oftenValue(space)) / 2 ** weight : 0
  return again ? Math.max(alone, allByChance(space, different)) : alone
}
