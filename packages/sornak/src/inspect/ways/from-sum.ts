// A number that is the sum of what stood there.

import { arithmetic, divisors, valueOf, workedOut, type ZeroLed } from '../../channel/arithmetic.js'
import type { FindingCode } from '../../channel/channel.js'
import type { Definition } from '../../identifier/definition.js'
import type { Space } from '../../identifier/space.js'
import { formsOf, storedOf } from './forms.js'
import { way, type Hypothesis } from './hypothesis.js'
import { MOST_AMBIGUOUS, TOGETHER } from './weights.js'

// 413 <- 555-0142: the first run of digits runs through all it can be, the others follow from it while
// there is one; more than two runs are too many to solve, and are counted.
// Runs of digits, or of what may be digits, joined by hyphens or a slash.
const RUN = /\{(?:\w+:\s*)?(?:(\d+)\.\.)?(\d+)(?: of "0\.\.9[^"]*")?\}/.source
const TWO_RUNS = new RegExp(`^${RUN}([-/])${RUN}$`)
const THREE_RUNS = new RegExp(`^${RUN}-${RUN}-${RUN}$`)

export function asSum(
  definition: Definition,
  space: Space,
  text: string,
  marks: readonly FindingCode[],
): Hypothesis[] {
  const [sum] = arithmetic.inverse(text)
  if (sum?.kind !== 'sums') return []
  const texts = new Set<string>()
  const rough = new Set<string>()
  let [many, roughly] = [0n, 0n]
  const own = definition.stored.masks.some(({ text: shape }) => /\}[-/]\{/.test(shape))
  // Where values may be digits only, these will have been.
  const only = own && space.integers.count === 0n
  const weight = only || text.startsWith('-') ? TOGETHER.evaluated : TOGETHER.evaluatedDisplay
  for (const form of formsOf(definition)) {
    for (const { text: shape } of form.masks) {
      const runs = TWO_RUNS.exec(shape)
      if (!runs) {
        const three = THREE_RUNS.exec(shape)
        if (three) many += sumsOfThree([three[2], three[4], three[6]].map(Number), sum.value)
        continue
      }
      const [, least, most, operator = '', narrowest, widest] = runs
      const [first, second] = [Number(most), Number(widest)]
      const heads = widthsFrom(least, first)
      const tails = widthsFrom(narrowest, second)
      if (first > 4) {
        if (operator === '-') many += differences(first, second, sum.value)
        continue
      }
      if (second > 6) continue
      if (operator === '/') {
        const others = quotients(heads, tails, sum.value)
        if (others.count > MOST_AMBIGUOUS) roughly += others.count
        else
          for (const code of others.list())
            for (const held of storedOf(definition, code, true)) rough.add(held)
      }
      for (const start of numbersOf(heads))
        for (const end of tails.flatMap((width) => otherRuns(start, operator, width, sum.value))) {
          const whole = start + operator + end
          if (READINGS.some((read) => workedOut(whole, read) === sum.value))
            for (const held of storedOf(definition, whole, true)) texts.add(held)
        }
    }
  }
  const channels = [...marks, 'arithmetic']
  const findings: FindingCode[] = [...marks, 'evaluated']
  const offer = (codes: readonly string[], times: number) =>
    codes.length ? [way('arithmetic', channels, findings, codes, weight * times)] : []
  const count = (bound: bigint, times: number): Hypothesis[] => {
    if (bound === 0n) return []
    const subset = { count: bound, bound, exact: false, list: () => [] }
    const originals = { kind: 'subset', subset } as const
    return [{ ...way('arithmetic', channels, findings, [], weight * times), originals }]
  }
  return [
    ...offer([...texts], 1),
    ...count(many, 1),
    ...offer(
      [...rough].filter((one) => !texts.has(one)),
      TOGETHER.fewerDigits,
    ),
    ...count(roughly, TOGETHER.fewerDigits),
  ]
}

// The widths of a run of digits, from the least, where it has one, to the most.
function widthsFrom(least: string | undefined, most: number): number[] {
  const first = least === undefined ? most : Math.max(1, Number(least))
  return Array.from({ length: Math.max(0, most - first + 1) }, (_, i) => first + i)
}

const numbersOf = (widths: readonly number[]) =>
  widths.flatMap((width) =>
    Array.from({ length: 10 ** width }, (_, i) => `${i}`.padStart(width, '0')),
  )

// All a/b of which a program prints the value that shows fewer digits, or divides whole numbers.
function quotients(heads: readonly number[], tails: readonly number[], value: string) {
  const spans = numbersOf(heads).flatMap((start) => {
    const [from, to] = divisors(BigInt(start), value)
    return tails.flatMap((width) => {
      const below = 10n ** BigInt(width)
      const [least, most] = [from < 1n ? 1n : from, to < below ? to : below - 1n]
      return least > most || value.startsWith('-') ? [] : { start, width, least, most }
    })
  })
  const list = () =>
    spans.flatMap(({ start, width, least, most }) =>
      Array.from(
        { length: Number(most - least) + 1 },
        (_, i) => `${start}/${`${least + BigInt(i)}`.padStart(width, '0')}`,
      ),
    )
  return { count: spans.reduce((sum, { least, most }) => sum + most - least + 1n, 0n), list }
}

// How many a - b come to the value, at most: where zeros at the front make it octal, either may be read so.
function differences(first: number, second: number, value: string): bigint {
  if (value.includes('.')) return 0n
  const [most, least] = [10n ** BigInt(first), -(10n ** BigInt(second))]
  const sum = BigInt(value)
  if (sum <= least || sum >= most) return 0n
  return 2n * (first < second ? most : -least)
}

// How many a - b - c come to the value, at most: the first run follows from the other two.
function sumsOfThree([a = 0, b = 0, c = 0]: readonly number[], value: string): bigint {
  if (value.includes('.')) return 0n
  const [first, second, third] = [a, b, c].map((digits) => 10n ** BigInt(digits))
  const sum = BigInt(value)
  if (sum >= first! || sum < 2n - second! - third!) return 0n
  return second! * third! < first! * second! ? second! * third! : first! * second!
}

const READINGS: readonly ZeroLed[] = ['decimal', 'octal']

// What may stand behind the operator, in so many digits: either run may have been read as octal.
function otherRuns(start: string, operator: string, length: number, value: string): string[] {
  const runs = READINGS.flatMap((read) => {
    const b = otherRun(valueOf(start, read), operator, value)
    if (b === undefined || b < 0n) return []
    return [b.toString(), `0${b.toString(8)}`].filter((digits) => digits.length <= length)
  })
  return [...new Set(runs.map((digits) => digits.padStart(length, '0')))]
}

function otherRun(a: bigint, operator: string, value: string): bigint | undefined {
  if (operator === '-') return value.includes('.') ? undefined : a - BigInt(value)
  const [whole = '0', fraction = ''] = value.split('.')
  const scaled = BigInt(whole + fraction)
  if (scaled <= 0n) return undefined
  const unit = 10n ** BigInt(fraction.length)
  // Rounded: the printed quotient has few digits, the divisor is whole.
  return (a * unit * 2n + scaled) / (scaled * 2n)
}
