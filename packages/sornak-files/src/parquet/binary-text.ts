// Binary numbers (IEEE 754) as the decimal text that reads back to them, worked out from their bits in whole
// numbers of any size.

/** @param bits of a binary64 number */
export function binary64Text(bits: bigint): string {
  return binaryText(BigInt.asUintN(64, bits), 52n, 11n)
}

/** @param bits of a binary32 number */
export function binary32Text(bits: bigint): string {
  return binaryText(BigInt.asUintN(32, bits), 23n, 8n)
}

function binaryText(bits: bigint, places: bigint, powers: bigint): string {
  const most = (1n << powers) - 1n
  const sign = bits >> (places + powers) ? '-' : ''
  const biased = (bits >> places) & most
  const fraction = bits & ((1n << places) - 1n)
  if (biased === most) return fraction ? 'NaN' : `${sign}inf`
  const significand = biased ? fraction | (1n << places) : fraction
  const exponent = (biased || 1n) - (most >> 1n) - places
  if (exponent >= 0n) return sign + (significand << exponent).toString()
  const whole = significand >> -exponent
  if (whole << -exponent === significand) return sign + whole.toString()
  return sign + shortest(significand, -exponent)
}

// significand / 2^shift in as few decimals as tell it from its neighbours: half a step is 5^shift × 10^-shift / 2.
function shortest(significand: bigint, shift: bigint): string {
  const unit = 10n ** shift
  const value = significand * 5n ** shift
  const half = 5n ** shift / 2n
  for (let places = 1n; ; places++) {
    const step = 10n ** (shift > places ? shift - places : 0n)
    const kept = value / step
    const rest = (value % step) * 2n
    // What lies in the middle goes to the even digit.
    const up = rest > step || (rest === step && kept % 2n === 1n)
    const rounded = (up ? kept + 1n : kept) * step
    const off = rounded > value ? rounded - value : value - rounded
    if (off > half && places < shift) continue
    const digits = (rounded % unit).toString().padStart(Number(shift), '0').slice(0, Number(places))
    return `${rounded / unit}.${digits}`
  }
}
