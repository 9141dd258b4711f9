// Every finding code with what it means, how it looks and what to do, for `explain` and reports.

import type { FindingCode } from './channel.js'

export interface FindingText {
  readonly title: string
  readonly what: string
  readonly looks: string
  readonly next: string
}

export const FINDINGS: Readonly<Record<FindingCode, FindingText>> = {
  'zeros-lost': text(
    'Zeros lost',
    'Zeros at the front are gone, because digits were taken for a quantity.',
    '00417 became 417',
    'Put the zeros back where the width proves them, and declare the column as text.',
  ),
  'zeros-added': text(
    'Zeros added',
    'There are more zeros at the front than belong to the value.',
    '00417 became 000417',
    'Take the surplus zeros off.',
  ),
  exponent: text(
    'Exponent',
    'The value was printed with a power of ten.',
    '4300222233334444 became 4.30022E+15',
    'Where all digits are still there the value can be turned back; else fetch it again.',
  ),
  'digits-rounded': text(
    'Digits rounded',
    'The last digits were rounded or cut, because the number was too long for its type.',
    '4300222233334444 became 4300222233334440',
    'Fetch the value again at the source; no format brings the digits back.',
  ),
  'decimal-tail': text(
    'Decimal tail',
    'A decimal mark and zeros were added.',
    '20417 became 20417.0',
    'Take the tail off, and read the column as text.',
  ),
  grouped: text(
    'Grouped',
    'Thousands separators were added.',
    '2065550142 became 2,065,550,142',
    'Take the separators out, and format the column as text.',
  ),
  wrapped: text(
    'Wrapped round',
    'The number was too large for an integer column and started again from below.',
    '4300222233 became 5254937',
    'Fetch the value again, and widen the column or make it text.',
  ),
  clamped: text(
    'Held at a limit',
    'The number was too large for its column, which put its largest value instead.',
    '4300222233 became 2147483647',
    'Fetch the value again, and make the column text.',
  ),
  'base-changed': text(
    'Base changed',
    'The digits were read or written in another base than ten.',
    '0017 became 15',
    'Fetch the values again, or turn the base back where the column proves it.',
  ),
  'date-made': text(
    'Made a date',
    'A code was taken for a date, or a number was shown as one.',
    '3-4 became 2026-03-04',
    'Turn it back where one original is left, or fetch it again; and declare the column as text.',
  ),
  evaluated: text(
    'Worked out',
    'A code that looks like a number was replaced by its value.',
    '3E7 became 30000000',
    'Choose among the codes that have this value, and declare the column as text.',
  ),
  'sign-gained': text(
    'Sign gained',
    'A hyphen or brackets became a minus sign, or a plus was printed in front.',
    '(206) became -206',
    'Take the sign away, and declare the column as text.',
  ),
  scaled: text(
    'Scaled',
    'A percent or currency format changed the value or put a sign to it, or it was divided by a hundred.',
    '417 became 41700%',
    'Undo the format, and declare the column as text.',
  ),
  'stray-mark': text(
    'Stray mark',
    'An apostrophe, quotes, brackets, a bullet, an equals sign, spaces or the mark of a number type became part of the value.',
    "00417 became '00417",
    'Take the marks off.',
  ),
  'hidden-character': text(
    'Hidden character',
    'Characters that cannot be seen stand in the value.',
    '00417 became 00417 with a no-break space',
    'Take them out, and paste as plain text.',
  ),
  'foreign-digit': text(
    'Foreign digit',
    'Digits are written in another script or width.',
    '00417 became ００４１７',
    'Turn them into ASCII digits.',
  ),
  'look-alike': text(
    'Look-alike',
    'Letters stand for the digits that they look like.',
    '00417 became OO417',
    'Put the digits back, and check the source for typing by hand.',
  ),
  'case-changed': text(
    'Case changed',
    'Capital letters became small ones, or small ones capital.',
    'CSQU3054383 became csqu3054383',
    'Put the letters back, and keep codes out of steps that change case.',
  ),
  'cut-short': text(
    'Cut short',
    'The text was cut at the width of a field.',
    '4300222233334444 became 4300222233',
    'Fetch the value again, and widen the field.',
  ),
  'overflow-mark': text(
    'Overflow mark',
    'A mark stands in place of a value that did not fit.',
    '#####',
    'Fetch the value again; nothing of it is left.',
  ),
  'missing-mark': text(
    'Missing mark',
    'A program wrote a word, or zero, for a missing value.',
    'NULL, NaN, 0',
    'Leave the cell empty, or fetch the value.',
  ),
  'display-stored': text(
    'Display stored',
    'The value stands as it is shown, and not as it is stored.',
    '2065550142 became (206) 555-0142',
    'Store the plain form and let the mask show it.',
  ),
  unexplained: text(
    'Unexplained',
    'The value does not fit, and no known conversion explains it.',
    'AB12 where five digits belong',
    'Ask where the value was entered.',
  ),
  'check-digit': text(
    'Check digit',
    'The shape is right but the check digit is not.',
    '4111111111111112',
    'Look for a mistyped digit or two that changed places.',
  ),
  reserved: text(
    'Reserved',
    'The value lies in a range that is never issued, or outside the one that is.',
    '000-12-3456',
    'Ask for the right value at the source.',
  ),
  duplicate: text(
    'Duplicate',
    'A value that should stand once stands more than once.',
    '00417 in rows 12 and 80',
    'Find out which row is right.',
  ),
  missing: text(
    'Missing',
    'A value is required and there is none.',
    'an empty cell',
    'Fetch the value.',
  ),
  'stored-as-number': text(
    'Stored as a number',
    'The cells hold binary numbers, not text.',
    '417 under a format that shows 00417',
    'Make the column text at its source.',
  ),
  'display-differs': text(
    'Display differs',
    'What is shown differs from what is stored.',
    'stored 417, shown 00417',
    'Trust what is stored; make the column text.',
  ),
  'type-too-small': text(
    'Type too small',
    'The column type cannot hold every value of the identifier.',
    'a 32-bit integer column for ten digits',
    'Make the column text of the right width.',
  ),
  'run-converted': text(
    'Run converted',
    'A run of rows went through one conversion, although its values still fit.',
    'rows 4,000 to 9,000 all end in 0',
    'Fetch these rows again at the source.',
  ),
  'rows-converted': text(
    'Rows converted',
    'In records in which another column is damaged, values of this one that still fit were converted too.',
    'where the card was rounded, the serials end in 000',
    'Fetch these records again at the source.',
  ),
  'zeros-absent': text(
    'Zeros absent',
    'No value starts with a zero, where one in ten should.',
    'a column of five-digit numbers that all start with 1 to 9',
    'Compare with the source: the zeros may have gone.',
  ),
}

export const FINDING_CODES: readonly FindingCode[] = Object.keys(FINDINGS) as FindingCode[]

function text(title: string, what: string, looks: string, next: string): FindingText {
  return { title, what, looks, next }
}
