// What a column adds to the judgement of one of its values.

import type { IntegerType } from '../channel/integer-limits.js'
import type { Percent } from '../channel/scaled.js'
import type { OwnHands } from './runs/evidence-run.js'
import type { LoneValue } from './runs/lone-value.js'
import type { SlipOdds } from './runs/slip-odds.js'
import type { UsualStarts } from './runs/usual-starts.js'
import type { TrustedList } from './trusted.js'
import type { StandsAs } from './ways/hypothesis.js'
import type { Lift } from './ways/scales.js'

export interface Context {
  /** What the neighbours say of each process. */
  readonly lift: Lift
  /** How often originals start as this one does. */
  readonly usual?: UsualStarts | undefined
  /** What a short value says by itself. */
  readonly lone?: LoneValue | undefined
  /** How likely slips in typing are among them, beside what a process leaves. */
  readonly slips?: SlipOdds | undefined
  /** Each of them would have lost so many zeros, which no other value starts with; 0 where that is as it should be. */
  readonly strange?: number | undefined
  /** A number of so many digits would have lost far more zeros than others start with. */
  readonly isFarShort?: ((digits: number) => boolean) | undefined
  /** They were cut, and have lost the zeros in front as well, maybe. */
  readonly cutAndRead?: boolean | undefined
  /** The type that all of them lie in, and come up to the limit of, where none is complete. */
  readonly bound?: IntegerType | undefined
  /** The weight that a conversion has which is seldom met, for all values that it left, where several programs left theirs. */
  readonly seldom?: number | undefined
  /** How many neighbours do not fit; and of those, how many stand as this one does. */
  readonly misfits?: number | undefined
  /** The same, each short one counted once, however often it is there. */
  readonly different?: number | undefined
  readonly inForm?: ((form: StandsAs) => number) | undefined
  /** The same of all values of the column. */
  readonly inColumn?: ((form: StandsAs) => number) | undefined
  /** Long numbers among the neighbours stand with so many digits: none was shortened to fewer. */
  readonly digits?: number | undefined
  /** Most neighbours stand with so many digits before an exponent. */
  readonly shown?: number | undefined
  /** Bits that those were shortened which show so many digits, and others were not. */
  readonly shortenedTo?: ((shown: number) => number) | undefined
  /** Numbers of so many digits were printed with an exponent only where that is shorter. */
  readonly exponentWhereShorter?: ((digits: number) => boolean) | undefined
  /** The neighbours are printed with a mark that can mean two things, and all that tell mean this. */
  readonly mark?: 'grouped' | 'decimal-tail' | undefined
  /** What a percent sign did to the neighbours, where they tell it. */
  readonly percent?: Percent | undefined
  /** A list that is known to be right. */
  readonly trusted?: TrustedList | undefined
  /** Values that are exactly the limit of a type, and stand for any beyond it. */
  readonly limits?: ReadonlySet<string> | undefined
  /** Bits that say that rows which follow each other were converted; none, where they lie here and there. */
  readonly bits?: number | undefined
  /** The channel that explains them. */
  readonly channel?: string | undefined
  /** Bits that say that what stands behind marks there was read as a number: none has kept a zero in front. */
  readonly unkept?: number | undefined
  /** What those that stand behind marks say of a rounding of them. */
  readonly behindMarks?: Lift | undefined
  /** What those of them say that stand in one way, where they stand in several. */
  readonly hands?: OwnHands | undefined
  /** They prove a conversion after which a value that fits may be another than it was. */
  readonly suspect: boolean
  /** A value that fits may lack zeros at the front, and be the same number; as a rule where it is left out. */
  readonly zerosGone?: boolean | undefined
  /** Not the rows around it say so, but those in which this other column is damaged. */
  readonly beside?: string | undefined
  /** The share of them that were converted: 0 to 1; all where it is left out. */
  readonly struck?: number | undefined
}
