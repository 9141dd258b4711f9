// How much each way of damage counts before the column has spoken, relative to digits that were read as
// a number: the only such figures in the library, named and explained. Nothing here is tuned to a case.

export const WEIGHTS_VERSION = 24

/** For each original that is possible in this way. What leaves many originals weighs more in sum. */
export const EACH = {
  /** A number printed with all its digits; leading zeros went when it was read. The commonest. */
  exact: 1,
  /** A tail of zeros because digits behind the fifteenth were cut or rounded; both are as common. */
  fifteenCut: 1,
  fifteenRounded: 1,
  /** The same, printed again from a binary number with digits of its own behind. */
  fifteenBinary64: 0.1,
  /** A number beyond 2^53 moved to the nearest one that binary64 holds. */
  binary64: 1,
  /** Few digits before an exponent: the rest was rounded away, or cut, or they are all there were. */
  shortRounded: 1,
  shortCut: 0.1,
  shortExact: 0.5,
  /** A plain number shortened to few digits without an exponent is seldom printed. */
  shortPlain: 0.1,
  /** Digits that were read as a number and filled up again, to a width too narrow. */
  repadded: 0.0001,
  /** Zero in place of a value that is not known, or could not be read. */
  unread: 0.000002,
  /** Single precision is seldom chosen for long numbers. */
  binary32: 0.00002,
  /** A number beyond 2^52 of which a hundredth was worked out, and shown as a percentage. */
  percentOf: 0.00001,
  /** Nor are extended numbers. */
  binary80: 0.0001,
} as const

/** For all originals together that are possible in this way. */
export const TOGETHER = {
  /** The value in one of its own display forms, as the mask has it. */
  displayed: 2,
  /** The same with other separators, or as a number printed from it. */
  displayedLoosely: 0.5,
  /** A value of which separators are a part, read as a number without them: two things happened to it. */
  joined: 0.0005,
  /** Marks around the value; they explain the characters that do not belong, if nothing says more. */
  marked: 0.9,
  /** Letters for digits that look like them. */
  lookAlike: 1,
  /** Capital letters made small, or the reverse. */
  caseChanged: 1,
  /** A number shortened to as many digits as hardly any program prints, and filled up with zeros. */
  shortened: 0.0001,
  /** A number that was cut or rounded to thousands, as amounts are. */
  thousands: 0.000001,
  /** Numbers of half precision, which hold hardly any identifier. */
  binary16: 0.000002,
  /** A number beyond 2^53, printed with digits that are neither its own nor the fewest that name it. */
  carelessly: 0.0001,
  /** A code that was worked out, as a power of ten or as a sum. */
  evaluated: 1,
  /** The same, or the number of a day, of a display form of a value that is stored without separators. */
  evaluatedDisplay: 0.0001,
  /** A quotient of which fewer digits are printed than programs print, or only whole numbers. */
  fewerDigits: 0.05,
  /** A code with a point in it, printed as a number with fewer decimals than it has. */
  fewerDecimals: 0.00001,
  /** A code with colons, of which only the digits are left. */
  colonsLeftOut: 0.05,
  /** A date that is one of the codes' own. */
  dated: 1,
  /** The same, where a part of the code is not shown, or the first of the month is one that a reader filled in. */
  datedInPart: 0.05,
  /** The same, where a reader filled in another day, or counted on into the next month. */
  datedOddly: 0.0003,
  /**
   * A number shown as a date: days from 1900 as spreadsheets count them; from 1904 as few do; from 1970 as others. A lone
   * date may as well have been written where it does not belong: it is not mended by odds.
   */
  counted: 1,
  countedLater: 0.002,
  countedElsewhere: 0.01,
  /** A code that was filled up with zeros to a wider field. */
  filled: 0.01,
  /** A percent or currency sign. */
  scaled: 1,
  /** A minus in front of digits: from a wrap of a wide number, from brackets or a hyphen, or a sum. */
  negativeWrapped: 1,
  signGained: 0.5,
  /** Exactly the largest or smallest value of an integer type. */
  atLimit: 64,
  /** A plain positive number that wrapped round; so seldom as few wrap to it, where half as many bits would hold it. */
  wrapped: 0.00003,
  /** A leading zero read as octal. */
  otherBase: 0.0002,
  /** Digits of base sixteen without a mark. */
  sixteen: 0.000001,
  /** A reader that stopped at the first character that is no digit. */
  front: 0.0001,
  /** The same where no value is a number by itself. */
  onlyFront: 1,
  /** Characters cut off at the end or the front. */
  cutShort: 0.000004,
  /** A code that could not be read as a number at all and became zero. */
  unread: 1,
  /** The same where nothing else explains the text. */
  onlyCut: 1,
  /** Something that nobody knows. */
  unknown: 0.0002,
  /** A slip in typing: only the check digit or a reserved part is wrong, or there is one digit too many or too few. */
  mistyped: 0.0005,
} as const

/** No more of a column's values are taken for slips in typing than this share. */
export const MOST_MISTYPED = 0.02

/** Odds at which one original counts as the only one left, and below which all others are not listed. */
export const MEND_ODDS = 0.999
/** More originals than this are not a list that a person can go through. */
export const MOST_AMBIGUOUS = 1000n

/** In a column: bits for a row that a channel explains and nothing else could be, and against one that it could not print. */
export const ROW_BITS = 10
/** What it costs to say that a run of rows begins: clean columns of any length stay below it. */
export const RUN_BITS = 32
/** A run that is explained already: by so many bits better another process must explain it to cast doubt on what fits. */
export const DOUBT_BITS = 8
/**
 * In a column whose values hardly ever repeat the one before: what one says that does, where it could be a rounding, beside
 * a new one, and how many bits at the most. A sequence that was rounded repeats itself.
 */
export const REPEAT = { share: 0.2, most: 2 } as const
/** What it costs to say that rows were converted in which another column is damaged: there is only one such set. */
export const BESIDE_BITS = 24

/** Bits that it costs to say that the rows of a run, or rows here and there, are of another kind than clean ones. */
export const OTHER_KIND = { run: 7, scattered: 20 } as const
/**
 * A column or a run whose values are short because a field was too narrow for them, or an integer type, beside one that
 * lost its zeros; a run of binary32 numbers: a conversion of many values is not as rare as that of a lone one.
 */
export const THROUGHOUT = 0.01
/** The share of programs that print an exponent where that is shorter, among all that print numbers. */
export const CHOOSING = 0.1
/** So many times likelier is a reader that stopped where values are known to go on behind a number beside those that do not. */
export const GOING_ON = 50
/** All short values that octal reading explains are mended wrongly or none: so many times as sure must one be. */
export const MOST_AT_STAKE = 64
