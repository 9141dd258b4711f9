// Rounding and cutting an integer to a number of significant digits, and back to the interval of
// integers that come out the same.

export interface Interval {
  readonly low: bigint
  readonly high: bigint
}

/** The integer with all but `keep` leading digits made zero. Halves round up. */
export function toSignificant(value: bigint, keep: number, how: 'cut' | 'rounded'): bigint {
  const drop = value.toString().length - keep
  if (drop <= 0) return value
  const unit = 10n ** BigInt(drop)
  const cut = value / unit
  const up = how === 'rounded' && (value % unit) * 2n >= unit ? 1n : 0n
  return (cut + up) * unit
}

/**
 * The integers that come out as `value` when the last kept digit counts `unit`. Halves may have been
 * rounded either way, so both ends belong to it.
 */
export function fromSignificant(value: bigint, unit: bigint, how: 'cut' | 'rounded'): Interval {
  if (unit <= 1n) return { low: value, high: value }
  if (how === 'cut') return { low: value, high: value + unit - 1n }
  // A power of ten was reached from below in smaller steps, where one digit fewer stood.
  const power = /^10*$/.test(value.toString())
  const below = power && value >= unit ? unit / 20n : unit / 2n
  return { low: value > below ? value - below : 0n, high: value + unit / 2n }
}

/** The integers of which `value` is the nearest multiple of `unit`, however many digits they have. */
export function nearestTo(value: bigint, unit: bigint): Interval {
  const half = unit / 2n
  return { low: value > half ? value - half : 0n, high: value + half }
}
