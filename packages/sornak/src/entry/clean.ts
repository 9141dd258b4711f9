// What comes with copied text and nobody sees, and characters that are another way to write the same.

/** Zero-width and direction marks, byte order marks, soft hyphens and other control characters. */
const UNSEEN = /[\p{Cf}\p{Cc}]/gu

/** Line ends and tabs become spaces; what cannot be seen goes. */
export function cleaned(text: string): string {
  return text.replace(/[\t\r\n\u2028\u2029]+/g, ' ').replace(UNSEEN, '')
}

/** Full-width forms and the digits of other scripts in use as ASCII; undefined for anything else. */
export function plainer(char: string): string | undefined {
  const wide = char.normalize('NFKC')
  if (wide !== char && [...wide].length === 1) return wide
  if (char.length > 1 || !DIGIT.test(char)) return undefined
  // The ten digits of a script begin at a code point that ends in 0 or 6, in the basic plane at least.
  const code = char.charCodeAt(0)
  const last = code & 15
  return `${DIGIT.test(String.fromCodePoint(code - last)) ? last : last - 6}`
}

const DIGIT = /^\p{Nd}$/u
