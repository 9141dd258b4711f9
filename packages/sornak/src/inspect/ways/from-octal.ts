// A number that was read as octal, by a reader that knows it all or stops at what is no digit of it.

import { octalTexts } from '../../channel/other-base.js'
import type { Definition } from '../../identifier/definition.js'
import { holds } from '../../identifier/holds.js'
import { startingWith } from '../../identifier/parts-of-space.js'
import { remembered } from '../../identifier/remembered.js'
import { widestNumber, type Space } from '../../identifier/space.js'
import { STOPS, type Bare, type Originals } from './hypothesis.js'
import { TOGETHER } from './weights.js'

export function octals(definition: Definition, space: Space, value: bigint): Bare[] {
  const widest = widestNumber(space)
  const seen = value.toString()
  if (seen.length >= widest) return []
  const fronts = octalTexts(seen, widest).filter((text) => text.length <= widest)
  const whole = fronts.filter((text) => text !== `0${seen}` || seen === '0')
  const fitting = whole.filter((text) => holds(definition, text))
  // What does not start with a zero is read as it stands.
  const itself = holds(definition, seen) ? [seen] : []
  const found: Bare[] = []
  if (fitting.length) found.push(octal('octal', { kind: 'texts', texts: [...fitting, ...itself] }))
  // A reader that stops leaves what comes before it.
  const chars = stopsOf(space)
  const stops = fronts.flatMap((front) => chars.map((char) => front + char))
  // Nor does it go on behind a number that starts with no zero.
  if (seen !== '0') stops.push(...chars.flatMap((char) => (/\d/.test(char) ? [] : [seen + char])))
  const ends = [...fitting, ...itself, ...stops.filter((text) => holds(definition, text))]
  const longer = stops.map((text) => startingWith(space, text)).filter(({ count }) => count > 0n)
  const count = longer.reduce((sum, one) => sum + one.count, BigInt(ends.length))
  if (count > BigInt(itself.length)) {
    const list = (most: number) =>
      [...ends, ...longer.flatMap((one) => one.list(most))].slice(0, most)
    const exact = longer.every((one) => one.exact)
    found.push(octal(STOPS, { kind: 'subset', subset: { count, bound: count, exact, list } }))
  }
  const decimal = /[89]/.test(seen)
    ? space.list(value, value, 16).filter((text) => text.startsWith('0'))
    : []
  if (fitting.length || decimal.length) {
    const texts = [...new Set([...fitting, ...decimal, ...itself])]
    found.push(octal('octal or decimal', { kind: 'texts', texts }))
  }
  return found
}

const octal = (process: string, originals: Originals): Bare => ({
  originals,
  channel: 'other-base',
  process,
  finding: 'base-changed',
  weight: TOGETHER.otherBase,
  per: 'all',
})

// Characters at which a reader of octal digits stops: 8, 9, and what is no digit.
const stopsOf = remembered(({ layouts, fronts }: Space): readonly string[] => {
  const codes = new Set(layouts.flatMap(({ places }) => places.flatMap(({ chars }) => chars)))
  const others = [...codes]
    .map((code) => String.fromCharCode(code))
    .filter((char) => !/\d/.test(char))
  return ['8', '9', ...(fronts ? others : [])]
})
