// Numbers that were printed with digits of base sixteen, and no mark says so.

import { describe, expect, test } from 'vitest'
import { columnRuns, judge, type Judgement } from 'sornak'
import { digits, evidenceOf, next, of } from './converted-column.js'
import { restart } from './draws.js'

const sixteen = (text: string) => BigInt(text).toString(16)
const SCENES: Record<string, (row: number) => boolean> = {
  'all rows': () => true,
  'a run of thirty': (row) => row >= 100 && row < 130,
  'rows here and there': (row) => row % 10 === 3,
}

function told(stored: string, values: readonly string[]): Judgement[] {
  const made = of(stored)
  const runs = columnRuns(made, evidenceOf(made, values))
  return values.map((seen, row) => judge(made, seen, 10, runs.around(row)))
}

describe.each(Object.entries(SCENES))('of %s', (_, isStruck) => {
  test.each([
    [6, sixteen],
    [8, (text: string) => sixteen(text).toUpperCase()],
    [16, sixteen],
  ])('numbers of %i digits are turned back', (width, print) => {
    restart()
    const originals = Array.from({ length: 300 }, () => digits(width))
    const seen = originals.map((text, row) => (isStruck(row) ? print(text) : text))
    for (const [row, { verdict, mend, findings, proof }] of told(`{${width}}`, seen).entries()) {
      expect([verdict, mend]).toEqual(
        isStruck(row) ? ['mendable', originals[row]] : ['intact', undefined],
      )
      if (!isStruck(row)) continue
      expect([findings.includes('base-changed'), proof]).toEqual([true, 'odds'])
    }
  })
})

test('those that still fit are doubted where all rows were printed so', () => {
  restart()
  const originals = Array.from({ length: 300 }, () => digits(5))
  const seen = originals.map(sixteen)
  const fitting = told('{5}', seen).flatMap((one, row) =>
    seen[row]!.length === 5 && /^\d+$/.test(seen[row]!) ? [[one, originals[row]] as const] : [],
  )
  expect(fitting.length).toBeGreaterThan(10)
  for (const [{ verdict, candidates }, original] of fitting)
    expect([verdict, candidates.map(({ text }) => text)]).toEqual(['suspect', [original]])
})

test('those beside them are not, where some rows were', () => {
  restart()
  const isStruck = (row: number) => row % 4 === 1
  const seen = Array.from({ length: 400 }, (_, row) =>
    isStruck(row) ? sixteen(digits(5)) : digits(5),
  )
  const clean = told('{5}', seen).filter((_, row) => !isStruck(row))
  expect(clean.filter(({ verdict }) => verdict !== 'intact').length).toBeLessThan(4)
})

describe('are no numbers:', () => {
  const letter = () => 'ABCDEF'[next(6)]!
  test.each<[string, () => string]>([
    ['words', () => ['BAD', 'DEAD', 'FACE', 'ADD'][next(4)]!],
    ['codes with a letter in front', () => letter() + digits(4)],
    ['codes with two', () => letter() + letter() + digits(3)],
    ['codes with a letter behind', () => digits(4) + letter()],
    ['codes with a letter in the middle', () => digits(2) + letter() + digits(2)],
    ['short codes', () => letter() + next(10) + letter()],
    ['one code again and again', () => '1B3C5'],
    [
      'codes of six such digits',
      () => [...digits(6)].map((digit) => (next(2) ? digit : letter())).join(''),
    ],
  ])('%s', (_, code) => {
    restart()
    const isCode = (row: number) => row % 8 === 3
    const seen = Array.from({ length: 300 }, (_, row) => (isCode(row) ? code() : digits(6)))
    for (const [row, { findings }] of told('{6}', seen).entries())
      if (isCode(row)) expect(findings).not.toContain('base-changed')
  })
  test('a lone one', () => {
    for (const seen of ['23ede3', 'cafe1', '1A'])
      expect(judge(of('{8}'), seen).verdict).toBe('misfit')
  })
})
