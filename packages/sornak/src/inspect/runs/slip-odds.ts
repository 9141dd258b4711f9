// How likely a slip in typing is beside a conversion that explains the same value: from how many values of its column were
// mistyped and no conversion explains them, and how seldom one of those would look like this by chance.

import { looksLike } from '../../channel/look-alike.js'
import type { Definition } from '../../identifier/definition.js'
import { remembered } from '../../identifier/remembered.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import type { Alike, Process } from '../evidence/process.js'
import { processesOf } from '../evidence/processes.js'
import type { Run } from '../evidence/run-state.js'
import { ofOtherKind, SLIPS, type Slip } from '../evidence/slips.js'
import type { Sums } from '../evidence/sums.js'
import type { ShortValues } from '../short/short-values.js'
import { pointedIn } from '../ways/from-decimals.js'
import { goneBy, isShortening } from '../ways/shortening.js'
import { MOST_MISTYPED, TOGETHER } from '../ways/weights.js'
import { prior } from './prior.js'

/**
 * Slips for each value that the process left, among those that look like this one; 0 where it is none.
 *
 * @param isPrinted a program printed it as a number, whatever was typed
 */
export type SlipOdds = (process: string, slip: Slip, bare: string, isPrinted: boolean) => number

/** Of one value of which nothing more is known. */
export const loneSlip: (definition: Definition) => SlipOdds = remembered(
  (definition: Definition): SlipOdds => {
    const space = spaceOf(definition)
    const processes = new Map(processesOf(definition).map((process) => [process.id, process]))
    return (id, slip, bare) => {
      const process = processes.get(id)
      if (!process) return 0
      return (TOGETHER.mistyped * looks(space, process, slip, bare, ONE_IN_TEN)) / prior(id)
    }
  },
)

/**
 * Of the values of some rows.
 *
 * @param shorts values that are too short
 * @param inRuns for each process the runs that it explains: their rows tell nothing of the others
 */
export function slipOdds(
  space: Space,
  processes: readonly Process[],
  all: Sums,
  shorts: ShortValues,
  inRuns: readonly (readonly Run<Sums>[])[],
): (from: Sums, to: Sums, within: boolean) => SlipOdds {
  const place = new Map(processes.map(({ id }, i) => [id, i]))
  const zeros = (all.zeros + 1) / (all.fits + 2)
  const fewAlone = () => alone(shorts, space.widest - 1)
  return (from, to, within) => (id, slip, bare, isPrinted) => {
    const i = place.get(id)
    if (i === undefined) return 0
    const whole = counted(all, i, slip)
    let some = less(counted(to, i, slip), counted(from, i, slip))
    if (!within)
      for (const run of inRuns[i]!)
        some = less(some, less(counted(run.to.known, i, slip), counted(run.from.known, i, slip)))
    const chance = looks(space, processes[i]!, slip, bare, zeros)
    if (chance === 0) return 0
    // Where every value that lacks a digit may have lost a zero, those with one too many tell how often one slips.
    const added = place.get('repadded')
    // A digit in place of a letter, or a letter that is not there, is as seldom as values are that nothing explains.
    const ofLetters = id === 'evaluated' || (slip === 'other-kind' && digitsForLetters(space, bare))
    const proxy = ofLetters
      ? { ...whole, others: all.unexplained }
      : slip === 'digit-left-out' && added !== undefined
        ? counted(all, added, 'digit-added')
        : whole
    // Where no slip is known, that one digit is too many or too few does not say that somebody typed it.
    const isWrong = slip === 'digit-wrong'
    const most = isWrong ? Infinity : EVEN
    // The more values stand as they were, the less a conversion was at work; and one of them may still be mistyped.
    const clean = isWrong ? some.rows / (1 + some.rows * TOGETHER.mistyped) : 1
    // A code with a point in it looks like a number that was printed.
    const stands = !isPrinted || pointedIn(space).length > 0
    const kept = slip === 'digit-left-out' && stands ? spared(all, whole.explained, fewAlone) : 1
    return Math.max(
      Math.min(most, clean * kept * ofNone(some, chance, prior(id))),
      amongSlips(some, whole, proxy, chance),
    )
  }
}

// Nor was a reader of numbers at work where a single value lacks a digit, or a few that stand far apart, and many kept their
// zeros; or where hardly one does, and no other starts with a zero, of which one in ten should.
function spared({ zeros, wide }: Sums, short: number, fewAlone: () => number): number {
  if (zeros > 0)
    return short === 1 || (short <= FEW_ALONE && short === fewAlone())
      ? Math.max(1, zeros / FEW_KEPT)
      : 1
  const all = wide * ONE_IN_TEN
  return short * FEW_KEPT <= all ? all / FEW_KEPT : 1
}

// How many values of so many digits there are, where no two stand close to each other; else 0.
function alone(shorts: ShortValues, digits: number): number {
  const rows = shorts
    .flatMap((short) => (short.digits.length === digits ? short.rows : []))
    .sort((a, b) => a - b)
  return rows.every((row, i) => i === 0 || row - rows[i - 1]! > CLOSE) ? rows.length : 0
}

interface Counted {
  readonly rows: number
  /** Values that may be slips: those that the process explains, and those that it does not. */
  readonly explained: number
  readonly others: number
}

