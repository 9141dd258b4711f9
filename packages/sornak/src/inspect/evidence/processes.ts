// The processes that a column is watched for, and what a value that fits says of each: that it could have
// printed it (in favour by as much as it is rare otherwise), or that it could not.

import { COUNTED } from '../../channel/day-count.js'
import { FIFTEEN } from '../../channel/fifteen-digits.js'
import { HOLDING_TYPES, wrappingTypes, type IntegerType } from '../../channel/integer-limits.js'
import type { Definition } from '../../identifier/definition.js'
import { spaceOf, widestNumber, type Numbers, type Space } from '../../identifier/space.js'
import { shownIn } from '../ways/forms.js'
import { pointedIn } from '../ways/from-decimals.js'
import { mayBeSixteen, SIXTEEN } from '../ways/from-sixteen.js'
import { shownWrapped, wrappedIn } from '../ways/from-shown.js'
import { FEWER_DECIMALS, PERCENT_OF, STOPS } from '../ways/hypothesis.js'
import { FORMS, OUT, unlessZero, type Process } from './process.js'
import {
  behind,
  carelessly,
  double,
  extended,
  fifteen,
  half,
  plain,
  rounds,
  single,
  thousands,
} from './rounding-images.js'
import { byDigits, byZeros } from './shortenings.js'
import { holds, wraps } from './type-limits.js'
import { compare, holdsZero, isDigits, leadingZero, losesZeros } from './value-bytes.js'

export function processesOf(definition: Definition): Process[] {
  const space = spaceOf(definition)
  const never = (id: string): Process => ({ id, usual: OUT })
  const list: Process[] = [
    ...FORMS.map((code) => never(`form ${code}`)),
    ...['marks', 'display', 'letter-case', 'sign', ...COUNTED].map(never),
    { id: 'look-alike', usual: OUT, fits: unlessZeroIn },
    ...unlessHeld(space, 'evaluated', unlessCode, 69, 101, 44, 46),
    ...unlessHeld(space, 'arithmetic', unless(45, 47), 45, 47),
    ...(pointedIn(space).length > 0 ? [never(FEWER_DECIMALS)] : []),
    ...unlessHeld(space, 'base-sixty', unless(58), 58),
    ...unlessHeld(space, 'time-guess', unless(58), 58),
    ...unlessHeld(space, 'date-guess', unless(45, 47), 45, 47, 77),
  ]
  const { widths } = space
  for (let lost = 1; lost < Math.min(widths.at(-1) ?? 0, 25); lost++)
    list.push(cutShort(lost, widths))
  for (let kept = 1; widths.length > 1 && kept < Math.min(widths.at(-1)!, 25); kept++)
    list.push({
      id: `cut-short to ${kept}`,
      usual: 0,
      kept,
      fits: (_, start, end) => (end - start > kept ? OUT : 0),
    })
  const { fronts, integers } = space
  if (fronts)
    list.push(integers.count > 0n ? { id: 'front', usual: 0, fits: unlessBare } : never('front'))
  if (integers.count > 0n || fronts) list.push(...numeric(space))
  const shown = shownIn(space)
  if (shown) {
    const known = new Set(list.map(({ id }) => id))
    const more = [
      ...ofShown(shown),
      ...[...byZeros(), ...byDigits(shown.widest)].map(({ id }) => never(id)),
      // Where values themselves wrap round in a type, that is what rows tell of.
      ...wrappedIn(shown)
        .filter(({ name }) => !known.has(`wrapped ${name}`))
        .map((type) => never(shownWrapped(type))),
    ]
    list.push(...more.filter(({ id }) => !known.has(id)))
  }
  return list
}

// What rounds numbers of a display form leaves none that fits, and some of these numbers as they are.
const ofShown = (shown: Numbers): Process[] =>
  ROUNDED.map(([id, image]) => ({ id, usual: OUT, leaves: rounds(id, shown, image).fits! }))

const ROUNDED = [
  ['short-display', plain],
  ['thousands', thousands],
  ['fifteen-cut', fifteen('cut')],
  ['fifteen-rounded', fifteen('rounded')],
  ['fifteen-binary64', behind],
  ['binary64', double],
  ['binary32', single],
] as const

