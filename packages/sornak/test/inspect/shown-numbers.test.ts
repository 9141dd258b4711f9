// Display forms that were read as numbers: an international telephone number, or a code without the separators that belong to
// it. What happened to the digits of the form is worked out here with integers, and held against what comes back.

import { describe, expect, test } from 'vitest'
import { columnRuns, fromCatalog, hypotheses, judge, trustedList, type Definition } from 'sornak'
import { definition } from '../identifier/definition-for.js'
import { digits, evidenceOf, next } from './converted-column.js'
import { restart } from './draws.js'

const gb = fromCatalog('phone/gb')!
const hyphens = definition({ stored: '{3}-{2}-{4}' })
const cards = definition({ stored: '{4}-{4}-{4}-{4}' })

/** Nearest number of so many digits, with zeros for the others. */
function rounded(number: string, kept: number): string {
  const unit = 10n ** BigInt(Math.max(0, number.length - kept))
  return `${((BigInt(number) + unit / 2n) / unit) * unit}`
}

/** As spreadsheets show numbers that are too wide: 447700900123 is 4.47701E+11. */
function exponent(number: string): string {
  const shown = rounded(number, 6)
  const coefficient = shown.slice(0, 6).replace(/0+$/, '')
  return `${coefficient[0]}.${coefficient.slice(1)}E+${`${shown.length - 1}`.padStart(2, '0')}`
}

/** A telephone number as it is stored, and with its country code. */
function phone(): readonly [stored: string, shown: string] {
  const rest = `7${digits(9)}`
  return [`0${rest}`, `44${rest}`]
}

function judged(made: Definition, seen: readonly string[]) {
  const runs = columnRuns(made, evidenceOf(made, seen))
  return seen.map((text, row) =>
    judge(made, text, 1000, runs.around(row) ?? { lift: runs.outside, suspect: false }),
  )
}

describe('one by itself', () => {
  test.each([
    [gb, '447700900123', '07700900123'],
    [gb, '447700900123.0', '07700900123'],
    [gb, '4.47700900123E+11', '07700900123'],
    [hyphens, '078051127', '078-05-1127'],
    [hyphens, '78051127', '078-05-1127'],
    [hyphens, '78,051,127', '078-05-1127'],
    [cards, '4300222233334447', '4300-2222-3333-4447'],
  ])('%# of which all digits are there comes back', (made, seen, mend) => {
    expect(judge(made, seen)).toMatchObject({ verdict: 'mendable', mend })
  })

  test.each([
    [gb, '4.47701E+11', 'digits-rounded'],
    [gb, '447701000000', 'digits-rounded'],
    [hyphens, '7.81E+07', 'digits-rounded'],
    [cards, '4.30022E+15', 'digits-rounded'],
  ])('%# that lost digits does not', (made, seen, finding) => {
    const { verdict, mend, findings } = judge(made, seen)
    expect({ verdict, mend }).toEqual({ verdict: 'lost', mend: undefined })
    expect(findings).toContain(finding)
  })

  test('is counted by what the rounding leaves', () => {
    // 4.47701E+11 is any from 447700500000 to 447701500000, rounded, or to 447701999999, cut.
    const { possible } = judge(gb, '4.47701E+11')
    expect(possible).toBeGreaterThanOrEqual(1_000_000n)
    expect(possible).toBeLessThanOrEqual(1_500_001n)
  })

  test('sixteen digits that end in a zero are listed with those that fifteen leave', () => {
    const { verdict, candidates } = judge(cards, '4300222233334440', 1000)
    const texts = candidates.map(({ text }) => text)
    expect(verdict).toBe('ambiguous')
    expect(texts[0]).toBe('4300-2222-3333-4440')
    for (let last = 0; last < 10; last++) expect(texts).toContain(`4300-2222-3333-444${last}`)
  })

  test('a trusted list decides which number it was', () => {
    const list = trustedList(['07700900123', '07711900123', '02079460123'])
    const [only, ...others] = list.among(hypotheses(gb, '4.47701E+11'))
    expect([only, others]).toEqual(['07700900123', []])
    const joined = trustedList(['078-05-1127', '078-05-1128'])
    expect(joined.among(hypotheses(hyphens, '78051127'))).toEqual(['078-05-1127'])
  })
})

const CONVERSIONS: [string, (number: string) => string][] = [
  ['as it is', (number) => number],
  ['with a decimal', (number) => `${number}.0`],
  ['six digits and an exponent', exponent],
  ['to thousands', (number) => `${((BigInt(number) + 500n) / 1000n) * 1000n}`],
]
const SCENES: [string, (row: number) => boolean][] = [
  ['throughout', () => true],
  ['here and there', () => next(3) === 0],
]

describe.each(SCENES)('telephone numbers with a country code, %s', (_, isStruck) => {
  test.each(CONVERSIONS)('%s: none is mended wrongly, and lists hold it', (_, convert) => {
    restart()
    const rows = Array.from({ length: 90 }, (_, row) => {
      const [stored, shown] = phone()
      return { stored, seen: isStruck(row) ? convert(shown) : stored }
    })
    const told = judged(
      gb,
      rows.map(({ seen }) => seen),
    )
    const wrong = rows.filter(({ stored }, i) => (told[i]!.mend ?? stored) !== stored)
    expect(wrong).toEqual([])
    const open = rows.filter(
      ({ stored }, i) =>
        told[i]!.verdict === 'ambiguous' &&
        !told[i]!.candidates.some(({ text }) => text === stored),
    )
    expect(open).toEqual([])
    const changed = rows.flatMap(({ stored, seen }, i) => (seen === stored ? [] : [told[i]!]))
    expect(changed.length).toBeGreaterThan(15)
    expect(changed.filter(({ findings }) => findings.length === 0)).toEqual([])
  })
})

test('the last digits of a code with a hyphen, in every row, get no zeros', () => {
  restart()
  const made = definition({ stored: '{4}-{3}' })
  for (const kept of [5, 6]) {
    const rows = Array.from({ length: 60 }, () => `${1 + next(9)}${digits(6)}`)
    const told = judged(
      made,
      rows.map((text) => text.slice(-kept)),
    )
    expect(told.filter(({ mend }) => mend !== undefined)).toEqual([])
  }
})

test('letters of a code are no separators: no number was read across them', () => {
  const made = definition({ stored: '{2}E{3}' })
  expect(judge(made, '12005').mend).toBeUndefined()
})
