// How likely counts are where nothing but themselves says how often each kind comes.

/**
 * The chance of these counts, in bits, if nothing but themselves says how often each of so many kinds comes: each is
 * expected as often as it was seen before, and half a time more (Krichevsky and Trofimov).
 */
export function bitsOf(counts: readonly number[], kinds: number): number {
  const all = counts.reduce((sum, count) => sum + count, 0)
  const own = counts.reduce((sum, count) => sum + risen(0.5, count), 0)
  return (own - risen(kinds / 2, all)) / Math.LN2
}

/**
 * Bits that it says that so many more are all of one kind, where some were and some were not: little where hardly any
 * were seen, however many there are now (Laplace's rule of succession).
 */
export const allOfOneKind = (more: number, were: number, not: number): number =>
  (risen(were + not + 2, more) - risen(were + 1, more)) / Math.LN2

// ln of x (x + 1) (x + 2) …, so many factors.
const risen = (x: number, count: number) => lnGamma(x + count) - lnGamma(x)

// Stirling's series; from eight on it is right to ten digits.
function lnGamma(x: number): number {
  if (x < 8) return lnGamma(x + 1) - Math.log(x)
  const series = 1 / (12 * x) - 1 / (360 * x ** 3) + 1 / (1260 * x ** 5)
  return (x - 0.5) * Math.log(x) - x + Math.log(2 * Math.PI) / 2 + series
}
