// Integers printed with digits of base sixteen behind 0x.

/** Whole, or as C prints the binary form of a number (ISO C, `%a`): 0x1.a1p+8. */
const SIXTEEN = /^0x([0-9a-f]+)(?:\.([0-9a-f]*))?(?:p([+-]?\d{1,4}))?$/i
/** Bits by which a number is shifted, at the most. */
const FURTHEST = 1400

/** The number that a text in base sixteen stands for, or undefined where it is none or has a fraction. */
export function ofBaseSixteen(text: string): bigint | undefined {
  const [, whole, fraction = '', power] = SIXTEEN.exec(text) ?? []
  if (whole === undefined || (fraction !== '' && power === undefined)) return undefined
  const digits = BigInt(`0x${whole}${fraction}`)
  const shift = Number.parseInt(power ?? '0', 10) - 4 * fraction.length
  if (Math.abs(shift) > FURTHEST) return undefined
  if (shift >= 0) return digits << BigInt(shift)
  const unit = 1n << BigInt(-shift)
  return digits % unit === 0n ? digits / unit : undefined
}
