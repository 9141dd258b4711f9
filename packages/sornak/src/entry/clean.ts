// What comes with copied text and nobody sees, and characters that are another way to write the same.

/** Zero-width and direction marks, byte order marks, soft hyphens and other control characters. */
const UNSEEN = /[\p{Cf}\p{Cc}]/gu

/** Line ends and tabs become spaces; what cannot be seen goes. */
export function cleaned(text: string): string {
  return text.replace(/[\t\r\n\u2028\u2029]+/g, ' ').replace(UNSEEN, '')
}

/** Full-width forms and the digits of other scripts as ASCII; undefined where it is one already. */
export function plainer(char: string): string | undefined {
  const wide = char.normalize('NFKC')
  if (wide !== char && [...wide].length === 1) return wide
  if (!/^\p{Nd}$/u.test(char) || char <= '9') return undefined
  // Decimal digits of a script stand side by side, from zero to nine.
  const code = char.codePointAt(0)!
  let zero = code
  while (code - zero < 9 && /^\p{Nd}$/u.test(String.fromCodePoint(zero - 1))) zero--
  return `${code - zero}`
}
