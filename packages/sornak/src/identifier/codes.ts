// Characters of ASCII by their codes, as layouts and bytes have them.

export const isDigit = (code: number): boolean => code >= 48 && code <= 57

export const isLetter = (code: number): boolean =>
  (code >= 65 && code <= 90) || (code >= 97 && code <= 122)