// What readers of numbers do.
function numeric(space: Space): Process[] {
  const widest = widestNumber(space)
  const nearly = (8n ** BigInt(widest - 1) * 3n) / 4n
  const list: Process[] = [
    { id: 'number-read', usual: 0, fits: unlessZero },
    { id: 'octal', usual: 0, fits: unlessOctal, nearly },
    { id: 'octal or decimal', usual: 0, fits: unlessZero, nearly },
    { id: STOPS, usual: 0, fits: unlessBare, nearly },
    ...(mayBeSixteen(space) ? [inSixteen(widest)] : []),
    widest > 6 ? rounds('short-display', space, plain) : { id: 'short-display', usual: OUT },
    ...(widest > 3 ? [rounds('thousands', space, thousands), ...byZeros()] : []),
    ...byDigits(widest),
    { id: 'repadded', usual: OUT },
  ]
  const isTooNarrow = ({ max }: IntegerType) => 10n ** BigInt(widest) > max
  list.push(
    ...wrappingTypes(widest).filter(isTooNarrow).map(wraps),
    ...HOLDING_TYPES.filter(isTooNarrow).map((type) => holds(type, space)),
  )
  // What fits starts with a zero, or is beyond so many nines: they show in what does not.
  for (let nines = 6; nines < widest; nines++)
    list.push({ id: `clamped ${'9'.repeat(nines)}`, usual: OUT })
  if (widest > 3) list.push(notOfFitting(rounds('binary16', space, half)))
  if (widest > 7) list.push(rounds('binary32', space, single))
  if (widest > FIFTEEN)
    list.push(
      rounds('binary64', space, double),
      rounds('fifteen-cut', space, fifteen('cut')),
      rounds('fifteen-rounded', space, fifteen('rounded')),
      rounds('fifteen-binary64', space, behind),
      carelessly,
      { id: PERCENT_OF, usual: OUT },
    )
  if (widest > 19) list.push(rounds('binary80', space, extended))
  return list.map((process) => (process.id === STOPS ? process : { ...process, ofDigits: true }))
}

// Short numbers that are even, or end in zeros, are what some lists have: they say only that it could not be.
function notOfFitting({ fits, ...process }: Process): Process {
  const score = fits!
  return {
    ...process,
    fits: (bytes, start, end) => Math.min(0, score(bytes, start, end)),
    leaves: score,
  }
}

// A reader that stops at the first character that is no digit leaves digits alone, and nothing else.
function unlessBare(bytes: Uint8Array, start: number, end: number): number {
  return leadingZero(bytes, start, end) || !isDigits(bytes, start, end) ? OUT : 0
}

// A reader of octal digits leaves 0891 alone.
function unlessOctal(bytes: Uint8Array, start: number, end: number): number {
  if (!leadingZero(bytes, start, end)) return 0
  for (let at = start; at < end; at++) if (bytes[at]! > 55) return 0
  return OUT
}

// Digits alone may be those of base sixteen where what they stand for is no larger than values are.
function inSixteen(widest: number): Process {
  const most = (10n ** BigInt(widest) - 1n).toString(16)
  const ofDigits = most.replace(/[a-f].*/, (rest) => '9'.repeat(rest.length))
  return {
    id: SIXTEEN,
    usual: OUT,
    turns: [ofDigits],
    fits: (bytes, start, end) =>
      leadingZero(bytes, start, end) || compare(bytes, start, end, ofDigits) > 0 ? OUT : 0,
  }
}

// Who writes letters for digits writes an O for a zero, at the least.
function unlessZeroIn(bytes: Uint8Array, start: number, end: number): number {
  return holdsZero(bytes, start, end) ? OUT : 0
}

function unless(...codes: number[]): NonNullable<Process['fits']> {
  return (bytes, start, end) => {
    for (let at = start + 1; at < end; at++) if (codes.includes(bytes[at]!)) return OUT
    return 0
  }
}

// Watched for only where values can hold such characters at all.
function unlessHeld(
  space: Space,
  id: string,
  fits: NonNullable<Process['fits']>,
  ...codes: number[]
): Process[] {
  const holds = space.layouts.some(({ places }) =>
    places.some(({ chars }) => codes.some((code) => chars.includes(code))),
  )
  return holds ? [{ id, usual: 0, fits }] : []
}

// 12E5: digits, an E, digits; or digits, a point, digits, and a zero in front or behind.
function unlessCode(bytes: Uint8Array, start: number, end: number): number {
  if (losesZeros(bytes, start, end)) return OUT
  let letters = 0
  for (let at = start; at < end; at++) {
    const byte = bytes[at]!
    if (byte >= 48 && byte <= 57) continue
    if ((byte !== 69 && byte !== 101) || at === start || at === end - 1 || letters++) return 0
  }
  return letters ? OUT : 0
}

// So many characters are gone. Where values have several widths, what is left of a wide one fits as well.
function cutShort(lost: number, widths: readonly number[]): Process {
  const bare: Process = { id: `cut-short by ${lost}`, usual: OUT, lost }
  return widths.some((width) => widths.includes(width + lost))
    ? { ...bare, fits: (_, start, end) => (widths.includes(end - start + lost) ? 0 : OUT) }
    : bare
}
