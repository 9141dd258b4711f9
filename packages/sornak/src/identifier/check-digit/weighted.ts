// Schemes that add each character's value times the weight of its place: right where the sum leaves
// the wanted remainder.

import { digitValue, type CheckScheme } from './scheme.js'

export interface Weights {
  readonly id: string
  readonly title: string
  readonly cites: string
  readonly modulus: number
  /** Of each place from the right, the check character first; repeated from the start when they end. */
  readonly weights: readonly number[]
  /** The sum of a right value leaves this remainder; 0 where it is left out. */
  readonly remainder?: number
  /** The characters by their value, 0 first; ten digits where it is left out. */
  readonly alphabet?: string
  /** Characters that may stand for a value of ten in the check place, such as `X`. */
  readonly ten?: string
  readonly checkAt?: number
  /** Values of characters where they are not their place in the alphabet. */
  readonly value?: (charCode: number, fromRight: number) => number
}

export function weighted({
  id,
  title,
  cites,
  modulus,
  weights,
  remainder = 0,
  alphabet = '0123456789',
  ten,
  checkAt = 0,
  value,
}: Weights): CheckScheme {
  const own = (charCode: number, fromRight: number) => {
    if (ten !== undefined && fromRight === checkAt && charCode === ten.charCodeAt(0)) return 10
    if (value) return value(charCode, fromRight)
    return charCode < 128 ? alphabet.indexOf(String.fromCharCode(charCode)) : -1
  }
  return {
    id,
    title,
    cites,
    alphabet: ten === undefined || alphabet.includes(ten) ? alphabet : alphabet + ten,
    checkAt,
    start: 0,
    step(sum, charCode, fromRight) {
      const worth = own(charCode, fromRight)
      if (worth < 0) return -1
      const next = (sum + worth * weights[fromRight % weights.length]!) % modulus
      return next < 0 ? next + modulus : next
    },
    passes: (sum) => sum === remainder % modulus,
  }
}

// Weights are written from the left in most standards; places count from the right here.
const left = (...weights: number[]) => weights.reverse()
const CAPITALS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ'

export const gs1: CheckScheme = weighted({
  id: 'gs1',
  title: 'GS1 check digit',
  cites: 'GS1 General Specifications, 7.9.1',
  modulus: 10,
  weights: [1, 3],
})

export const isbn10: CheckScheme = weighted({
  id: 'isbn-10',
  title: 'ISBN-10 check digit',
  cites: 'ISO 2108:1992',
  modulus: 11,
  weights: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10],
  ten: 'X',
})

export const issn: CheckScheme = weighted({
  id: 'issn',
  title: 'ISSN check digit',
  cites: 'ISO 3297',
  modulus: 11,
  weights: [1, 2, 3, 4, 5, 6, 7, 8],
  ten: 'X',
})

export const routing: CheckScheme = weighted({
  id: 'routing',
  title: 'Bank routing 3-7-1',
  cites: 'American Bankers Association, routing number policy',
  modulus: 10,
  weights: left(3, 7, 1, 3, 7, 1, 3, 7, 1),
})

export const sedol: CheckScheme = weighted({
  id: 'sedol',
  title: 'SEDOL check digit',
  cites: 'London Stock Exchange, SEDOL masterfile service',
  modulus: 10,
  weights: left(1, 3, 1, 7, 3, 9, 1),
  alphabet: CAPITALS,
})

// Letters stand for digits by their place in three rows; I, O and Q stand for none.
const VEHICLE: Readonly<Record<string, number>> = Object.fromEntries(
  [
    ['ABCDEFGH', 1],
    ['JKLMN.P.R', 1],
    ['STUVWXYZ', 2],
  ].flatMap(([row, first]) =>
    [...(row as string)].map((char, i) => [char, (first as number) + i] as const),
  ),
)

export const vehicle: CheckScheme = weighted({
  id: 'vehicle',
  title: 'Vehicle check digit',
  cites: 'ISO 3779 with 49 CFR 565.15',
  modulus: 11,
  // The ninth character is the check: it counts against the sum of all others.
  weights: left(8, 7, 6, 5, 4, 3, 2, 10, -1, 9, 8, 7, 6, 5, 4, 3, 2),
  alphabet: '0123456789ABCDEFGHJKLMNPRSTUVWXYZ',
  checkAt: 8,
  value(charCode, fromRight) {
    const digit = digitValue(charCode)
    if (fromRight === 8) return charCode === X ? 10 : digit
    return digit >= 0 ? digit : (VEHICLE[String.fromCharCode(charCode)] ?? -1)
  },
})
const X = 88
