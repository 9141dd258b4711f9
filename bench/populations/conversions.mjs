// What is done to a value, each written here for itself, in whole numbers: a text of digits becomes another text, or
// `undefined` where the conversion leaves it alone. `keeps`: all digits are still there, so the original can be known.

const bare = (text) => text.replace(/^0+(?=.)/, '')
const grouped = (text) => bare(text).replace(/\B(?=(?:\d{3})+$)/g, ',')

// Ties away from zero, as numbers are printed in decimal.
function rounded(text, kept) {
  const digits = bare(text)
  if (digits.length <= kept) return digits
  const unit = 10n ** BigInt(digits.length - kept)
  return (((BigInt(digits) + unit / 2n) / unit) * unit).toString()
}
// IEEE 754: the nearest of the numbers with so many binary digits, ties to the even one.
function binary(text, bits) {
  const value = BigInt(text)
  const more = BigInt(value.toString(2).length - bits)
  if (more <= 0n) return value
  const unit = 1n << more
  const rest = (value % unit) * 2n
  const up = rest > unit || (rest === unit && (value / unit) % 2n === 1n)
  return (value / unit + (up ? 1n : 0n)) * unit
}
/** The fewest digits that are read back as the same number, and zeros behind them. */
function fewest(text, bits) {
  const held = binary(text, bits)
  for (let kept = 1; kept < `${held}`.length; kept++)
    if (binary(rounded(`${held}`, kept), bits) === held) return rounded(`${held}`, kept)
  return `${held}`
}
function exponent(text, kept, write) {
  const digits = rounded(text, kept)
  const front = digits.slice(0, kept).replace(/0+$/, '') || '0'
  const power = digits.length - 1
  const point = front.length > 1 ? `${front[0]}.${front.slice(1)}` : front
  return write(point, power)
}
const padded = (power) => `${power}`.padStart(2, '0')
const plus = (mark) => (point, power) => `${point}${mark}+${padded(power)}`

const digitsOnly = (convert) => (text) => (/^\d+$/.test(text) ? convert(text) : undefined)
const wraps = (bits, signed) => (text) =>
  (signed ? BigInt.asIntN : BigInt.asUintN)(bits, BigInt(text)).toString()

/** Conversions by name, of texts of digits. */
export const CONVERSIONS = {
  'read as a number': { keeps: true, convert: digitsOnly(bare) },
  'decimal tail .0': { keeps: true, convert: digitsOnly((text) => `${bare(text)}.0`) },
  'decimal tail .00': { keeps: true, convert: digitsOnly((text) => `${bare(text)}.00`) },
  'grouped by commas': { keeps: true, convert: digitsOnly(grouped) },
  'grouped, two decimals': { keeps: true, convert: digitsOnly((text) => `${grouped(text)}.00`) },
  'grouped by points': {
    keeps: true,
    convert: digitsOnly((text) => grouped(text).replaceAll(',', '.')),
  },
  'exponent, six digits': { convert: digitsOnly((text) => exponent(text, 6, plus('e'))) },
  'exponent, three digits': { convert: digitsOnly((text) => exponent(text, 3, plus('E'))) },
  'exponent, all digits': {
    keeps: true,
    convert: digitsOnly((text) => exponent(text, 40, (point, power) => `${point}E${power}`)),
  },
  'rounded to fifteen': { convert: digitsOnly((text) => rounded(text, 15)) },
  'cut to fifteen': {
    convert: digitsOnly((text) => bare(text).replace(/(?<=^\d{15}.*)./g, '0')),
  },
  binary64: { convert: digitsOnly((text) => binary(text, 53).toString()) },
  binary32: { convert: digitsOnly((text) => binary(text, 24).toString()) },
  'binary64, fewest digits': { convert: digitsOnly((text) => fewest(text, 53)) },
  'binary64, seventeen digits': {
    convert: digitsOnly((text) => rounded(binary(text, 53).toString(), 17)),
  },
  'binary32, fewest digits': { convert: digitsOnly((text) => fewest(text, 24)) },
  'rounded to ten digits': { convert: digitsOnly((text) => rounded(text, 10)) },
  'rounded to hundreds': {
    convert: digitsOnly((text) => (((BigInt(text) + 50n) / 100n) * 100n).toString()),
  },
  'wrapped in 16 bits': { convert: digitsOnly(wraps(16, true)) },
  'wrapped in 16 bits, unsigned': { convert: digitsOnly(wraps(16, false)) },
  'wrapped in 32 bits': { convert: digitsOnly(wraps(32, true)) },
  'wrapped in 32 bits, unsigned': { convert: digitsOnly(wraps(32, false)) },
  'held at 32 bits': {
    convert: digitsOnly((text) => (BigInt(text) > 2147483647n ? '2147483647' : bare(text))),
  },
  'last character cut': { convert: (text) => text.slice(0, -1) },
  'first character cut': { convert: (text) => text.slice(1) },
  'last three cut': { convert: (text) => text.slice(0, -3) || undefined },
  'octal where it can be': {
    convert: digitsOnly((text) =>
      /^0[0-7]+$/.test(text) ? BigInt(`0o${text}`).toString() : bare(text),
    ),
  },
  'space in front': { keeps: true, convert: (text) => ` ${text}` },
  apostrophe: { keeps: true, convert: (text) => `'${text}` },
  'no-break space behind': { keeps: true, convert: (text) => `${text}\u00a0` },
  'number as a formula': { keeps: true, convert: digitsOnly((text) => `="${bare(text)}"`) },
  'percent sign': { keeps: true, convert: digitsOnly((text) => `${bare(text)}%`) },
  'hundredfold percent': {
    keeps: true,
    convert: digitsOnly((text) => `${bare(text)}${bare(text) === '0' ? '' : '00'}%`),
  },
  'letters for digits': { keeps: true, convert: (text) => text.replace(/0/g, 'O') },
  'taken for a power of ten': {
    convert: (text) =>
      /^\dE\d$/.test(text)
        ? text[0] === '0'
          ? '0'
          : `${text[0]}${'0'.repeat('0123456789'.indexOf(text[2]))}`
        : undefined,
  },
}
