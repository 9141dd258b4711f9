// Identifiers of the catalog of which rows here and there went through a conversion, or all of them: what explains each value
// by itself best is not what happened to these rows.

import { describe, expect, test } from 'vitest'
import { columnRuns, fit, fromCatalog, judge, spaceOf, type Definition } from 'sornak'
import { bare, digits, evidenceOf, next, toDigits } from './converted-column.js'
import { restart } from './draws.js'

type Convert = (text: string) => string

function judged(
  made: Definition,
  draw: () => string,
  convert: Convert,
  isStruck: (row: number) => boolean,
) {
  const originals = Array.from({ length: 240 }, draw)
  const seen = originals.map((text, row) => (isStruck(row) ? convert(text) : text))
  const runs = columnRuns(made, evidenceOf(made, seen))
  return originals.flatMap((original, row) => {
    const told = judge(made, seen[row]!, 1000, runs.around(row))
    return original === seen[row] ? [] : [{ original, seen: seen[row]!, told }]
  })
}

/** No mend is wrong, and each list holds the original. */
function expectNoneWrong(rows: ReturnType<typeof judged>) {
  for (const { original, seen, told } of rows) {
    expect([seen, [undefined, original].includes(told.mend)]).toEqual([seen, true])
    if (told.verdict !== 'ambiguous') continue
    expect([seen, told.candidates.some(({ text }) => text === original)]).toEqual([seen, true])
  }
}

const drawn = (made: Definition, width: () => number) => {
  const draw = (): string => {
    const text = digits(width())
    return fit(made, text).ok ? text : draw()
  }
  return draw
}
const scattered = (row: number) => row % 9 === 2

describe('numbers that lack two digits did not wrap round in a type that holds many more', () => {
  test.each(['phone/gb', 'postcode/de'])('%s', (key) => {
    for (let start = 1; start <= 8; start++) {
      restart(start)
      const made = fromCatalog(key)!
      const { widths } = spaceOf(made)
      const draw = drawn(made, () => widths[next(widths.length)]!)
      expectNoneWrong(judged(made, draw, (text) => text.slice(2), scattered))
    }
  })
})

test('numbers of 16 bits were not left by a reader of octal digits, which stops anywhere', () => {
  restart()
  const made = fromCatalog('book/isbn-10')!
  const draw = drawn(made, () => 10)
  const rows = judged(made, draw, (text) => `${BigInt.asUintN(16, BigInt(text))}`, scattered)
  expectNoneWrong(rows)
  for (const { told } of rows) expect(told.verdict).toBe('lost')
})

describe('items of which all were rounded to ten digits', () => {
  const made = fromCatalog('item/gtin-13')!
  const rounded = (text: string) => `${toDigits(BigInt(bare(text)), 10)}`
  const draw = drawn(made, () => 13)
  const all = () => {
    restart()
    return judged(made, draw, rounded, () => true)
  }
  test('end in fewer zeros where they lost one in front, and are listed', () => {
    const rows = all()
    expectNoneWrong(rows)
    expect(rows.filter(({ seen }) => seen.length === 12).length).toBeGreaterThan(10)
  })
  test('are doubted where the check digit is right all the same', () => {
    const rows = all()
    const fitting = rows.filter(({ seen }) => fit(made, seen).ok)
    expect(fitting.length).toBeGreaterThan(10)
    for (const { told } of fitting) expect(told.verdict).toBe('suspect')
  })
})
