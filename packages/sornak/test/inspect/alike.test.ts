// A column in which every value lacks as many digits, and none is complete: whether zeros were lost there is not sure.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Definition } from 'sornak'
import { runWhy } from '../../src/inspect/messages.js'
import { definition } from '../identifier/definition-for.js'
import { bare, digits, evidenceOf, next, of, padded } from './converted-column.js'

const rows = (count: number, draw: () => string) => Array.from({ length: count }, draw)

function judged(made: Definition, seen: readonly string[]) {
  const runs = columnRuns(made, evidenceOf(made, seen))
  const all = seen.map((text, row) => judge(made, text, 30, runs.around(row)))
  return { all, told: runs.told.map((run) => runWhy(run, 1, seen.length, [])) }
}

/** A digit that makes the sum of digits, every second one counted thrice, a multiple of ten (GS1). */
function withCheckDigit(body: string): string {
  const sum = [...body].reduce(
    (total, digit, i) => total + Number(digit) * ((body.length - i) % 2 ? 3 : 1),
    0,
  )
  return `${body}${(10 - (sum % 10)) % 10}`
}

const trunk = () => `0${1 + next(9)}${digits(8)}`
const other = () => `${1 + next(9)}${digits(9)}`

describe('ten digits belong, and all values have nine', () => {
  test.each([
    ['a zero was lost', trunk, bare],
    ['the last digit was cut off', other, (text: string) => text.slice(0, -1)],
  ])('%s: ambiguous, and the original is listed', (_, draw, convert) => {
    const originals = rows(200, draw).filter((text) => convert(text)[0] !== '0')
    const { all, told } = judged(of('{10}'), originals.map(convert))
    for (const [row, { verdict, candidates }] of all.entries()) {
      expect(verdict).toBe('ambiguous')
      expect(candidates.map(({ text }) => text)).toContain(originals[row])
      // Zeros are the likeliest all the same.
      expect(candidates[0]!.text).toMatch(/^0/)
    }
    expect(told.join()).toContain('Every value lacks 1 digit')
    expect(told.join()).toContain('start with "0"')
  })

  test('nothing is in doubt where the mask has the zero', () => {
    const originals = rows(200, trunk)
    const { all, told } = judged(of('0{9}'), originals.map(bare))
    expect(all.map(({ mend }) => mend)).toEqual(originals)
    expect(told.join()).not.toContain('lacks')
  })

  test('nor where some of them are complete', () => {
    const originals = rows(400, () => `01632960${digits(3)}`)
    const seen = originals.map((text, row) => (row >= 150 && row < 300 ? bare(text) : text))
    const { all } = judged(of('0{10}'), seen)
    all.forEach(({ verdict, mend }, row) => {
      expect(verdict === 'intact' ? seen[row] : mend).toBe(originals[row])
    })
  })

  test('nor where complete values stand beside them', () => {
    const originals = rows(400, () => (next(2) ? trunk() : `0${digits(9)}`))
    const seen = originals.map((text, row) => (row % 4 ? text : bare(text)))
    const { all } = judged(of('{10}'), seen)
    all.forEach(({ verdict, mend }, row) => {
      expect(verdict === 'intact' ? seen[row] : mend).toBe(originals[row])
    })
  })

  test('nor of a few, which may be alike by chance', () => {
    const originals = rows(7, trunk)
    expect(judged(of('{10}'), originals.map(bare)).all.map(({ mend }) => mend)).toEqual(originals)
  })
})

test.each([
  ['first', (text: string) => text.slice(1)],
  ['last', (text: string) => text.slice(0, -1)],
])('eight rows one after the other lost their %s character: no zeros are invented', (_, cut) => {
  for (const width of [6, 9, 12, 19]) {
    const originals = rows(400, () => `${1 + next(9)}${digits(width - 1)}`)
    const clean = rows(400, () => digits(width))
    const seen = clean.map((text, row) => (row >= 150 && row < 158 ? cut(originals[row]!) : text))
    const { all } = judged(of(`{${width}}`), seen)
    const invented = all.slice(150, 158).filter(({ mend }) => mend !== undefined)
    expect(invented).toEqual([])
  }
})

