// What a value that fits says of each process, against what the channel prints: a process can have printed
// a value exactly where some value of the definition goes forward to it.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CHANNELS } from 'sornak'
import { processesOf } from '../../src/inspect/evidence/processes.js'
import { definition } from '../identifier/definition-for.js'

const short = definition({ stored: '{5}' })
const long = definition({ stored: '{18}' })
const wide = definition({ stored: '{10}' })

const says = (made: typeof short, id: string, text: string): number => {
  const process = processesOf(made).find((one) => one.id === id)
  if (!process) throw new Error(`no process ${id}`)
  const bytes = new TextEncoder().encode(`x${text}y`)
  return process.fits ? process.fits(bytes, 1, bytes.length - 1) : process.usual
}

describe('processes that take zeros', () => {
  const all = Array.from({ length: 100_000 }, (_, n) => `${n}`.padStart(5, '0'))
  test.each([
    ['number-read', 'number-read', 'integer'],
    ['octal', 'other-base', 'octal'],
    ['octal or decimal', 'other-base', 'octal or decimal'],
    ['octal as far as it goes', 'other-base', 'octal as far as it goes'],
  ])('%s', (id, channel, form) => {
    const printed = new Set(all.map((text) => CHANNELS.get(channel)!.forward(text, form)))
    // A short value does not fit, so only those of full width are asked for.
    for (let n = 0; n < 100_000; n += 37) {
      const text = all[n]!
      expect(says(short, id, text) >= 0, text).toBe(printed.has(text))
    }
  })
})

describe('integer types', () => {
  test.each(['int16', 'uint16', 'int32', 'uint32'])('%s leaves alone what it holds', (name) => {
    const max = { int16: 32767n, uint16: 65535n, int32: 2147483647n, uint32: 4294967295n }[name]!
    fc.assert(
      fc.property(fc.bigInt(1_000_000_000n, 9_999_999_999n), (value) => {
        expect(says(wide, `wrapped ${name}`, `${value}`) >= 0).toBe(value <= max)
      }),
    )
    const limit = `${max}`
    if (limit.length === 10) expect(says(wide, `clamped ${limit}`, limit)).toBeGreaterThan(5 * 256)
  })
})

describe('processes that round', () => {
  // Whether rounding the value again changes nothing: then it can have been printed.
  const stays = (channel: string, text: string) =>
    CHANNELS.get(channel)!.forms.some((form) => CHANNELS.get(channel)!.forward(text, form) === text)
  const serial = fc.oneof(
    fc.stringMatching(/^[1-9][0-9]{17}$/),
    fc.stringMatching(/^[1-9][0-9]{14}000$/),
    fc.bigInt(2n ** 56n, 2n ** 59n).map((n) => `${(n >> 7n) << 7n}`.padStart(18, '1')),
  )
  test.each([
    ['binary64', 'binary64'],
    ['fifteen-cut', 'fifteen-digits'],
    ['fifteen-rounded', 'fifteen-digits'],
    ['binary32', 'binary32'],
  ])('%s', (id, channel) => {
    fc.assert(
      fc.property(serial, (text) => {
        fc.pre(text.length === 18 && !text.startsWith('0'))
        const said = says(long, id, text)
        // A number of single precision may also be printed with the digits of double precision.
        if (id === 'binary32' && stays('binary64', text)) return
        expect(said >= 0, text).toBe(stays(channel, text))
      }),
      { numRuns: 600 },
    )
  })
  test('the bits are those of the values that come out the same', () => {
    // Between 2^58 and 2^59 every 64th integer exists: 65 integers with both ends come out as one.
    const value = `${2n ** 58n + 64n * 1001n}`
    expect(says(long, 'binary64', value) / 256).toBeCloseTo(Math.log2(65), 1)
    expect(says(long, 'fifteen-cut', '123456789012345000') / 256).toBeCloseTo(Math.log2(1000), 1)
  })
})

describe('binary numbers, told from their last digits', () => {
  const channel = CHANNELS.get('binary64')!
  const stays = (text: string) => channel.forms.some((form) => channel.forward(text, form) === text)
  const powers = [53n, 54n, 55n, 56n, 57n, 58n, 59n, 60n, 61n].map((power) => 2n ** power)

  test.each([16, 17, 18, 19, 20])(
    'of %i digits, near a power of two and far from one',
    (digits) => {
      const [least, most] = [10n ** BigInt(digits - 1), 10n ** BigInt(digits) - 1n]
      const any = fc.bigInt(least, most)
      // Near multiples of the steps between such numbers, and near tens and hundreds, which they are printed as.
      const value = fc.oneof(
        any,
        fc
          .tuple(any, fc.constantFrom(10n, 100n, 1000n, 16n, 64n, 128n, 1024n), fc.bigInt(-6n, 6n))
          .map(([n, step, by]) => (n / step) * step + by),
        fc
          .tuple(fc.constantFrom(...powers), fc.bigInt(-300n, 300n), fc.constantFrom(1n, 10n))
          .map(([power, by, unit]) => ((power + by * unit) / unit) * unit),
      )
      const made = definition({ stored: `{${digits}}` })
      fc.assert(
        fc.property(value, (n) => {
          fc.pre(n >= least && n <= most)
          expect(says(made, 'binary64', `${n}`) >= 0, `${n}`).toBe(stays(`${n}`))
        }),
        { numRuns: 1000 },
      )
    },
  )
})
