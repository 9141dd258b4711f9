// What clean values start with: four digits, and as many behind them as all that start so have in common.
// Identifiers are issued in blocks, and what starts like none of them is hardly one of theirs.

/** How many values start with each few digits, in order of these, and what all of them have behind. */
export type Heads = readonly Head[]

export interface Head {
  readonly digits: number
  readonly count: number
  /** Digits that stand behind them in every one of these values; empty where they differ. */
  readonly more: string
}

/** Digits that a head has. */
export const HEAD_DIGITS = 4
const MORE_DIGITS = 4

export interface HeadCounter {
  /** A value of digits, as wide as the definition has it. */
  take(bytes: Uint8Array, from: number): void
  heads(): Heads
}

/**
 * @param widest characters of a value
 * @param before heads so far
 */
export function headCounter(widest: number, before: Heads = []): HeadCounter {
  // One digit at least is left to tell values apart.
  const most = Math.max(0, Math.min(MORE_DIGITS, widest - HEAD_DIGITS - 1))
  const counts = new Uint32Array(10 ** HEAD_DIGITS)
  const tails = new Uint16Array(10 ** HEAD_DIGITS)
  const shared = new Uint8Array(10 ** HEAD_DIGITS)
  for (const { digits, count, more } of before) {
    counts[digits] = count
    shared[digits] = more.length
    tails[digits] = Number(more.padEnd(most, '0'))
  }
  return {
    take(bytes, from) {
      const head = numberAt(bytes, from, HEAD_DIGITS)
      const known = counts[head]!
      counts[head] = known + 1
      if (known > 0 && shared[head] === 0) return
      const tail = numberAt(bytes, from + HEAD_DIGITS, most)
      if (known === 0) {
        tails[head] = tail
        shared[head] = most
      } else if (tail !== tails[head]) shared[head] = alike(tail, tails[head]!, shared[head]!, most)
    },
    heads() {
      const found: Head[] = []
      counts.forEach((count, digits) => {
        if (count === 0) return
        const more = `${tails[digits]}`.padStart(most, '0').slice(0, shared[digits])
        found.push({ digits, count, more })
      })
      return found
    },
  }
}

function numberAt(bytes: Uint8Array, from: number, digits: number): number {
  let number = 0
  for (let at = from; at < from + digits; at++) number = number * 10 + bytes[at]! - 48
  return number
}

// How many digits two numbers of this width share at the front, of those that were shared so far.
function alike(a: number, b: number, shared: number, width: number): number {
  let same = shared
  while (same > 0 && Math.trunc(a / 10 ** (width - same)) !== Math.trunc(b / 10 ** (width - same)))
    same--
  return same
}

export const joinedHeads = (a: Heads, b: Heads): Heads => {
  if (a.length === 0 || b.length === 0) return a.length ? a : b
  const all = new Map(a.map((head) => [head.digits, head]))
  for (const head of b) {
    const own = all.get(head.digits)
    all.set(head.digits, own ? joinedHead(own, head) : head)
  }
  return [...all.values()].sort((one, other) => one.digits - other.digits)
}

function joinedHead({ digits, count, more }: Head, other: Head): Head {
  let same = 0
  while (same < more.length && more[same] === other.more[same]) same++
  return { digits, count: count + other.count, more: more.slice(0, same) }
}

/** The share of a population that lies in an interval: 0 to 1. */
type Share = (low: bigint, high: bigint) => number

/** Of fewer values it is chance what they share behind their heads. */
const FEW_ALIKE = 8

/** Numbers of a block, each as likely as any other. */
export interface Part {
  readonly low: bigint
  readonly width: bigint
  /** The share of a population that lies in it: 0 to 1. */
  readonly weight: number
}

export interface StartingAlike {
  readonly share: Share
  /** The blocks by themselves, without what is as the other population; some lie in others. */
  readonly parts: readonly Part[]
}

/**
 * A population that starts as these values do, so often as they come again; else it is as another one.
 * @param widest characters of a value
 */
export function startingAs(heads: Heads, widest: number, other: Share): StartingAlike {
  const rows = heads.reduce((sum, { count }) => sum + count, 0)
  // What was new so often will be so again (Witten and Bell).
  const known = rows / (rows + heads.length)
  const unit = 10n ** BigInt(widest - HEAD_DIGITS)
  const parts = heads.map(({ digits, count, more }) => {
    const low = BigInt(digits) * unit
    const narrow = count < FEW_ALIKE || more === '' ? 0 : count / (count + 1)
    const width = unit / 10n ** BigInt(more.length)
    const weight = (known * count) / rows
    const whole: Part = { low, width: unit, weight: weight * (1 - narrow) }
    const start = low + BigInt(more || '0') * width
    return { digits, whole, inside: { low: start, width, weight: weight * narrow } }
  })
  const before = sumsOf(heads)
  const find = new Map(parts.map((part) => [part.digits, part]))
  // How much of them lies below a number.
  const below = (value: bigint): number => {
    const head = Number(value / unit)
    const part = find.get(head)
    const own = part ? shareBelow(part.whole, value) + shareBelow(part.inside, value) : 0
    return (known * before(head)) / rows + own
  }
  const end = 10n ** BigInt(widest)
  const share: Share = (low, high) => {
    const rest = (1 - known) * other(low, high)
    // A difference of two sums would be lost in their last digits.
    if (low === high) {
      const part = find.get(Number(low / unit))
      const own = part ? shareAt(part.whole, low) + shareAt(part.inside, low) : 0
      return rest + own
    }
    return rest + below(high + 1n < end ? high + 1n : end) - below(low < 0n ? 0n : low)
  }
  const all = parts.flatMap(({ whole, inside }) => [whole, inside])
  return { share, parts: all.filter(({ weight }) => weight > 0) }
}

function shareBelow({ low, width, weight }: Part, value: bigint): number {
  if (value <= low) return 0
  return value >= low + width ? weight : (weight * Number(value - low)) / Number(width)
}

const shareAt = ({ low, width, weight }: Part, value: bigint): number =>
  low <= value && value < low + width ? weight / Number(width) : 0

// How many values start with less than these digits.
function sumsOf(heads: Heads): (head: number) => number {
  const sums = [0]
  for (const { count } of heads) sums.push(sums.at(-1)! + count)
  return (head) => {
    let [from, to] = [0, heads.length]
    while (from < to) {
      const middle = (from + to) >> 1
      if (heads[middle]!.digits < head) from = middle + 1
      else to = middle
    }
    return sums[from]!
  }
}

/** Whether values so wide have a head and something behind it. */
export const hasHeads = (widest: number): boolean => widest > HEAD_DIGITS
