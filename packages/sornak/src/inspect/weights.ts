// How much each channel counts before the column has spoken: its weight for one original, relative
// to plain number reading. The only such figures in the library; nothing here is tuned to a case.

export const WEIGHTS_VERSION = 1

export const WEIGHTS = {
  /** A number printed with all its digits; leading zeros went when it was read. The commonest. */
  exact: 1,
  /** The value in one of its own display forms, as the mask has it. */
  displayed: 1,
  /** The same with other separators, or as a number printed from it. */
  displayedLoosely: 0.5,
  /** Marks around the value; they explain the very characters that do not belong. */
  marked: 1,
  /** A tail of zeros because digits behind the fifteenth were cut or rounded; both are as common. */
  fifteenCut: 1,
  fifteenRounded: 1,
  /** A number beyond 2^53 moved to the nearest one that binary64 holds. */
  binary64: 1,
  /** Few digits before an exponent: the rest was rounded away, or they are all there were. */
  shortRounded: 1,
  shortCut: 0.1,
  shortExact: 0.5,
  /** A plain number shortened to few digits without an exponent is seldom printed. */
  shortPlain: 0.1,
  /** A code that was worked out. */
  evaluated: 1,
} as const

/** Odds at which one original counts as the only one left. */
export const MEND_ODDS = 0.999
/** More originals than this are not a list that a person can go through. */
export const MOST_AMBIGUOUS = 1000n
