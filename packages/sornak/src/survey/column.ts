// What can be said of a column without knowing what it holds: widths, zeros, precision, how its values look.
// Memory stays flat: counts, and a sample in which each value has the same chance to stand.

export interface ColumnLook {
  readonly header: string
  readonly values: number
  readonly blank: number
  /** Values of digits only, by width. */
  readonly widths: ReadonlyMap<number, number>
  readonly digitsOnly: number
  readonly leadingZeros: number
  /** More than 15 significant digits, and beyond 2^53: what binary64 numbers would not hold. */
  readonly beyond15: number
  readonly beyond53: number
  /** As damage is printed: with an exponent, with a tail of zeros behind a point. */
  readonly exponents: number
  readonly decimalTails: number
  readonly sample: readonly string[]
  /** Different values in the sample. */
  readonly different: number
}

export interface Look {
  add(text: string): void
  result(): ColumnLook
}

const SAMPLE = 400
const MOST_SAFE = '9007199254740992'

export function columnLook(header: string): Look {
  let values = 0
  let blank = 0
  let digitsOnly = 0
  let leadingZeros = 0
  let beyond15 = 0
  let beyond53 = 0
  let exponents = 0
  let decimalTails = 0
  const widths = new Map<number, number>()
  const sample: string[] = []
  // The same file gives the same sample.
  let state = 20_011
  const random = (below: number) => (state = (state * 48_271) % 2_147_483_647) % below

  function add(text: string): void {
    values++
    if (text.trim() === '') {
      blank++
      return
    }
    const seen = values - blank
    if (sample.length < SAMPLE) sample.push(text)
    else {
      const at = random(seen)
      if (at < SAMPLE) sample[at] = text
    }
    if (/^\d+$/.test(text)) {
      digitsOnly++
      widths.set(text.length, (widths.get(text.length) ?? 0) + 1)
      if (text.length > 1 && text.startsWith('0')) leadingZeros++
      const bare = text.replace(/^0+/, '')
      if (bare.replace(/0+$/, '').length > 15) beyond15++
      if (bare.length > 16 || (bare.length === 16 && bare > MOST_SAFE)) beyond53++
    } else if (/^[+-]?\d(?:[.,]\d+)?[eE][+-]?\d+$/.test(text)) exponents++
    else if (/^\d+[.,]0+$/.test(text)) decimalTails++
  }

  return {
    add,
    result: () => ({
      header,
      values,
      blank,
      widths,
      digitsOnly,
      leadingZeros,
      beyond15,
      beyond53,
      exponents,
      decimalTails,
      sample,
      different: new Set(sample).size,
    }),
  }
}
