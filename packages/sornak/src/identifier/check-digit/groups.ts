// Schemes over a table of ten by ten, which catch every neighbour swap.

import { digitValue, type CheckScheme } from './scheme.js'

// The dihedral group of order ten: turns and mirror images of a pentagon.
const product = (a: number, b: number): number => {
  if (a < 5) return b < 5 ? (a + b) % 5 : 5 + ((a + b) % 5)
  return b < 5 ? 5 + ((a - b + 5) % 5) : (a - b + 5) % 5
}
const TURN = [1, 5, 7, 6, 2, 8, 3, 0, 9, 4]
const turned = (digit: number, times: number): number =>
  times === 0 ? digit : turned(TURN[digit]!, times - 1)

/** Verhoeff: each digit is permuted by its place, and all are multiplied in the dihedral group. */
export const verhoeff: CheckScheme = {
  id: 'verhoeff',
  title: 'Verhoeff scheme',
  cites: 'J. Verhoeff, Error Detecting Decimal Codes, 1969',
  alphabet: '0123456789',
  start: 0,
  step(state, charCode, fromRight) {
    const digit = digitValue(charCode)
    // The scheme multiplies from the right; here the next factor comes in front.
    return digit < 0 ? -1 : product(turned(digit, fromRight % 8), state)
  },
  passes: (state) => state === 0,
}

const DAMM = [
  [0, 3, 1, 7, 5, 9, 8, 6, 4, 2],
  [7, 0, 9, 2, 1, 5, 4, 8, 6, 3],
  [4, 2, 0, 6, 8, 7, 1, 3, 5, 9],
  [1, 7, 5, 0, 9, 8, 3, 4, 2, 6],
  [6, 1, 2, 3, 0, 4, 5, 9, 7, 8],
  [3, 6, 7, 4, 2, 0, 9, 5, 8, 1],
  [5, 8, 6, 9, 7, 2, 0, 1, 3, 4],
  [8, 9, 4, 5, 3, 6, 2, 0, 1, 7],
  [9, 4, 3, 8, 6, 1, 7, 2, 0, 5],
  [2, 5, 8, 1, 4, 3, 6, 7, 9, 0],
]

/** Damm: one walk through a quasigroup that ends at zero. */
export const damm: CheckScheme = {
  id: 'damm',
  title: 'Damm scheme',
  cites: 'H. M. Damm, Total anti-symmetrische Quasigruppen, 2004',
  alphabet: '0123456789',
  start: 0,
  step(state, charCode) {
    const digit = digitValue(charCode)
    return digit < 0 ? -1 : DAMM[state]![digit]!
  },
  passes: (state) => state === 0,
}