describe('some here and there lack one digit', () => {
  const made = of('{10}')
  // Every so many of those that lack exactly one digit then.
  const scattered = (
    originals: readonly string[],
    every: number,
    convert: (text: string) => string,
  ) => {
    let met = 0
    return originals.map((text) => {
      const seen = convert(text)
      return /^[1-9]\d{8}$/.test(seen) && met++ % every === every - 1 ? seen : text
    })
  }
  const shortOf = (seen: readonly string[]) =>
    seen.flatMap((text, row) => (text.length < 10 ? [row] : []))

  test.each([
    ['lost their zeros', 4, bare],
    ['lost their last digit', 40, (text: string) => text.slice(0, -1)],
    ['lost their first digit', 40, (text: string) => text.slice(1)],
  ])(
    'most zeros were kept, and some %s: ambiguous, the original is listed',
    (_, every, convert) => {
      const originals = rows(400, () => digits(10))
      const seen = scattered(originals, every, convert)
      const { all } = judged(made, seen)
      const short = shortOf(seen)
      expect(short.length).toBeGreaterThan(6)
      for (const row of short) {
        expect(all[row]!.verdict).toBe('ambiguous')
        expect(all[row]!.candidates.map(({ text }) => text)).toContain(originals[row])
        expect(all[row]!.candidates[0]!.text).toBe(seen[row]!.padStart(10, '0'))
      }
    },
  )

  test('no zero was kept: zeros are what they lost', () => {
    const originals = rows(400, () => digits(10))
    const seen = originals.map(bare)
    const { all } = judged(made, seen)
    expect(shortOf(seen).filter((row) => all[row]!.mend !== originals[row])).toEqual([])
  })

  test('one alone was not cut: it lost its zero, or a digit was left out', () => {
    const originals = rows(400, () => digits(10))
    const seen = scattered(originals, 30, bare)
    const [row, other] = shortOf(seen)
    expect(other).toBeUndefined()
    const { verdict, candidates, findings } = judged(made, seen).all[row!]!
    expect([verdict, candidates[0]!.text]).toEqual(['ambiguous', originals[row!]])
    expect(findings).not.toContain('cut-short')
  })

  test('unless all values start alike, as its digits do', () => {
    const originals = rows(400, () => `206555${digits(4)}`)
    const seen = originals.map((text, row) => (row === 200 ? text.slice(0, -1) : text))
    const { verdict, candidates } = judged(made, seen).all[200]!
    expect(verdict).toBe('ambiguous')
    expect(candidates.map(({ text }) => text)).toContain(originals[200])
  })
})

test('numbers that lie close together, all different, were not cut at the end', () => {
  let value = 120
  const originals = rows(150, () => padded((value += 1 + next(4)), 5))
  const { all, told } = judged(of('{5}'), originals.map(bare))
  expect(all.map(({ mend }) => mend)).toEqual(originals)
  expect(told.join()).not.toContain('lacks')
})

test('a check digit that is right with zeros in front shows that they were there', () => {
  const made = definition({ stored: '{12}', check: 'gs1' })
  const originals = rows(100, () => withCheckDigit(`0${1 + next(9)}${digits(9)}`))
  expect(judged(made, originals.map(bare)).all.map(({ mend }) => mend)).toEqual(originals)
})

test('one that was mistyped among them changes nothing for the others', () => {
  const made = definition({ stored: '{12}', check: 'gs1' })
  const originals = rows(100, () => withCheckDigit(`0${1 + next(9)}${digits(9)}`))
  const seen = originals.map(bare)
  const last = Number(seen[40]!.at(-1))
  seen[40] = `${seen[40]!.slice(0, -1)}${(last + 1) % 10}`
  const mends = judged(made, seen).all.map(({ mend }) => mend)
  expect(mends.filter((mend, row) => row !== 40 && mend !== originals[row])).toEqual([])
})

test('of values that may have several widths, nobody can say how many digits they lack', () => {
  const { told } = judged(
    of('{4..6}'),
    rows(60, () => `${1 + next(9)}${digits(2)}`),
  )
  expect(told.join()).not.toContain('lacks')
})
