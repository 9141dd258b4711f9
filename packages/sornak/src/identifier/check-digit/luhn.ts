// The formula of ISO/IEC 7812-1 annex B: every second digit from the right is doubled, the digits
// of all products are added, and the sum is a multiple of ten.

import { digitValue, type CheckScheme } from './scheme.js'

const DOUBLED = [0, 2, 4, 6, 8, 1, 3, 5, 7, 9]

export const luhn: CheckScheme = {
  id: 'luhn',
  title: 'Luhn formula',
  cites: 'ISO/IEC 7812-1, annex B',
  start: 0,
  step(sum, charCode, fromRight) {
    const digit = digitValue(charCode)
    if (digit < 0) return -1
    return (sum + (fromRight % 2 === 1 ? DOUBLED[digit]! : digit)) % 10
  },
  passes: (sum) => sum === 0,
}
