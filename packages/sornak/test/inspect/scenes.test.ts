// Columns in which conversions were at work, done here by other means than the library's: plain text and whole
// numbers of any size. Runs are found where they are, mends are the originals, values that were left alone are not
// accused.

import { describe, expect, test } from 'vitest'
import { columnEvidence, columnRuns, fit, judge, type Definition } from 'sornak'
import { definition } from '../identifier/definition-for.js'

let state = 20_261_125
const next = (below: number) => (state = (state * 48271) % 2147483647) % below
const digits = (count: number) => Array.from({ length: count }, () => `${next(10)}`).join('')

const staff = definition({ stored: '{5}', display: 'HS-{5}' })
const serial = definition({ stored: '{18}' })
const card = definition({ stored: '{16}', check: 'luhn', display: '{4} {4} {4} {4}' })
const ticket = definition({ stored: '{12}' })

// Doubling every second digit from the right, the last one being the check digit.
function withLuhn(body: string): string {
  let sum = 0
  for (let i = 0; i < body.length; i++) {
    const digit = body.charCodeAt(body.length - 1 - i) - 48
    const twice = i % 2 === 0 ? digit * 2 : digit
    sum += twice > 9 ? twice - 9 : twice
  }
  return `${body}${(10 - (sum % 10)) % 10}`
}

// Significant digits kept, the rest cut or rounded half up, all in whole numbers.
function keep(text: string, count: number, how: 'cut' | 'round'): string {
  const bare = text.replace(/^0+(?=\d)/, '')
  if (bare.length <= count) return bare
  const unit = 10n ** BigInt(bare.length - count)
  const value = BigInt(bare)
  return `${((how === 'cut' ? value : value + unit / 2n) / unit) * unit}`
}

// An integer type of so many bits, values beyond it wrapped round or held at its limit.
function int(text: string, bits: bigint, how: 'wrap' | 'hold'): string {
  const value = BigInt(text)
  const half = 1n << (bits - 1n)
  if (how === 'hold') return `${value >= half ? half - 1n : value}`
  return `${((value + half) % (1n << bits)) - half}`
}

// Thousands grouped from the right.
const grouped = (text: string, mark: string) =>
  text.replace(/^0+(?=\d)/, '').replace(/\B(?=(?:\d{3})+$)/g, mark)

function exponent(text: string, places: number, sign: string): string {
  const rounded = keep(text, places + 1, 'round')
  const kept = rounded.slice(1, 1 + places).padEnd(places, '0')
  return `${rounded[0]}.${kept}E${sign}${`${rounded.length - 1}`.padStart(2, '0')}`
}

const bare = (text: string) => text.replace(/^0+(?=\d)/, '')

interface Scene {
  readonly name: string
  readonly of: Definition
  readonly original: () => string
  readonly convert: (text: string) => string
  readonly channel: string
  /** Whether every value that was changed must come back. */
  readonly mends?: true
}

