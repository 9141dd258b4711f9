// The power of ten behind the digits of a printed number, in every style in which programs and people write one.

export interface PowerOfTen {
  readonly coefficient: string
  readonly power: number
  /** It is that of the letter of a multiple, which numbers of a column may have in common. */
  readonly multiple?: true
}

const STYLES: readonly RegExp[] = [
  /^(.*?\d[.,]?)\s*[eE]\s*([+\-−]?)(\d{1,4})$/u,
  // Another letter is an exponent only with a sign behind it or a decimal mark before it: 499D88 is a code.
  /^(.*?\d[.,]?)\s*[dDqQ]\s*([+\-−])(\d{1,4})$/u,
  // That of a number of single precision, in some languages, is an f.
  /^(\d*[.,]\d+)[dDf]()(\d{1,4})$/u,
  /^(.*?\d[.,]?)\s*[x×*·⋅]\s?10\s?(?:\^|\*\*)\s?([+\-−]?)(\d{1,4})$/u,
  /^(.*?\d[.,]?)\s*[x×*·⋅]\s?10([⁺⁻]?)([⁰¹²³⁴-⁹]{1,4})$/u,
  /^(.*?\d[.,]?)\*\^([+\-−]?)(\d{1,4})$/u,
  // Where three digits leave no room for the letter (ISO/IEC 1539-1).
  /^(\d*\.\d{2,})([+-])(\d{3})$/u,
]

/** None of these, no power of ten. */
const ANY = /[eEdDfqQ^*⁰-⁹¹²³]|[+-]\d{3}$/u
/**
 * A number and the letter of a multiple, as charts and reports have them: 36.51M, 36,510K. Many digits without a decimal or
 * groups are a code.
 */
const MULTIPLE =
  /^(\d{1,4}|\d+[.,]\d+|\d{1,3}([,.'’ \u00a0\u202f\u2009])\d{3}(?:\2\d{3})*(?:[.,]\d+)?)\s?([kKMGBTP]|bn)$/u
const MULTIPLES: ReadonlyMap<string, number> = new Map([
  ['k', 3],
  ['K', 3],
  ['M', 6],
  ['G', 9],
  ['B', 9],
  ['bn', 9],
  ['T', 12],
  ['P', 15],
])
const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** The coefficient of a text that ends in a power of ten, and the power; undefined where it does not. */
export function powerOfTen(text: string): PowerOfTen | undefined {
  const [, few, , letter = ''] = MULTIPLE.exec(text) ?? []
  if (few !== undefined) return { coefficient: few, power: MULTIPLES.get(letter)!, multiple: true }
  if (!ANY.test(text)) return undefined
  for (const style of STYLES) {
    const [, coefficient, sign = '', digits = ''] = style.exec(text) ?? []
    if (coefficient === undefined) continue
    const lowered = digits.replace(/[^0-9]/g, (digit) => `${RAISED.indexOf(digit)}`)
    const power = Number.parseInt(lowered, 10)
    return { coefficient, power: /[-−⁻]/u.test(sign) ? -power : power }
  }
  return undefined
}
