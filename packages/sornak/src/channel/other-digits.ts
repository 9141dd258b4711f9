// Integers printed with digits of another base behind a mark that says so: 0x1a1, 0o641, 0b110100001.

/** Whole, or as C prints the binary form of a number (ISO C, `%a`): 0x1.a1p+8. */
const SIXTEEN = /^(?:0x|&h)([0-9a-f]+)(?:\.([0-9a-f]*))?(?:p([+-]?\d{1,4}))?$/i
/** The base in front, and the digits between marks (ISO/IEC 8652): 16#1A1#. */
const BASED = /^16#([0-9a-f]+)#$/i
/** A capital B behind a zero is the digit that it looks like. */
const TWO = /^0b[01]+$/
/** Bits by which a number is shifted, at the most. */
const FURTHEST = 1400

/** In base sixteen with no mark, letters in one case. */
const UNMARKED = /^(?:0|[1-9a-f][\da-f]*|[1-9A-F][\dA-F]*)$/
const LONGEST = 40

/** An o behind a zero is the digit that it looks like, as a rule. */
export const looksLikeDigits = (text: string): boolean => /^0o[0-7]+$/.test(text)

/** The number that a text in another base stands for, or undefined where it is none or has a fraction. */
export function ofOtherDigits(text: string): bigint | undefined {
  if (TWO.test(text) || looksLikeDigits(text)) return BigInt(text)
  const based = BASED.exec(text)?.[1]
  if (based !== undefined) return BigInt(`0x${based}`)
  const [, whole, fraction = '', power] = SIXTEEN.exec(text) ?? []
  if (whole === undefined || (fraction !== '' && power === undefined)) return undefined
  const digits = BigInt(`0x${whole}${fraction}`)
  const shift = Number.parseInt(power ?? '0', 10) - 4 * fraction.length
  if (Math.abs(shift) > FURTHEST) return undefined
  if (shift >= 0) return digits << BigInt(shift)
  const unit = 1n << BigInt(-shift)
  return digits % unit === 0n ? digits / unit : undefined
}

/** The number that these stand for as digits of base sixteen without a mark, or undefined where they are none. */
export const ofUnmarkedDigits = (text: string): bigint | undefined =>
  text.length <= LONGEST && UNMARKED.test(text) ? BigInt(`0x${text}`) : undefined