function counted({ fits, misfits, slips, slipsToo, hits }: Sums, i: number, slip: Slip): Counted {
  const kind = SLIPS.indexOf(slip)
  const explained = slipsToo[kind * hits.length + i]!
  return { rows: fits + misfits, explained, others: slips[kind]! - explained }
}

const less = (a: Counted, b: Counted): Counted => ({
  rows: a.rows - b.rows,
  explained: a.explained - b.explained,
  others: a.others - b.others,
})

// That all of them are slips: each happens to look like what the process leaves, and they are as many as they are.
function ofNone({ rows, explained }: Counted, chance: number, likely: number): number {
  const share = explained / rows
  const tooMany =
    share > MOST_MISTYPED
      ? share * Math.log2(share / MOST_MISTYPED) +
        (share < 1 ? (1 - share) * Math.log2((1 - share) / (1 - MOST_MISTYPED)) : 0)
      : 0
  const bits = explained * Math.log2(chance) - rows * tooMany
  return (TOGETHER.mistyped / likely) * 2 ** Math.max(-1000, bits)
}

// Slips are known to be among them, here or elsewhere: so many of them look like what the process leaves.
function amongSlips(
  { rows, explained, others }: Counted,
  whole: Counted,
  like: Counted,
  chance: number,
): number {
  const untold =
    chance < 1 ? Math.max(others, (whole.others / whole.rows) * rows) / (1 - chance) : 0
  // More than so many are values of another kind.
  const alike = like !== whole && like.others <= like.rows * MOST_ADDED ? like.others : 0
  // What the process left is no slip, nor is what somebody mistyped before it was at work.
  const left = 1 - Math.min(1, explained / rows)
  const expected = Math.max(untold, (alike / like.rows) * rows) * left * chance
  return expected && expected / Math.max(explained - expected, expected / MOST_SURE)
}

/** Odds of a slip that is hardly less likely than what else explains the value. */
export const EVEN = 0.9
/** Fewer values that kept their zeros say nothing of one that lost its own. */
const FEW_KEPT = 10
/** So few of them were mistyped each by itself, maybe, where so many rows lie between them. */
const FEW_ALONE = 4
const CLOSE = 32
/** More values that are one wider than they should be are no slips. */
const MOST_ADDED = 0.05
/** No slip is likelier than this beside what else explains the value: odds. */
const MOST_SURE = 1_000_000
/** The share of values that start with a zero, where no others are known. */
const ONE_IN_TEN = 0.1

const digitsForLetters = ({ definition }: Space, bare: string) =>
  ofOtherKind(definition, bare).some(({ at }) => /\d/.test(bare[at]!))

// Of the characters that may come where one of another kind belongs, those that look like one of these.
function lookAlikes({ definition }: Space, bare: string): number {
  const chances = ofOtherKind(definition, bare).map(({ at, chars }) => {
    const others = Array.from(/\d/.test(bare[at]!) ? DIGITS : LETTERS)
    const alike = others.filter((other) => {
      const one = looksLike(other)
      return one !== undefined && chars.includes(one.charCodeAt(0))
    })
    return alike.length / others.length
  })
  return Math.max(0, ...chances)
}

const DIGITS = '0123456789'
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'

// How likely it is that a slip looks like what the process leaves; 0 for a process that leaves nothing like it.
function looks(space: Space, process: Process, slip: Slip, bare: string, zeros: number): number {
  const { id, rounds, alike, max, exactly } = process
  if (slip === 'other-kind') return id === 'look-alike' ? lookAlikes(space, bare) : 0
  const image = isShortening(id)
    ? 0.1 ** goneBy(id, bare.length)
    : rounds && alike
      ? rounded(alike(bare.length, Number.parseInt(bare.slice(0, 4), 10)))
      : 1
  // A zero more than a value starts with: of slips so many values start with one, and what was added is always there.
  if (id === 'repadded') return slip === 'digit-wrong' ? 0 : zeros
  if (slip === 'digit-added') return 0
  if (slip === 'digit-left-out') {
    if (id === 'cut-short by 1') return 1
    // Powers of ten are printed with zeros at the end.
    if (id === 'evaluated') return ONE_IN_TEN
    if (id.startsWith('octal')) return withZero(space, bare.length) * 0.8 ** bare.length
    const reads = rounds || id === 'number-read' || isShortening(id)
    return reads ? image * withZero(space, bare.length) : 0
  }
  if (rounds || isShortening(id)) return image
  const all = Number(space.integers.count)
  if (exactly !== undefined) return 1 / all
  if (max === undefined) return id.startsWith('octal') ? 1 : 0
  return Number(space.count(0n, max).count) / all
}

// How many numbers of so many digits are values with a zero in front.
const withZero = (space: Space, digits: number) =>
  Math.min(1, Number(space.count(0n, 10n ** BigInt(digits) - 1n).count) / 10 ** digits)

function rounded(alike: Alike | null): number {
  const { lastDigit = false, zeros = 0, bits = 0 } = alike ?? {}
  const ways = [
    ...(lastDigit ? [0.1] : []),
    ...(zeros ? [0.1 ** zeros] : []),
    ...(bits ? [0.5 ** bits] : []),
  ]
  return ways.length
    ? Math.min(
        1,
        ways.reduce((sum, one) => sum + one),
      )
    : 1
}