const SCENES: readonly Scene[] = [
  {
    name: 'zeros lost',
    of: staff,
    original: () => digits(5),
    convert: bare,
    channel: 'number-read',
    mends: true,
  },
  {
    name: 'read as a number and printed with a tail',
    of: staff,
    original: () => digits(5),
    convert: (text) => `${bare(text)}.0`,
    channel: 'decimal-tail',
    mends: true,
  },
  {
    name: 'grouped with commas',
    of: ticket,
    original: () => `${1 + next(9)}${digits(11)}`,
    convert: (text) => grouped(text, ','),
    channel: 'grouping',
    mends: true,
  },
  {
    name: 'grouped with narrow no-break spaces',
    of: ticket,
    original: () => `${1 + next(9)}${digits(11)}`,
    convert: (text) => grouped(text, '\u202f'),
    channel: 'grouping',
    mends: true,
  },
  {
    name: 'an apostrophe in front',
    of: staff,
    original: () => digits(5),
    convert: (text) => `'${text}`,
    channel: 'stray-mark',
    mends: true,
  },
  {
    name: 'shown with a prefix',
    of: staff,
    original: () => digits(5),
    convert: (text) => `HS-${text}`,
    channel: 'display',
    mends: true,
  },
  {
    name: 'cut to fifteen digits',
    of: serial,
    original: () => `${1 + next(9)}${digits(17)}`,
    convert: (text) => keep(text, 15, 'cut'),
    channel: 'fifteen-digits',
  },
  {
    name: 'rounded to fifteen digits',
    of: card,
    original: () => withLuhn(`400000${digits(9)}`),
    convert: (text) => keep(text, 15, 'round'),
    channel: 'fifteen-digits',
  },
  {
    name: 'six digits and an exponent',
    of: ticket,
    original: () => `${1 + next(9)}${digits(11)}`,
    convert: (text) => exponent(text, 5, '+'),
    channel: 'short-display',
  },
  {
    name: 'held at the limit of 32 bits',
    of: ticket,
    original: () => `${1 + next(9)}${digits(11)}`,
    convert: (text) => int(text, 32n, 'hold'),
    channel: 'clamped',
  },
  {
    name: 'wrapped round at 32 bits',
    of: ticket,
    original: () => `${1 + next(9)}${digits(11)}`,
    convert: (text) => int(text, 32n, 'wrap'),
    channel: 'wrapped',
  },
]

describe.each(SCENES)('$name', ({ of, original, convert, channel, mends }) => {
  const originals = Array.from({ length: 3000 }, original)
  const [from, to] = [1200, 1700]
  const seen = originals.map((text, i) => (i >= from && i < to ? convert(text) : text))
  const evidence = columnEvidence(of)
  seen.forEach((text, i) => {
    const place = { index: i, line: i, offset: i }
    const bytes = new TextEncoder().encode(text)
    if (fit(of, text).ok) evidence.fits(bytes, 0, bytes.length, place)
    else evidence.misfit(text, place)
  })
  const runs = columnRuns(of, evidence.state())
  const verdicts = seen.map((text, i) => judge(of, text, 1000, runs.around(i)))

  test('a run is told, within its rows', () => {
    const run = runs.told.find((one) => one.channel === channel)
    expect(runs.told.map((one) => one.channel)).toContain(channel)
    // A value that the conversion leaves alone tells nothing: the run may begin or end a little later or earlier.
    const changed = seen.flatMap((text, i) => (text === originals[i] ? [] : [i]))
    expect(run!.from.index).toBeGreaterThanOrEqual(from - 3)
    expect(run!.from.index).toBeLessThanOrEqual(changed[Math.ceil(changed.length / 20)]!)
    expect(run!.to.index).toBeLessThanOrEqual(to + 3)
    expect(run!.to.index).toBeGreaterThanOrEqual(changed.at(-Math.ceil(changed.length / 20))!)
  })

  test('all that does not fit any more is flagged, and nothing outside of the run', () => {
    verdicts.forEach(({ verdict, findings }, i) => {
      if (i >= from - 3 && i < to + 3) {
        if (!fit(of, seen[i]!).ok) expect([i, findings.length > 0]).toEqual([i, true])
      } else expect([i, verdict]).toEqual([i, 'intact'])
    })
  })

  test('mends are the originals, and lists hold them', () => {
    let mended = 0
    verdicts.forEach(({ verdict, mend, candidates, possible }, i) => {
      if (mend !== undefined && seen[i] !== originals[i]) {
        mended++
        expect([i, mend]).toEqual([i, originals[i]])
      }
      if (verdict === 'ambiguous' && possible !== null && possible <= 1000n)
        expect(candidates.map(({ text }) => text)).toContain(originals[i])
    })
    const changed = seen.filter((text, i) => text !== originals[i]).length
    if (mends) expect(mended).toBe(changed)
    else expect(mended).toBeLessThan(changed)
  })
})
