// One way in which a value could have come about, and the originals that it leaves.

import type { FindingCode } from '../../channel/channel.js'
import type { Percent } from '../../channel/scaled.js'
import type { Interval } from '../../channel/significant.js'
import type { Subset } from '../../identifier/parts-of-space.js'
import type { ShownNumbers } from '../../identifier/shown-numbers.js'
import type { Numbers, Space } from '../../identifier/space.js'

export type Originals =
  | { readonly kind: 'texts'; readonly texts: readonly string[] }
  /** Those that are these numbers; `of`: that are shown as them. */
  | ({ readonly kind: 'integers'; readonly of?: ShownNumbers } & Interval)
  /** Counted and listed only where it matters. */
  | { readonly kind: 'subset'; readonly subset: Subset }

/** One way in which the value could have come about. */
export interface Hypothesis {
  readonly originals: Originals
  /** What happened to the digits, as the evidence of a column knows it. */
  readonly process: string
  /** Channel ids, outermost first. */
  readonly channels: readonly string[]
  readonly findings: readonly FindingCode[]
  /** It is possible, and no evidence for the process. */
  readonly quiet?: boolean
  /** Only in a run of rows that its channel explains: by itself it may be anything. */
  readonly inRows?: true
  /** What a percent sign did, where there is one. */
  readonly percent?: Percent | undefined
  /** It is the number of a display form. */
  readonly shown?: true
  /** The number was divided by a hundred. */
  readonly hundredths?: true | undefined
  /** For each original, or for all of them together. */
  readonly weight: number
  readonly per: 'original' | 'all'
}

/** The same for the number alone, whatever it was printed as. */
export type Bare = Omit<Hypothesis, 'channels' | 'findings'> & {
  readonly channel: string
  readonly finding?: FindingCode | undefined
}

/** A reader of octal digits that stops at an 8 or 9. */
export const STOPS = 'octal as far as it goes'

/** A program that works out the digits of a binary64 number beyond 2^53 with numbers of that kind, and gets most of them wrong. */
export const CARELESS = 'binary64 carelessly'

/** A hundredth that was worked out in binary64, and shown as a percentage. */
export const PERCENT_OF = 'binary64 of a hundredth'

/** A code with a point in it that was printed with fewer decimals, cut or rounded. */
export const FEWER_DECIMALS = 'fewer decimals'

/** Forms in which a number is printed. */
export const PRINTED: readonly FindingCode[] = ['exponent', 'decimal-tail', 'grouped', 'scaled']

/** How a value that does not fit stands: in a printed form, with a minus, with decimals that are not zeros, or bare. */
export type StandsAs = FindingCode | 'below-zero' | 'fraction' | 'bare'

/** A number was printed in a form of its own. */
export const isPrintedForm = ({ findings }: Hypothesis): boolean =>
  findings.some((code) => PRINTED.includes(code))

/** A number was cut at its front before it was printed. */
export const isPrintedEnd = (way: Hypothesis): boolean =>
  way.process.startsWith('cut-short') && isPrintedForm(way)

/** These texts, all together with this weight. */
export function way(
  process: string,
  channels: readonly string[],
  findings: readonly FindingCode[],
  texts: readonly string[],
  weight: number,
): Hypothesis {
  return { originals: { kind: 'texts', texts }, process, channels, findings, weight, per: 'all' }
}

/** The numbers that originals are among. */
export const numbersIn = (
  space: Space,
  { of }: Extract<Originals, { readonly kind: 'integers' }>,
): Numbers => of ?? space

/** It leaves originals, as far as that is known without counting a subset. */
export const leavesAny = (space: Space, { originals }: Pick<Hypothesis, 'originals'>): boolean =>
  originals.kind === 'integers'
    ? numbersIn(space, originals).count(originals.low, originals.high).count > 0n
    : originals.kind === 'subset' || originals.texts.length > 0
