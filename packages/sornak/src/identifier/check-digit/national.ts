// Schemes of single countries, as their authorities publish them.

import { digitValue, type CheckScheme } from './scheme.js'
import { weighted } from './weighted.js'

const left = (...weights: number[]) => weights.reverse()

/** Ten digits, weights 10 to 2; a remainder that asks for 10 is never issued. */
export const health: CheckScheme = weighted({
  id: 'weights-10-to-1',
  title: 'Weights 10 to 1, modulus 11',
  cites: 'NHS Data Dictionary, NHS number',
  modulus: 11,
  weights: left(10, 9, 8, 7, 6, 5, 4, 3, 2, 1),
})

export const elevenTest: CheckScheme = weighted({
  id: 'eleven-test',
  title: 'Eleven test',
  cites: 'Netherlands, citizen service number',
  modulus: 11,
  weights: left(9, 8, 7, 6, 5, 4, 3, 2, -1),
})

export const pesel: CheckScheme = weighted({
  id: 'pesel',
  title: 'Weights 1 3 7 9, modulus 10',
  cites: 'Poland, PESEL',
  modulus: 10,
  weights: left(1, 3, 7, 9, 1, 3, 7, 9, 1, 3, 1),
})

export const polishTax: CheckScheme = weighted({
  id: 'nip',
  title: 'Weights 6 5 7 2 3 4 5 6 7, modulus 11',
  cites: 'Poland, tax identification number',
  modulus: 11,
  weights: left(6, 5, 7, 2, 3, 4, 5, 6, 7, -1),
})

export const australianTax: CheckScheme = weighted({
  id: 'tfn',
  title: 'Weights 1 4 3 7 5 8 6 9 10, modulus 11',
  cites: 'Australian Taxation Office, tax file number',
  modulus: 11,
  weights: left(1, 4, 3, 7, 5, 8, 6, 9, 10),
})

/** The first digit counts one less, which leaves ten of its weight in the sum. */
export const australianBusiness: CheckScheme = weighted({
  id: 'abn',
  title: 'Modulus 89',
  cites: 'Australian Business Register, format of the ABN',
  modulus: 89,
  weights: left(10, 1, 3, 5, 7, 9, 11, 13, 15, 17, 19),
  remainder: 10,
})

export const chileanTax: CheckScheme = weighted({
  id: 'rut',
  title: 'Weights 2 to 7, modulus 11',
  cites: 'Servicio de Impuestos Internos, RUT',
  modulus: 11,
  weights: [1, 2, 3, 4, 5, 6, 7, 2, 3],
  alphabet: '0123456789',
  ten: 'K',
})

/** Thirteen digits and a key of two that brings them to a multiple of 97. */
export const frenchKey: CheckScheme = weighted({
  id: 'key-97',
  title: 'Key to 97',
  cites: 'INSEE, numéro d’inscription au répertoire',
  modulus: 97,
  weights: [1, 10, ...Array.from({ length: 13 }, (_, i) => Number(10n ** BigInt(i) % 97n))],
})

export const spanishLetter: CheckScheme = letterOf(
  'letter-23',
  23,
  'TRWAGMYFPDXBNJZSQVHLCKE',
  'Spain, Real Decreto 1553/2005',
)
export const finnishLetter: CheckScheme = letterOf(
  'letter-31',
  31,
  '0123456789ABCDEFHJKLMNPRSTUVWXY',
  'Finland, Digital and Population Data Services Agency',
)

/** The last character stands for the remainder of the number before it. */
function letterOf(id: string, modulus: number, letters: string, cites: string): CheckScheme {
  return {
    id,
    title: `Letter of the remainder modulo ${modulus}`,
    cites,
    alphabet: [...new Set(`0123456789${letters}`)].join(''),
    start: 0,
    step(state, charCode, fromRight) {
      if (fromRight === 0) return letters.charCodeAt(state) === charCode ? 0 : modulus
      const digit = digitValue(charCode)
      return digit < 0 ? -1 : (state * 10 + digit) % modulus
    },
    passes: (state) => state === 0,
  }
}

// Two check digits: the first over nine digits, the second over those and the first. A remainder of
// ten is written 0. Both sums modulo 11 are kept side by side.
export const brazilianPerson: CheckScheme = {
  id: 'cpf',
  title: 'Two digits by weights, modulus 11',
  cites: 'Receita Federal, CPF',
  alphabet: '0123456789',
  start: 0,
  step(state, charCode, fromRight) {
    const digit = digitValue(charCode)
    if (digit < 0) return -1
    const [first, second] = [Math.floor(state / 11), state % 11]
    if (fromRight === 0) return digit === ((second * 10) % 11) % 10 ? 0 : 1
    if (fromRight === 1 && digit !== ((first * 10) % 11) % 10) return -1
    const sum = (first + digit * fromRight) % 11
    return sum * 11 + ((second + digit * (fromRight + 1)) % 11)
  },
  passes: (state) => state === 0,
}

// Odd places count by a table of their own, even places by the place in the alphabet.
const ODD = [
  1, 0, 5, 7, 9, 13, 15, 17, 19, 21, 2, 4, 18, 20, 11, 3, 6, 8, 12, 14, 16, 10, 22, 25, 24, 23,
]
export const italianPerson: CheckScheme = {
  id: 'fiscal-code',
  title: 'Odd and even tables, modulus 26',
  cites: 'Italy, Decreto Ministeriale 23 dicembre 1976',
  alphabet: '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ',
  start: 0,
  step(state, charCode, fromRight) {
    const digit = digitValue(charCode)
    const value = digit >= 0 ? digit : charCode >= 65 && charCode <= 90 ? charCode - 65 : -1
    if (value < 0) return -1
    if (fromRight === 0) return digit < 0 && value === state ? 0 : 26
    return (state + (fromRight % 2 === 1 ? ODD[value]! : value)) % 26
  },
  passes: (state) => state === 0,
}
