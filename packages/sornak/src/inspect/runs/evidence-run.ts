// A run of rows that went through one conversion, with what that means for each value in it.

import type { IntegerType } from '../../channel/integer-limits.js'
import type { Percent } from '../../channel/scaled.js'
import type { RecordPlace } from '../../rows/reader.js'
import type { StandsAs } from '../ways/hypothesis.js'
import type { Lift } from '../ways/scales.js'
import type { LoneValue } from './lone-value.js'
import type { SlipOdds } from './slip-odds.js'
import type { UsualStarts } from './usual-starts.js'

/** Values that stand in several ways, by the way. */
export interface OwnHands {
  /** All of them together have no story. */
  readonly apart: boolean
  /** What those say that stand in one way. */
  of(way: number): EvidenceRun | undefined
  /** The same where they have a story of their own. */
  story(way: number): EvidenceRun | undefined
}

export interface EvidenceRun {
  /** The process that explains its rows best; the printed form, in a run of one. */
  readonly process: string
  /** What happened to them, in whatever form they were printed. */
  readonly conversion: string
  readonly channel: string
  /** The first and the last record in which it was at work, and where the last one begins. */
  readonly from: RecordPlace
  readonly to: RecordPlace
  /** Evidence in bits. */
  readonly bits: number
  /** What the rows say of each process, beside digits that were read as a number. */
  readonly lift: Lift
  /** How often an original starts as this one does, beside any other start; undefined where it cannot be told. */
  readonly usual: UsualStarts | undefined
  /** What a short value says by itself. */
  readonly lone: LoneValue
  /** How likely slips in typing are in its rows, beside what its process leaves. */
  readonly slips: SlipOdds
  /** Its values that do not fit; and those of them that stand in this form. */
  readonly misfits: number
  /** The same, each short one counted once, however often it is there. */
  readonly different: number
  inForm(form: StandsAs): number
  /** The same of the whole column. */
  inColumn(form: StandsAs): number
  /** Long numbers stand with so many digits in its rows; 0 where too few say so. */
  readonly digits: number
  /** Most numbers stand with so many digits before an exponent; 0 where too few say so. */
  readonly shown: number
  /** Bits that numbers before an exponent which show so many digits were shortened to them, and others beside them were not. */
  shortenedTo(shown: number): number
  /** Numbers of so many digits were printed with an exponent only where that is shorter. */
  exponentWhereShorter(digits: number): boolean
  /** What a comma or full stop before three zeros means in its rows, where the others tell it. */
  readonly mark?: 'grouped' | 'decimal-tail' | undefined
  /** What a percent sign did in its rows, where they tell it. */
  readonly percent?: Percent | undefined
  /** Every value lacks so many digits, of which it is not sure that they were zeros; 0 where that is not so. */
  readonly lacking?: number
  /** No value is complete or beyond the limit of this type, and some come close to it: they may have wrapped round. */
  readonly bound?: IntegerType | undefined
  /** Its values lack so many zeros each, which no other value starts with: something else may have taken digits; else 0. */
  readonly strange: number
  /** A number of so many digits lacks far more zeros than others start with. */
  readonly isFarShort: (digits: number) => boolean
  /** Its values were cut to several lengths, none of which starts with a zero: they were read as numbers as well, maybe. */
  readonly cutAndRead: boolean
  /** The weight of a conversion that is seldom met, for all values that one program left, where several left theirs; else 0. */
  readonly seldom: number
  /** All values are digits only, of which it is not sure that nothing stood behind them: the stored masks of such. */
  readonly digitsOnly?: readonly string[] | undefined
  /** Values of the column that are exactly the limit of a type, and stand for any beyond it. */
  readonly limits: ReadonlySet<string>
  /** Values that fit may be others than they were. */
  readonly suspect: boolean
  /** Values of several widths may lack zeros at the front, and fit. */
  readonly zerosGone: boolean
  /** Bits that say that what stands behind marks was read as a number: no such value of its rows has kept a zero in front. */
  readonly unkept: number
  /** What those of the column that stand behind marks say of a rounding of them. */
  readonly behindMarks: Lift
  /** What those say that stand in one way, where its values stand in several. */
  readonly hands?: OwnHands | undefined
  /** The share of them that are, where the values that do not fit tell it: 0 to 1. */
  readonly struck?: number | undefined
  /** Its values are spread evenly enough for what is missing among them to say something. */
  readonly fair: boolean
  /** Bits for the process that explains it best, and for the run by itself where nothing else happened. */
  readonly evidence: number
  readonly alone: number
  /** Where it explains them by numbers that wrapped: bits for that beside lost zeros, as many as a run of them has. */
  readonly wrapped: number
  /** By how many bits its process explains its rows better than that of another run. */
  beyond(other: EvidenceRun): number
}
