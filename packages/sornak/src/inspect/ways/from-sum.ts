// A number that is the sum of what stood there.

import { arithmetic, valueOf, workedOut, type ZeroLed } from '../../channel/arithmetic.js'
import type { FindingCode } from '../../channel/channel.js'
import type { Definition } from '../../identifier/definition.js'
import type { Space } from '../../identifier/space.js'
import { formsOf, storedOf } from './forms.js'
import { way, type Hypothesis } from './hypothesis.js'
import { TOGETHER } from './weights.js'

// 413 <- 555-0142: the first run of digits runs through all it can be, the others follow from it while
// there is one; more than two runs are too many to solve, and are counted.
// Runs of digits, or of what may be digits, joined by hyphens or a slash.
const RUN = /\{(?:\w+:\s*)?(?:\d+\.\.)?(\d+)(?: of "0\.\.9[^"]*")?\}/.source
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
  let many = 0n
  const own = definition.stored.masks.some(({ text: shape }) => /\}[-/]\{/.test(shape))
  // Where values may be digits only, these will have been.
  const only = own && space.integers.count === 0n
  const weight = only || text.startsWith('-') ? TOGETHER.evaluated : TOGETHER.evaluatedDisplay
  for (const form of formsOf(definition)) {
    for (const { text: shape } of form.masks) {
      const runs = TWO_RUNS.exec(shape)
      if (!runs) {
        const three = THREE_RUNS.exec(shape)
        if (three) many += sumsOfThree(three.slice(1).map(Number), sum.value)
        continue
      }
      const [first, operator, second] = [Number(runs[1]), runs[2], Number(runs[3])]
      if (first > 4) {
        if (operator === '-') many += differences(first, second, sum.value)
        continue
      }
      if (second > 6) continue
      for (let a = 0n; a < 10n ** BigInt(first); a++) {
        const start = `${a}`.padStart(first, '0')
        for (const end of otherRuns(start, operator!, second, sum.value)) {
          const whole = start + operator + end
          if (READINGS.some((read) => workedOut(whole, read) === sum.value))
            for (const held of storedOf(definition, whole, true)) texts.add(held)
        }
      }
    }
  }
  const channels = [...marks, 'arithmetic']
  const findings: FindingCode[] = [...marks, 'evaluated']
  const found: Hypothesis[] = []
  if (texts.size) found.push(way('arithmetic', channels, findings, [...texts], weight))
  if (many > 0n)
    found.push({
      ...way('arithmetic', channels, findings, [], weight),
      originals: {
        kind: 'subset',
        subset: { count: many, bound: many, exact: false, list: () => [] },
      },
    })
  return found
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
