// Columns in which no value is complete, and that come up to the limit of an integer type.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Definition } from 'sornak'
import { runWhy } from '../../src/inspect/messages.js'
import { bare, digits, evidenceOf, next, of, padded } from './converted-column.js'

function judged(made: Definition, seen: readonly string[]) {
  const runs = columnRuns(made, evidenceOf(made, seen))
  const all = seen.map((text, row) => judge(made, text, 1000, runs.around(row)))
  return { all, told: runs.told.map((run) => runWhy(run, 1, seen.length, [])).join(' ') }
}

const rows = (count: number, draw: () => string) => Array.from({ length: count }, draw)

const BRANCHES = ['0102', '0301', '1105']
const account = () => `${BRANCHES[next(3)]!}${digits(8)}`

describe('accounts of a few branches, each wrapped in 32 bits without a sign', () => {
  const originals = rows(240, account)
  const seen = originals.map((text) => BigInt.asUintN(32, BigInt(text)).toString())
  const { all, told } = judged(of('{12}'), seen)

  test('get no zeros, and the original is listed', () => {
    all.forEach(({ verdict, candidates }, row) => {
      expect(verdict).toBe('ambiguous')
      expect(candidates.map(({ text }) => text)).toContain(originals[row])
    })
  })

  test('the column says why', () => {
    expect(told).toContain('none is beyond 4,294,967,295')
    expect(told).toContain('32 bits without a sign')
  })
})

test.each([
  ['60,000', 8],
  ['50,000', 7],
  ['3,000,000,000', 12],
])('numbers issued so far, up to %s of %i digits, get their zeros', (most, width) => {
  const limit = BigInt(most.replaceAll(',', ''))
  const originals = rows(240, () => `${BigInt(digits(10)) % limit}`.padStart(width, '0'))
  const { all, told } = judged(of(`{${width}}`), originals.map(bare))
  expect(all.map(({ mend }) => mend)).toEqual(originals)
  expect(told).not.toContain('beyond')
})

test('numbers issued so far, of which every other part has twice as many, get them too', () => {
  const originals = Array.from({ length: 10 }, (_, part) =>
    rows(part % 2 ? 32 : 16, () => `${part * 6000 + next(6000)}`.padStart(8, '0')),
  ).flat()
  const mixed = originals.map((_, row) => originals[(row * 97) % originals.length]!)
  const { all } = judged(of('{8}'), mixed.map(bare))
  expect(all.map(({ mend }) => mend)).toEqual(mixed)
})

test('numbers of a few blocks that do not come near a limit get them too', () => {
  const originals = rows(240, () => `00${['0102', '0301', '1105'][next(3)]!}${digits(6)}`)
  const { all } = judged(of('{12}'), originals.map(bare))
  expect(all.map(({ mend }) => mend)).toEqual(originals)
})

test('phones of four areas beside those that wrapped in 16 bits: no zeros are put in front', () => {
  const areas = ['206', '253', '360', '425']
  const originals = rows(400, () => `${areas[next(4)]!}555${digits(4)}`)
  const seen = originals.map((text, row) =>
    row < 200 ? BigInt.asUintN(16, BigInt(text)).toString() : text,
  )
  const { all } = judged(of('{10}'), seen)
  expect(all.slice(0, 200).filter(({ mend }) => mend !== undefined)).toEqual([])
  expect(all.slice(200).filter(({ verdict }) => verdict !== 'intact')).toEqual([])
})

describe('numbers of five digits, each wrapped in 8 bits without a sign', () => {
  const originals = rows(240, () => digits(5))
  const { all, told } = judged(
    of('{5}'),
    originals.map((text) => BigInt.asUintN(8, BigInt(text)).toString()),
  )

  test('get no zeros, and the original is listed', () => {
    all.forEach(({ verdict, candidates }, row) => {
      // Zero stands for any value that is not known.
      if (BigInt(originals[row]!) % 256n === 0n) return
      expect(verdict).toBe('ambiguous')
      expect(candidates.map(({ text }) => text)).toContain(originals[row])
    })
  })

  test('the column says why', () => {
    expect(told).toContain('none is beyond 255')
    expect(told).toContain('8 bits without a sign')
  })

  test('numbers issued so far, up to 200, get theirs', () => {
    const issued = rows(240, () => padded(1 + next(200), 5))
    expect(judged(of('{5}'), issued.map(bare)).all.map(({ mend }) => mend)).toEqual(issued)
  })
})

describe('rows that went through 8 bits, between others', () => {
  const inEight = (text: string) => BigInt.asUintN(8, BigInt(text)).toString()
  const struck = (row: number) => row >= 240 && row < 300
  const wrapped = (originals: readonly string[], made: Definition) => {
    const seen = originals.map((text, row) => (struck(row) ? inEight(text) : text))
    const { all } = judged(made, seen)
    return all.flatMap((told, row) =>
      struck(row) && seen[row] !== originals[row] ? [{ original: originals[row]!, told }] : [],
    )
  }

  test('numbers of three digits: those that fit are doubted, and the others open', () => {
    const changed = wrapped(
      rows(540, () => digits(3)),
      of('{3}'),
    )
    // Where the rows begin and end is not known to the row.
    const open = changed.filter(({ told }) => told.verdict !== 'intact')
    expect(changed.length).toBeGreaterThan(40)
    expect(open.length).toBeGreaterThanOrEqual(changed.length - 3)
    for (const { original, told } of open) {
      expect(['suspect', 'ambiguous']).toContain(told.verdict)
      expect(told.mend).toBeUndefined()
      expect(told.candidates.map(({ text }) => text)).toContain(original)
    }
  })

  test.each([4, 5, 6])('numbers of up to 5,000 in %i digits: no zeros are put back', (width) => {
    const changed = wrapped(
      rows(540, () => padded(next(5000), width)),
      of(`{${width}}`),
    )
    expect(changed.length).toBeGreaterThan(40)
    expect(changed.filter(({ told }) => told.mend !== undefined)).toEqual([])
  })

  test('a list in order that starts again from below is none: no zeros are put back', () => {
    const clean = rows(480, () => padded(next(5000), 6))
    const issued = Array.from({ length: 60 }, (_, row) => padded(row * 9 + next(9), 6))
    const originals = [...clean.slice(0, 240), ...issued, ...clean.slice(240)]
    const changed = wrapped(originals, of('{6}')).filter(({ original }) => BigInt(original) > 255n)
    expect(changed.length).toBeGreaterThan(20)
    expect(changed.filter(({ told }) => told.mend !== undefined)).toEqual([])
  })

  test('small numbers that only lost their zeros get them back', () => {
    const originals = rows(540, () => padded(next(5000), 6))
    const seen = originals.map((text, row) => (struck(row) ? bare(text) : text))
    const { all } = judged(of('{6}'), seen)
    const mends = originals.flatMap((text, row) => (seen[row] === text ? [] : [all[row]!.mend]))
    expect(mends).toEqual(originals.slice(240, 300))
  })
})
