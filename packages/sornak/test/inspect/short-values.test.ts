// Which short values are kept, told by laws: parts join into the whole, and what is kept has nothing to do with order.

import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { limitsOf } from '../../src/inspect/short/limits.js'
import { collector, joinedShorts, type ShortValues } from '../../src/inspect/short/short-values.js'

function kept(values: readonly string[]): ShortValues {
  const collected = collector()
  values.forEach((digits, row) => collected.add(digits, row))
  return collected.values()
}

const digits = fc.stringMatching(/^\d{1,5}$/)

describe('short values', () => {
  test('parts join into what the whole would have kept, wherever it is divided', () => {
    fc.assert(
      fc.property(fc.array(digits, { maxLength: 60 }), fc.nat(), fc.nat(), (values, a, b) => {
        const [one, two] = [a, b].map((n) => n % (values.length + 1)).sort((x, y) => x - y) as [
          number,
          number,
        ]
        const parts = [values.slice(0, one), values.slice(one, two), values.slice(two)].map(kept)
        const left = joinedShorts(joinedShorts(parts[0]!, parts[1]!, one), parts[2]!, two)
        const right = joinedShorts(parts[0]!, joinedShorts(parts[1]!, parts[2]!, two - one), one)
        expect(left).toEqual(kept(values))
        expect(right).toEqual(kept(values))
      }),
    )
  })

  test('every value with its rows, while there are few', () => {
    const values = ['417', '12', '417', '9', '417', '12', '417', '417', '417']
    expect(kept(values)).toEqual([
      { digits: '12', rows: [1, 5] },
      { digits: '417', rows: [0, 2, 4, 6, 7, 8] },
      { digits: '9', rows: [3] },
    ])
  })

  test('a share of them where there are many: the same in any order, from all over, and no more than room is for', () => {
    const values = Array.from({ length: 30_000 }, (_, i) => `${i}`)
    const some = kept(values)
    expect(some).toHaveLength(1024)
    const backwards = kept([...values].reverse()).map((one) => one.digits)
    expect(backwards).toEqual(some.map((one) => one.digits))
    // Of ten thirds of a thousand each, every one has its share; three standard deviations are about 29.
    for (let tenth = 0; tenth < 10; tenth++) {
      const inside = some.filter((one) => Math.floor(Number(one.digits) / 3000) === tenth)
      expect(Math.abs(inside.length - 102.4)).toBeLessThan(40)
    }
  })

  test('where there are many, parts join all the same', () => {
    const values = Array.from({ length: 9000 }, (_, i) => `${(i * 7919) % 4000}`)
    const parts = [values.slice(0, 2500), values.slice(2500)].map(kept)
    expect(joinedShorts(parts[0]!, parts[1]!, 2500)).toEqual(kept(values))
  })
})

describe('limits', () => {
  const bytesOf = (text: string) => new TextEncoder().encode(text)
  test('the smallest and the largest of texts of one length', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^\d{6}$/), { minLength: 1 }),
        fc.nat(),
        (texts, n) => {
          const at = n % texts.length
          const first = limitsOf()
          for (const text of texts.slice(0, at)) first.take(bytesOf(text), 0, 6)
          const all = limitsOf(at ? first.texts() : undefined)
          for (const text of texts.slice(at)) all.take(bytesOf(` ${text}`), 1, 7)
          const sorted = [...texts].sort()
          expect(all.texts()).toEqual({ least: sorted[0], most: sorted.at(-1) })
        },
      ),
    )
  })
  test('texts of another length than the first are passed by; none at all gives empty ones', () => {
    const limits = limitsOf()
    expect(limits.texts()).toEqual({ least: '', most: '' })
    for (const text of ['005', '0001', '9']) limits.take(bytesOf(text), 0, text.length)
    expect(limits.texts()).toEqual({ least: '005', most: '005' })
  })
})
