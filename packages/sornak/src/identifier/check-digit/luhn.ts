// The formula of ISO/IEC 7812-1 annex B: every second digit from the right is doubled, the digits
// of all products are added, and the sum is a multiple of ten. Securities use it over letters too.

import { digitValue, letterValue, type CheckScheme } from './scheme.js'

const DOUBLED = [0, 2, 4, 6, 8, 1, 3, 5, 7, 9]

export const luhn: CheckScheme = {
  id: 'luhn',
  title: 'Luhn formula',
  cites: 'ISO/IEC 7812-1, annex B',
  alphabet: '0123456789',
  start: 0,
  step(sum, charCode, fromRight) {
    const digit = digitValue(charCode)
    if (digit < 0) return -1
    return (sum + (fromRight % 2 === 1 ? DOUBLED[digit]! : digit)) % 10
  },
  passes: (sum) => sum === 0,
}

// Letters count as two digits, 10 to 35, so whether a digit is doubled depends on the letters behind it.
// Both sums are kept: with the last digit so far doubled, and not.
export const luhnLetters: CheckScheme = {
  id: 'luhn-letters',
  title: 'Luhn formula over letters and digits',
  cites: 'ISO 6166, annex A',
  alphabet: '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ',
  start: 0,
  step(state, charCode) {
    const value = letterValue(charCode)
    if (value < 0) return -1
    const after = (before: number, digit: number) => {
      const [single, doubled] = [Math.floor(before / 10), before % 10]
      return ((doubled + digit) % 10) * 10 + ((single + DOUBLED[digit]!) % 10)
    }
    return value < 10
      ? after(state, value)
      : after(after(state, Math.floor(value / 10)), value % 10)
  },
  passes: (state) => Math.floor(state / 10) === 0,
}

// Securities in North America: the value of each character, 0 to 38, counts as one.
export const luhnValues: CheckScheme = {
  id: 'luhn-values',
  title: 'Double-add-double over letters and digits',
  cites: 'ANSI X9.6',
  alphabet: '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ*@#',
  start: 0,
  step(sum, charCode, fromRight) {
    const value = luhnValues.alphabet.indexOf(String.fromCharCode(charCode))
    if (value < 0) return -1
    const product = fromRight % 2 === 1 ? value * 2 : value
    return (sum + Math.floor(product / 10) + (product % 10)) % 10
  },
  passes: (sum) => sum === 0,
}
