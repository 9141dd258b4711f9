// Freight containers, ISO 6346: each of the first ten characters has a value and a weight of a power
// of two; the sum modulo 11 is the check digit, 10 written as 0.

import { digitValue, type CheckScheme } from './scheme.js'

// Letters count from 10 and leave out the multiples of 11.
const LETTERS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].reduce<number[]>((values, _, i) => {
  const next = i === 0 ? 10 : values[i - 1]! + 1
  return [...values, next % 11 === 0 ? next + 1 : next]
}, [])

// Powers of two modulo 11, by the place from the right; the check digit itself is place 0.
const WEIGHTS = [0, 6, 3, 7, 9, 10, 5, 8, 4, 2, 1]

export const container: CheckScheme = {
  id: 'container',
  title: 'Freight container check digit',
  cites: 'ISO 6346, annex A',
  alphabet: '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ',
  start: 0,
  step(sum, charCode, fromRight) {
    const digit = digitValue(charCode)
    // After the ten weighted characters the state says whether the check digit agrees: 0 or 1.
    if (fromRight === 0) return digit === (sum % 11) % 10 ? 0 : 1
    const value = digit >= 0 ? digit : (LETTERS[charCode - 65] ?? -1)
    const weight = WEIGHTS[fromRight]
    return value < 0 || weight === undefined ? -1 : (sum + value * weight) % 11
  },
  passes: (state) => state === 0,
}
